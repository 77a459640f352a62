import { existsSync } from 'node:fs'
import type { Things, ThingsWanted } from '@otter/core'
import pLimit from 'p-limit'
import { Piscina } from 'piscina'
import { Problem } from '../problem.ts'
import { FairQueue, QueueFull } from './fairQueue.ts'
import type { ArchiveTask, MakeTask, RosterTask, SheetsTask, WorkerReply } from './tasks.ts'

/** How far long work has come, from 0 to 1. */
export type OnProgress = (progress: number) => void

/**
 * Heavy work off the main thread. All throw a Problem where the list can't become the puzzle, or the work is too much.
 */
export interface Workers {
  /** Makes a puzzle: quick work, in a lane of its own. */
  make(task: MakeTask, teacherId: string, signal?: AbortSignal): Promise<unknown>
  /** Looks up what is known of things: quick work, in the lane of `make`. */
  things(wanted: ThingsWanted, teacherId: string): Promise<Things>
  /** Makes puzzles to print: long work, which takes turns with those of other teachers. */
  versions(
    tasks: readonly MakeTask[],
    teacherId: string,
    signal: AbortSignal,
    onProgress: OnProgress,
  ): Promise<unknown[]>
  /** Makes a PDF of puzzles: long work. */
  sheets(task: SheetsTask, signal: AbortSignal): Promise<Uint8Array>
  /** Packs a list with its pictures and sounds: long work. */
  archive(task: ArchiveTask, signal: AbortSignal): Promise<Uint8Array>
  /** Packs classes for a school's system: quick work for most, in the lane of `make`. */
  roster(task: RosterTask, teacherId: string, signal: AbortSignal): Promise<Uint8Array>
  close(): Promise<void>
}

export interface WorkerSettings {
  /** Threads for quick work, and as many again for the puzzles of PDFs. */
  threads: number
  /** After how long a puzzle, or a PDF, is too much; in milliseconds. */
  makeLimit?: number
  sheetsLimit?: number
}

const built = new URL('./worker.js', import.meta.url)
const source = new URL('./develop.mjs', import.meta.url)
/** Most memory of one thread's heap, in megabytes. */
const MEMORY = 700
/** Most puzzles of one teacher that wait. */
const MOST_WAITING = 8

/**
 * Starts the pools of worker threads. Puzzles of PDFs have their own: with the same threads, who shares one game would
 * wait until a puzzle of somebody's thirty is done.
 */
export function startWorkers({ threads, makeLimit = 20_000, sheetsLimit = 120_000 }: WorkerSettings): Workers {
  const filename = (existsSync(built) ? built : source).href
  const settings = { filename, idleTimeout: 60_000, resourceLimits: { maxOldGenerationSizeMb: MEMORY } }
  const quick = new Piscina({ ...settings, minThreads: 1, maxThreads: threads, maxQueue: 500 })
  const versioned = new Piscina({ ...settings, minThreads: 0, maxThreads: threads, maxQueue: 500 })
  const long = new Piscina({ ...settings, minThreads: 0, maxThreads: 2, maxQueue: 10 })
  const line = new FairQueue(threads, MOST_WAITING)
  // Lists of downloads are packed one after another: PDFs have the other thread meanwhile.
  const archivesAtOnce = pLimit(1)
  const versionedLine = new FairQueue(threads, MOST_WAITING)

  /** Runs a task, and ends its thread where it takes too long, needs too much, or nobody waits for it any more. */
  const run = async <Value>(
    pool: Piscina,
    name: string,
    task: object,
    limit: number,
    signal: AbortSignal | undefined,
  ): Promise<Value> => {
    const late = AbortSignal.timeout(limit)
    const reply = (await pool
      .run(task, { name, signal: signal ? AbortSignal.any([late, signal]) : late })
      .catch((error: unknown) => {
        signal?.throwIfAborted()
        throw late.aborted || isOutOfMemory(error) ? tooMuch() : error
      })) as WorkerReply<Value>
    if ('value' in reply) return reply.value
    throw new Problem(422, 'no-puzzle', { game: { kind: reply.kind, ...reply.note } })
  }
  const soon = <Value>(name: string, task: object, teacherId: string, signal?: AbortSignal): Promise<Value> =>
    line
      .run(teacherId, () => run<Value>(quick, name, task, makeLimit, signal), signal)
      .catch((error: unknown) => {
        throw error instanceof QueueFull ? new Problem(429, 'games-waiting') : error
      })
  return {
    make: (task, teacherId, signal) => soon('make', task, teacherId, signal),
    things: (wanted, teacherId) => soon('things', wanted, teacherId),
    versions: async (tasks, teacherId, signal, onProgress) => {
      // No more at once than there are threads, so that the line is never full of them.
      const atOnce = pLimit(threads)
      let made = 0
      return Promise.all(
        tasks.map((task) =>
          atOnce(async () => {
            const puzzle = await versionedLine.run(
              teacherId,
              () => run<unknown>(versioned, 'make', task, makeLimit, signal),
              signal,
            )
            onProgress(++made / tasks.length)
            return puzzle
          }),
        ),
      )
    },
    sheets: (task, signal) => run(long, 'sheets', task, sheetsLimit, signal),
    archive: (task, signal) => archivesAtOnce(() => run(long, 'archive', task, sheetsLimit, signal)),
    roster: (task, teacherId, signal) => soon('roster', task, teacherId, signal),
    close: async () => {
      await Promise.all([quick, versioned, long].map((pool) => pool.destroy()))
    },
  }
}

function isOutOfMemory(error: unknown): boolean {
  return (error as { code?: unknown }).code === 'ERR_WORKER_OUT_OF_MEMORY'
}

function tooMuch(): Problem {
  return new Problem(422, 'too-heavy')
}
