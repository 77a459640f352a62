import type { Logger } from 'pino'
import { inScope, type Scope, type ScopeSource, type TeacherScope } from '../db/scope.ts'
import { loggable, Problem, problemFrom } from '../problem.ts'
import { claimJob, endJob, noteProgress, type ClaimedJob } from '../services/jobs.ts'
import { drawnMedia } from '../services/media.ts'
import { keepPrint } from '../services/prints.ts'
import { readPrinting, readSheets } from '../services/sheets.ts'
import type { OnProgress, Workers } from './pool.ts'

/**
 * How often another server's new jobs are looked for, where nobody says otherwise, and how often a running one gives a
 * sign of life; in milliseconds.
 */
const LOOK = 1000
const BEAT = 1000
/** Jobs at once: a long one keeps no other teacher waiting. */
const AT_ONCE = 2
/** Share of a PDF's work that lies in making its puzzles. */
const MADE = 0.6
/** After how long a job is too much, in milliseconds. */
const LONGEST = 300_000

/** Takes up long jobs of the database, until it is stopped. */
export interface JobRunner {
  /** Looks for a job at once: one was just queued. */
  wake(): void
  close(): Promise<void>
}

/** Thrown to the work on a job that nobody wants any more. */
class Unwanted extends Error {}

/** Starts taking up jobs. */
export function startJobs(source: ScopeSource, workers: Workers, logger: Logger, lookEvery = LOOK): JobRunner {
  const ending = new AbortController()
  const sleeping = new Set<() => void>()
  const wake = (): void => sleeping.forEach((end) => end())
  const program = <Value>(work: (scope: Scope<null>) => Promise<Value>): Promise<Value> =>
    inScope(source, { teacherId: null }, work)

  const make = async (
    job: ClaimedJob,
    signal: AbortSignal,
    onProgress: OnProgress,
  ): Promise<{ type: string; bytes: Uint8Array }> => {
    const asTeacher = <Value>(read: (scope: TeacherScope) => Promise<Value>, snapshot = true): Promise<Value> =>
      inScope(source, { teacherId: job.teacherId, snapshot }, read)
    const { drafts, printId: known, layout, address } = await asTeacher((scope) => readPrinting(scope, job.task))
    const puzzles = await workers.versions(drafts, job.teacherId, signal, (made) => onProgress(made * MADE))
    const printId = known ?? (await asTeacher((scope) => keepPrint(scope, drafts, puzzles), false))
    if (!layout) return { type: 'text/plain', bytes: new Uint8Array() }
    const { media, ...task } = await asTeacher((scope) => readSheets(scope, printId, { layout, address }))
    return {
      type: 'application/pdf',
      bytes: await workers.sheets({ ...task, pictures: await drawnMedia(media) }, signal),
    }
  }
  const work = async (job: ClaimedJob): Promise<void> => {
    const unwanted = new AbortController()
    let progress = 0
    const beat = setInterval(() => {
      program((scope) => noteProgress(scope, job, progress)).then(
        (wanted) => !wanted && unwanted.abort(new Unwanted()),
        (error: unknown) => logger.warn(loggable(error), 'job'),
      )
    }, BEAT)
    try {
      const late = AbortSignal.timeout(LONGEST)
      const made = await make(
        job,
        AbortSignal.any([unwanted.signal, ending.signal, late]),
        (now) => (progress = now),
      ).catch((error: unknown) => {
        throw late.aborted ? new Problem(422, 'too-slow') : error
      })
      await program((scope) => endJob(scope, job, made))
    } catch (error) {
      if (error instanceof Unwanted || ending.signal.aborted) return
      const problem = problemFrom(error)
      if (problem.status >= 500) logger.error(loggable(error), 'job')
      await program((scope) => endJob(scope, job, { problem: problem.details() }))
    } finally {
      clearInterval(beat)
    }
  }
  const loop = async (): Promise<void> => {
    while (!ending.signal.aborted) {
      try {
        const job = await program(claimJob)
        if (job) {
          await work(job)
          continue
        }
      } catch (error) {
        logger.warn(loggable(error), 'jobs')
      }
      // The end may have come while it was looked for a job: nobody would wake it then.
      if (ending.signal.aborted) return
      await new Promise<void>((resolve) => {
        const end = (): void => {
          clearTimeout(timer)
          sleeping.delete(end)
          resolve()
        }
        const timer = setTimeout(end, lookEvery)
        sleeping.add(end)
      })
    }
  }
  const running = Promise.all(Array.from({ length: AT_ONCE }, loop))
  return {
    wake,
    close: async () => {
      ending.abort(new Unwanted())
      wake()
      await running
    },
  }
}
