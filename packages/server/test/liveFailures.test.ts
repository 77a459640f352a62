import { spawn, type ChildProcess } from 'node:child_process'
import { randomUUID } from 'node:crypto'
import { chmodSync, mkdtempSync, rmSync } from 'node:fs'
import { tmpdir } from 'node:os'
import { join } from 'node:path'
import { SOCKET_PATH, TOKEN_HEADER, type PlayReply } from '@otter/api'
import { randomFrom } from '@otter/core'
import type { QuizView } from '@otter/core/games/quiz'
import { expect } from 'chai'
import pg from 'pg'
import { io, type Socket } from 'socket.io-client'
import { freePort, startCluster, type Cluster } from '../../../scripts/postgres/cluster.mjs'
import { inLane } from '../../../scripts/testing/lane.mjs'
import { teacherWithList } from './testServer.ts'

const PLAYERS = inLane(20, 30)
const KILLS = inLane(6, 20)
/** Kills after which the database ends too, and comes back. */
const OUTAGES = inLane([3], [7, 14])
const WORDS = Array.from({ length: inLane(8, 16) }, (_, index) => `word${String.fromCharCode(97 + index)}`)
/** Between two answers of a student, and between two kills; in milliseconds. */
const THINKING = inLane(1200, 1800)
const BETWEEN_KILLS = inLane([600, 1400], [1200, 2600]) as [number, number]

const pause = (milliseconds: number): Promise<void> => new Promise((resolve) => setTimeout(resolve, milliseconds))

/** A server as a process of its own, that can be killed at any moment and started again. */
class Process {
  readonly port: number
  readonly url: string
  private readonly env: NodeJS.ProcessEnv
  private child: ChildProcess | undefined

  constructor(port: number, env: NodeJS.ProcessEnv) {
    this.port = port
    this.url = `http://127.0.0.1:${port}`
    this.env = {
      ...process.env,
      ...env,
      PORT: String(port),
      SAMPLE_DATA: '0',
      WEB_FOLDER: tmpdir(),
      LOG_LEVEL: 'silent',
    }
  }

  start(): void {
    const child = spawn(process.execPath, [join(process.env.OTTER_BUNDLE ?? '', 'server.js')], {
      env: this.env,
      stdio: 'ignore',
    })
    this.child = child
    // A database that is away ends it: it is started again, as whoever runs servers does.
    child.once('exit', () => this.child === child && void pause(300).then(() => this.child === child && this.start()))
  }

  kill(): void {
    this.child?.kill('SIGKILL')
  }

  async stop(): Promise<void> {
    const child = this.child
    this.child = undefined
    if (!child || child.exitCode !== null || child.signalCode !== null) return
    const gone = new Promise((resolve) => child.once('exit', resolve))
    child.kill('SIGKILL')
    await gone
  }

  async answers(): Promise<boolean> {
    return fetch(`${this.url}/api/session`).then(
      ({ ok }) => ok,
      () => false,
    )
  }
}

/** A student on a phone: tries one server, then the other, each move under one id until it is answered. */
class Student {
  readonly name: string
  readonly acknowledged = new Map<string, string>()
  private readonly servers: readonly Process[]
  private readonly code: string
  private readonly random
  private token = ''
  private at = 0
  private socket: Socket | undefined
  private reply: PlayReply | undefined

  constructor(servers: readonly Process[], code: string, name: string) {
    this.servers = servers
    this.code = code
    this.name = name
    this.random = randomFrom(name)
    this.at = this.random.below(servers.length)
  }

  /** Asks the API until there is an answer, of whichever server. */
  private async ask(method: string, path: string, body?: object): Promise<PlayReply> {
    for (;;) {
      const response = await fetch(`${this.servers[this.at]!.url}/api/play/${this.code}${path}`, {
        method,
        headers: { 'Content-Type': 'application/json', [TOKEN_HEADER]: this.token },
        ...(body && { body: JSON.stringify(body) }),
        signal: AbortSignal.timeout(4000),
      }).catch(() => undefined)
      const told = response?.ok ? ((await response.json().catch(() => undefined)) as PlayReply | undefined) : undefined
      if (told) return told
      if (response && !response.ok) expect(response.status, await response.text()).to.be.at.least(500)
      this.at = (this.at + 1) % this.servers.length
      await pause(100 + this.random.below(200))
    }
  }

  async join(): Promise<void> {
    const reply = await this.ask('POST', '/join', { name: this.name, keep: 'page', requestId: randomUUID() })
    this.token = reply.token!
    this.connect()
  }

  private connect(): void {
    this.socket?.disconnect()
    const { url } = this.servers[this.at]!
    this.socket = io(url, {
      path: SOCKET_PATH,
      transports: ['websocket'],
      reconnection: false,
      auth: (give) =>
        void fetch(`${url}/api/play/${this.code}/pass`, {
          method: 'POST',
          headers: { 'Content-Type': 'application/json', [TOKEN_HEADER]: this.token },
          body: '{}',
        })
          .then((response) => response.json())
          .then(
            ({ pass }: { pass?: string }) => give({ pass }),
            () => give({}),
          ),
    })
    const again = (): void => {
      this.at = (this.at + 1) % this.servers.length
      setTimeout(() => this.socket && this.connect(), 150)
    }
    this.socket.once('disconnect', (reason) => reason !== 'io client disconnect' && again())
    this.socket.once('connect_error', again)
  }

  private async move(move: { type: string; choices?: number[] }): Promise<void> {
    const { attempt, moment } = this.reply!.play!
    const sent = { id: randomUUID(), attempt, for: moment!, move }
    const question = (this.reply!.play!.view as QuizView).question!
    for (;;) {
      const answer = this.socket?.connected
        ? ((await this.socket
            .timeout(2000)
            .emitWithAck('move', sent)
            .catch(() => undefined)) as { reply?: PlayReply } | undefined)
        : { reply: await this.ask('POST', '/moves', sent) }
      if (!answer?.reply) {
        await pause(100)
        continue
      }
      this.reply = answer.reply
      if (move.choices && answer.reply.fate !== 'passed')
        this.acknowledged.set(question.entryId, question.choices[move.choices[0]!]!.text.trim())
      return
    }
  }

  /** Plays until the end; every third answer is sent twice at once, as two tabs would. */
  async play(): Promise<void> {
    this.reply = await this.ask('GET', '')
    while (!this.reply.play || this.reply.live?.phase === 'lobby') {
      await pause(500)
      this.reply = await this.ask('GET', '')
    }
    while (!this.reply.play?.score.finished) {
      const view = this.reply.play!.view as QuizView
      if (view.phase === 'told') await this.move({ type: 'next' })
      else {
        await pause(THINKING * (0.5 + this.random.below(100) / 100))
        await this.move({ type: 'choose', choices: [this.random.below(view.question!.choices.length)] })
      }
      if (!this.reply.play) this.reply = await this.ask('GET', '')
    }
  }

  close(): void {
    this.socket?.disconnect()
    this.socket = undefined
  }
}

describe('A live session over two servers', () => {
  let folder: string
  let cluster: Cluster
  let servers: Process[]
  before(async () => {
    folder = mkdtempSync(join(tmpdir(), 'otter-failures-'))
    chmodSync(folder, 0o711)
    cluster = await startCluster(folder)
  })
  after(async () => {
    await Promise.all((servers ?? []).map((server) => server.stop()))
    cluster.stop()
    rmSync(folder, { recursive: true, force: true })
  })

  it('loses no acknowledged answer and counts none twice, though servers are killed and the database restarts', async () => {
    const env = { DATABASE_URL: cluster.url('postgres'), SESSION_SECRET: 'the same for both servers' }
    servers = [new Process(await freePort(), env), new Process(await freePort(), env)]
    for (const server of servers) server.start()
    const both = async (): Promise<boolean> => (await servers[0]!.answers()) && (await servers[1]!.answers())
    while (!(await both())) await pause(200)
    const teacher = await teacherWithList(`${servers[0]!.url}/api`, WORDS)
    const created = await teacher.client.call('POST', `/lists/${teacher.listId}/live`, {
      kind: 'quiz',
      seed: '1',
      options: { second: false },
      live: { way: 'ownpace', end: { allDone: true } },
    })
    expect(created.status, created.text).to.equal(201)
    const { id, code } = created.body as { id: string; code: string }
    const students = Array.from({ length: PLAYERS }, (_, index) => new Student(servers, code, `Student ${index + 1}`))
    await Promise.all(students.map((student) => student.join()))
    expect(
      (await teacher.client.call('POST', `/live/${id}/commands`, { command: { type: 'start' }, revision: 0 })).status,
    ).to.equal(204)

    const random = randomFrom(String(Date.now()))
    let isOver = false
    let killed = 0
    const trouble = async (): Promise<void> => {
      for (let kill = 1; kill <= KILLS; kill++) {
        await pause(BETWEEN_KILLS[0] + random.below(BETWEEN_KILLS[1] - BETWEEN_KILLS[0]))
        servers[random.below(servers.length)]!.kill()
        killed++
        if (OUTAGES.includes(kill)) {
          const { port } = cluster
          cluster.stop()
          await pause(700)
          cluster = await startCluster(folder, { port })
        }
      }
    }
    await Promise.all([trouble(), Promise.all(students.map((student) => student.play())).then(() => (isOver = true))])
    expect([isOver, killed]).to.deep.equal([true, KILLS])
    for (const student of students) student.close()

    const database = new pg.Client({ connectionString: cluster.url('postgres') })
    await database.connect()
    try {
      const { rows: kept } = await database.query<{ name: string; entry_id: string; given: string }>(
        `SELECT p.name, r.entry_id, r.given FROM responses r JOIN plays y ON y.id = r.play_id JOIN participants p
          ON p.id = y.participant_id WHERE y.offer_id = $1`,
        [id],
      )
      const counted = new Map(kept.map(({ name, entry_id, given }) => [`${name} ${entry_id}`, given]))
      expect(counted.size, 'none counts twice').to.equal(kept.length)
      for (const { name, acknowledged } of students) {
        expect(acknowledged.size, name).to.equal(WORDS.length)
        for (const [entryId, given] of acknowledged) expect(counted.get(`${name} ${entryId}`)).to.equal(given)
      }
      const { rows: seats } = await database.query(
        'SELECT count(*)::int AS count FROM participants WHERE offer_id = $1',
        [id],
      )
      expect(seats[0].count, 'nobody came in twice').to.equal(PLAYERS)
      const { rows: totals } = await database.query(
        `SELECT y.id FROM plays y WHERE y.offer_id = $1 AND (y.ended_at IS NULL OR y."right" <> (SELECT count(*) FROM
          responses r WHERE r.play_id = y.id AND r.outcome = 'right' AND r.counts))`,
        [id],
      )
      expect(totals, 'all are ended, and their totals are those of their answers').to.deep.equal([])
      for (let tries = 0; ; tries++) {
        const { rows } = await database.query<{ phase: string }>(
          'SELECT phase FROM live_sessions WHERE offer_id = $1',
          [id],
        )
        if (rows[0]!.phase === 'over') break
        expect(tries, 'the session ends by itself once all are done').to.be.below(100)
        await pause(200)
      }
    } finally {
      await database.end()
    }
  })
})
