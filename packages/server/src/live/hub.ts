import type { Server as HttpServer } from 'node:http'
import {
  SendMove,
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
import { reading, type Reader, type ScopeSource } from '../db/scope.ts'
import { loggable, problemFrom } from '../problem.ts'
import { passAbsences, passProgress, passSessions } from '../services/liveSessions.ts'
import { sendMove } from '../services/moves.ts'
import { ranksOf, replyTo } from '../services/liveReplies.ts'
import { readPass, type Holder } from './passes.ts'
import { Presence } from './presence.ts'
import { readSeen, Watch } from './watch.ts'

/** Small changes are gathered for so long, in milliseconds. */
const GATHER = 200
/** How often there is a look for sessions whose moment has come, in milliseconds. */
const LOOK = 250
/** How often there is a look at sessions that end by what is done in them, in milliseconds. */
const PROGRESS = 1000
/** How often there is a look for sessions that nobody hosts any more, in milliseconds. */
const ABSENCES = 10_000
/** How often those who wait or are ahead are told where they stand: in a class, and where there are many. */
const STANDINGS = 3000
const STANDINGS_OF_MANY = 10_000
const MANY = 60
/** Longest message that a student's device sends, in bytes. */
const LONGEST_MESSAGE = 64_000
/** Most moves of one socket that wait for their turn. */
const MOST_WAITING = 40
/** Sockets that are told something in one go. */
const SLICE = 100

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

type LiveServer = Server<FromClients, ToClients, BetweenServers, SocketData>
type LiveSocket = Socket<FromClients, ToClients, BetweenServers, SocketData>

/** What a hub is put together from. */
export interface HubParts {
  source: ScopeSource
  databaseUrl: string
  secret: string
  logger: Logger
}

/** Tells the screens of live sessions, on all servers, what has changed. */
export class LiveHub {
  private readonly parts: HubParts
  private readonly presence: Presence
  private readonly watches = new Map<string, Watch>()
  /** Students in whom something changed, by session, since it was last told: on this server, and on others. */
  private seen = new Map<string, Set<string>>()
  private seenElsewhere = new Map<string, Set<string>>()
  private changedSessions = new Set<string>()
  private readonly standingsDue = new Map<string, number>()
  private timers: NodeJS.Timeout[] = []
  private io: LiveServer | undefined
  private pool: pg.Pool | undefined
  private flushing: Promise<void> | undefined
  private looking: Promise<void> | undefined
  private absencesDue = 0
  private progressDue = 0
  private isEnding = false

  constructor(parts: HubParts) {
    this.parts = parts
    this.presence = new Presence(parts.source, parts.logger)
  }

  /** Takes up connections on a server. */
  attach(server: HttpServer): void {
    const { databaseUrl, logger, secret } = this.parts
    this.pool = new pg.Pool({ connectionString: databaseUrl, max: 2 })
    const failed = (error: Error): void => logger.warn(loggable(error), 'between servers')
    this.pool.on('error', failed)
    // The one that listens is never given back, and would end the process where its connection breaks off.
    this.pool.on('connect', (client) => client.on('error', failed))
    const io: LiveServer = new Server(server, {
      path: SOCKET_PATH,
      // Whoever has no WebSocket sends moves by the API, and looks: so no server need know a client.
      transports: ['websocket'],
      serveClient: false,
      maxHttpBufferSize: LONGEST_MESSAGE,
      pingInterval: 10_000,
      pingTimeout: 8_000,
      adapter: createAdapter(this.pool, { errorHandler: failed }),
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
    io.on('connection', (socket) => this.welcome(socket))
    io.on('changed', (offerId) => this.changedHere(offerId))
    io.on('moved', (moved) => {
      for (const [offerId, personIds] of moved) note(this.seenElsewhere, offerId, personIds)
    })
    io.on('told', (offerId, personId) => void io.local.to(roomOf('person', `${offerId} ${personId}`)).emit('again'))
    this.io = io
    this.timers = [
      setInterval(() => (this.flushing ??= this.flush().finally(() => (this.flushing = undefined))), GATHER),
      setInterval(() => (this.looking ??= this.look().finally(() => (this.looking = undefined))), LOOK),
    ]
    for (const timer of this.timers) timer.unref()
  }

  /** A student's own part in a session has changed. */
  moved(offerId: string, personId: string): void {
    note(this.seen, offerId, [personId])
  }

  /** A teacher has changed something about a student: the student's page is to be read again. */
  told(offerId: string, personId: string): void {
    this.moved(offerId, personId)
    this.io?.local.to(roomOf('person', `${offerId} ${personId}`)).emit('again')
    this.io?.serverSideEmit('told', offerId, personId)
  }

  /** A session has changed for all. */
  changed(offerId: string): void {
    this.changedHere(offerId)
    this.io?.serverSideEmit('changed', offerId)
  }

  /** Ends: all sockets are closed, and their devices connect to another server. */
  async close(): Promise<void> {
    this.isEnding = true
    for (const timer of this.timers) clearInterval(timer)
    await Promise.all([this.flushing, this.looking])
    await this.presence.close()
    await this.io?.close()
    await this.pool?.end()
  }

  private welcome(socket: LiveSocket): void {
    const { holder } = socket.data
    void socket.join(roomOf(holder.audience, holder.offerId))
    if (holder.audience === 'player') this.welcomePlayer(socket, holder)
    else {
      this.presence.host(holder.offerId, 1)
      socket.once('disconnect', () => {
        this.presence.host(holder.offerId, -1)
        if (this.isWatched(holder.offerId)) return
        this.watches.delete(holder.offerId)
      })
      // A watch knows what was told to those who were there: for a new one it begins anew.
      this.watchAnew(holder.offerId)
    }
  }

  private welcomePlayer(socket: LiveSocket, holder: Holder & { audience: 'player' }): void {
    const { offerId, participantId, personId } = holder
    void socket.join(roomOf('person', `${offerId} ${personId}`))
    const since = Date.now()
    this.presence.arrive(participantId)
    this.moved(offerId, personId)
    let waiting = 0
    let turn = Promise.resolve()
    socket.on('move', (sent, acknowledge) => {
      if (typeof acknowledge !== 'function') return
      if (++waiting > MOST_WAITING) return void socket.disconnect(true)
      turn = turn.then(async () => {
        acknowledge(await this.takeMove(holder, sent, since))
        waiting--
      })
    })
    socket.once('disconnect', () => {
      if (this.presence.leave(participantId)) this.moved(offerId, personId)
    })
  }

  private async takeMove(
    { offerId, participantId, personId }: Holder & { audience: 'player' },
    sent: unknown,
    since: number,
  ): Promise<{ reply: PlayReply } | { problem: ProblemDetails }> {
    try {
      const move = SendMove.parse(sent)
      const reply = await reading(this.parts.source, null, (reader) =>
        sendMove(reader, { offerId, participantId }, move, Date.now() - since),
      )
      this.moved(offerId, personId)
      return { reply }
    } catch (error) {
      const problem = problemFrom(error)
      if (problem.status >= 500) this.parts.logger.error(loggable(error))
      return { problem: problem.details() }
    }
  }

  private changedHere(offerId: string): void {
    this.changedSessions.add(offerId)
    void this.tellPlayers(offerId).catch((error: unknown) => this.parts.logger.warn(loggable(error), 'players'))
  }

  /** Gives all students of a session who are connected here their screens, whole. */
  private async tellPlayers(offerId: string): Promise<void> {
    const sockets = this.playersOf(offerId)
    if (sockets.length === 0) return
    const ids = new Set<string>()
    for (const { data } of sockets) if (data.holder.audience === 'player') ids.add(data.holder.participantId)
    const replies = await reading(this.parts.source, null, (scope) => replyTo(scope, offerId, [...ids]))
    for (const [index, socket] of sockets.entries()) {
      const { holder } = socket.data
      const reply = holder.audience === 'player' ? replies.get(holder.participantId) : undefined
      if (reply) socket.emit('reply', reply)
      else socket.emit('again')
      if (index % SLICE === SLICE - 1) await new Promise((resolve) => setImmediate(resolve))
    }
  }

  /** Tells hosts and walls what was gathered, and other servers what was seen here. */
  private async flush(): Promise<void> {
    try {
      await this.presence.write()
      const here = this.seen
      this.seen = new Map()
      if (here.size > 0)
        this.io?.serverSideEmit(
          'moved',
          [...here].map(([id, persons]) => [id, [...persons]]),
        )
      const seen = this.seenElsewhere
      this.seenElsewhere = new Map()
      for (const [offerId, personIds] of here) note(seen, offerId, personIds)
      const changed = this.changedSessions
      this.changedSessions = new Set()
      if (seen.size > 0 || changed.size > 0)
        await reading(this.parts.source, null, (reader) => this.tellWatchers(reader, seen, changed))
      await this.tellStandings(seen.keys())
    } catch (error) {
      if (!this.isEnding) this.parts.logger.warn(loggable(error), 'live')
    }
  }

  private isWatched(offerId: string): boolean {
    return ['teacher', 'wall'].some((audience) => this.sizeOf(roomOf(audience, offerId)) > 0)
  }

  private sizeOf(room: string): number {
    return this.io?.sockets.adapter.rooms.get(room)?.size ?? 0
  }

  /** Tells hosts and walls on this server; what has changed in students is read for all sessions at once. */
  private async tellWatchers(
    reader: Reader<null>,
    seen: ReadonlyMap<string, Set<string>>,
    changed: ReadonlySet<string>,
  ): Promise<void> {
    const watched = [...new Set([...seen.keys(), ...changed])].flatMap((offerId) => {
      const watch = this.watches.get(offerId)
      return watch ? [{ offerId, watch, isWhole: changed.has(offerId) || !watch.isRead }] : []
    })
    const some = watched.filter(({ isWhole }) => !isWhole).flatMap(({ offerId }) => [...(seen.get(offerId) ?? [])])
    const rows = await readSeen(reader, some).catch((error: unknown) => {
      for (const { offerId } of watched) this.watchAnew(offerId)
      throw error
    })
    for (const { offerId, watch, isWhole } of watched)
      await this.tellWatcher(reader, offerId, () =>
        isWhole ? watch.readAll(reader) : watch.changesOf(seen.get(offerId) ?? new Set(), rows),
      ).catch((error: unknown) => this.notTold(offerId, error))
  }

  private async tellWatcher(
    reader: Reader<null>,
    offerId: string,
    changesOf: () => HostChanges | Promise<HostChanges>,
  ): Promise<void> {
    if (this.sizeOf(roomOf('teacher', offerId)) > 0) {
      const changes = await changesOf()
      if (Object.keys(changes).length > 0) this.io?.local.to(roomOf('teacher', offerId)).emit('changes', changes)
    }
    if (this.sizeOf(roomOf('wall', offerId)) > 0) {
      const now = await this.watches.get(offerId)?.wallChanges(reader)
      if (now) this.io?.local.to(roomOf('wall', offerId)).emit('wall', now)
    }
  }

  /** What could not be told of one session is told anew, whole; of one that is deleted there is nothing more to tell. */
  private notTold(offerId: string, error: unknown): void {
    if (problemFrom(error).status === 404) {
      for (const audience of ['player', 'teacher', 'wall'])
        this.io?.local.in(roomOf(audience, offerId)).disconnectSockets(true)
      return
    }
    this.watchAnew(offerId)
    this.parts.logger.warn(loggable(error), 'watch')
  }

  private watchAnew(offerId: string): void {
    this.watches.set(offerId, new Watch(offerId))
    this.changedSessions.add(offerId)
  }

  /** Students hear where they stand with each answer of their own; those who wait hear it from time to time. */
  private async tellStandings(seen: Iterable<string>): Promise<void> {
    const now = Date.now()
    for (const offerId of seen) {
      const count = this.sizeOf(roomOf('player', offerId))
      if (count > 0 && !this.standingsDue.has(offerId))
        this.standingsDue.set(offerId, now + (count > MANY ? STANDINGS_OF_MANY : STANDINGS))
    }
    for (const [offerId, due] of this.standingsDue) {
      if (due > now) continue
      this.standingsDue.delete(offerId)
      await this.tellRanks(offerId)
    }
  }

  private async tellRanks(offerId: string): Promise<void> {
    const ranks = await reading(this.parts.source, null, (reader) => ranksOf(reader, offerId))
    if (!ranks) return
    for (const socket of this.playersOf(offerId)) {
      const { data } = socket
      if (data.holder.audience !== 'player') continue
      const news: RankNews = { rank: ranks.rankOf(data.holder.personId), ranking: ranks.ranking }
      const told = JSON.stringify(news)
      if (told === data.told) continue
      data.told = told
      socket.emit('rank', news)
    }
  }

  /** The sockets of a session's students that are connected here. */
  private playersOf(offerId: string): LiveSocket[] {
    const ids = this.io?.sockets.adapter.rooms.get(roomOf('player', offerId)) ?? []
    return [...ids].flatMap((id) => this.io?.sockets.sockets.get(id) ?? [])
  }

  /** Sees to sessions whose moment has come. */
  private async look(): Promise<void> {
    try {
      const tell = {
        onChange: (offerId: string): void => this.changed(offerId),
        onFailure: (error: unknown): void => this.parts.logger.warn(loggable(error), 'session'),
      }
      await passSessions(this.parts.source, tell)
      if (Date.now() >= this.progressDue) {
        this.progressDue = Date.now() + PROGRESS
        await passProgress(this.parts.source, tell)
      }
      if (Date.now() >= this.absencesDue) {
        this.absencesDue = Date.now() + ABSENCES
        await passAbsences(this.parts.source, tell)
      }
    } catch (error) {
      if (!this.isEnding) this.parts.logger.warn(loggable(error), 'sessions')
    }
  }
}

function roomOf(kind: string, id: string): string {
  return `${kind} ${id}`
}

function note(seen: Map<string, Set<string>>, offerId: string, personIds: Iterable<string>): void {
  const known = seen.get(offerId) ?? new Set<string>()
  for (const personId of personIds) known.add(personId)
  seen.set(offerId, known)
}
