import type { LetterGrid } from '../../grid/letterGrid.ts'
import type { Random } from '../../random/random.ts'
import type { PuzzleAlphabet } from './alphabet.ts'

/** Draws from the pool before all letters are gone through. */
const DRAWS = 12

/**
 * Fills the empty cells with letters drawn from the words' own, as often as they occur there, so that no word or
 * blocked word is spelled. Only where none of them will do, another letter of the script is taken. Tells whether all
 * were filled.
 */
export function fillFromWords(grid: LetterGrid, alphabet: PuzzleAlphabet, random: Random): boolean {
  const preferred = [...new Set(alphabet.pool)]
  for (let row = 0; row < grid.rows; row++) {
    for (let col = 0; col < grid.cols; col++) {
      if (grid.cells[row * grid.cols + col]! >= 0) continue
      if (!fillCell(grid, row, col, alphabet, preferred, random)) return false
    }
  }
  return true
}

function fillCell(
  grid: LetterGrid,
  row: number,
  col: number,
  { pool, others }: PuzzleAlphabet,
  preferred: readonly number[],
  random: Random,
): boolean {
  for (let draw = 0; draw < DRAWS; draw++) {
    if (grid.trySet(row, col, pool[random.below(pool.length)]!)) return true
  }
  for (const letters of [preferred, others]) {
    for (const letter of random.shuffled(letters)) if (grid.trySet(row, col, letter)) return true
  }
  return false
}
