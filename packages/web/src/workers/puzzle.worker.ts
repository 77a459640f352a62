import { gameOf, PuzzleError, randomFrom, type EntryList, type FitNote, type GameKind } from '@otter/core'

/** A puzzle to make, by number. */
export interface PuzzleRequest {
  number: number
  kind: GameKind
  list: EntryList
  options: unknown
  seeds: string[]
}

export type PuzzleAnswer = { number: number; puzzles: unknown[] } | { number: number; note: FitNote }

addEventListener('message', ({ data }: MessageEvent<PuzzleRequest>) => {
  const { number, kind, list, options, seeds } = data
  const answer = (): PuzzleAnswer => {
    try {
      return { number, puzzles: seeds.map((seed) => gameOf(kind).make(list, options, randomFrom(seed))) }
    } catch (error) {
      if (error instanceof PuzzleError) return { number, note: error.note }
      throw error
    }
  }
  postMessage(answer())
})
