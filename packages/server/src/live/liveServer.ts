import type { Server as HttpServer } from 'node:http'
import {
  SOCKET_PATH,
  type HostChanges,
  type PlayReply,
  type ProblemDetails,
  type RankNews,
  type WallNow,
} from '@otter/api'
import { createAdapter } from '@socket.io/postgres-adapter'
import pg from 'pg'
import type { Logger } from 'pino'
import { Server, type Socket } from 'socket.io'
import type { ScopeSource } from '../db/scope.ts'
import { loggable } from '../problem.ts'
import { readPass, type Holder } from './passes.ts'

/** Longest message that a student's device sends, in bytes. */
const LONGEST_MESSAGE = 64_000

/** What servers tell each other: sessions that have changed, and students in whom something has. */
interface BetweenServers {
  changed: (offerId: string) => void
  moved: (moved: [offerId: string, personIds: string[]][]) => void
  told: (offerId: string, personId: string) => void
}

/** What is known of a socket. */
interface SocketData {
  holder: Holder
  /** What it was last told of the ranking. */
  told?: string
}

interface ToClients {
  /** A student's screen, whole. */
  reply: (reply: PlayReply) => void
  /** Something about the student was changed by the teacher: the page is to be read again. */
  again: () => void
  rank: (news: RankNews) => void
  changes: (changes: HostChanges) => void
  wall: (now: WallNow) => void
}

interface FromClients {
  move: (move: unknown, acknowledge: (answer: { reply: PlayReply } | { problem: ProblemDetails }) => void) => void
}

/** The sockets of live sessions on this server, and the way to those of others. */
export type LiveServer = Server<FromClients, ToClients, BetweenServers, SocketData>
export type LiveSocket = Socket<FromClients, ToClients, BetweenServers, SocketData>

/** What a hub is put together from. */
export interface HubParts {
  source: ScopeSource
  databaseUrl: string
  secret: string
  logger: Logger
}

/** Takes up sockets on a server: each with a pass, by WebSocket alone. Returns them, and the pool of the way to other servers. */
export function openLiveServer(
  server: HttpServer,
  { databaseUrl, logger, secret }: HubParts,
): { io: LiveServer; pool: pg.Pool } {
  const pool = new pg.Pool({ connectionString: databaseUrl, max: 2 })
  const failed = (error: Error): void => logger.warn(loggable(error), 'between servers')
  pool.on('error', failed)
  // The one that listens is never given back, and would end the process where its connection breaks off.
  pool.on('connect', (client) => client.on('error', failed))
  const io: LiveServer = new Server(server, {
    path: SOCKET_PATH,
    // Whoever has no WebSocket sends moves by the API, and looks: so no server need know a client.
    transports: ['websocket'],
    serveClient: false,
    maxHttpBufferSize: LONGEST_MESSAGE,
    pingInterval: 10_000,
    pingTimeout: 8_000,
    adapter: createAdapter(pool, { errorHandler: failed }),
    allowRequest: (request, allow) => {
      const { origin, host } = request.headers
      allow(null, origin === undefined || origin.replace(/^https?:\/\//u, '') === host)
    },
  })
  io.use((socket, next) => {
    const holder = readPass(secret, (socket.handshake.auth as { pass?: unknown }).pass)
    if (!holder) return next(new Error('pass'))
    socket.data.holder = holder
    next()
  })
  return { io, pool }
}

/** Returns the room of those who get the same of something. */
export function roomOf(kind: string, id: string): string {
  return `${kind} ${id}`
}

/** Returns how many sockets of a room are connected to this server. */
export function sizeOf(io: LiveServer | undefined, room: string): number {
  return io?.sockets.adapter.rooms.get(room)?.size ?? 0
}

/** Returns the sockets of a session's students that are connected here. */
export function playersOf(io: LiveServer, offerId: string): LiveSocket[] {
  const ids = io.sockets.adapter.rooms.get(roomOf('player', offerId)) ?? []
  return [...ids].flatMap((id) => io.sockets.sockets.get(id) ?? [])
}
