import { DIRECTIONS } from '../../grid/directions.ts'
import { LetterGrid, type Position } from '../../grid/letterGrid.ts'
import type { Random } from '../../random/random.ts'
import type { Job } from './job.ts'
import type { Shape } from './size.ts'

/** A word as letter numbers, and where it lies. */
export interface Piece {
  spelled: number[]
  /** Numbers of DIRECTIONS it may run in; for a palindrome only the forward ones, since backwards is the same. */
  directions: number[]
  at: Position | undefined
}

/** A grid and the words to lay in it, longest first. */
export interface Board {
  grid: LetterGrid
  pieces: Piece[]
}

/** Most starts tried for one word before it is left out of a pass. */
const STARTS_TRIED = 24

/** Returns an empty board of a shape for a job's words. */
export function newBoard({ alphabet, options, words }: Job, [rows, cols]: Shape): Board {
  const all = DIRECTIONS.map((_, index) => index).slice(0, options.directions)
  const pieces = words.map((spelled) => {
    const palindrome = spelled.every((letter, index) => letter === spelled[spelled.length - 1 - index])
    return { spelled, directions: palindrome ? all.slice(0, 4) : all, at: undefined }
  })
  pieces.sort((one, other) => other.spelled.length - one.spelled.length)
  return { grid: new LetterGrid(rows, cols, alphabet.trie, alphabet.blocked), pieces }
}

/** How many letters are in words that have no place yet. */
export function lettersLeft(board: Board): number {
  return board.pieces.reduce((sum, piece) => sum + (piece.at ? 0 : piece.spelled.length), 0)
}

/**
 * Lays all words once, longest first, each in a random direction at a random legal start: a loose grid whose words run
 * every way alike. Tells whether all found a place.
 */
export function scatter({ grid, pieces }: Board, random: Random): boolean {
  let complete = true
  for (const piece of pieces) {
    grid.search(piece.spelled, piece.directions)
    for (const direction of random.shuffled(piece.directions)) {
      if (layAmong(grid, piece, -1, [direction], random)) break
    }
    complete &&= piece.at !== undefined
  }
  return complete
}

/** Lays a piece at a random start of the last search with the given overlap (-1: any). */
function layAmong(
  grid: LetterGrid,
  piece: Piece,
  overlap: number,
  directions: readonly number[],
  random: Random,
): boolean {
  let left = grid.countStarts(overlap, directions)
  for (let tried = 0; left > 0 && tried < STARTS_TRIED; tried++, left--) {
    const position = grid.nthStart(random.below(left), overlap, directions)
    if (grid.tryLay(piece.spelled, position)) {
      piece.at = position
      return true
    }
    grid.strike(position)
  }
  return false
}

/**
 * Lays a piece after a `search` at a random start of the highest overlap that works, going down from one to another.
 */
export function layDownFrom(grid: LetterGrid, piece: Piece, from: number, least: number, random: Random): boolean {
  for (let overlap = from; overlap >= least; overlap--) {
    if (layAmong(grid, piece, overlap, piece.directions, random)) return true
  }
  return false
}

/** How a search lays one piece; tells whether it did. `varied` is the chance to take a less obvious place. */
export type Lay = (grid: LetterGrid, piece: Piece, varied: number, random: Random) => boolean

/** Lays a piece where it overlaps most. */
const layTight: Lay = (grid, piece, varied, random) => {
  const best = grid.search(piece.spelled, piece.directions)
  // A word that its neighbours spell already must lie there, or it would be in the grid twice.
  if (best === piece.spelled.length) return layDownFrom(grid, piece, best, best, random)
  return layDownFrom(grid, piece, best > 0 && random.next() < varied ? best - 1 : best, 0, random)
}

/** Lifts a piece from its place, if it has one. */
export function lift(grid: LetterGrid, piece: Piece): void {
  if (piece.at) grid.lift(piece.spelled, piece.at)
  piece.at = undefined
}

/** What a search asks of a board: the less the better, 0 is done. */
export type Cost = (board: Board) => number

/** The largest share of words lifted at once, and the least. */
const MOST_LIFTED = 0.3
const LEAST_LIFTED = 0.02

/**
 * Improves a board by large neighbourhood search (Shaw 1998): lifts some words and lays them again where they overlap
 * most, keeps what is no worse, until the cost is 0 or the work is used up. Every undone step puts letters back without
 * asking again what they spell. Tells whether the cost reached 0.
 */
export function repack(board: Board, cost: Cost, workLimit: number, random: Random, lay: Lay = layTight): boolean {
  const { grid, pieces } = board
  const end = grid.work + workLimit
  for (const piece of pieces) if (!piece.at) lay(grid, piece, 0, random)
  let current = cost(board)
  while (current > 0 && grid.work < end) {
    const share = LEAST_LIFTED + (MOST_LIFTED - LEAST_LIFTED) * random.next() ** 2
    const count = Math.max(1, Math.round(pieces.length * share))
    const lifted = chooseLifted(board, count, random)
    const before = lifted.map((piece) => piece.at)
    for (const piece of lifted) lift(grid, piece)
    const order = lifted
      .map((piece) => ({ piece, rank: piece.spelled.length + random.next() * 3 }))
      .sort((one, other) => other.rank - one.rank)
    for (const { piece } of order) lay(grid, piece, 0.1, random)
    grid.work += pieces.length * 20
    const next = cost(board)
    if (next <= current || random.next() < 0.02) current = next
    else {
      for (const piece of lifted) lift(grid, piece)
      lifted.forEach((piece, index) => {
        const position = before[index]
        if (position) grid.lay(piece.spelled, position)
        piece.at = position
      })
    }
  }
  return current === 0
}

/** All words without a place, and others: at random, or those around one random cell. */
function chooseLifted({ grid, pieces }: Board, count: number, random: Random): Piece[] {
  const lifted = pieces.filter((piece) => !piece.at)
  const laid = random.shuffled(pieces.filter((piece) => piece.at))
  if (random.next() < 0.5) return lifted.concat(laid.slice(0, count))
  return lifted.concat(nearest(laid, random.below(grid.rows), random.below(grid.cols)).slice(0, count))
}

/** Orders pieces by how near their middles are to a cell. */
export function nearest(pieces: readonly Piece[], row: number, col: number): Piece[] {
  return pieces
    .map((piece) => ({ piece, distance: distanceTo(piece, row, col) }))
    .sort((one, other) => one.distance - other.distance)
    .map(({ piece }) => piece)
}

function distanceTo({ at, spelled }: Piece, row: number, col: number): number {
  if (!at) return 0
  const { dRow, dCol } = DIRECTIONS[at.direction]!
  const middle = (spelled.length - 1) / 2
  return Math.abs(at.row + dRow * middle - row) + Math.abs(at.col + dCol * middle - col)
}
