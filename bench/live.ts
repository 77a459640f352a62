import { randomUUID } from 'node:crypto'
import { parseArgs } from 'node:util'
import type { HostChanges, PlayReply } from '@otter/api'
import type { QuizView } from '@otter/core/games/quiz'
import { io, type Socket } from 'socket.io-client'
import { comeIn, connected, move, Teacher, type Host, type Player } from './livePlayers.ts'
import {
  databaseSeconds,
  fsyncTimes,
  percentile,
  startBare,
  startServer,
  told,
  usage,
  type Measured,
} from './measuring.ts'

/** Between two answers of a player, and for how long answers are measured; in milliseconds. */
const PACE = 5000
const MEASURED = 25_000
/** Requests to join that are under way at once. */
const AT_ONCE = 48
/** All answers to one question come within so long, in milliseconds. */
const RUSH = 2000

const pause = (milliseconds: number): Promise<void> => new Promise((resolve) => setTimeout(resolve, milliseconds))

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
    const times = (share: number): string => (percentile(ours.taken, share) / percentile(plain, share)).toFixed(1)
    console.log(`  acknowledged: p50 ${times(50)} times the bare server’s, p99 ${times(99)} times`)
    await benchOwnPace(server, 100, 1, 15_000)
    await benchTogether(server, players)
  } finally {
    await server.stop()
  }
}

/** Tells how much of a core a server and its database worked, from seconds of work and milliseconds of time. */
function workTold(server: number, database: number, time: number): string {
  const share = (seconds: number): string => ((seconds / (time / 1000)) * 100).toFixed(0)
  return `${share(server)} % of a core, and ${share(database)} % for the database`
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
    `  bare server: ${players} joined in ${(joined / 1000).toFixed(1)} s; acknowledged ${told(taken)}; ` +
      workTold(after.seconds - before.seconds, storing, MEASURED),
  )
  const full = await server.held()
  for (const socket of sockets) socket.disconnect()
  await pause(500)
  console.log(`    memory a player: ${((full - (await server.held())) / players / 1000).toFixed(0)} kB are held`)
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
  // Only now: a collection before would change what is measured.
  const full = await server.held()
  const seconds = time / 1000
  console.log(`  ${count} players in ${sessions} sessions, each with a host:`)
  console.log(
    `    joined in ${(joinTime / 1000).toFixed(1)} s (${Math.round(count / (joinTime / 1000))} a second); ` +
      `acknowledged ${told(taken)} (${taken.length} answers)`,
  )
  console.log(
    `    a host sees an answer after ${told(seen)}; is sent ${(hosts[0]!.bytes / seconds / 1000).toFixed(1)} kB/s`,
  )
  console.log(`    server: ${workTold(after.seconds - before.seconds, storing, time)}`)
  console.log(
    `    a player is sent ${(messages / count / seconds).toFixed(2)} messages and ${(bytes / count / seconds).toFixed(0)} bytes a second`,
  )
  for (const host of hosts) await teacher.command(host, { type: 'end' })
  for (const { socket } of [...players, ...hosts]) socket.disconnect()
  await pause(1500)
  const kilobytes = (bytes: number): string => (bytes / count / 1000).toFixed(0)
  const [held, grown] = [kilobytes(full - (await server.held())), kilobytes(after.bytes - idle.bytes)]
  console.log(`    memory a player: ${held} kB are held, ${grown} kB with what is not collected yet`)
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
    `    ${kept} of ${count} answers within ${RUSH / 1000} s taken, acknowledged ${told(taken)}; ` +
      `the split is at the host’s after ${seen.toFixed(0)} ms, on the devices after ${told(shown)}`,
  )
  for (const { socket } of [...players, host]) socket.disconnect()
}
