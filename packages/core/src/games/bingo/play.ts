import { z } from 'zod'
import type { ReadingDirection } from '../../text/direction.ts'
import type { Doing, Question, Response } from '../contract.ts'
import { Finish, type Course, type PlayLife, type Turned } from '../playing.ts'
import { responseOf } from '../response.ts'
import { shownFace, shownTogether, type ShownFace } from '../shownFace.ts'
import { checkClaim } from './claim.ts'
import type { BingoCard, BingoPuzzle } from './puzzle.ts'

/** What a student can do: mark a square or take the mark off, hear the next call, claim a bingo; or stop. */
export const BingoMove = z.discriminatedUnion('type', [
  z.object({ type: z.literal('mark'), place: z.number().int().min(0).max(24) }),
  z.object({ type: z.literal('next') }),
  z.object({ type: z.literal('claim') }),
  Finish,
])
export type BingoMove = z.infer<typeof BingoMove>

const POINTS = 10
const BINGO_POINTS = 20

/** How a play stands. Times are on its own clock. */
export interface BingoPlay extends PlayLife {
  callAt: number
  card: number
  /** Calls made on this device; where the teacher calls, those made by the claim, and 0 before. */
  called: number
  marked: number[]
  /** Terms that were answered for: marked rightly, wrongly, or let pass. */
  right: number[]
  wrong: number[]
  bingo: boolean
  /** What came of the last mark or claim; `ask`: only the teacher knows whether it is a bingo. */
  lastMark: 'none' | 'right' | 'wrong' | 'not-yet' | 'ask'
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

type BingoCourse = Course<BingoPuzzle, BingoPlay, BingoMove>

/** Deals each player a card of their own, by seat, as long as there are enough. */
const start: BingoCourse['start'] = (puzzle, { seat }) => {
  const play: ReturnType<BingoCourse['start']> = {
    callAt: 0,
    card: (seat - 1) % puzzle.cards.length,
    called: puzzle.calling === 'device' ? 1 : 0,
    marked: [],
    right: [],
    wrong: [],
    bingo: false,
    lastMark: 'none',
  }
  return puzzle.marking === 'helped' && puzzle.calling === 'device' ? helped(puzzle, play) : play
}

export function view(puzzle: BingoPuzzle, play: BingoPlay): BingoView {
  const card = puzzle.cards[play.card]!
  const term = puzzle.terms[puzzle.calls[play.called - 1]!]
  const claim = play.bingo ? checkClaim(puzzle, card.number, play.called) : undefined
  return {
    cardNumber: card.number,
    size: puzzle.size,
    direction: puzzle.direction,
    pattern: puzzle.pattern,
    calling: puzzle.calling,
    squares: squaresOf(puzzle, card),
    marked: play.marked,
    call:
      puzzle.calling === 'device' && term
        ? { number: play.called, total: puzzle.calls.length, prompt: shownFace(term.prompt) }
        : null,
    won: claim?.won ? claim.places : [],
    lastMark: play.lastMark,
    finished: play.finishedAt !== null,
  }
}

function squaresOf({ terms }: BingoPuzzle, { cells }: BingoCard): BingoView['squares'] {
  const faces = shownTogether(cells.flatMap((term) => (term === null ? [] : [terms[term]!.answer])))
  let next = 0
  return cells.map((term) => (term === null ? null : faces[next++]!))
}

const move: BingoCourse['move'] = (puzzle, play, made, { clock, shared }) => {
  if (made.type === 'mark')
    return puzzle.calling === 'teacher' ? toggled(puzzle, play, made.place) : mark(puzzle, play, made.place, clock)
  if (made.type === 'claim') return claim(puzzle, play, clock, shared?.calls ?? null)
  if (puzzle.calling === 'teacher') return { play }
  const responses = passes(puzzle, play, clock)
  const passed = { ...play, wrong: [...play.wrong, ...responses.map(() => puzzle.calls[play.called - 1]!)] }
  if (play.called === puzzle.calls.length) return { play: { ...passed, lastMark: 'none' }, responses, isOver: true }
  const next: BingoPlay = { ...passed, called: play.called + 1, callAt: clock, lastMark: 'none' }
  return { play: puzzle.marking === 'helped' ? helped(puzzle, next) : next, responses }
}

/**
 * Checks a claim against the calls: those of the device, or those that the teacher has made for all. Where the teacher
 * calls without this house, nobody here knows whether it is a bingo.
 */
function claim(puzzle: BingoPuzzle, before: BingoPlay, clock: number, calls: number | null): Turned<BingoPlay> {
  const isTold = puzzle.calling === 'teacher'
  if (isTold && calls === null) return { play: { ...before, lastMark: 'ask' } }
  const play = isTold ? { ...before, called: calls ?? 0 } : before
  const { won, places } = checkClaim(puzzle, puzzle.cards[play.card]!.number, play.called) ?? { won: false, places: [] }
  if (!won || !places.every((place) => play.marked.includes(place))) return { play: { ...play, lastMark: 'not-yet' } }
  return { play: { ...play, bingo: true, lastMark: 'none' }, responses: passes(puzzle, play, clock), isOver: true }
}

const finish: BingoCourse['finish'] = (_puzzle, play) => ({ play: { ...play, lastMark: 'none' } })

const score: BingoCourse['score'] = (puzzle, play) => {
  const bonus = play.bingo ? BINGO_POINTS : 0
  return {
    right: play.right.length,
    total: isAnswered(puzzle) ? termsOf(puzzle, play).length : 0,
    points: play.right.length * POINTS + bonus,
    bonus,
  }
}

/** A call of so many; where the teacher calls, the squares marked. */
const doing: BingoCourse['doing'] = ({ calling, calls }, { called, marked }): Doing =>
  calling === 'device'
    ? { code: 'call', values: { number: called, of: calls.length } }
    : { code: 'marked', values: { squares: marked.length } }

export const course: BingoCourse = { start, move, finish, score, doing }

/**
 * Whether marks are answers: not where squares are marked for the youngest, nor where only the room knows what was
 * called.
 */
function isAnswered({ calling, marking }: BingoPuzzle): boolean {
  return calling === 'device' && marking === 'own'
}

/** Returns the numbers of the terms on a player's card. */
function termsOf(puzzle: BingoPuzzle, { card }: BingoPlay): number[] {
  return puzzle.cards[card]!.cells.filter((term) => term !== null)
}

/** The terms of the player's own card: others are called, and can't be marked. */
export function questionsOf(puzzle: BingoPuzzle, play: BingoPlay): Question[] {
  return termsOf(puzzle, play).map((term) => ({
    entryId: puzzle.terms[term]!.entryId,
    text: puzzle.terms[term]!.text,
    counts: isAnswered(puzzle),
  }))
}

export function questionsKey(_puzzle: BingoPuzzle, { card }: BingoPlay): string {
  return `card ${card + 1}`
}

/** The call, where the device calls: a mark made for one that has passed is none for the next. */
export function moment({ calling }: BingoPuzzle, { called }: BingoPlay): string {
  return calling === 'teacher' ? '0' : String(called)
}

/** Marks a square or takes its mark off, where nobody here knows what was called. */
function toggled(puzzle: BingoPuzzle, play: BingoPlay, place: number): Turned<BingoPlay> {
  const term = puzzle.cards[play.card]!.cells[place]
  if (term === null || term === undefined) return { play }
  const rest = play.marked.filter((other) => other !== place)
  return { play: { ...play, lastMark: 'none', marked: rest.length < play.marked.length ? rest : [...rest, place] } }
}

/** A mark on the square that was called is right; on another it is a mistake, and stays off. */
function mark(puzzle: BingoPuzzle, play: BingoPlay, place: number, clock: number): Turned<BingoPlay> {
  const { cells } = puzzle.cards[play.card]!
  const term = cells[place]
  if (term === null || term === undefined || play.marked.includes(place)) return { play }
  const called = puzzle.calls[play.called - 1]!
  const milliseconds = clock - play.callAt
  if (term === called || puzzle.calls.indexOf(term) < play.called) {
    const first = isAnswered(puzzle) && term === called && !play.wrong.includes(term)
    const response = markResponse(puzzle, play, term, { outcome: 'right', points: POINTS, milliseconds }, term)
    return {
      play: {
        ...play,
        marked: [...play.marked, place],
        right: first ? [...play.right, term] : play.right,
        lastMark: 'right',
      },
      responses: first ? [response] : [],
    }
  }
  const isKnown =
    !isAnswered(puzzle) || play.wrong.includes(called) || play.right.includes(called) || !cells.includes(called)
  const response = markResponse(puzzle, play, called, { outcome: 'wrong', milliseconds }, term)
  return {
    play: { ...play, wrong: isKnown ? play.wrong : [...play.wrong, called], lastMark: 'wrong' },
    responses: isKnown ? [] : [response],
  }
}

/** The current call, where it stands on the card and was let pass. */
function passes(puzzle: BingoPuzzle, play: BingoPlay, clock: number): Response[] {
  const term = puzzle.calls[play.called - 1]
  if (
    !isAnswered(puzzle) ||
    term === undefined ||
    !puzzle.cards[play.card]!.cells.includes(term) ||
    play.right.includes(term) ||
    play.wrong.includes(term)
  )
    return []
  return [markResponse(puzzle, play, term, { outcome: 'passed', milliseconds: clock - play.callAt })]
}

/** What became of a call; `marked` is the term of the square that was marked for it. */
function markResponse(
  { terms }: BingoPuzzle,
  play: BingoPlay,
  term: number,
  known: Pick<Response, 'outcome' | 'milliseconds'> & Partial<Response>,
  marked?: number,
): Response {
  const given: Partial<Response> =
    marked === undefined
      ? {}
      : { given: terms[marked]!.text, detail: { type: 'entry', entryId: terms[marked]!.entryId } }
  return responseOf({ entryId: terms[term]!.entryId, ...given, ...known, place: play.right.length + play.wrong.length })
}

/** Marks the called square for the youngest. */
function helped<Marked extends Pick<BingoPlay, 'called' | 'card' | 'marked'>>(
  puzzle: BingoPuzzle,
  play: Marked,
): Marked {
  const term = puzzle.calls[play.called - 1]!
  const place = puzzle.cards[play.card]!.cells.indexOf(term)
  return place < 0 ? play : { ...play, marked: [...play.marked, place] }
}
