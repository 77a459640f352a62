import { z } from 'zod'
import type { ReadingDirection } from '../../text/direction.ts'
import type { Response, Score, Step, When } from '../contract.ts'
import { responseOf } from '../response.ts'
import { revealedFace, shownFace, type ShownFace } from '../shownFace.ts'
import { textOfPieces, type UnscrambleItem, type UnscramblePuzzle } from './puzzle.ts'

/**
 * What a student can do: lay the pieces (by the numbers under which they are shown), ask for one, give up, go on, or
 * stop.
 */
export const UnscrambleMove = z.discriminatedUnion('type', [
  z.object({ type: z.literal('lay'), order: z.array(z.number().int().min(0).max(99)).max(100) }),
  z.object({ type: z.literal('hint') }),
  z.object({ type: z.literal('skip') }),
  z.object({ type: z.literal('next') }),
  z.object({ type: z.literal('finish') }),
])
export type UnscrambleMove = z.infer<typeof UnscrambleMove>

/** Points for a word; one less for each wrong try, two less for each piece shown, never below one. */
const POINTS = 10
const TRY_COST = 1
const HINT_COST = 2

/** How a play stands. Times are on its own clock. */
export interface UnscramblePlay {
  lastAt: number
  itemAt: number
  finishedAt: number | null
  item: number
  tries: number
  /** The last wrong try, as text. */
  tried: string
  /** Pieces from the beginning that were shown. */
  shown: number
  outcome: 'solved' | 'given-up' | null
  right: number
  points: number
  hints: number
}

/** All that a player's screen may know. */
export interface UnscrambleView {
  /** Pieces as they are mixed. */
  pieces: string[]
  by: 'letters' | 'words'
  /** Places of the solution after which a space stands. */
  spaces: number[]
  /** How the pieces begin: numbers of those shown on request. */
  start: number[]
  direction: ReadingDirection
  prompt: ShownFace
  hint: string
  tries: number
  outcome: 'solved' | 'given-up' | null
  answer: { text: string; fact: string } | null
  canHint: boolean
  number: number
  total: number
  finished: boolean
}

export function start(): UnscramblePlay {
  return {
    lastAt: 0,
    itemAt: 0,
    finishedAt: null,
    item: 0,
    tries: 0,
    tried: '',
    shown: 0,
    outcome: null,
    right: 0,
    points: 0,
    hints: 0,
  }
}

export function view({ items, direction }: UnscramblePuzzle, play: UnscramblePlay): UnscrambleView {
  const item = items[play.item]
  const over = play.outcome !== null || play.finishedAt !== null
  return {
    pieces: item.mixed.map((place) => item.pieces[place]),
    by: item.by,
    spaces: item.spaces,
    start: beginningOf(item, play.shown),
    direction,
    prompt: (over ? revealedFace : shownFace)(item.prompt),
    hint: play.shown > 0 || over ? item.hint : '',
    tries: play.tries,
    outcome: play.outcome,
    answer: over ? { text: item.text, fact: item.fact } : null,
    canHint: !over && play.shown < item.pieces.length - 1,
    number: play.item + 1,
    total: items.length,
    finished: play.finishedAt !== null,
  }
}

/** Gives the numbers, as shown, of the first pieces of the solution. */
function beginningOf({ mixed }: UnscrambleItem, count: number): number[] {
  return Array.from({ length: count }, (_, place) => mixed.indexOf(place))
}

export function move(
  puzzle: UnscramblePuzzle,
  play: UnscramblePlay,
  asked: UnscrambleMove,
  { clock }: When,
): Step<UnscramblePlay> {
  if (play.finishedAt !== null) return { play, responses: [] }
  const now = Math.max(clock, play.lastAt)
  const item = puzzle.items[play.item]
  if (asked.type === 'finish') return finish(puzzle, play, now)
  if (asked.type === 'next') {
    return {
      play:
        play.outcome === null
          ? play
          : { ...play, lastAt: now, itemAt: now, item: play.item + 1, tries: 0, tried: '', shown: 0, outcome: null },
      responses: [],
    }
  }
  if (play.outcome !== null) return { play, responses: [] }
  if (asked.type === 'hint') {
    return {
      play:
        play.shown < item.pieces.length - 1
          ? { ...play, shown: play.shown + 1, hints: play.hints + 1, lastAt: now }
          : play,
      responses: [],
    }
  }
  if (asked.type === 'skip') return end(puzzle, { ...play, outcome: 'given-up' }, now)
  if (
    asked.order.length !== item.pieces.length ||
    new Set(asked.order).size !== asked.order.length ||
    asked.order.some((shown) => shown >= item.pieces.length)
  )
    return { play, responses: [] }
  const text = textOfPieces(
    item,
    asked.order.map((shown) => item.pieces[item.mixed[shown]]),
  )
  if (text !== textOfPieces(item, item.pieces) && !item.accepted.includes(text))
    return { play: { ...play, tries: play.tries + 1, tried: text, lastAt: now }, responses: [] }
  return end(puzzle, { ...play, outcome: 'solved' }, now)
}

function end(puzzle: UnscramblePuzzle, play: UnscramblePlay, now: number): Step<UnscramblePlay> {
  const solved = play.outcome === 'solved'
  const points = solved ? Math.max(1, POINTS - play.tries * TRY_COST - play.shown * HINT_COST) : 0
  const last = play.item === puzzle.items.length - 1
  return {
    play: {
      ...play,
      right: play.right + (solved ? 1 : 0),
      points: play.points + points,
      lastAt: now,
      finishedAt: last ? now : null,
    },
    responses: [itemResponse(puzzle, play, points, now)],
  }
}

function itemResponse(
  { items }: UnscramblePuzzle,
  { outcome, tried, itemAt, item, shown }: UnscramblePlay,
  points: number,
  now: number,
): Response {
  const { entryId, text } = items[item]
  const given = outcome === 'solved' ? text : tried
  return responseOf({
    entryId,
    outcome: outcome === 'solved' ? 'right' : tried === '' ? 'passed' : 'wrong',
    given,
    detail: given === '' ? { type: 'nothing' } : { type: 'typed', understood: given },
    points,
    hints: shown,
    milliseconds: now - itemAt,
    place: item,
  })
}

function finish(puzzle: UnscramblePuzzle, play: UnscramblePlay, now: number): Step<UnscramblePlay> {
  // A word that was tried in vain is a wrong answer; one that was not tried is not reached.
  const tried = play.outcome === null && play.tried !== ''
  return {
    play: { ...play, outcome: play.outcome ?? 'given-up', lastAt: now, finishedAt: now },
    responses: tried ? [itemResponse(puzzle, play, 0, now)] : [],
  }
}

/** A word, and whether it is over: its end is shown until the next one is asked for. */
export function moment(_puzzle: UnscramblePuzzle, { item, outcome }: UnscramblePlay): string {
  return `${item} ${outcome === null ? 'open' : 'over'}`
}

export function score({ items }: UnscramblePuzzle, play: UnscramblePlay): Score {
  return {
    right: play.right,
    total: items.length,
    points: play.points,
    bonus: 0,
    hints: play.hints,
    misses: 0,
    finished: play.finishedAt !== null,
    milliseconds: play.finishedAt ?? play.lastAt,
  }
}
