import type { Face } from '../../list/face.ts'
import type { ReadingDirection } from '../../text/direction.ts'
import type { BingoPattern } from './options.ts'

/** What is called and marked. */
export interface BingoTerm {
  entryId: string
  text: string
  /** On the cards. */
  answer: Face
  /** Read out by the caller. */
  prompt: Face
  fact: string
}

/** A card: the number of a term for each square, row by row; null in the free one. */
export interface BingoCard {
  number: number
  cells: (number | null)[]
}

/** How a game is likely to go with a random order of calls. */
export interface Forecast {
  /** Call of the first bingo: median, and the calls between which it comes nine times in ten. */
  median: number
  mean: number
  p5: number
  p95: number
  /** Chance that just one card wins at that call. */
  single: number
}

/** How the game goes with the planned order. */
export interface Plan {
  /** Whether all that was wished for comes true. */
  met: boolean
  firstWin: number
  winners: number
  /** Cards that have won by each call, from the first. */
  wonBy: number[]
  /** Calls at which the first bingo can be brought about; null where nothing was wished. */
  reachable: [number, number] | null
}

export interface BingoPuzzle {
  size: number
  pattern: BingoPattern
  terms: BingoTerm[]
  cards: BingoCard[]
  /** Numbers of all terms, in the order of the calls. */
  calls: number[]
  forecast: Forecast
  plan: Plan
  direction: ReadingDirection
  calling: 'device' | 'teacher'
  marking: 'own' | 'helped'
  perPage: 1 | 2 | 4
}
