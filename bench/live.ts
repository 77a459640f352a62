import { fork, type ChildProcess } from 'node:child_process'
import { randomUUID } from 'node:crypto'
import { closeSync, fsyncSync, openSync, readdirSync, readFileSync, rmSync, writeSync } from 'node:fs'
import { tmpdir } from 'node:os'
import { join } from 'node:path'
import { fileURLToPath } from 'node:url'
import { parseArgs } from 'node:util'
import { SOCKET_PATH, TOKEN_HEADER, type HostChanges, type PlayReply } from '@otter/api'
import type { QuizView } from '@otter/core/games/quiz'
import pg from 'pg'
import { io, type Socket } from 'socket.io-client'

/** Between two answers of a player, and for how long answers are measured; in milliseconds. */
const PACE = 5000
const MEASURED = 25_000
/** Requests to join that are under way at once. */
const AT_ONCE = 48
/** All answers to one question come within so long, in milliseconds. */
const RUSH = 2000

const pause = (milliseconds: number): Promise<void> => new Promise((resolve) => setTimeout(resolve, milliseconds))

/** A server under measurement, as a process of its own. */
interface Measured {
  url: string
  pid: number
  stop: () => Promise<void>
}

/**
 * Many players at once on one server, with real sockets on loopback from this process; beside a bare Socket.IO server
 * that echoes the same messages and does one INSERT for each. Both commit to the same durable database.
 */
export async function benchLive(args: readonly string[]): Promise<void> {
  const { values } = parseArgs({
    args: [...args],
    options: { players: { type: 'string', default: '1000' }, sessions: { type: 'string', default: '30' } },
  })
  const [players, sessions] = [Number(values.players), Number(values.sessions)]
  console.log(`Live: ${players} players, an answer each ${PACE / 1000} s, acknowledged when committed`)
  console.log(`  fsync of 8 kB on this disk: p50 ${percentile(fsyncTimes(), 50).toFixed(2)} ms`)
  const bare = await startBare()
  const plain = await benchBare(bare, players)
  await bare.stop()
  const server = await startServer()
  try {
    const ours = await benchOwnPace(server, players, sessions, MEASURED)
    console.log(
      `  acknowledged: p50 ${(percentile(ours.taken, 50) / percentile(plain, 50)).toFixed(1)} times the bare server’s, p99 ${(percentile(ours.taken, 99) / percentile(plain, 99)).toFixed(1)} times`,
    )
    await benchOwnPace(server, 100, 1, 15_000)
    await benchTogether(server, players)
  } finally {
    await server.stop()
  }
}

/** How long it takes to write a page and be sure that the disk has it, in milliseconds. */
function fsyncTimes(): number[] {
  const file = join(tmpdir(), `otter-fsync-${process.pid}`)
  const handle = openSync(file, 'w')
  const page = Buffer.alloc(8192, 1)
  const times = Array.from({ length: 200 }, () => {
    const from = performance.now()
    writeSync(handle, page)
    fsyncSync(handle)
    return performance.now() - from
  })
  closeSync(handle)
  rmSync(file)
  return times
}

function percentile(values: readonly number[], share: number): number {
  const sorted = [...values].sort((one, other) => one - other)
  return sorted[Math.min(sorted.length - 1, Math.floor((sorted.length * share) / 100))] ?? NaN
}

function told(times: readonly number[]): string {
  return [50, 95, 99].map((share) => `p${share} ${percentile(times, share).toFixed(1)}`).join(', ') + ' ms'
}

async function createDatabase(): Promise<string> {
  const cluster = process.env.TEST_CLUSTER_URL ?? ''
  const name = `bench_${randomUUID().replaceAll('-', '')}`
  const admin = new pg.Client({ connectionString: `${cluster}/postgres` })
  await admin.connect()
  await admin.query(`CREATE DATABASE ${name}`)
  await admin.end()
  return `${cluster}/${name}`
}

function readied(child: ChildProcess): Promise<number> {
  return new Promise((resolve, reject) => {
    child.once('exit', () => reject(new Error('a server did not start')))
    child.once('message', (message) => resolve((message as { ready: number }).ready))
  })
}

async function measured(child: ChildProcess): Promise<Measured> {
  const port = await readied(child)
  child.removeAllListeners('exit')
  return {
    url: `http://127.0.0.1:${port}`,
    pid: child.pid!,
    stop: async () => {
      const gone = new Promise((resolve) => child.once('exit', resolve))
      child.kill('SIGTERM')
      await gone
    },
  }
}

async function startServer(): Promise<Measured> {
  const home = fileURLToPath(new URL('../../../', import.meta.url))
  return measured(
    fork(`${home}packages/server/dist/server.js`, {
      env: {
        ...process.env,
        DATABASE_URL: await createDatabase(),
        PORT: '0',
        SAMPLE_DATA: '0',
        SESSION_SECRET: 'for benchmarks alone',
        WEB_FOLDER: `${home}dist/web`,
      },
    }),
  )
}

async function startBare(): Promise<Measured> {
  return measured(
    fork(fileURLToPath(import.meta.url), ['bare-server'], {
      env: { ...process.env, DATABASE_URL: await createDatabase() },
    }),
  )
}

/** Time that a process has worked, in seconds, and the memory that it holds, in bytes. */
function usage(pid: number): { seconds: number; bytes: number } {
  const fields = readFileSync(`/proc/${pid}/stat`, 'utf8').split(') ')[1]!.split(' ')
  const [, kilobytes] = /VmRSS:\s+(\d+)/u.exec(readFileSync(`/proc/${pid}/status`, 'utf8'))!
  return { seconds: (Number(fields[11]) + Number(fields[12])) / 100, bytes: Number(kilobytes) * 1024 }
}

/** Returns the time that the database's processes have worked, in seconds. */
async function databaseSeconds(): Promise<number> {
  const client = new pg.Client({ connectionString: `${process.env.TEST_CLUSTER_URL ?? ''}/postgres` })
  await client.connect()
  const { rows } = await client.query<{ pid: number }>('SELECT pg_backend_pid() AS pid')
  const parent = statOf(rows[0]!.pid)![1]
  await client.end()
  // With what those have worked that are gone.
  const gone = statOf(Number(parent))!
  const stats = readdirSync('/proc').map((name) => (/^\d+$/u.test(name) ? statOf(Number(name)) : undefined))
  return stats.reduce(
    (sum, stat) => sum + (stat && stat[1] === parent ? (Number(stat[11]) + Number(stat[12])) / 100 : 0),
    (Number(gone[13]) + Number(gone[14])) / 100,
  )
}

/** Returns what the kernel says of a process, from its state on; undefined where it is gone. */
function statOf(pid: number): string[] | undefined {
  try {
    return readFileSync(`/proc/${pid}/stat`, 'utf8').split(') ')[1]!.split(' ')
  } catch {
    return undefined
  }
}

/** Does work for each of many, so many at once. */
async function forAll<Item>(items: readonly Item[], work: (item: Item) => Promise<void>): Promise<void> {
  let next = 0
  await Promise.all(
    Array.from({ length: Math.min(AT_ONCE, items.length) }, async () => {
      while (next < items.length) await work(items[next++]!)
    }),
  )
}

function connected(socket: Socket): Promise<void> {
  return new Promise((resolve, reject) => {
    socket.once('connect', resolve)
    socket.once('connect_error', reject)
  })
}

async function benchBare(server: Measured, players: number): Promise<number[]> {
  const sockets: Socket[] = []
  const from = performance.now()
  await forAll(Array.from({ length: players }), async () => {
    const socket = io(server.url, { transports: ['websocket'], forceNew: true, reconnection: false })
    await connected(socket)
    await socket.emitWithAck('join', randomUUID())
    sockets.push(socket)
  })
  const joined = performance.now() - from
  const taken: number[] = []
  const before = usage(server.pid)
  const stored = await databaseSeconds()
  await paced(sockets, MEASURED, async (socket) => {
    const sent = performance.now()
    await socket.emitWithAck('move', {
      id: randomUUID(),
      attempt: 1,
      for: '1 20 asking',
      move: { type: 'choose', choices: [1] },
    })
    taken.push(performance.now() - sent)
    await socket.emitWithAck('move', { id: randomUUID(), attempt: 1, for: '1 20 told', move: { type: 'next' } })
  })
  const after = usage(server.pid)
  const storing = (await databaseSeconds()) - stored
  console.log(
    `  bare server: ${players} joined in ${(joined / 1000).toFixed(1)} s; acknowledged ${told(taken)}; ${(((after.seconds - before.seconds) / (MEASURED / 1000)) * 100).toFixed(0)} % of a core, and ${((storing / (MEASURED / 1000)) * 100).toFixed(0)} % for the database`,
  )
  for (const socket of sockets) socket.disconnect()
  return taken
}

/** Has each do something every few seconds, spread evenly, for a time. */
async function paced<Item>(items: readonly Item[], time: number, act: (item: Item) => Promise<void>): Promise<void> {
  const end = performance.now() + time
  await Promise.all(
    items.map(async (item, index) => {
      await pause((index / items.length) * PACE)
      while (performance.now() < end) {
        const from = performance.now()
        await act(item)
        await pause(Math.max(0, PACE - (performance.now() - from)))
      }
    }),
  )
}

/** A player without a screen. */
interface Player {
  code: string
  token: string
  socket: Socket
  reply: PlayReply
  participantId: string
}

/** A host without a screen: what came, and what its socket was sent in bytes. */
interface Host {
  id: string
  code: string
  socket: Socket
  bytes: number
  revision: number
}

class Teacher {
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

async function comeIn(url: string, code: string, name: string): Promise<Player> {
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

async function move(player: Player, made: object): Promise<PlayReply> {
  const { attempt, moment } = player.reply.play!
  const answer = (await player.socket.emitWithAck('move', { id: randomUUID(), attempt, for: moment, move: made })) as {
    reply?: PlayReply
  }
  if (!answer.reply) throw new Error(JSON.stringify(answer))
  return (player.reply = answer.reply)
}

async function joinAll(
  url: string,
  hosts: readonly Host[],
  count: number,
): Promise<{ players: Player[]; time: number }> {
  const players: Player[] = []
  const from = performance.now()
  await forAll([...Array(count).keys()], async (index) => {
    players.push(await comeIn(url, hosts[index % hosts.length]!.code, `Player ${index}`))
  })
  return { players, time: performance.now() - from }
}

async function benchOwnPace(
  server: Measured,
  count: number,
  sessions: number,
  time: number,
): Promise<{ taken: number[] }> {
  const teacher = new Teacher(server.url)
  const listId = await teacher.listOf(40)
  const hosts: Host[] = []
  for (let index = 0; index < sessions; index++) hosts.push(await teacher.host(server.url, listId, { way: 'ownpace' }))
  await pause(2000)
  const idle = usage(server.pid)
  const { players, time: joinTime } = await joinAll(server.url, hosts, count)
  for (const host of hosts) await teacher.command(host, { type: 'start' })
  while (players.some(({ reply }) => reply.play === null)) await pause(50)
  const taken: number[] = []
  const seen: number[] = []
  const awaited = new Map<string, { sent: number; moves: number }>()
  for (const { socket } of hosts)
    socket.on('changes', ({ students = [] }: HostChanges) => {
      for (const { participantId, moves } of students) {
        const waiting = awaited.get(participantId)
        if (!waiting || moves < waiting.moves) continue
        seen.push(performance.now() - waiting.sent)
        awaited.delete(participantId)
      }
    })
  for (const host of hosts) host.bytes = 0
  let messages = 0
  let bytes = 0
  for (const { socket } of players)
    socket.io.engine.on('packet', ({ data }: { data?: unknown }) => {
      messages++
      if (typeof data === 'string') bytes += data.length
    })
  const before = usage(server.pid)
  const stored = await databaseSeconds()
  await paced(players, time, async (player) => {
    const view = player.reply.play!.view as QuizView
    if (view.phase !== 'asking') return
    const sent = performance.now()
    awaited.set(player.participantId, { sent, moves: player.reply.play!.moves + 1 })
    await move(player, { type: 'choose', choices: [Math.floor(Math.random() * view.question!.choices.length)] })
    taken.push(performance.now() - sent)
    await move(player, { type: 'next' })
  })
  const after = usage(server.pid)
  const storing = (await databaseSeconds()) - stored
  const seconds = time / 1000
  console.log(`  ${count} players in ${sessions} sessions, each with a host:`)
  console.log(
    `    joined in ${(joinTime / 1000).toFixed(1)} s (${Math.round(count / (joinTime / 1000))} a second); acknowledged ${told(taken)} (${taken.length} answers)`,
  )
  console.log(
    `    a host sees an answer after ${told(seen)}; is sent ${(hosts[0]!.bytes / seconds / 1000).toFixed(1)} kB/s`,
  )
  console.log(
    `    server: ${(((after.seconds - before.seconds) / seconds) * 100).toFixed(0)} % of a core, and ${((storing / seconds) * 100).toFixed(0)} % for the database; ${((after.bytes - idle.bytes) / count / 1000).toFixed(0)} kB more memory a player`,
  )
  console.log(
    `    a player is sent ${(messages / count / seconds).toFixed(2)} messages and ${(bytes / count / seconds).toFixed(0)} bytes a second`,
  )
  for (const host of hosts) await teacher.command(host, { type: 'end' })
  for (const { socket } of [...players, ...hosts]) socket.disconnect()
  await pause(1500)
  return { taken }
}

async function benchTogether(server: Measured, count: number): Promise<void> {
  const teacher = new Teacher(server.url)
  const listId = await teacher.listOf(12)
  const host = await teacher.host(server.url, listId, { way: 'together', wayOptions: { seconds: 0 } })
  const { players, time } = await joinAll(server.url, [host], count)
  await teacher.command(host, { type: 'start' })
  while (players.some(({ reply }) => reply.play === null)) await pause(50)
  const taken: number[] = []
  let kept = 0
  await Promise.all(
    players.map(async (player) => {
      await pause(Math.random() * RUSH)
      const from = performance.now()
      const { fate } = await move(player, { type: 'choose', choices: [Math.floor(Math.random() * 4)] })
      taken.push(performance.now() - from)
      if (fate === 'taken') kept++
    }),
  )
  await pause(500)
  const shown: number[] = []
  const closing = performance.now()
  const all = Promise.all(
    players.map(
      (player) =>
        new Promise<void>((resolve) => {
          player.socket.on('reply', ({ live }: PlayReply) => {
            if (live?.round?.phase !== 'told') return
            shown.push(performance.now() - closing)
            resolve()
          })
        }),
    ),
  )
  const hostSees = new Promise<number>((resolve) => {
    host.socket.on('changes', ({ facts }: HostChanges) => {
      if (facts?.round?.split) resolve(performance.now() - closing)
    })
  })
  await teacher.command(host, { type: 'next' })
  const seen = await hostSees
  await all
  console.log(`  Together, ${count} in one session: joined in ${(time / 1000).toFixed(1)} s`)
  console.log(
    `    ${kept} of ${count} answers within ${RUSH / 1000} s taken, acknowledged ${told(taken)}; the split is at the host’s after ${seen.toFixed(0)} ms, on the devices after ${told(shown)}`,
  )
  for (const { socket } of [...players, host]) socket.disconnect()
}
