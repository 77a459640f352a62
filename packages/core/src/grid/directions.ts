/** One step across a grid: rows down, columns along the reading direction. */
export interface Step {
  dRow: -1 | 0 | 1
  dCol: -1 | 0 | 1
}

/** How many directions words may run in: 2 (along, down), 4 (both diagonals too), 8 (and all of them backwards). */
export type DirectionCount = 2 | 4 | 8

/** Along, down, the two diagonals that read forwards; then the same backwards. */
export const DIRECTIONS: readonly Step[] = [
  { dRow: 0, dCol: 1 },
  { dRow: 1, dCol: 0 },
  { dRow: 1, dCol: 1 },
  { dRow: -1, dCol: 1 },
  { dRow: 0, dCol: -1 },
  { dRow: -1, dCol: 0 },
  { dRow: -1, dCol: -1 },
  { dRow: 1, dCol: -1 },
]
