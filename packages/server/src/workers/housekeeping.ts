import type { Logger } from 'pino'
import { inScope, type Scope, type ScopeSource } from '../db/scope.ts'
import { loggable } from '../problem.ts'
import { dropOldJobs } from '../services/jobs.ts'
import { dropOldMails } from '../services/mails.ts'
import { sweepMedia } from '../services/media.ts'
import { keepWithin } from '../services/keeping.ts'
import { dropOldPrints } from '../services/prints.ts'
import { dropOldSessions } from '../services/studentSessions.ts'
import { dropOldResets } from '../services/resets.ts'

/** How often there is a look for what can be thrown away, in milliseconds. */
const LOOK = 60_000
/** How often there is a look for results that are older than they are kept, in looks. */
const HOUR = 60

/** Deletes guesses that no longer count. */
async function dropOldGuesses(scope: Scope): Promise<void> {
  await scope.query('DELETE FROM guesses WHERE expire < extract(epoch FROM now()) * 1000')
}

/**
 * Starts to throw away, now and then, what is no longer needed; returns how to stop. Servers on one database share the
 * work.
 */
export function startHousekeeping(source: ScopeSource, logger: Logger): () => void {
  const program = (work: (scope: Scope<null>) => Promise<unknown>): Promise<unknown> =>
    inScope(source, { teacherId: null }, work)
  let looks = 0
  const timer = setInterval(() => {
    program(dropOldJobs)
      .then(() => program(dropOldGuesses))
      .then(() => program(dropOldMails))
      .then(() => program(dropOldResets))
      .then(() => program(dropOldPrints))
      .then(() => program(dropOldSessions))
      .then(() => program(sweepMedia))
      .then(() => (looks++ % HOUR === 0 ? keepWithin(source) : undefined))
      .catch((error: unknown) => logger.warn(loggable(error), 'housekeeping'))
  }, LOOK)
  timer.unref()
  return () => clearInterval(timer)
}
