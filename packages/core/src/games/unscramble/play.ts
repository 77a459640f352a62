import { z } from 'zod'
import type { Random } from '../../random/random.ts'
import type { ReadingDirection } from '../../text/direction.ts'
import type { Response, Score, Step } from '../contract.ts'
import { shownFace, type ShownFace } from '../shownFace.ts'
import { textOfPieces, type UnscrambleItem, type UnscramblePuzzle } from './puzzle.ts'

/** What a student can do: lay the pieces (by the numbers under which they are shown), ask for one, give up, go on, or stop. */
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

/** How a play stands. Times are milliseconds since 1970. */
export interface UnscramblePlay {
  startedAt: number
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

export function start(_puzzle: UnscramblePuzzle, _random: Random, at: number): UnscramblePlay {
  return { startedAt: at, lastAt: at, itemAt: at, finishedAt: null, item: 0, tries: 0, tried: '', shown: 0, outcome: null, right: 0, points: 0, hints: 0 }
}

export function view({ items, direction }: UnscramblePuzzle, play: UnscramblePlay): UnscrambleView {
  const item = items[play.item]
  const over = play.outcome !== null || play.finishedAt !== null
  return {
    pieces: item.mixed.map((place) => item.pieces[place]),
    by: item.by, spaces: item.spaces,
    start: beginningOf(item, play.shown),
    direction,
    prompt: shownFace(item.prompt, item.text),
    hint: play.shown > 0 || over ? item.hint : '',
    tries: play.tries,
    outcome: play.outcome,
    answer: over ? { text: item.text, fact: item.fact } : null,
    canHint: !over && play.shown < item.pieces.length - 1,
    number: play.item + 1, total: items.length,
    finished: play.finishedAt !== null,
  }
}

/** Gives the numbers, as shown, of the first pieces of the solution. */
function beginningOf({ mixed }: UnscrambleItem, count: number): number[] {
  return Array.from({ length: count }, (_, place) => mixed.indexOf(place))
}

export function move(puzzle: UnscramblePuzzle, play: UnscramblePlay, asked: UnscrambleMove, at: number): Step<UnscramblePlay> {
  if (play.finishedAt !== null) return { play, responses: [] }
  const now = Math.max(at, play.lastAt)
  const item = puzzle.items[play.item]
  if (asked.type === 'finish') return finish(puzzle, play, now)
  if (asked.type === 'next') {
    return { play: play.outcome === null ? play : { ...play, lastAt: now, itemAt: now, item: play.item + 1, tries: 0, tried: '', shown: 0, outcome: null }, responses: [] }
  }
  if (play.outcome !== null) return { play, responses: [] }
  if (asked.type === 'hint') {
    return { play: play.shown < item.pieces.length - 1 ? { ...play, shown: play.shown + 1, hints: play.hints + 1, lastAt: now } : play, responses: [] }
  }
  if (asked.type === 'skip') return end(puzzle, { ...play, outcome: 'given-up' }, now)
  if (asked.order.length !== item.pieces.length || new Set(asked.order).size !== asked.order.length || asked.order.some((shown) => shown >= item.pieces.length)) return { play, responses: [] }
  const text = textOfPieces(item, asked.order.map((shown) => item.pieces[item.mixed[shown]]))
  if (text !== textOfPieces(item, item.pieces) && !item.accepted.includes(text)) return { play: { ...play, tries: play.tries + 1, tried: text, lastAt: now }, responses: [] }
  return end(puzzle, { ...play, outcome: 'solved' }, now)
}

function end(puzzle: UnscramblePuzzle, play: UnscramblePlay, now: number): Step<UnscramblePlay> {
  const solved = play.outcome === 'solved'
  const points = solved ? Math.max(1, POINTS - play.tries * TRY_COST - play.shown * HINT_COST) : 0
  const last = play.item === puzzle.items.length - 1
  return {
    play: { ...play, right: play.right + (solved ? 1 : 0), points: play.points + points, lastAt: now, finishedAt: last ? now : null },
    responses: [responseOf(puzzle.items[play.item], play, points, now)],
  }
}

function responseOf({ entryId, text }: UnscrambleItem, { outcome, tried, itemAt }: UnscramblePlay, points: number, now: number): Response {
  return { entryId, outcome: outcome === 'solved' ? 'right' : tried === '' ? 'passed' : 'wrong', given: outcome === 'solved' ? text : tried, points, milliseconds: now - itemAt }
}

function finish(puzzle: UnscramblePuzzle, play: UnscramblePlay, now: number): Step<UnscramblePlay> {
  const current = play.outcome === null ? [responseOf(puzzle.items[play.item], play, 0, now)] : []
  const rest = puzzle.items.slice(play.item + 1).map(({ entryId }): Response => ({ entryId, outcome: 'passed', given: '', points: 0, milliseconds: 0 }))
  return { play: { ...play, outcome: play.outcome ?? 'given-up', lastAt: now, finishedAt: now }, responses: [...current, ...rest] }
}

export function score({ items }: UnscramblePuzzle, play: UnscramblePlay): Score {
  return { right: play.right, total: items.length, points: play.points, hints: play.hints, finished: play.finishedAt !== null, milliseconds: (play.finishedAt ?? play.lastAt) - play.startedAt }
}
