import { DIRECTIONS } from '../../grid/directions.ts'
import { MAX_SIDE } from '../../grid/letterGrid.ts'
import type { EntryList } from '../../list/entry.ts'
import type { Random } from '../../random/random.ts'
import { directionOf } from '../../text/direction.ts'
import { gridLetters } from '../../text/gridLetters.ts'
import { PuzzleError } from '../contract.ts'
import { puzzleAlphabet, type PuzzleAlphabet } from './alphabet.ts'
import { fillFromWords } from './fill.ts'
import { layAroundMessage } from './message.ts'
import type { Job } from './job.ts'
import type { WordSearchOptions } from './options.ts'
import { lettersLeft, newBoard, repack, scatter, type Board } from './pack.ts'
import type { PlacedWord, UnplacedWord, WordSearchPuzzle } from './puzzle.ts'
import { area, automaticSide, shapesFor, type Shape } from './size.ts'
import { prepareWords, type PreparedWords, type Word } from './words.ts'

/** Loose passes before words are packed. */
const PASSES = 8
/** Work to pack a grid of given size: about a tenth of a second. */
const PACK_WORK = 3_000_000
/** Work to find the smallest grid: about half a second on one core of 2024. */
const SMALLEST_WORK = 13_000_000
/** Fresh starts where filler letters can't avoid spelling something. */
const FILL_ATTEMPTS = 20

/**
 * Makes a word search; see the contract. Throws a PuzzleError where no word can be hidden or a message does not fit.
 */
export function make(list: EntryList, options: WordSearchOptions, random: Random): WordSearchPuzzle {
  const prepared = prepareWords(list, options)
  if (prepared.roots.length === 0) {
    throw new PuzzleError({ code: 'no-words', entryIds: prepared.unplaced.map(({ entryId }) => entryId), values: {} })
  }
  const style = {
    letterCase: options.early ? ('lower' as const) : options.letterCase,
    accents: options.accents,
    language: list.answerLanguage || undefined,
  }
  const message = gridLetters(options.message, style)
  const words = [...prepared.roots, ...prepared.inner]
  const alphabet = puzzleAlphabet(words, message, style)
  const job: Job = {
    options,
    alphabet,
    words: prepared.roots.map((word) => word.letters.map((letter) => alphabet.numbers.get(letter) ?? 0)),
    letters: prepared.roots.reduce((sum, word) => sum + word.letters.length, 0),
    longest: Math.max(...prepared.roots.map((word) => word.letters.length)),
  }
  const board = message.length > 0 ? layAroundMessage(job, message, random) : layAndFill(job, random)
  return {
    ...result(board, prepared, alphabet),
    direction: directionOf(words.map(({ text }) => text).join('')),
    directions: options.directions,
    show: options.show,
    message: options.message.trim(),
  }
}

function layAndFill(job: Job, random: Random): Board {
  for (let attempt = 0; ; attempt++) {
    const board = layWords(job, random)
    if (fillFromWords(board.grid, job.alphabet, random)) return board
    if (attempt === FILL_ATTEMPTS) throw new PuzzleError({ code: 'filler-spells', entryIds: [], values: {} })
  }
}

function layWords(job: Job, random: Random): Board {
  if (job.options.size === 'smallest') return laySmallest(job, random)
  if (job.options.size === 'chosen') return layChosen(job, [job.options.rows, job.options.cols], random)
  for (let side = automaticSide(job.letters, job.longest); ; side++) {
    const board = layChosen(job, [side, side], random)
    if (lettersLeft(board) === 0 || side >= MAX_SIDE) return board
  }
}

/** Loose passes first; if none holds all words, the best one is packed. */
function layChosen(job: Job, shape: Shape, random: Random): Board {
  let best: Board | undefined
  for (let pass = 0; pass < PASSES; pass++) {
    const board = newBoard(job, shape)
    if (scatter(board, random)) return board
    if (!best || lettersLeft(board) < lettersLeft(best)) best = board
  }
  const board = best ?? newBoard(job, shape)
  repack(board, lettersLeft, PACK_WORK, random)
  return board
}

/** Of the area that the last success had: the next one tried. */
const SHRINK = 0.985
/** The first area tried, in letters. */
const FIRST_AREA = 1.1

/** Tries smaller and smaller grids until the work is used up. */
function laySmallest(job: Job, random: Random): Board {
  const shapes = shapesFor(job.longest)
  let target = Math.max(job.letters * FIRST_AREA, job.longest * 2)
  let best: Board | undefined
  for (let left = SMALLEST_WORK; left > 0;) {
    const shape = shapes.find((candidate) => area(candidate) <= target)
    if (!shape) break
    const board = newBoard(job, shape)
    const complete = repack(board, lettersLeft, best ? left : left / 4, random)
    left -= board.grid.work
    if (complete) best = board
    else if (best) break
    target = complete ? area(shape) * SHRINK : area(shape) * 1.3
  }
  return (
    best ?? layChosen(job, [automaticSide(job.letters, job.longest), automaticSide(job.letters, job.longest)], random)
  )
}

function result(
  { grid, pieces }: Board,
  prepared: PreparedWords,
  { letters }: PuzzleAlphabet,
): Pick<WordSearchPuzzle, 'rows' | 'words' | 'unplaced'> {
  const rows = Array.from({ length: grid.rows }, (_, row) =>
    Array.from({ length: grid.cols }, (_, col) => letters[grid.cells[row * grid.cols + col]!]!),
  )
  const words: PlacedWord[] = []
  const unplaced: UnplacedWord[] = [...prepared.unplaced]
  const placedRoots = new Map<string, PlacedWord>()
  const leave = ({ entryId, text }: Word): void => {
    unplaced.push({ entryId, text, why: 'no-room', others: [] })
  }
  // Pieces were sorted by length with a stable sort, and roots come in that order.
  prepared.roots.forEach((word, index) => {
    const { at } = pieces[index]!
    if (!at) return leave(word)
    const { dRow, dCol } = DIRECTIONS[at.direction]!
    const placed = { ...shown(word), row: at.row, col: at.col, dRow, dCol }
    placedRoots.set(word.entryId, placed)
    words.push(placed)
  })
  for (const word of prepared.inner) {
    const host = placedRoots.get(word.host.entryId)
    if (!host) {
      leave(word)
      continue
    }
    const first = word.backwards ? word.offset + word.letters.length - 1 : word.offset
    const sign = word.backwards ? -1 : 1
    words.push({
      ...shown(word),
      row: host.row + host.dRow * first,
      col: host.col + host.dCol * first,
      dRow: host.dRow * sign,
      dCol: host.dCol * sign,
    })
  }
  return { rows, words, unplaced }
}

function shown({ entryId, text, prompt, letters }: Word): Pick<PlacedWord, 'entryId' | 'text' | 'prompt' | 'length'> {
  return { entryId, text, prompt, length: letters.length }
}
