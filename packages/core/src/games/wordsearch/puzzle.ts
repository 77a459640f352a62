import type { DirectionCount } from '../../grid/directions.ts'
import type { Face } from '../../list/face.ts'
import type { ReadingDirection } from '../../text/direction.ts'

/** Why an entry is not in the grid. */
export type UnplacedReason = 'empty' | 'too-short' | 'too-long' | 'repeat' | 'clash' | 'too-many' | 'no-room'

/** A word in the grid: the cell of its first letter, and the step from each letter to the next. */
export interface PlacedWord {
  entryId: string
  /** The answer as the teacher wrote it. */
  text: string
  prompt: Face
  row: number
  col: number
  dRow: number
  dCol: number
  /** Letters in the grid. */
  length: number
}

export interface UnplacedWord {
  entryId: string
  text: string
  why: UnplacedReason
  /** The words it clashes with or repeats. */
  others: string[]
}

/** A word search with its answers. Columns count along the reading direction: in Hebrew from the right. */
export interface WordSearchPuzzle {
  rows: string[][]
  direction: ReadingDirection
  directions: DirectionCount
  show: 'words' | 'clues'
  words: PlacedWord[]
  unplaced: UnplacedWord[]
  message: string
}
