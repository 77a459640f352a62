import { gameOf, PuzzleError, randomFrom } from '@otter/core'
import { renderSheets } from './renderSheets.tsx'
import type { MakeTask, SheetsTask, WorkerReply } from './tasks.ts'

async function answer<Value>(work: () => Value | Promise<Value>): Promise<WorkerReply<Value>> {
  try {
    return { value: await work() }
  } catch (error) {
    if (error instanceof PuzzleError) return { note: { code: error.note.code, values: error.note.values } }
    throw error
  }
}

/** Makes a puzzle. */
export function make({ kind, list, options, seed }: MakeTask): Promise<WorkerReply<unknown>> {
  return answer(() => gameOf(kind).make(list, options, randomFrom(seed)))
}

/** Renders sheets as a PDF. */
export function sheets(task: SheetsTask): Promise<WorkerReply<Uint8Array>> {
  return answer(() => renderSheets(task))
}
