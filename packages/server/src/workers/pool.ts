import { existsSync } from 'node:fs'
import { Piscina } from 'piscina'
import { Problem } from '../problem.ts'
import { refusalOf } from './refusals.ts'
import type { MakeTask, SheetsTask, WorkerReply } from './tasks.ts'

/** Heavy work off the main thread. Both throw a Problem where the list can't become the puzzle. */
export interface Workers {
  make(task: MakeTask): Promise<unknown>
  sheets(task: SheetsTask): Promise<Uint8Array>
  close(): Promise<void>
}

const built = new URL('./worker.js', import.meta.url)
const source = new URL('./develop.mjs', import.meta.url)

/** Starts the pool of worker threads. */
export function startWorkers(threads: number): Workers {
  const pool = new Piscina({ filename: (existsSync(built) ? built : source).href, minThreads: 1, maxThreads: threads, maxQueue: 200, idleTimeout: 60_000 })
  const run = async <Value>(name: string, task: object): Promise<Value> => {
    const reply = await pool.run(task, { name }) as WorkerReply<Value>
    if ('value' in reply) return reply.value
    throw new Problem(422, refusalOf(reply.kind, reply.note))
  }
  return { make: (task) => run('make', task), sheets: (task) => run('sheets', task), close: () => pool.destroy() }
}
