import {
  answerLanguageOf,
  gameOf,
  PuzzleError,
  randomFrom,
  type Asking,
  type EntryList,
  type FitNote,
  type GameKind,
} from '@otter/core'
import { fetchWords } from './words.ts'

/** A puzzle to make. */
export interface PuzzleJob {
  kind: GameKind
  list: EntryList
  options: Asking
  seed: string
}

/** Puzzles to make one after another, by number. */
export interface PuzzleRequest {
  number: number
  jobs: PuzzleJob[]
}

/** A puzzle, or why there can be none. */
export type PuzzleResult = { puzzle: unknown } | { note: FitNote }
export interface PuzzleAnswer {
  number: number
  results: PuzzleResult[]
}

addEventListener('message', ({ data: { number, jobs } }: MessageEvent<PuzzleRequest>) => {
  Promise.all(jobs.map(make)).then(
    (results) => postMessage({ number, results } satisfies PuzzleAnswer),
    // Out of the promise, so that whoever waits hears that the worker has failed.
    (error: unknown) =>
      setTimeout(() => {
        throw error
      }),
  )
})

async function make({ kind, list, options, seed }: PuzzleJob): Promise<PuzzleResult> {
  const game = gameOf(kind)
  const words = game.usesWords ? await fetchWords(answerLanguageOf(list)) : undefined
  try {
    return { puzzle: game.make(list, options, randomFrom(seed), words) }
  } catch (error) {
    if (error instanceof PuzzleError) return { note: error.note }
    throw error
  }
}
