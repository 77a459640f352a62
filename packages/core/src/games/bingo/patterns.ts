import type { BingoPattern } from './options.ts'

/** Squares of a card, as the places of those that hold a term; a free square is in no line's way. */
export interface PatternLines {
  /** Places that must be called together. */
  lines: number[][]
  /** How many of the lines must be complete. */
  needed: number
  /** Squares with a term. */
  squares: number
}

/** Returns where the free square is; −1 where there is none. */
export function freePlace(size: number, free: boolean): number {
  return free && size % 2 === 1 ? (size * size - 1) / 2 : -1
}

/** Returns the lines of a pattern; a place is row × size + column. */
export function patternLines(pattern: BingoPattern, size: number, free: boolean): PatternLines {
  const middle = freePlace(size, free)
  const all = Array.from({ length: size * size }, (_, place) => place)
  const side = Array.from({ length: size }, (_, index) => index)
  const rows = side.map((row) => side.map((col) => row * size + col))
  const cols = side.map((col) => side.map((row) => row * size + col))
  const diagonals = [side.map((index) => index * size + index), side.map((index) => index * size + size - 1 - index)]
  const shapes =
    pattern === 'corners'
      ? [[0, size - 1, size * (size - 1), size * size - 1]]
      : pattern === 'full'
        ? [all]
        : [...rows, ...cols, ...diagonals]
  return {
    lines: shapes.map((line) => line.filter((place) => place !== middle)),
    needed: pattern === 'two-lines' ? 2 : 1,
    squares: size * size - (middle >= 0 ? 1 : 0),
  }
}

/**
 * Returns the call at which a card wins: the call at which the lines it needs are complete. `callOf` tells at which call
 * a place was called.
 */
export function winningCall({ lines, needed }: PatternLines, callOf: (place: number) => number): number {
  let best = Infinity
  let second = Infinity
  for (const line of lines) {
    let last = 0
    for (const place of line) last = Math.max(last, callOf(place))
    if (last < best) {
      second = best
      best = last
    } else if (last < second) second = last
  }
  return needed === 2 ? second : best
}
