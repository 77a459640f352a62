import type { Logger } from 'pino'
import { inScope, type ScopeSource } from '../db/scope.ts'
import { loggable } from '../problem.ts'
import { passTime, type PassedPlay } from '../services/moves.ts'

/** How often there is a look for plays whose time has passed, in milliseconds. */
const LOOK = 1000

/**
 * Starts to see to it that time passes in plays whether or not a student's device is there; returns how to stop. Servers
 * on one database share the work.
 *
 * @param onPass is told whose time has passed
 */
export function startTimekeeper(
  source: ScopeSource,
  logger: Logger,
  onPass: (play: PassedPlay) => void = () => undefined,
): () => Promise<void> {
  let isEnding = false
  let working = Promise.resolve()
  const warn = (error: unknown): void => logger.warn(loggable(error), 'timekeeper')
  const passAll = async (): Promise<void> => {
    while (!isEnding) {
      const passed = await inScope(source, { teacherId: null }, (scope) => passTime(scope, warn))
      if (!passed) return
      onPass(passed)
    }
  }
  let isBusy = false
  const timer = setInterval(() => {
    if (isBusy) return
    isBusy = true
    working = passAll()
      .catch(warn)
      .finally(() => (isBusy = false))
  }, LOOK)
  timer.unref()
  return async () => {
    isEnding = true
    clearInterval(timer)
    await working
  }
}
