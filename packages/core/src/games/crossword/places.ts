import type { Random } from '../../random/random.ts'
import { ACROSS, DOWN, SIDE, type Direction, type Lattice } from './lattice.ts'

/**
 * How a place for a word is weighed: letters shared with others, letters beside its line, cells by which the layout
 * grows, chance.
 */
export const CROSSING = 4
const TOUCHING = 3
const GROWTH = 1
const NOISE = 3

/** Rows and columns in which a word may begin; and how many places were looked at, which the search for one writes. */
export interface PlaceRange {
  firstRow: number
  lastRow: number
  firstCol: number
  lastCol: number
  looked: number
}

/**
 * Finds the best place for a word where it crosses others, as far as some noise lets it see. Returns twice its first
 * cell, and one more where it runs down; −1 where there is none.
 */
export function bestPlace(lattice: Lattice, word: number, range: PlaceRange, touch: boolean, random: Random): number {
  const letters = lattice.words[word]!
  const { length } = letters
  const { uses, low, high } = lattice
  const { firstRow, lastRow, firstCol, lastCol } = range
  range.looked = 0
  let bestScore = -Infinity
  let bestStart = -1
  let bestDirection: Direction = ACROSS
  for (let index = 0; index < length; index++) {
    const letter = letters[index]!
    const cells = lattice.cellsOf[letter]!
    const count = lattice.count[letter]!
    for (let at = 0; at < count; at++) {
      const cell = cells[at]!
      const used = uses[cell]
      if (used === 3) continue
      let direction: Direction
      let start: number
      let growth: number
      if (used === 1) {
        const row = (cell >> 6) - index
        if (row < firstRow || row > lastRow) continue
        direction = DOWN
        start = cell - index * SIDE
        growth = Math.max(0, low[0]! - row) + Math.max(0, row + length - 1 - high[0]!)
      } else {
        const col = (cell & 63) - index
        if (col < firstCol || col > lastCol) continue
        direction = ACROSS
        start = cell - index
        growth = Math.max(0, low[1]! - col) + Math.max(0, col + length - 1 - high[1]!)
      }
      range.looked++
      const shared = lattice.check(word, start, direction, touch)
      if (shared < 1) continue
      const touched = touch ? lattice.touched(word, start, direction).length : 0
      const score = CROSSING * shared + TOUCHING * touched - GROWTH * growth + NOISE * random.next()
      if (score <= bestScore) continue
      bestScore = score
      bestStart = start
      bestDirection = direction
    }
  }
  return bestStart < 0 ? -1 : bestStart * 2 + bestDirection
}
