import {
  answerLanguageOf,
  gameOf,
  NO_LOOKUP,
  NO_WORDS,
  PuzzleError,
  randomFrom,
  type Asking,
  type EntryList,
  type FitNote,
  type GameKind,
  type LookedUp,
  type Lookup,
} from '@otter/core'
import { fetchThings } from './things.ts'
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
  const known = await lookUp(game.lookup?.(list, options) ?? NO_LOOKUP, list)
  try {
    return { puzzle: game.make(list, options, randomFrom(seed), known) }
  } catch (error) {
    if (error instanceof PuzzleError) return { note: error.note }
    throw error
  }
}

async function lookUp({ words, things }: Lookup, list: EntryList): Promise<LookedUp> {
  return {
    words: words ? await fetchWords(answerLanguageOf(list)) : NO_WORDS,
    things: await fetchThings(things),
  }
}
