import type { Server as HttpServer } from 'node:http'
import { SendMove, type PlayReply, type ProblemDetails } from '@otter/api'
import type pg from 'pg'
import { reading } from '../db/scope.ts'
import { loggable, problemFrom } from '../problem.ts'
import { passAbsences, passProgress, passSessions } from '../services/livePassing.ts'
import { revisionsOf } from '../services/liveSessions.ts'
import { replyTo } from '../services/liveReplies.ts'
import { sendMove } from '../services/moves.ts'
import { openLiveServer, playersOf, roomOf, type HubParts, type LiveServer, type LiveSocket } from './liveServer.ts'
import type { Holder } from './passes.ts'
import { Presence } from './presence.ts'
import { ReportNews } from './reportNews.ts'
import { Rankings } from './rankings.ts'
import { Watchers } from './watchers.ts'

/** Small changes are gathered for so long, in milliseconds. */
const GATHER = 200
/** How often there is a look for sessions whose moment has come, in milliseconds. */
const LOOK = 250
/** How often there is a look at sessions that end by what is done in them, in milliseconds. */
const PROGRESS = 1000
/** How often there is a look for sessions that nobody hosts any more, in milliseconds. */
const ABSENCES = 10_000
/** How often there is a look whether sessions have changed without a word from other servers, in milliseconds. */
const CATCH_UP = 2000
/** How often the same trouble is noted, in milliseconds. */
const COMPLAINTS = 10_000
/** Most moves of one socket that wait for their turn. */
const MOST_WAITING = 40
/** Sockets that are told something in one go. */
const SLICE = 100

/** Tells the screens of live sessions, on all servers, what has changed. */
export class LiveHub {
  private readonly parts: HubParts
  private readonly presence: Presence
  /** Students in whom something changed, by session, since it was last told: on this server, and on others. */
  private seen = new Map<string, Set<string>>()
  private seenElsewhere = new Map<string, Set<string>>()
  private changedSessions = new Set<string>()
  private timers: NodeJS.Timeout[] = []
  private io: LiveServer | undefined
  private watchers: Watchers | undefined
  private rankings: Rankings | undefined
  private news: ReportNews | undefined
  private pool: pg.Pool | undefined
  private flushing: Promise<void> | undefined
  private looking: Promise<void> | undefined
  private absencesDue = 0
  private progressDue = 0
  private catchUpDue = 0
  private readonly complaintsDue = new Map<string, number>()
  /** Revisions of sessions as the screens here were last told them. */
  private readonly shownRevisions = new Map<string, number>()
  private isEnding = false

  constructor(parts: HubParts) {
    this.parts = parts
    this.presence = new Presence(parts.source, parts.logger)
  }

  /** Takes up connections on a server. */
  attach(server: HttpServer): void {
    const { io, pool } = openLiveServer(server, this.parts)
    this.pool = pool
    io.on('connection', (socket) => this.welcome(socket))
    io.on('changed', (offerId) => this.changedHere(offerId))
    io.on('moved', (moved) => {
      for (const [offerId, personIds] of moved) note(this.seenElsewhere, offerId, personIds)
    })
    io.on('told', (offerId, personId) => void io.local.to(roomOf('person', `${offerId} ${personId}`)).emit('again'))
    this.io = io
    this.watchers = new Watchers(io, this.parts.logger, (offerId) => this.changedSessions.add(offerId))
    this.rankings = new Rankings(io, this.parts.source)
    this.news = new ReportNews(io, this.parts.source, (error) => this.complain(error, 'reports'))
    this.timers = [
      setInterval(() => (this.flushing ??= this.flush().finally(() => (this.flushing = undefined))), GATHER),
      setInterval(() => (this.looking ??= this.look().finally(() => (this.looking = undefined))), LOOK),
    ]
    for (const timer of this.timers) timer.unref()
  }

  /** A student's own part in an offer has changed. */
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

  /** A game for teams at one wall has changed: its screens, on all servers, are to be read again. */
  boardChanged(offerId: string): void {
    this.io?.to(roomOf('board', offerId)).emit('again')
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

  /** Notes what goes wrong again and again while the database is away: from time to time. */
  private complain(error: unknown, where: string): void {
    const now = Date.now()
    if (this.isEnding || now < (this.complaintsDue.get(where) ?? 0)) return
    this.complaintsDue.set(where, now + COMPLAINTS)
    this.parts.logger.warn(loggable(error), where)
  }

  private welcome(socket: LiveSocket): void {
    const { holder } = socket.data
    if (holder.audience === 'report') return void this.news?.welcome(socket, holder)
    void socket.join(roomOf(holder.audience, holder.offerId))
    if (holder.audience === 'player') this.welcomePlayer(socket, holder)
    else if (holder.audience !== 'board') {
      this.presence.host(holder.offerId, 1)
      socket.once('disconnect', () => {
        this.presence.host(holder.offerId, -1)
        this.watchers?.leave(holder.offerId)
      })
      // A watch knows what was told to those who were there: for a new one it begins anew.
      this.watchers?.watchAnew(holder.offerId)
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
      const { reply } = await reading(this.parts.source, null, (reader) =>
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
    void this.tellPlayers(offerId).catch((error: unknown) => {
      // It is told with the next look.
      this.shownRevisions.delete(offerId)
      this.parts.logger.warn(loggable(error), 'players')
    })
  }

  /** Gives all students of a session who are connected here their screens, whole. */
  private async tellPlayers(offerId: string): Promise<void> {
    const sockets = this.io ? playersOf(this.io, offerId) : []
    if (sockets.length === 0) return
    const ids = new Set<string>()
    for (const { data } of sockets) if (data.holder.audience === 'player') ids.add(data.holder.participantId)
    const replies = await reading(this.parts.source, null, (scope) => replyTo(scope, offerId, [...ids]))
    for (const { live } of replies.values()) if (live) this.shownRevisions.set(offerId, live.revision)
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
    const seen = this.seenElsewhere
    const changed = this.changedSessions
    this.seenElsewhere = new Map()
    this.changedSessions = new Set()
    try {
      await this.presence.write()
      const here = this.seen
      this.seen = new Map()
      if (here.size > 0)
        this.io?.serverSideEmit(
          'moved',
          [...here].map(([id, persons]) => [id, [...persons]]),
        )
      for (const [offerId, personIds] of here) note(seen, offerId, personIds)
      if (seen.size > 0 || changed.size > 0)
        await reading(this.parts.source, null, async (reader) => this.watchers?.tell(reader, seen, changed))
      this.news?.tell([...seen.keys(), ...changed])
      await this.rankings?.tell(seen.keys())
    } catch (error) {
      // Nothing of it is lost while the database is away.
      for (const [offerId, personIds] of seen) note(this.seenElsewhere, offerId, personIds)
      for (const offerId of changed) this.changedSessions.add(offerId)
      this.complain(error, 'live')
    }
  }

  /** Tells what has changed in sessions that are shown here without a word from the server that changed it. */
  private async catchUp(): Promise<void> {
    const shown = this.shownHere()
    for (const offerId of this.shownRevisions.keys()) if (!shown.includes(offerId)) this.shownRevisions.delete(offerId)
    if (shown.length === 0) return
    const revisions = await reading(this.parts.source, null, (reader) => revisionsOf(reader, shown))
    for (const { offerId, revision } of revisions) {
      if (this.shownRevisions.get(offerId) === revision) continue
      this.shownRevisions.set(offerId, revision)
      this.changedHere(offerId)
    }
  }

  /** Returns the sessions that screens connected here show. */
  private shownHere(): string[] {
    const sockets = [...(this.io?.sockets.sockets.values() ?? [])]
    return [...new Set(sockets.flatMap(({ data: { holder } }) => (holder.audience === 'report' ? [] : holder.offerId)))]
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
      if (Date.now() >= this.catchUpDue) {
        this.catchUpDue = Date.now() + CATCH_UP
        await this.catchUp()
      }
      if (Date.now() >= this.absencesDue) {
        this.absencesDue = Date.now() + ABSENCES
        await passAbsences(this.parts.source, tell)
      }
    } catch (error) {
      this.complain(error, 'sessions')
    }
  }
}

function note(seen: Map<string, Set<string>>, offerId: string, personIds: Iterable<string>): void {
  const known = seen.get(offerId) ?? new Set<string>()
  for (const personId of personIds) known.add(personId)
  seen.set(offerId, known)
}
