import type { Face } from '../../list/face.ts'
import type { ReadingDirection } from '../../text/direction.ts'
import type { LetterStyle } from '../../text/gridLetters.ts'

export type WordDirection = 'across' | 'down'

/** Why an entry is not in the grid. */
type UnplacedReason =
  | 'empty'
  | 'no-clue'
  | 'too-short'
  | 'too-long'
  | 'repeat'
  | 'too-many'
  | 'no-shared-letter'
  | 'no-place'

/** A word of the grid: the cell of its first letter, and its number. */
export interface CrosswordWord {
  entryId: string
  /** The answer as the teacher wrote it. */
  text: string
  letters: string[]
  /** Lengths of its parts, as a clue shows them: "3,5". */
  pattern: string
  prompt: Face
  hint: string
  fact: string
  row: number
  col: number
  dir: WordDirection
  number: number
}

export interface UnplacedWord {
  entryId: string
  text: string
  why: UnplacedReason
}

/** A crossword with its answers. Columns count along the reading direction: in Hebrew from the right. */
export interface CrosswordPuzzle {
  rows: number
  cols: number
  direction: ReadingDirection
  /** How what a student types becomes a letter of the grid. */
  style: LetterStyle
  /** In the order of their numbers, across before down. */
  words: CrosswordWord[]
  unplaced: UnplacedWord[]
  /** Letters that two words share. */
  crossings: number
  /** Steps that the search took. */
  steps: number
  background: string
}

/** Returns the cells of a word, in the order of its letters. */
export function cellsOf({
  row,
  col,
  dir,
  letters,
}: Pick<CrosswordWord, 'row' | 'col' | 'dir' | 'letters'>): { row: number; col: number }[] {
  return letters.map((_, index) => (dir === 'across' ? { row, col: col + index } : { row: row + index, col }))
}
