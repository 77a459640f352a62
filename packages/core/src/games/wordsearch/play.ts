import { z } from 'zod'
import { isEmptyFace } from '../../list/face.ts'
import type { ReadingDirection } from '../../text/direction.ts'
import type { Sight } from '../contract.ts'
import { Finish, type Course, type PlayLife } from '../playing.ts'
import { responseOf } from '../response.ts'
import { shownFace, type ShownFace } from '../shownFace.ts'
import type { PlacedWord, WordSearchPuzzle } from './puzzle.ts'

const Cell = z.object({ row: z.number().int().min(0).max(99), col: z.number().int().min(0).max(99) })
type Cell = z.infer<typeof Cell>

/** What a student can do: mark a line from one cell to another, ask where a word begins, or stop. */
export const WordSearchMove = z.discriminatedUnion('type', [
  z.object({ type: z.literal('mark'), from: Cell, to: Cell }),
  z.object({ type: z.literal('hint'), item: z.number().int().min(0).max(999) }),
  Finish,
])
export type WordSearchMove = z.infer<typeof WordSearchMove>

/** Points for a word, and what is left of them after a hint. */
const POINTS = 10
const POINTS_AFTER_HINT = 5

/** How a play stands. Times are on its own clock. */
export interface WordSearchPlay extends PlayLife {
  lastFoundAt: number
  /** Numbers of the found words, in the order found. */
  found: number[]
  /** Numbers of the words whose first letter was shown. */
  hinted: number[]
  /** Lines marked that were no word. */
  misses: number
  /** The last line marked: whether it was a word, or one found before. */
  lastMark: 'none' | 'found' | 'again' | 'miss'
}

/** A word of the puzzle as its player may know it. */
export interface WordSearchItem {
  /** The word or the clue to find it by. */
  face: ShownFace
  /** Letters to find. */
  length: number
  /** Where it lies, once found or given up; with the word itself. */
  found: { text: string; row: number; col: number; dRow: number; dCol: number; given: boolean } | null
  /** Where it begins, once asked. */
  hint: Cell | null
}

/** All that a player's screen may know. */
export interface WordSearchView {
  rows: string[][]
  direction: ReadingDirection
  show: 'words' | 'clues'
  items: WordSearchItem[]
  misses: number
  lastMark: WordSearchPlay['lastMark']
  /** Whether it may be asked where a word begins. */
  canHint: boolean
  finished: boolean
  /** The text in the spare letters, once finished. */
  message: string | null
}

type WordSearchCourse = Course<WordSearchPuzzle, WordSearchPlay, WordSearchMove>

const start: WordSearchCourse['start'] = () => ({ lastFoundAt: 0, found: [], hinted: [], misses: 0, lastMark: 'none' })

export function view(puzzle: WordSearchPuzzle, play: WordSearchPlay, { rules }: Sight): WordSearchView {
  const finished = play.finishedAt !== null
  return {
    rows: puzzle.rows,
    direction: puzzle.direction,
    show: puzzle.show,
    items: puzzle.words.map((word, index) => {
      const found = play.found.includes(index)
      const { text, row, col, dRow, dCol } = word
      return {
        face: faceOf(word, puzzle.show),
        length: word.length,
        found: found || finished ? { text, row, col, dRow, dCol, given: !found } : null,
        hint: play.hinted.includes(index) ? { row, col } : null,
      }
    }),
    misses: play.misses,
    lastMark: play.lastMark,
    canHint: rules.hints,
    finished,
    message: finished && puzzle.message !== '' ? puzzle.message : null,
  }
}

/** A word without a prompt is its own clue: better shown than impossible. */
function faceOf({ text, prompt }: PlacedWord, show: 'words' | 'clues'): ShownFace {
  return show === 'clues' && !isEmptyFace(prompt) ? shownFace(prompt) : { text, picture: null, sound: null }
}

const move: WordSearchCourse['move'] = (puzzle, play, made, { clock }) => {
  if (made.type === 'hint') {
    const { item } = made
    const isKnown = item >= puzzle.words.length || play.hinted.includes(item) || play.found.includes(item)
    return { play: isKnown ? play : { ...play, hinted: [...play.hinted, item], lastMark: 'none' } }
  }
  const index = markedWord(puzzle, play, made.from, made.to)
  if (index === undefined) return { play: { ...play, misses: play.misses + 1, lastMark: 'miss' } }
  if (play.found.includes(index)) return { play: { ...play, lastMark: 'again' } }
  const found = [...play.found, index]
  const word = puzzle.words[index]!
  return {
    play: { ...play, found, lastFoundAt: clock, lastMark: 'found' },
    responses: [
      responseOf({
        entryId: word.entryId,
        outcome: 'right',
        given: word.text,
        detail: { type: 'entry', entryId: word.entryId },
        points: pointsFor(play, index),
        hints: play.hinted.includes(index) ? 1 : 0,
        milliseconds: clock - play.lastFoundAt,
        place: play.found.length,
      }),
    ],
    isOver: found.length === puzzle.words.length,
  }
}

const finish: WordSearchCourse['finish'] = (_puzzle, play) => ({ play: { ...play, lastMark: 'none' } })

const score: WordSearchCourse['score'] = ({ words }, play) => ({
  right: play.found.length,
  total: words.length,
  points: play.found.reduce((sum, index) => sum + pointsFor(play, index), 0),
  hints: play.hinted.length,
  misses: play.misses,
})

const doing: WordSearchCourse['doing'] = ({ words }, { found }) => ({
  code: 'words',
  values: { found: found.length, of: words.length },
})

export const course: WordSearchCourse = { hints: ['hint'], start, move, finish, score, doing }

/** The word that lies between two cells; of two that share them, the one read from the first, not found before. */
function markedWord(puzzle: WordSearchPuzzle, play: WordSearchPlay, from: Cell, to: Cell): number | undefined {
  const matches = puzzle.words.flatMap(({ row, col, dRow, dCol, length }, index) => {
    const lastRow = row + dRow * (length - 1)
    const lastCol = col + dCol * (length - 1)
    if (row === from.row && col === from.col && lastRow === to.row && lastCol === to.col) return [{ index, rank: 0 }]
    if (row === to.row && col === to.col && lastRow === from.row && lastCol === from.col) return [{ index, rank: 1 }]
    return []
  })
  const rank = (match: { index: number; rank: number }): number =>
    match.rank + (play.found.includes(match.index) ? 2 : 0)
  return matches.sort((one, other) => rank(one) - rank(other))[0]?.index
}

function pointsFor(play: WordSearchPlay, index: number): number {
  return play.hinted.includes(index) ? POINTS_AFTER_HINT : POINTS
}
