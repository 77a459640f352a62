import type { HostChanges } from '@otter/api'
import type { Logger } from 'pino'
import type { Reader } from '../db/scope.ts'
import { loggable, problemFrom } from '../problem.ts'
import { roomOf, sizeOf, type LiveServer } from './liveServer.ts'
import { readSeen, Watch } from './watch.ts'

/** Tells the hosts and walls that are connected to this server what has changed in their sessions. */
export class Watchers {
  private readonly watches = new Map<string, Watch>()
  private readonly io: LiveServer
  private readonly logger: Logger
  private readonly onAnew: (offerId: string) => void

  /** @param onAnew is told of a session that is to be told whole the next time */
  constructor(io: LiveServer, logger: Logger, onAnew: (offerId: string) => void) {
    this.io = io
    this.logger = logger
    this.onAnew = onAnew
  }

  /** Tells hosts and walls on this server; what has changed in students is read for all sessions at once. */
  async tell(
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
      await this.tellOne(reader, offerId, () =>
        isWhole ? watch.readAll(reader) : watch.changesOf(seen.get(offerId) ?? new Set(), rows),
      ).catch((error: unknown) => this.notTold(offerId, error))
  }

  private async tellOne(
    reader: Reader<null>,
    offerId: string,
    changesOf: () => HostChanges | Promise<HostChanges>,
  ): Promise<void> {
    if (sizeOf(this.io, roomOf('teacher', offerId)) > 0) {
      const changes = await changesOf()
      if (Object.keys(changes).length > 0) this.io.local.to(roomOf('teacher', offerId)).emit('changes', changes)
    }
    if (sizeOf(this.io, roomOf('wall', offerId)) > 0) {
      const now = await this.watches.get(offerId)?.wallChanges(reader)
      if (now) this.io.local.to(roomOf('wall', offerId)).emit('wall', now)
    }
  }

  /** What could not be told of one session is told anew, whole; of one that is deleted there is nothing more to tell. */
  private notTold(offerId: string, error: unknown): void {
    if (problemFrom(error).status === 404) {
      for (const audience of ['player', 'teacher', 'wall'])
        this.io.local.in(roomOf(audience, offerId)).disconnectSockets(true)
      return
    }
    this.watchAnew(offerId)
    this.logger.warn(loggable(error), 'watch')
  }

  /** Follows a session anew, so that all of it is told: to a screen that is new, or after something was not told. */
  watchAnew(offerId: string): void {
    this.watches.set(offerId, new Watch(offerId))
    this.onAnew(offerId)
  }

  /** Follows a session no more where no screen of this server shows it. */
  leave(offerId: string): void {
    const isWatched = ['teacher', 'wall'].some((audience) => sizeOf(this.io, roomOf(audience, offerId)) > 0)
    if (!isWatched) this.watches.delete(offerId)
  }
}
