import { randomUUID } from 'node:crypto'
import { SOCKET_PATH, TOKEN_HEADER, type HostChanges, type PlayReply } from '@otter/api'
import { io, type Socket } from 'socket.io-client'

export function connected(socket: Socket): Promise<void> {
  return new Promise((resolve, reject) => {
    socket.once('connect', resolve)
    socket.once('connect_error', reject)
  })
}

/** A player without a screen. */
export interface Player {
  code: string
  token: string
  socket: Socket
  reply: PlayReply
  participantId: string
}

/** A host without a screen: what came, and what its socket was sent in bytes. */
export interface Host {
  id: string
  code: string
  socket: Socket
  bytes: number
  revision: number
}

export class Teacher {
  private cookie = ''
  private readonly url: string

  constructor(url: string) {
    this.url = url
  }

  async call<Reply>(method: string, path: string, body?: object): Promise<Reply> {
    const response = await fetch(`${this.url}/api${path}`, {
      method,
      headers: { 'Content-Type': 'application/json', Cookie: this.cookie },
      ...(body && { body: JSON.stringify(body) }),
    })
    const cookies = response.headers.getSetCookie().map((line) => line.split(';')[0])
    if (cookies.length > 0) this.cookie = cookies.join('; ')
    if (!response.ok) throw new Error(`${method} ${path}: ${response.status} ${await response.text()}`)
    return (response.status === 204 ? undefined : await response.json()) as Reply
  }

  async listOf(words: number): Promise<string> {
    await this.call('POST', '/teachers', {
      name: 'Teacher',
      email: `${randomUUID()}@bench.example`,
      password: 'a long password for all',
    })
    const { id } = await this.call<{ id: string }>('POST', '/lists', { title: 'Many words' })
    const put = Array.from({ length: words }, (_, index) => ({
      id: randomUUID(),
      position: index + 1,
      answer: { text: `answer ${index}` },
      prompt: { text: `What is number ${index}?` },
    }))
    await this.call('PATCH', `/lists/${id}`, { version: 0, put })
    return id
  }

  async host(url: string, listId: string, live: object): Promise<Host> {
    const { id, code } = await this.call<{ id: string; code: string }>('POST', `/lists/${listId}/live`, {
      kind: 'quiz',
      seed: String(Math.random()),
      options: { second: false },
      live,
    })
    const { pass } = await this.call<{ pass: string }>('POST', `/live/${id}/passes/teacher`, {})
    const socket = openSocket(url, pass)
    const host: Host = { id, code, socket, bytes: 0, revision: 0 }
    socket.io.engine.on('packet', ({ data }: { data?: unknown }) => {
      if (typeof data === 'string') host.bytes += data.length
    })
    socket.on('changes', ({ facts }: HostChanges) => {
      if (facts) host.revision = facts.revision
    })
    await connected(socket)
    return host
  }

  async command(host: Host, command: object): Promise<void> {
    await this.call('POST', `/live/${host.id}/commands`, { command, revision: host.revision })
  }
}

function openSocket(url: string, pass: string): Socket {
  return io(url, { path: SOCKET_PATH, transports: ['websocket'], forceNew: true, reconnection: false, auth: { pass } })
}

export async function comeIn(url: string, code: string, name: string): Promise<Player> {
  const headers = { 'Content-Type': 'application/json' }
  const address = `${url}/api/play/${code}`
  const response = await fetch(`${address}/join`, {
    method: 'POST',
    headers,
    body: JSON.stringify({ name, keep: 'page', requestId: randomUUID() }),
  })
  const reply = (await response.json()) as PlayReply
  if (!response.ok) throw new Error(JSON.stringify(reply))
  const token = reply.token!
  const passed = await fetch(`${address}/pass`, {
    method: 'POST',
    headers: { ...headers, [TOKEN_HEADER]: token },
    body: '{}',
  })
  const { pass } = (await passed.json()) as { pass: string }
  const socket = openSocket(url, pass)
  const player: Player = { code, token, socket, reply, participantId: reply.live!.me!.participantId }
  socket.on('reply', (next: PlayReply) => (player.reply = next))
  await connected(socket)
  return player
}

export async function move(player: Player, made: object): Promise<PlayReply> {
  const { attempt, moment } = player.reply.play!
  const answer = (await player.socket.emitWithAck('move', { id: randomUUID(), attempt, for: moment, move: made })) as {
    reply?: PlayReply
  }
  if (!answer.reply) throw new Error(JSON.stringify(answer))
  return (player.reply = answer.reply)
}
