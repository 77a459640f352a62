import type { RankNews } from '@otter/api'
import { reading, type ScopeSource } from '../db/scope.ts'
import { ranksOf } from '../services/liveReplies.ts'
import { playersOf, roomOf, sizeOf, type LiveServer } from './liveServer.ts'

/** How often those who wait or are ahead are told where they stand: in a class, and where there are many. */
const STANDINGS = 3000
const STANDINGS_OF_MANY = 10_000
const MANY = 60

/** Tells students where they stand: each hears it with an answer of their own, and who waits from time to time. */
export class Rankings {
  private readonly io: LiveServer
  private readonly source: ScopeSource
  /** When those of a session are told next, in milliseconds since 1970. */
  private readonly due = new Map<string, number>()

  constructor(io: LiveServer, source: ScopeSource) {
    this.io = io
    this.source = source
  }

  /** Notes sessions in which students moved, and tells those whose moment has come. */
  async tell(moved: Iterable<string>): Promise<void> {
    const now = Date.now()
    for (const offerId of moved) {
      const count = sizeOf(this.io, roomOf('player', offerId))
      if (count > 0 && !this.due.has(offerId))
        this.due.set(offerId, now + (count > MANY ? STANDINGS_OF_MANY : STANDINGS))
    }
    for (const [offerId, due] of this.due) {
      if (due > now) continue
      this.due.delete(offerId)
      await this.tellRanks(offerId)
    }
  }

  private async tellRanks(offerId: string): Promise<void> {
    const ranks = await reading(this.source, null, (reader) => ranksOf(reader, offerId))
    if (!ranks) return
    for (const socket of playersOf(this.io, offerId)) {
      const { data } = socket
      if (data.holder.audience !== 'player') continue
      const news: RankNews = { rank: ranks.rankOf(data.holder.personId), ranking: ranks.ranking }
      const told = JSON.stringify(news)
      if (told === data.told) continue
      data.told = told
      socket.emit('rank', news)
    }
  }
}
