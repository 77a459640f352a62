import { gameOf, PuzzleError, randomFrom, type Asking, type EntryList, type FitNote, type GameKind } from '@otter/core'

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
  postMessage({ number, results: jobs.map(make) } satisfies PuzzleAnswer)
})

function make({ kind, list, options, seed }: PuzzleJob): PuzzleResult {
  try {
    return { puzzle: gameOf(kind).make(list, options, randomFrom(seed)) }
  } catch (error) {
    if (error instanceof PuzzleError) return { note: error.note }
    throw error
  }
}
