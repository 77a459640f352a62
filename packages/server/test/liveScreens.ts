import {
  SOCKET_PATH,
  type HostChanges,
  type HostQuestion,
  type HostStudent,
  type PlayReply,
  type SendMove,
  type WallNow,
  type WallState,
} from '@otter/api'
import { io, type Socket } from 'socket.io-client'
import { Client, startTestServer, teacherWithList, WORDS, type TestServer } from './testServer.ts'

/** Waits until something is so; throws what is being waited for when it takes too long. */
export async function until(what: string, isSo: () => boolean | Promise<boolean>, patience = 10_000): Promise<void> {
  const end = Date.now() + patience
  while (!(await isSo())) {
    if (Date.now() > end) throw new Error(`waited for: ${what}`)
    await new Promise((resolve) => setTimeout(resolve, 20))
  }
}

/** Opens a socket as a page does: with a pass that is asked for at each try. */
function openSocket(url: string, pass: () => Promise<string>): Socket {
  return io(url.replace(/\/api$/u, ''), {
    path: SOCKET_PATH,
    transports: ['websocket'],
    reconnectionDelay: 50,
    reconnectionDelayMax: 200,
    auth: (give) =>
      void pass().then(
        (given) => give({ pass: given }),
        () => give({}),
      ),
  })
}

/** A student's page without a screen. */
export class StudentScreen {
  readonly client: Client
  readonly code: string
  readonly url: string
  socket: Socket | undefined
  reply: PlayReply | undefined
  /** All that was told when it came in, and over the socket, as text. */
  heard: string[] = []

  /** A page of a device that is known already has that one's client. */
  constructor(url: string, code: string, client = new Client(url)) {
    this.url = url
    this.code = code
    this.client = client
  }

  async join(body: object): Promise<PlayReply> {
    const { body: reply, status } = await this.client.call('POST', `/play/${this.code}/join`, body)
    if (status !== 201) throw new Error(JSON.stringify(reply))
    this.reply = reply as PlayReply
    this.heard.push(JSON.stringify(reply))
    return this.reply
  }

  async look(): Promise<PlayReply> {
    const { body } = await this.client.call('GET', `/play/${this.code}`)
    this.reply = body as PlayReply
    return this.reply
  }

  async connect(): Promise<void> {
    this.socket = openSocket(this.url, async () => {
      const { body } = await this.client.call('POST', `/play/${this.code}/pass`, {})
      return (body as { pass: string }).pass
    })
    this.socket.on('reply', (reply: PlayReply) => (this.reply = reply))
    this.socket.onAny((...message) => this.heard.push(JSON.stringify(message)))
    await until('a student to connect', () => this.socket?.connected === true)
  }

  /** Sends a move over the socket; returns the reply, or throws its problem. */
  async move(move: object, rest: Partial<SendMove> = {}): Promise<PlayReply> {
    const play = this.reply!.play!
    const sent = {
      id: crypto.randomUUID(),
      attempt: play.attempt,
      ...(play.moment !== null && { for: play.moment }),
      move,
      ...rest,
    }
    const answer = (await this.socket!.timeout(10_000).emitWithAck('move', sent)) as {
      reply?: PlayReply
      problem?: { code: string }
    }
    this.heard.push(JSON.stringify(answer))
    if (!answer.reply) throw new Error(answer.problem?.code)
    this.reply = answer.reply
    return answer.reply
  }
}

/** A host's page without a screen: what the socket told, put together. */
export class HostScreen {
  readonly client: Client
  readonly id: string
  readonly url: string
  socket: Socket | undefined
  facts: HostChanges['facts']
  students = new Map<string, HostStudent>()
  questions = new Map<string, HostQuestion>()

  constructor(url: string, client: Client, id: string) {
    this.url = url
    this.client = client
    this.id = id
  }

  async connect(screen: 'teacher' | 'wall' = 'teacher'): Promise<void> {
    this.socket = openSocket(this.url, async () => {
      const { body } = await this.client.call('POST', `/live/${this.id}/passes/${screen}`, {})
      return (body as { pass: string }).pass
    })
    this.socket.on('changes', (changes: HostChanges) => {
      if (changes.facts) this.facts = changes.facts
      for (const student of changes.students ?? []) this.students.set(student.participantId, student)
      for (const question of changes.questions ?? []) this.questions.set(question.entryId, question)
    })
    await until('a host to connect', () => this.facts !== undefined || screen === 'wall')
  }

  async command(command: object, revision = this.facts!.revision): Promise<number> {
    return (await this.client.call('POST', `/live/${this.id}/commands`, { command, revision })).status
  }

  named(name: string): HostStudent | undefined {
    return [...this.students.values()].find((student) => student.name === name)
  }
}

/** A wall without a screen: what was told of a session, and all of it as text. */
export class WallScreen {
  socket: Socket | undefined
  now: WallNow | undefined
  heard: string[] = []
  private readonly host: HostScreen

  /** @param host whose session it shows */
  constructor(host: HostScreen) {
    this.host = host
  }

  async connect(): Promise<WallState> {
    const { client, id, url } = this.host
    this.socket = openSocket(url, async () => {
      const { body } = await client.call('POST', `/live/${id}/passes/wall`, {})
      return (body as { pass: string }).pass
    })
    this.socket.on('wall', (now: WallNow) => (this.now = now))
    this.socket.onAny((...message) => this.heard.push(JSON.stringify(message)))
    await until('a wall to connect', () => this.now !== undefined)
    const { body } = await client.call('GET', `/live/${id}/wall`)
    this.heard.push(JSON.stringify(body))
    return body as WallState
  }
}

/** Opens a live session of a list; returns its id and code. */
export async function openLive(
  teacher: { client: Client; listId: string },
  wanted: object,
): Promise<{ id: string; code: string }> {
  const { body, status } = await teacher.client.call('POST', `/lists/${teacher.listId}/live`, { seed: '1', ...wanted })
  if (status !== 201) throw new Error(JSON.stringify(body))
  return body as { id: string; code: string }
}

/** A server's live sessions in a test: opened with their hosts and students, and all closed after it. */
export class LiveRooms {
  private readonly screens: (HostScreen | StudentScreen | WallScreen)[] = []
  private started: TestServer | undefined

  /** Called in a `describe`: its tests get one server, and their screens are closed after each. */
  constructor(open = (): Promise<TestServer> => startTestServer({ sockets: true })) {
    before(async () => {
      this.started = await open()
    })
    afterEach(() => this.close())
    after(() => this.server.close())
  }

  get server(): TestServer {
    return this.started!
  }

  /** Opens a session of a new teacher, and its host's screen. */
  async host(wanted: object): Promise<{ host: HostScreen; id: string; code: string }> {
    const teacher = await teacherWithList(this.server.url, WORDS)
    const { id, code } = await openLive(teacher, wanted)
    const host = new HostScreen(this.server.url, teacher.client, id)
    this.screens.push(host)
    await host.connect()
    return { host, id, code }
  }

  /** Opens the wall of a session; returns it with what it is shown at first. */
  async wall(host: HostScreen): Promise<{ wall: WallScreen; first: WallState }> {
    const wall = new WallScreen(host)
    this.screens.push(wall)
    return { wall, first: await wall.connect() }
  }

  /** Brings a student in. */
  async student(code: string, body: object): Promise<StudentScreen> {
    const screen = new StudentScreen(this.server.url, code)
    this.screens.push(screen)
    await screen.join(body)
    await screen.connect()
    return screen
  }

  close(): void {
    for (const { socket } of this.screens.splice(0)) socket?.disconnect()
  }
}
