import { gameOf, PuzzleError, randomFrom, type GameKind, type Things, type ThingsWanted } from '@otter/core'
import { writeArchive, writeOneRoster } from '@otter/core/formats'
import { lookUpThings } from '../dictionary/things.ts'
import { lookUp } from '../dictionary/lookUp.ts'
import type { ArchiveTask, MakeTask, RosterTask, SheetsTask, WorkerReply } from './tasks.ts'

async function answer<Value>(kind: GameKind, work: () => Value | Promise<Value>): Promise<WorkerReply<Value>> {
  try {
    return { value: await work() }
  } catch (error) {
    if (error instanceof PuzzleError) return { kind, note: { code: error.note.code, values: error.note.values } }
    throw error
  }
}

/** Makes a puzzle. */
export function make({ kind, list, options, seed }: MakeTask): Promise<WorkerReply<unknown>> {
  const game = gameOf(kind)
  return answer(kind, () => game.make(list, options, randomFrom(seed), lookUp(game, list, options)))
}

/** Looks up what is known of things. */
export function things(wanted: ThingsWanted): WorkerReply<Things> {
  return { value: lookUpThings(wanted) }
}

/** Renders sheets as a PDF; what draws them takes long to load, so that threads that only make puzzles begin without it. */
export function sheets(task: SheetsTask): Promise<WorkerReply<Uint8Array>> {
  return answer(task.kind, async () => (await import('./renderSheets.tsx')).renderSheets(task))
}

/** Packs a list with its pictures and sounds. */
export function archive({ details, entries, media }: ArchiveTask): WorkerReply<Uint8Array> {
  return { value: writeArchive(details, entries, media) }
}

/** Packs classes for a school's system. */
export function roster({ school, classes }: RosterTask): WorkerReply<Uint8Array> {
  return { value: writeOneRoster(school, classes, new Date()) }
}
