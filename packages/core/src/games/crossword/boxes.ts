/** What a layout's box may look like. */
export type Shape = 'any' | 'square' | 'page'

/** The longer side of a box is at most so many times the shorter. */
const LONGEST = 1.5
/** A page's print area is about so much higher than wide. */
const PAGE = [1.05, 1.45] as const
/** No side is longer. */
export const MAX_SIDE = 52

/** Tells whether a box has the shape; in cells. */
function hasShape(rows: number, cols: number, shape: Shape): boolean {
  if (shape === 'square') return Math.abs(rows - cols) <= 1
  if (shape === 'page') return rows >= cols * PAGE[0] && rows <= cols * PAGE[1]
  return Math.max(rows, cols) <= Math.min(rows, cols) * LONGEST
}

/** Returns, for rows × (MAX_SIDE + 1) + columns of a layout, the area of the smallest box of the shape that holds it. */
export function boxAreas(shape: Shape): Int32Array {
  const side = MAX_SIDE + 1
  const areas = new Int32Array(side * side).fill(1 << 30)
  for (let rows = MAX_SIDE; rows >= 0; rows--) {
    for (let cols = MAX_SIDE; cols >= 0; cols--) {
      const at = rows * side + cols
      const area = rows > 0 && cols > 0 && hasShape(rows, cols, shape) ? rows * cols : 1 << 30
      areas[at] = Math.min(
        area,
        rows < MAX_SIDE ? areas[at + side]! : 1 << 30,
        cols < MAX_SIDE ? areas[at + 1]! : 1 << 30,
      )
    }
  }
  return areas
}

/**
 * Returns how many rows a layout of so many columns may have in a box of no more than an area, and the other way round.
 */
export function mostSides(
  areas: Int32Array,
  limit: number,
): { rows: Int32Array<ArrayBuffer>; cols: Int32Array<ArrayBuffer> } {
  const most = { rows: new Int32Array(MAX_SIDE + 1), cols: new Int32Array(MAX_SIDE + 1) }
  for (let rows = 1; rows <= MAX_SIDE; rows++) {
    for (let cols = 1; cols <= MAX_SIDE; cols++) {
      if (areas[rows * (MAX_SIDE + 1) + cols]! > limit) continue
      most.cols[rows] = Math.max(most.cols[rows]!, cols)
      most.rows[cols] = Math.max(most.rows[cols]!, rows)
    }
  }
  return most
}
