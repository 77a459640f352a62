import { answerLanguageOf, gameOf, PuzzleError, randomFrom, type GameKind, type WordKnowledge } from '@otter/core'
import { writeArchive } from '@otter/core/formats'
import { readWordsOf } from '../dictionary/words.ts'
import { renderSheets } from './renderSheets.tsx'
import type { ArchiveTask, MakeTask, SheetsWork, WorkerReply } from './tasks.ts'

async function answer<Value>(kind: GameKind, work: () => Value | Promise<Value>): Promise<WorkerReply<Value>> {
  try {
    return { value: await work() }
  } catch (error) {
    if (error instanceof PuzzleError) return { kind, note: { code: error.note.code, values: error.note.values } }
    throw error
  }
}

const known = new Map<string, WordKnowledge>()

function wordsOf(language: string): WordKnowledge {
  let words = known.get(language)
  if (!words) known.set(language, (words = readWordsOf(language)))
  return words
}

/** Makes a puzzle. */
export function make({ kind, list, options, seed }: MakeTask): Promise<WorkerReply<unknown>> {
  const game = gameOf(kind)
  const words = game.usesWords ? wordsOf(answerLanguageOf(list)) : undefined
  return answer(kind, () => game.make(list, options, randomFrom(seed), words))
}

/** Renders sheets as a PDF. */
export function sheets(task: SheetsWork): Promise<WorkerReply<Uint8Array>> {
  return answer(task.sheets.kind, () => renderSheets(task))
}

/** Packs a list with its pictures and sounds. */
export function archive({ details, entries, media }: ArchiveTask): WorkerReply<Uint8Array> {
  return { value: writeArchive(details, entries, media) }
}
