import { z } from 'zod'
import { gridLetters } from '../../text/gridLetters.ts'
import type { ReadingDirection } from '../../text/direction.ts'
import type { Response, Sight } from '../contract.ts'
import { Finish, type Course, type PlayLife, type Turned } from '../playing.ts'
import { responseOf } from '../response.ts'
import { revealedFace, shownFace, type ShownFace } from '../shownFace.ts'
import { cellsOf, type CrosswordPuzzle, type CrosswordWord, type WordDirection } from './puzzle.ts'

const CellNumber = z.number().int().min(0).max(9999)
const Scope = z.enum(['letter', 'word', 'all'])

/** What a student can do. Cells are numbered row by row; words as the puzzle orders them. */
export const CrosswordMove = z.discriminatedUnion('type', [
  z.object({
    type: z.literal('write'),
    cells: z.array(z.object({ cell: CellNumber, letter: z.string().max(20) })).max(400),
  }),
  z.object({ type: z.literal('check'), scope: Scope, cell: CellNumber, word: CellNumber }),
  z.object({ type: z.literal('reveal'), scope: Scope, cell: CellNumber, word: CellNumber }),
  z.object({ type: z.literal('hint'), word: CellNumber }),
  Finish,
])
export type CrosswordMove = z.infer<typeof CrosswordMove>

const POINTS = 10

/** How a play stands. Times are on its own clock; `letters` has one text per cell, row by row. */
export interface CrosswordPlay extends PlayLife {
  lastSolvedAt: number
  letters: string[]
  /** Cells that were revealed, those last checked as wrong, and those checked as right. */
  given: number[]
  wrong: number[]
  right: number[]
  solved: number[]
  hinted: number[]
  checks: number
  reveals: number
}

/** A clue as its player may know it. */
export interface CrosswordClue {
  number: number
  dir: WordDirection
  row: number
  col: number
  length: number
  pattern: string
  prompt: ShownFace
  hasHint: boolean
  hint: string | null
  solved: boolean
  /** The answer and the fact behind it, once finished. */
  answer: { text: string; fact: string } | null
}

/** All that a player's screen may know. */
export interface CrosswordView {
  rows: number
  cols: number
  direction: ReadingDirection
  letterCase: 'upper' | 'lower'
  /** Cells that hold a letter. */
  open: boolean[]
  letters: string[]
  marks: ('wrong' | 'right' | 'given' | null)[]
  clues: CrosswordClue[]
  background: string
  /** Whether letters may be checked and shown. */
  canHint: boolean
  finished: boolean
}

type CrosswordCourse = Course<CrosswordPuzzle, CrosswordPlay, CrosswordMove>

const start: CrosswordCourse['start'] = ({ rows, cols }) => ({
  lastSolvedAt: 0,
  letters: Array.from({ length: rows * cols }, () => ''),
  given: [],
  wrong: [],
  right: [],
  solved: [],
  hinted: [],
  checks: 0,
  reveals: 0,
})

export function view(puzzle: CrosswordPuzzle, play: CrosswordPlay, { rules }: Sight): CrosswordView {
  const finished = play.finishedAt !== null
  const solution = solutionOf(puzzle)
  return {
    rows: puzzle.rows,
    cols: puzzle.cols,
    direction: puzzle.direction,
    letterCase: puzzle.style.letterCase,
    open: play.letters.map((_, cell) => solution.has(cell)),
    letters: finished ? play.letters.map((letter, cell) => solution.get(cell) ?? letter) : play.letters,
    marks: play.letters.map((letter, cell) => {
      if (play.given.includes(cell)) return 'given'
      if (finished && solution.has(cell)) return solution.get(cell) === letter ? 'right' : 'wrong'
      return play.wrong.includes(cell) ? 'wrong' : play.right.includes(cell) ? 'right' : null
    }),
    clues: puzzle.words.map((word, index): CrosswordClue => ({
      number: word.number,
      dir: word.dir,
      row: word.row,
      col: word.col,
      length: word.letters.length,
      pattern: word.pattern,
      prompt: (finished ? revealedFace : shownFace)(word.prompt),
      hasHint: rules.hints && word.hint !== '',
      hint: play.hinted.includes(index) || finished ? word.hint : null,
      solved: play.solved.includes(index),
      answer: finished ? { text: word.text, fact: word.fact } : null,
    })),
    background: puzzle.background,
    canHint: rules.hints,
    finished,
  }
}

const move: CrosswordCourse['move'] = (puzzle, play, made, { clock }) => {
  if (made.type === 'hint') {
    const { word } = made
    const isKnown = word >= puzzle.words.length || play.hinted.includes(word) || puzzle.words[word]!.hint === ''
    return { play: isKnown ? play : { ...play, hinted: [...play.hinted, word] } }
  }
  const solution = solutionOf(puzzle)
  if (made.type === 'write') {
    const letters = [...play.letters]
    for (const { cell, letter } of made.cells) {
      if (solution.has(cell) && !play.given.includes(cell)) letters[cell] = gridLetters(letter, puzzle.style)[0] ?? ''
    }
    const same = (cell: number): boolean => letters[cell] === play.letters[cell]
    const written = { ...play, letters, wrong: play.wrong.filter(same), right: play.right.filter(same) }
    return settle(puzzle, written, clock)
  }
  const cells = scopeOf(puzzle, made.scope, made.cell, made.word).filter((cell) => solution.has(cell))
  if (cells.length === 0) return { play }
  return made.type === 'check'
    ? { play: checked(play, solution, cells) }
    : settle(puzzle, revealed(play, solution, cells), clock)
}

function checked(play: CrosswordPlay, solution: ReadonlyMap<number, string>, cells: readonly number[]): CrosswordPlay {
  const filled = cells.filter((cell) => play.letters[cell] !== '' && !play.given.includes(cell))
  const isRight = (cell: number): boolean => solution.get(cell) === play.letters[cell]
  return {
    ...play,
    checks: play.checks + 1,
    wrong: joined(
      play.wrong,
      filled.filter((cell) => !isRight(cell)),
    ),
    right: joined(play.right, filled.filter(isRight)),
  }
}

function revealed(play: CrosswordPlay, solution: ReadonlyMap<number, string>, cells: readonly number[]): CrosswordPlay {
  const letters = [...play.letters]
  for (const cell of cells) letters[cell] = solution.get(cell) ?? ''
  const shown = cells.filter((cell) => play.letters[cell] !== solution.get(cell))
  return {
    ...play,
    letters,
    given: joined(play.given, shown),
    wrong: play.wrong.filter((cell) => !cells.includes(cell)),
    reveals: play.reveals + 1,
  }
}

const score: CrosswordCourse['score'] = (puzzle, play) => {
  const earned = play.solved.map((index) => pointsFor(puzzle, play, index))
  return {
    right: earned.filter((points) => points > 0).length,
    total: puzzle.words.length,
    points: earned.reduce((sum, points) => sum + points, 0),
    hints: play.checks + play.reveals + play.hinted.length,
  }
}

const doing: CrosswordCourse['doing'] = ({ words }, { solved }) => ({
  code: 'words',
  values: { solved: solved.length, of: words.length },
})

/** Returns the letter of each cell that holds one. */
function solutionOf({ words, cols }: CrosswordPuzzle): Map<number, string> {
  return new Map(
    words.flatMap((word) =>
      cellsOf(word).map(({ row, col }, index): [number, string] => [row * cols + col, word.letters[index]!]),
    ),
  )
}

function numbersOf({ cols }: CrosswordPuzzle, word: CrosswordWord): number[] {
  return cellsOf(word).map(({ row, col }) => row * cols + col)
}

function scopeOf(puzzle: CrosswordPuzzle, scope: z.infer<typeof Scope>, cell: number, word: number): number[] {
  if (scope === 'letter') return [cell]
  if (scope === 'word') return word < puzzle.words.length ? numbersOf(puzzle, puzzle.words[word]!) : []
  return [...solutionOf(puzzle).keys()]
}

function joined(one: readonly number[], two: readonly number[]): number[] {
  return [...new Set([...one, ...two])]
}

/** A word earns less for each of its letters that was revealed; nothing where all were. */
function pointsFor(puzzle: CrosswordPuzzle, play: CrosswordPlay, index: number): number {
  const cells = numbersOf(puzzle, puzzle.words[index]!)
  return Math.round((POINTS * cells.filter((cell) => !play.given.includes(cell)).length) / cells.length)
}

/** Counts what was shown for a word: its hint, and its letters. */
function hintsFor(puzzle: CrosswordPuzzle, play: CrosswordPlay, index: number): number {
  return (
    (play.hinted.includes(index) ? 1 : 0) +
    numbersOf(puzzle, puzzle.words[index]!).filter((cell) => play.given.includes(cell)).length
  )
}

/** Notes the words that have become right, and the end of the play once all are. */
function settle(puzzle: CrosswordPuzzle, play: CrosswordPlay, clock: number): Turned<CrosswordPlay> {
  const isFilled = (word: CrosswordWord): boolean =>
    numbersOf(puzzle, word).every((cell, place) => play.letters[cell] === word.letters[place])
  const fresh = [...puzzle.words.keys()].filter(
    (index) => !play.solved.includes(index) && isFilled(puzzle.words[index]!),
  )
  const responses = fresh.map((index, place) => {
    const { entryId, text } = puzzle.words[index]!
    const points = pointsFor(puzzle, play, index)
    return responseOf({
      entryId,
      outcome: points > 0 ? 'right' : 'passed',
      ...(points > 0 ? { given: text, detail: { type: 'typed', understood: text } } : {}),
      points,
      hints: hintsFor(puzzle, play, index),
      milliseconds: clock - play.lastSolvedAt,
      place: play.solved.length + place,
    })
  })
  return {
    play: {
      ...play,
      solved: [...play.solved, ...fresh],
      lastSolvedAt: responses.length > 0 ? clock : play.lastSolvedAt,
    },
    responses,
    isOver: puzzle.words.every(isFilled),
  }
}

const finish: CrosswordCourse['finish'] = (puzzle, play, { clock }) => {
  let missed = 0
  // A word that was filled in is a wrong answer; one that was not is not reached.
  const responses = puzzle.words.flatMap((word, index): Response[] => {
    const letters = numbersOf(puzzle, word).map((cell) => play.letters[cell])
    if (play.solved.includes(index) || letters.includes('')) return []
    const given = letters.join('')
    return [
      responseOf({
        entryId: word.entryId,
        outcome: 'wrong',
        given,
        detail: { type: 'typed', understood: given },
        hints: hintsFor(puzzle, play, index),
        milliseconds: clock - play.lastSolvedAt,
        place: play.solved.length + missed++,
      }),
    ]
  })
  return { play, responses }
}

export const course: CrosswordCourse = { hints: ['check', 'reveal', 'hint'], start, move, finish, score, doing }
