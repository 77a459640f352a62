import { MAX_SIDE, type LetterGrid, type Position } from '../../grid/letterGrid.ts'
import type { Random } from '../../random/random.ts'
import { PuzzleError } from '../contract.ts'
import type { Job } from './job.ts'
import {
  layDownFrom,
  lettersLeft,
  lift,
  nearest,
  newBoard,
  repack,
  type Board,
  type Cost,
  type Lay,
  type Piece,
} from './pack.ts'
import { area, shapesFor, type Shape } from './size.ts'

/** Boards tried for one shape; each ends when it is out of work, or the message spelled something too often. */
const BOARDS = 12
const BOARD_WORK = 800_000
/** Moves to mend what the message spells on one board. */
const MOVES = 400
/** Words around a letter that spelled something: one to three of them are moved at a time. */
const NEIGHBOURS = 12
/** How often the first word moved is laid over the letter that spelled something. */
const COVERING = 0.3
/** How often a word takes all the overlap it may: late words can't make up for what early ones left. */
const EAGER = 0.85
/** Shapes tried where the size is not chosen. */
const SHAPES = 6
/** Of all letters: how many an easy board lets overlap. */
const EASY_OVERLAP = 0.06

/**
 * Lays all words so that exactly as many cells stay empty as the message has letters, and writes it there in reading
 * order. Throws a PuzzleError that names the lengths that fit.
 */
export function layAroundMessage(job: Job, message: readonly string[], random: Random): Board {
  const numbers = message.map((letter) => job.alphabet.numbers.get(letter) ?? 0)
  const shapes =
    job.options.size === 'chosen' ? [[job.options.rows, job.options.cols] as const] : shapesAround(job, message.length)
  for (const shape of shapes) {
    const overlap = message.length - (area(shape) - job.letters)
    if (overlap < 0) continue
    for (let attempt = 0; attempt < BOARDS; attempt++) {
      const board = newBoard(job, shape)
      if (layAndWrite(board, numbers, random)) return board
    }
  }
  throw new PuzzleError({
    code: 'message-length',
    entryIds: [],
    values: { length: message.length, ...lengthsThatFit(job, shapes[0]) },
  })
}

/** Shapes whose spare cells the message fills when a few letters overlap, easiest first. */
function shapesAround(job: Job, length: number): Shape[] {
  const wanted = job.letters + length - job.letters * EASY_OVERLAP
  return shapesFor(job.longest)
    .filter((shape) => area(shape) <= job.letters + length && shape[0] * 2 >= shape[1])
    .sort((one, other) => Math.abs(area(one) - wanted) - Math.abs(area(other) - wanted))
    .slice(0, SHAPES)
}

/** Returns the lengths of which one surely fits: from every cell that no word needs, to a fifth more. */
export function lengthsThatFit(job: Pick<Job, 'letters'>, shape: Shape | undefined): { least: number; most: number } {
  if (!shape) return { least: 1, most: MAX_SIDE * MAX_SIDE - job.letters }
  const least = Math.max(1, area(shape) - job.letters)
  return { least, most: Math.max(least, Math.floor(least * 1.2)) }
}

/**
 * Lays all words with exactly so much overlap that the message has a cell for each letter, then mends what it spells.
 */
function layAndWrite(board: Board, message: readonly number[], random: Random): boolean {
  const { grid, pieces } = board
  const cost: Cost = () => lettersLeft(board) * 2 + Math.abs(message.length - grid.spare())
  const lay: Lay = (_, piece, __, source) => {
    const room = message.length - grid.spare() + lettersLeft(board)
    const best = grid.search(piece.spelled, piece.directions)
    if (best === piece.spelled.length) return best <= room && layDownFrom(grid, piece, best, best, source)
    const share = Math.ceil((2 * room) / pieces.filter(({ at }) => !at).length)
    const top = Math.max(0, Math.min(best, room, share))
    return layDownFrom(grid, piece, source.next() < EAGER ? top : source.below(top + 1), 0, source)
  }
  return repack(board, cost, BOARD_WORK, random, lay) && settle(board, message, random)
}

/**
 * Writes the message and, while some of its letters spell a word or a blocked word, moves words near them a little, and
 * keeps what spells no more than before. Tells whether nothing is spelled in the end; then the message is in the grid.
 */
function settle(board: Board, message: readonly number[], random: Random): boolean {
  const { grid } = board
  let written = write(grid, message)
  for (let move = 0; written.spelling.length > 0; move++) {
    if (move === MOVES) return false
    const cell = written.spelling[random.below(written.spelling.length)]!
    erase(grid, written)
    const near = nearest(board.pieces, Math.floor(cell / grid.cols), cell % grid.cols).slice(0, NEIGHBOURS)
    const moved = random.shuffled(near).slice(0, 1 + random.below(3))
    const before = moved.map(({ at }) => at)
    for (const piece of moved) lift(grid, piece)
    const next =
      moved.every((piece, index) =>
        layNear(
          board,
          piece,
          before[index],
          index === 0 && random.next() < COVERING ? cell : -1,
          message.length,
          random,
        ),
      ) && grid.spare() === message.length
        ? write(grid, message)
        : undefined
    if (next && next.spelling.length <= written.spelling.length) {
      written = next
      continue
    }
    if (next) erase(grid, next)
    for (const piece of moved) lift(grid, piece)
    moved.forEach((piece, index) => {
      const position = before[index]
      if (position) grid.lay(piece.spelled, position)
      piece.at = position
    })
    written = write(grid, message)
  }
  return true
}

/** Most starts looked at to find one near the old place. */
const SAMPLES = 8

/**
 * Lays a lifted piece near where it was, over a given cell where there is one (-1: none); the last piece with just the
 * overlap that leaves the message its cells.
 */
function layNear(
  { grid, pieces }: Board,
  piece: Piece,
  before: Position | undefined,
  cover: number,
  wanted: number,
  random: Random,
): boolean {
  const left = pieces.reduce((sum, { at, spelled }) => sum + (at ? 0 : spelled.length), 0)
  const room = wanted - grid.spare() + left
  const best = grid.search(piece.spelled, piece.directions)
  const last = left === piece.spelled.length
  const overlap =
    best === piece.spelled.length ? best : last ? room : random.below(Math.max(0, Math.min(best, room)) + 1)
  if (overlap < 0 || overlap > Math.min(best, room)) return false
  const starts =
    cover < 0
      ? sampledStarts(grid, piece, overlap, random)
      : grid.startsCovering(cover, piece.spelled.length, overlap, piece.directions)
  if (starts.length === 0) return false
  const distance = (position: Position): number =>
    before ? Math.abs(position.row - before.row) * 4 + Math.abs(position.col - before.col) : 0
  const position =
    cover < 0
      ? starts.reduce((one, other) => (distance(other) < distance(one) ? other : one))
      : starts[random.below(starts.length)]!
  if (!grid.tryLay(piece.spelled, position)) return false
  piece.at = position
  return true
}

function sampledStarts(grid: LetterGrid, { directions }: Piece, overlap: number, random: Random): Position[] {
  const count = grid.countStarts(overlap, directions)
  if (count === 0) return []
  return Array.from({ length: 1 + random.below(SAMPLES) }, () =>
    grid.nthStart(random.below(count), overlap, directions),
  )
}

/** Cells (row by row) that hold the message, and those of them where something is spelled. */
interface Written {
  cells: number[]
  spelling: number[]
}

function write(grid: LetterGrid, message: readonly number[]): Written {
  const cells: number[] = []
  grid.cells.forEach((letter, cell) => {
    if (letter < 0) cells.push(cell)
  })
  cells.forEach((cell, index) => grid.put(cell, message[index]!))
  return { cells, spelling: grid.spellingSingles() }
}

function erase(grid: LetterGrid, { cells }: Written): void {
  for (const cell of cells) grid.take(cell)
}
