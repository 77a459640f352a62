import { randomUUID } from 'node:crypto'
import type { Logger } from 'pino'
import { inScope, type ScopeSource } from '../db/scope.ts'
import { endLeases, holdLeases } from '../db/queries/leases.ts'
import { noteHere } from '../services/absences.ts'
import { loggable } from '../problem.ts'

/** How often the database is told who is still connected, in milliseconds. */
const BEAT = 10_000

/** Keeps in the database whose devices are connected to this server: in few statements, however many there are. */
export class Presence {
  /** Other servers may hold sockets of the same students: each keeps leases of its own. */
  private readonly serverId = randomUUID()
  private readonly sockets = new Map<string, number>()
  private arrived = new Set<string>()
  private gone = new Set<string>()
  private readonly hosted = new Map<string, number>()
  private readonly source: ScopeSource
  private readonly logger: Logger
  private readonly timer: NodeJS.Timeout

  constructor(source: ScopeSource, logger: Logger) {
    this.source = source
    this.logger = logger
    this.timer = setInterval(() => void this.beat(), BEAT)
    this.timer.unref()
  }

  /** A student's device has connected. */
  arrive(participantId: string): void {
    this.sockets.set(participantId, (this.sockets.get(participantId) ?? 0) + 1)
    this.gone.delete(participantId)
    this.arrived.add(participantId)
  }

  /** A student's device has gone; returns whether it was the last one of this student here. */
  leave(participantId: string): boolean {
    const rest = (this.sockets.get(participantId) ?? 1) - 1
    if (rest > 0) {
      this.sockets.set(participantId, rest)
      return false
    }
    this.sockets.delete(participantId)
    this.arrived.delete(participantId)
    this.gone.add(participantId)
    return true
  }

  /** A host looks at a session, or looks away: by one more or one less. */
  host(offerId: string, more: 1 | -1): void {
    const count = (this.hosted.get(offerId) ?? 0) + more
    if (count > 0) this.hosted.set(offerId, count)
    else this.hosted.delete(offerId)
    if (more === 1) void this.tell([], [], [offerId])
  }

  /** Writes down who has come and gone since the last time. */
  async write(): Promise<void> {
    if (this.arrived.size === 0 && this.gone.size === 0) return
    const [arrived, gone] = [[...this.arrived], [...this.gone]]
    this.arrived = new Set()
    this.gone = new Set()
    await this.tell(arrived, gone, [])
  }

  /** Ends, and says that all who were connected here are not any more. */
  async close(): Promise<void> {
    clearInterval(this.timer)
    await this.tell([], [...this.sockets.keys()], [])
  }

  private beat(): Promise<void> {
    return this.tell([...this.sockets.keys()], [], [...this.hosted.keys()])
  }

  private async tell(here: string[], gone: string[], hosted: string[]): Promise<void> {
    if (here.length + gone.length + hosted.length === 0) return
    try {
      await inScope(this.source, { teacherId: null }, async (scope) => {
        if (here.length > 0) {
          await noteHere(scope, here)
          await holdLeases(scope, this.serverId, here)
        }
        if (gone.length > 0) await endLeases(scope, this.serverId, gone)
        if (hosted.length > 0)
          await scope.query(
            'UPDATE live_sessions SET host_at = clock_timestamp() WHERE offer_id = ANY ($hosted::uuid[])',
            {
              hosted: hosted.sort(),
            },
          )
      })
    } catch (error) {
      // The next beat says it again.
      this.logger.warn(loggable(error), 'presence')
    }
  }
}
