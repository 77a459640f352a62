import { z } from 'zod'
import type { ReadingDirection } from '../../text/direction.ts'
import type { Beginning, Question, Response, Score, Step, When } from '../contract.ts'
import { responseOf } from '../response.ts'
import { shownFace, shownTogether, type ShownFace } from '../shownFace.ts'
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

/** How a play stands. Times are on its own clock. */
export interface BingoPlay {
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

/** Deals each player a card of their own, by seat, as long as there are enough. */
export function start(puzzle: BingoPuzzle, { seat }: Pick<Beginning, 'seat'>): BingoPlay {
  const play: BingoPlay = {
    lastAt: 0,
    callAt: 0,
    finishedAt: null,
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
  const card = puzzle.cards[play.card]
  const term = puzzle.terms[puzzle.calls[play.called - 1]]
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
  const faces = shownTogether(cells.flatMap((term) => (term === null ? [] : [terms[term].answer])))
  let next = 0
  return cells.map((term) => (term === null ? null : faces[next++]))
}

export function move(puzzle: BingoPuzzle, play: BingoPlay, asked: BingoMove, { clock }: When): Step<BingoPlay> {
  if (play.finishedAt !== null) return { play, responses: [] }
  const now = Math.max(clock, play.lastAt)
  const card = puzzle.cards[play.card]
  if (asked.type === 'finish')
    return { play: { ...play, lastAt: now, finishedAt: now, lastMark: 'none' }, responses: [] }
  if (asked.type === 'mark') return mark(puzzle, play, card, asked.place, now)
  if (asked.type === 'claim') {
    if (puzzle.calling === 'teacher') return { play: { ...play, bingo: !play.bingo, lastAt: now }, responses: [] }
    const claim = checkClaim(puzzle, card.number, play.called)
    const isMarked = claim?.won === true && claim.places.every((place) => play.marked.includes(place))
    if (!isMarked) return { play: { ...play, lastAt: now, lastMark: 'not-yet' }, responses: [] }
    return {
      play: { ...play, bingo: true, lastAt: now, finishedAt: now, lastMark: 'none' },
      responses: passes(puzzle, play, now),
    }
  }
  if (puzzle.calling === 'teacher') return { play, responses: [] }
  const responses = passes(puzzle, play, now)
  const passed = { ...play, wrong: [...play.wrong, ...responses.map(() => puzzle.calls[play.called - 1])] }
  if (play.called === puzzle.calls.length)
    return { play: { ...passed, lastAt: now, finishedAt: now, lastMark: 'none' }, responses }
  const next: BingoPlay = { ...passed, called: play.called + 1, callAt: now, lastAt: now, lastMark: 'none' }
  return { play: puzzle.marking === 'helped' ? helped(puzzle, next) : next, responses }
}

export function score(puzzle: BingoPuzzle, play: BingoPlay): Score {
  const bonus = play.bingo && puzzle.calling === 'device' ? BINGO_POINTS : 0
  return {
    right: play.right.length,
    total: isAnswered(puzzle) ? termsOf(puzzle, play).length : 0,
    points: play.right.length * POINTS + bonus,
    bonus,
    hints: 0,
    misses: 0,
    finished: play.finishedAt !== null,
    milliseconds: play.finishedAt ?? play.lastAt,
  }
}

/**
 * Whether marks are answers: not where squares are marked for the youngest, nor where only the room knows what was
 * called.
 */
function isAnswered({ calling, marking }: BingoPuzzle): boolean {
  return calling === 'device' && marking === 'own'
}

/** Returns the numbers of the terms on a player's card. */
function termsOf(puzzle: BingoPuzzle, { card }: BingoPlay): number[] {
  return puzzle.cards[card].cells.filter((term) => term !== null)
}

/** The terms of the player's own card: others are called, and can't be marked. */
export function asked(puzzle: BingoPuzzle, play: BingoPlay): Question[] {
  return termsOf(puzzle, play).map((term) => ({
    entryId: puzzle.terms[term].entryId,
    text: puzzle.terms[term].text,
    counts: isAnswered(puzzle),
  }))
}

export function askedKey(_puzzle: BingoPuzzle, { card }: BingoPlay): string {
  return `card ${card + 1}`
}

/** The call, where the device calls: a mark made for one that has passed is none for the next. */
export function moment(_puzzle: BingoPuzzle, { called }: BingoPlay): string {
  return String(called)
}

/**
 * A mark on the square that was called is right; on another it is a mistake, and stays off. Where the teacher calls,
 * nobody here knows.
 */
function mark(puzzle: BingoPuzzle, play: BingoPlay, card: BingoCard, place: number, now: number): Step<BingoPlay> {
  const term = card.cells[place]
  if (term === null || term === undefined) return { play, responses: [] }
  const isMarked = play.marked.includes(place)
  if (puzzle.calling === 'teacher')
    return {
      play: {
        ...play,
        marked: isMarked ? play.marked.filter((other) => other !== place) : [...play.marked, place],
        lastAt: now,
      },
      responses: [],
    }
  if (isMarked) return { play, responses: [] }
  const asked = puzzle.calls[play.called - 1]
  if (term === asked || puzzle.calls.indexOf(term) < play.called) {
    const first = term === asked && !play.wrong.includes(term)
    const response = markResponse(
      puzzle,
      play,
      term,
      { outcome: 'right', points: POINTS, milliseconds: now - play.callAt },
      term,
    )
    return {
      play: {
        ...play,
        marked: [...play.marked, place],
        right: first ? [...play.right, term] : play.right,
        lastAt: now,
        lastMark: 'right',
      },
      responses: first ? [response] : [],
    }
  }
  const known = play.wrong.includes(asked) || play.right.includes(asked) || !card.cells.includes(asked)
  const response = markResponse(puzzle, play, asked, { outcome: 'wrong', milliseconds: now - play.callAt }, term)
  return {
    play: { ...play, wrong: known ? play.wrong : [...play.wrong, asked], lastAt: now, lastMark: 'wrong' },
    responses: known ? [] : [response],
  }
}

/** The current call, where it stands on the card and was let pass. */
function passes(puzzle: BingoPuzzle, play: BingoPlay, now: number): Response[] {
  const term = puzzle.calls[play.called - 1]
  if (
    !isAnswered(puzzle) ||
    term === undefined ||
    !puzzle.cards[play.card].cells.includes(term) ||
    play.right.includes(term) ||
    play.wrong.includes(term)
  )
    return []
  return [markResponse(puzzle, play, term, { outcome: 'passed', milliseconds: now - play.callAt })]
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
    marked === undefined ? {} : { given: terms[marked].text, detail: { type: 'entry', entryId: terms[marked].entryId } }
  return responseOf({ entryId: terms[term].entryId, ...given, ...known, place: play.right.length + play.wrong.length })
}

/** Marks the called square for the youngest. */
function helped(puzzle: BingoPuzzle, play: BingoPlay): BingoPlay {
  const term = puzzle.calls[play.called - 1]
  const place = puzzle.cards[play.card].cells.indexOf(term)
  return place < 0 ? play : { ...play, marked: [...play.marked, place] }
}
