import type { PuzzleAlphabet } from './alphabet.ts'
import type { WordSearchOptions } from './options.ts'

/** What one call of `make` works on. */
export interface Job {
  options: WordSearchOptions
  alphabet: PuzzleAlphabet
  /** The words to lay, as letter numbers. */
  words: number[][]
  /** How many letters they have, and how many the longest has. */
  letters: number
  longest: number
}
