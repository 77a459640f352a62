import { z } from 'zod'
import type { Random } from '../../random/random.ts'
import type { ReadingDirection } from '../../text/direction.ts'
import type { Response, Score, Step } from '../contract.ts'
import { shownFace, type ShownFace } from '../shownFace.ts'
import { checkClaim } from './claim.ts'
import type { BingoCard, BingoPuzzle } from './puzzle.ts'

/** What a student can do: mark a square or take the mark off, hear the next call, claim a bingo; or stop. */
export const BingoMove = z.discriminatedUnion('type', [
  z.object({ type: z.literal('mark'), place: z.number().int().min(0).max(24) }),
  z.object({ type: z.literal('next') }),
  z.object({ type: z.literal('claim') }),
  z.object({ type: z.literal('finish') }),
])
export type BingoMove = z.infer<typeof BingoMove>

const POINTS = 10
const BINGO_POINTS = 20

/** How a play stands. Times are milliseconds since 1970. */
export interface BingoPlay {
  startedAt: number
  lastAt: number
  callAt: number
  finishedAt: number | null
  card: number
  /** Calls made on this device; 0 where the teacher calls. */
  called: number
  marked: number[]
  /** Terms that were answered for: marked rightly, wrongly, or let pass. */
  right: number[]
  wrong: number[]
  bingo: boolean
  lastMark: 'none' | 'right' | 'wrong' | 'not-yet'
}

/** All that a player's screen may know. */
export interface BingoView {
  cardNumber: number
  size: number
  direction: ReadingDirection
  pattern: BingoPuzzle['pattern']
  calling: 'device' | 'teacher'
  /** Squares row by row; null for the free one. */
  squares: (ShownFace | null)[]
  marked: number[]
  /** The call, and how many there have been; null where the teacher calls. */
  call: { number: number; total: number; prompt: ShownFace } | null
  /** Squares of the bingo. */
  won: number[]
  lastMark: BingoPlay['lastMark']
  finished: boolean
}

/** Gives each player a card of its own, as long as there are enough. */
export function start(puzzle: BingoPuzzle, random: Random, at: number): BingoPlay {
  const play: BingoPlay = { startedAt: at, lastAt: at, callAt: at, finishedAt: null, card: random.below(puzzle.cards.length), called: puzzle.calling === 'device' ? 1 : 0, marked: [], right: [], wrong: [], bingo: false, lastMark: 'none' }
  return puzzle.marking === 'helped' && puzzle.calling === 'device' ? helped(puzzle, play) : play
}

export function view(puzzle: BingoPuzzle, play: BingoPlay): BingoView {
  const card = puzzle.cards[play.card]
  const term = puzzle.terms[puzzle.calls[play.called - 1]]
  const claim = play.bingo ? checkClaim(puzzle, card.number, play.called) : undefined
  return {
    cardNumber: card.number, size: puzzle.size, direction: puzzle.direction, pattern: puzzle.pattern, calling: puzzle.calling,
    squares: card.cells.map((own) => (own === null ? null : shownFace(puzzle.terms[own].answer, ''))),
    marked: play.marked,
    call: puzzle.calling === 'device' && term ? { number: play.called, total: puzzle.calls.length, prompt: shownFace(term.prompt, term.text) } : null,
    won: claim?.won ? claim.places : [],
    lastMark: play.lastMark,
    finished: play.finishedAt !== null,
  }
}

export function move(puzzle: BingoPuzzle, play: BingoPlay, asked: BingoMove, at: number): Step<BingoPlay> {
  if (play.finishedAt !== null) return { play, responses: [] }
  const now = Math.max(at, play.lastAt)
  const card = puzzle.cards[play.card]
  if (asked.type === 'finish') return { play: { ...play, lastAt: now, finishedAt: now, lastMark: 'none' }, responses: passes(puzzle, play, now) }
  if (asked.type === 'mark') return mark(puzzle, play, card, asked.place, now)
  if (asked.type === 'claim') {
    if (puzzle.calling === 'teacher') return { play: { ...play, bingo: !play.bingo, lastAt: now }, responses: [] }
    const claim = checkClaim(puzzle, card.number, play.called)
    const isMarked = claim?.won === true && claim.places.every((place) => play.marked.includes(place))
    if (!isMarked) return { play: { ...play, lastAt: now, lastMark: 'not-yet' }, responses: [] }
    return { play: { ...play, bingo: true, lastAt: now, finishedAt: now, lastMark: 'none' }, responses: passes(puzzle, play, now) }
  }
  if (puzzle.calling === 'teacher') return { play, responses: [] }
  const responses = passes(puzzle, play, now)
  const passed = { ...play, wrong: [...play.wrong, ...responses.map(() => puzzle.calls[play.called - 1])] }
  if (play.called === puzzle.calls.length) return { play: { ...passed, lastAt: now, finishedAt: now, lastMark: 'none' }, responses }
  const next: BingoPlay = { ...passed, called: play.called + 1, callAt: now, lastAt: now, lastMark: 'none' }
  return { play: puzzle.marking === 'helped' ? helped(puzzle, next) : next, responses }
}

export function score(puzzle: BingoPuzzle, play: BingoPlay): Score {
  const own = puzzle.cards[play.card].cells.filter((term) => term !== null)
  return {
    right: play.right.length, total: own.length, points: play.right.length * POINTS + (play.bingo && puzzle.calling === 'device' ? BINGO_POINTS : 0), hints: 0,
    finished: play.finishedAt !== null, milliseconds: (play.finishedAt ?? play.lastAt) - play.startedAt,
  }
}

/** A mark on the square that was called is right; on another it is a mistake, and stays off. Where the teacher calls, nobody here knows. */
function mark(puzzle: BingoPuzzle, play: BingoPlay, card: BingoCard, place: number, now: number): Step<BingoPlay> {
  const term = card.cells[place]
  if (term === null || term === undefined) return { play, responses: [] }
  const isMarked = play.marked.includes(place)
  if (puzzle.calling === 'teacher') return { play: { ...play, marked: isMarked ? play.marked.filter((other) => other !== place) : [...play.marked, place], lastAt: now }, responses: [] }
  if (isMarked) return { play, responses: [] }
  const asked = puzzle.calls[play.called - 1]
  if (term === asked || puzzle.calls.indexOf(term) < play.called) {
    const first = term === asked && !play.wrong.includes(term)
    const response: Response = { entryId: puzzle.terms[term].entryId, outcome: 'right', given: puzzle.terms[term].text, points: POINTS, milliseconds: now - play.callAt }
    return { play: { ...play, marked: [...play.marked, place], right: first ? [...play.right, term] : play.right, lastAt: now, lastMark: 'right' }, responses: first ? [response] : [] }
  }
  const known = play.wrong.includes(asked) || play.right.includes(asked)
  const response: Response = { entryId: puzzle.terms[asked].entryId, outcome: 'wrong', given: puzzle.terms[term].text, points: 0, milliseconds: now - play.callAt }
  return { play: { ...play, wrong: known ? play.wrong : [...play.wrong, asked], lastAt: now, lastMark: 'wrong' }, responses: known ? [] : [response] }
}

/** The current call, where it stands on the card and was let pass. */
function passes(puzzle: BingoPuzzle, play: BingoPlay, now: number): Response[] {
  const term = puzzle.calls[play.called - 1]
  if (term === undefined || !puzzle.cards[play.card].cells.includes(term) || play.right.includes(term) || play.wrong.includes(term)) return []
  return [{ entryId: puzzle.terms[term].entryId, outcome: 'passed', given: '', points: 0, milliseconds: now - play.callAt }]
}

/** Marks the called square for the youngest. */
function helped(puzzle: BingoPuzzle, play: BingoPlay): BingoPlay {
  const term = puzzle.calls[play.called - 1]
  const place = puzzle.cards[play.card].cells.indexOf(term)
  return place < 0 ? play : { ...play, marked: [...play.marked, place], right: [...play.right, term] }
}
