import { MAX_SIDE } from '../../grid/letterGrid.ts'
import { MIN_SIDE } from './options.ts'

/** Rows and columns. */
export type Shape = readonly [rows: number, cols: number]

/** How much longer than the other a side may be, unless a word asks for more. */
const LONGEST_RATIO = 1.5

/** Returns all shapes in which a word of the given length has room, largest area first, squarer first among equals. */
export function shapesFor(longest: number): Shape[] {
  const shapes: Shape[] = []
  for (let rows = 2; rows <= MAX_SIDE; rows++) {
    for (let cols = rows; cols <= MAX_SIDE; cols++) {
      if (cols < longest || (cols > rows * LONGEST_RATIO && cols > longest)) continue
      shapes.push([rows, cols])
    }
  }
  return shapes.sort((one, other) => area(other) - area(one) || one[1] - other[1])
}

export function area([rows, cols]: Shape): number {
  return rows * cols
}

/** Letters fill about three fifths of an automatic grid: easy to make, not too easy to play. */
const AUTOMATIC_FILL = 0.6

/** Returns the side of the square that is tried first where the size is automatic. */
export function automaticSide(letters: number, longest: number): number {
  return Math.min(MAX_SIDE, Math.max(MIN_SIDE, longest, Math.ceil(Math.sqrt(letters / AUTOMATIC_FILL))))
}
