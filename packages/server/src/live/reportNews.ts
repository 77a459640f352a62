import { reportWorks } from '../db/queries/report.ts'
import { reading, type ScopeSource } from '../db/scope.ts'
import { spanOf } from '../services/gatheredReport.ts'
import { roomOf, type LiveServer, type LiveSocket } from './liveServer.ts'
import type { Holder } from './passes.ts'

/** Tells open reports that something in them has changed; what it is they read themselves. */
export class ReportNews {
  private readonly io: LiveServer
  private readonly source: ScopeSource
  private readonly onFailure: (error: unknown) => void

  constructor(io: LiveServer, source: ScopeSource, onFailure: (error: unknown) => void) {
    this.io = io
    this.source = source
    this.onFailure = onFailure
  }

  /** Takes up the screen of a report: it hears of all work that is in it now. */
  async welcome(socket: LiveSocket, { teacherId, scope }: Extract<Holder, { audience: 'report' }>): Promise<void> {
    try {
      const works = await reading(this.source, teacherId, (reader) => reportWorks(reader, spanOf(scope)))
      for (const { offerId } of works) void socket.join(roomOf('report', offerId))
      // What came between the reading of the page and this is told by reading it again.
      socket.emit('again')
    } catch (error) {
      this.onFailure(error)
      // It connects again, and asks anew.
      socket.disconnect(true)
    }
  }

  /** Tells the reports on this server that these offers are in. */
  tell(offerIds: readonly string[]): void {
    if (offerIds.length === 0) return
    // One that is in several rooms hears it once.
    this.io.local.to(offerIds.map((offerId) => roomOf('report', offerId))).emit('again')
  }
}
