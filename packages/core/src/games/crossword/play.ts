import { z } from 'zod'
import { gridLetters } from '../../text/graphemes.ts'
import type { ReadingDirection } from '../../text/direction.ts'
import type { Response, Score, Step, When } from '../contract.ts'
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
  z.object({ type: z.literal('finish') }),
])
export type CrosswordMove = z.infer<typeof CrosswordMove>

const POINTS = 10

/** How a play stands. Times are on its own clock; `letters` has one text per cell, row by row. */
export interface CrosswordPlay {
  lastAt: number
  lastSolvedAt: number
  finishedAt: number | null
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
  finished: boolean
}

export function start(puzzle: CrosswordPuzzle): CrosswordPlay {
  const letters = Array.from({ length: puzzle.rows * puzzle.cols }, () => '')
  return {
    lastAt: 0,
    lastSolvedAt: 0,
    finishedAt: null,
    letters,
    given: [],
    wrong: [],
    right: [],
    solved: [],
    hinted: [],
    checks: 0,
    reveals: 0,
  }
}

export function view(puzzle: CrosswordPuzzle, play: CrosswordPlay): CrosswordView {
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
      hasHint: word.hint !== '',
      hint: play.hinted.includes(index) || finished ? word.hint : null,
      solved: play.solved.includes(index),
      answer: finished ? { text: word.text, fact: word.fact } : null,
    })),
    background: puzzle.background,
    finished,
  }
}

export function move(
  puzzle: CrosswordPuzzle,
  play: CrosswordPlay,
  asked: CrosswordMove,
  { clock }: When,
): Step<CrosswordPlay> {
  if (play.finishedAt !== null) return { play, responses: [] }
  const now = Math.max(clock, play.lastAt)
  const solution = solutionOf(puzzle)
  if (asked.type === 'finish') return finish(puzzle, play, now)
  if (asked.type === 'hint') {
    const known =
      asked.word >= puzzle.words.length || play.hinted.includes(asked.word) || puzzle.words[asked.word].hint === ''
    return { play: known ? play : { ...play, hinted: [...play.hinted, asked.word], lastAt: now }, responses: [] }
  }
  if (asked.type === 'write') {
    const letters = [...play.letters]
    for (const { cell, letter } of asked.cells) {
      if (solution.has(cell) && !play.given.includes(cell)) letters[cell] = gridLetters(letter, puzzle.style)[0] ?? ''
    }
    const same = (cell: number): boolean => letters[cell] === play.letters[cell]
    return settle(
      puzzle,
      { ...play, letters, wrong: play.wrong.filter(same), right: play.right.filter(same), lastAt: now },
      now,
    )
  }
  const cells = scopeOf(puzzle, asked.scope, asked.cell, asked.word).filter((cell) => solution.has(cell))
  if (cells.length === 0) return { play, responses: [] }
  if (asked.type === 'check') {
    const filled = cells.filter((cell) => play.letters[cell] !== '' && !play.given.includes(cell))
    const isRight = (cell: number): boolean => solution.get(cell) === play.letters[cell]
    return {
      play: {
        ...play,
        checks: play.checks + 1,
        lastAt: now,
        wrong: joined(
          play.wrong,
          filled.filter((cell) => !isRight(cell)),
        ),
        right: joined(play.right, filled.filter(isRight)),
      },
      responses: [],
    }
  }
  const letters = [...play.letters]
  for (const cell of cells) letters[cell] = solution.get(cell) ?? ''
  const shown = cells.filter((cell) => play.letters[cell] !== solution.get(cell))
  return settle(
    puzzle,
    {
      ...play,
      letters,
      given: joined(play.given, shown),
      wrong: play.wrong.filter((cell) => !cells.includes(cell)),
      reveals: play.reveals + 1,
      lastAt: now,
    },
    now,
  )
}

export function score(puzzle: CrosswordPuzzle, play: CrosswordPlay): Score {
  const earned = play.solved.map((index) => pointsFor(puzzle, play, index))
  return {
    right: earned.filter((points) => points > 0).length,
    total: puzzle.words.length,
    points: earned.reduce((sum, points) => sum + points, 0),
    bonus: 0,
    hints: play.checks + play.reveals + play.hinted.length,
    misses: 0,
    finished: play.finishedAt !== null,
    milliseconds: play.finishedAt ?? play.lastAt,
  }
}

/** Gives the letter of each cell that holds one. */
function solutionOf({ words, cols }: CrosswordPuzzle): Map<number, string> {
  return new Map(
    words.flatMap((word) =>
      cellsOf(word).map(({ row, col }, index): [number, string] => [row * cols + col, word.letters[index]]),
    ),
  )
}

function numbersOf({ cols }: CrosswordPuzzle, word: CrosswordWord): number[] {
  return cellsOf(word).map(({ row, col }) => row * cols + col)
}

function scopeOf(puzzle: CrosswordPuzzle, scope: z.infer<typeof Scope>, cell: number, word: number): number[] {
  if (scope === 'letter') return [cell]
  if (scope === 'word') return word < puzzle.words.length ? numbersOf(puzzle, puzzle.words[word]) : []
  return [...solutionOf(puzzle).keys()]
}

function joined(one: readonly number[], two: readonly number[]): number[] {
  return [...new Set([...one, ...two])]
}

/** A word earns less for each of its letters that was revealed; nothing where all were. */
function pointsFor(puzzle: CrosswordPuzzle, play: CrosswordPlay, index: number): number {
  const cells = numbersOf(puzzle, puzzle.words[index])
  return Math.round((POINTS * cells.filter((cell) => !play.given.includes(cell)).length) / cells.length)
}

/** Counts what was shown for a word: its hint, and its letters. */
function hintsFor(puzzle: CrosswordPuzzle, play: CrosswordPlay, index: number): number {
  return (
    (play.hinted.includes(index) ? 1 : 0) +
    numbersOf(puzzle, puzzle.words[index]).filter((cell) => play.given.includes(cell)).length
  )
}

/** Notes the words that have become right, and the end of the play once all are. */
function settle(puzzle: CrosswordPuzzle, play: CrosswordPlay, now: number): Step<CrosswordPlay> {
  const responses: Response[] = []
  const solved = [...play.solved]
  for (const [index, word] of puzzle.words.entries()) {
    if (
      solved.includes(index) ||
      !numbersOf(puzzle, word).every((cell, place) => play.letters[cell] === word.letters[place])
    )
      continue
    solved.push(index)
    const points = pointsFor(puzzle, play, index)
    responses.push(
      responseOf({
        entryId: word.entryId,
        outcome: points > 0 ? 'right' : 'passed',
        ...(points > 0 ? { given: word.text, detail: { type: 'typed', understood: word.text } } : {}),
        points,
        hints: hintsFor(puzzle, play, index),
        milliseconds: now - play.lastSolvedAt,
        place: play.solved.length + responses.length,
      }),
    )
  }
  const done = puzzle.words.every((word) =>
    numbersOf(puzzle, word).every((cell, place) => play.letters[cell] === word.letters[place]),
  )
  return {
    play: {
      ...play,
      solved,
      lastSolvedAt: responses.length > 0 ? now : play.lastSolvedAt,
      finishedAt: done ? now : null,
    },
    responses,
  }
}

function finish(puzzle: CrosswordPuzzle, play: CrosswordPlay, now: number): Step<CrosswordPlay> {
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
        milliseconds: now - play.lastSolvedAt,
        place: play.solved.length + missed++,
      }),
    ]
  })
  return { play: { ...play, lastAt: now, finishedAt: now }, responses }
}
