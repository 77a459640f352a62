import { z } from 'zod'
import type { ReadingDirection } from '../../text/direction.ts'
import type { Response, Sight } from '../contract.ts'
import { Finish, type Course, type PlayLife, type Turned } from '../playing.ts'
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
  Finish,
])
export type UnscrambleMove = z.infer<typeof UnscrambleMove>

/** Points for a word; one less for each wrong try, two less for each piece shown, never below one. */
const POINTS = 10
const TRY_COST = 1
const HINT_COST = 2

/** How a play stands. Times are on its own clock. */
export interface UnscramblePlay extends PlayLife {
  itemAt: number
  /** Numbers of the words to come, the current one first. */
  queue: number[]
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

type UnscrambleCourse = Course<UnscramblePuzzle, UnscramblePlay, UnscrambleMove>

const FRESH = { tries: 0, tried: '', shown: 0, outcome: null }

const start: UnscrambleCourse['start'] = ({ items }, { random, rules }) => {
  const all = [...items.keys()]
  const queue = rules.order === 'mixed' ? random.shuffled(all) : all
  return { itemAt: 0, queue, ...FRESH, right: 0, points: 0, hints: 0 }
}

export function view({ items, direction }: UnscramblePuzzle, play: UnscramblePlay, { rules }: Sight): UnscrambleView {
  const item = items[play.queue[0]!]!
  const over = play.outcome !== null || play.finishedAt !== null
  return {
    pieces: item.mixed.map((place) => item.pieces[place]!),
    by: item.by,
    spaces: item.spaces,
    start: beginningOf(item, play.shown),
    direction,
    prompt: (over ? revealedFace : shownFace)(item.prompt),
    hint: play.shown > 0 || over ? item.hint : '',
    tries: play.tries,
    outcome: play.outcome,
    answer: over ? { text: item.text, fact: item.fact } : null,
    canHint: rules.hints && !over && play.shown < item.pieces.length - 1,
    number: items.length - play.queue.length + 1,
    total: items.length,
    finished: play.finishedAt !== null,
  }
}

/** Returns the numbers, as shown, of the first pieces of the solution. */
function beginningOf({ mixed }: UnscrambleItem, count: number): number[] {
  return Array.from({ length: count }, (_, place) => mixed.indexOf(place))
}

const move: UnscrambleCourse['move'] = (puzzle, play, made, { clock }) => {
  const item = puzzle.items[play.queue[0]!]!
  if (made.type === 'next') {
    const goesOn = play.outcome !== null
    return { play: goesOn ? { ...play, itemAt: clock, queue: play.queue.slice(1), ...FRESH } : play }
  }
  if (play.outcome !== null) return { play }
  if (made.type === 'hint') {
    const there = play.shown < item.pieces.length - 1
    return { play: there ? { ...play, shown: play.shown + 1, hints: play.hints + 1 } : play }
  }
  if (made.type === 'skip') return end(puzzle, { ...play, outcome: 'given-up' }, clock)
  if (
    made.order.length !== item.pieces.length ||
    new Set(made.order).size !== made.order.length ||
    made.order.some((shown) => shown >= item.pieces.length)
  )
    return { play }
  const text = textOfPieces(
    item,
    made.order.map((shown) => item.pieces[item.mixed[shown]!]!),
  )
  if (text !== textOfPieces(item, item.pieces) && !item.accepted.includes(text))
    return { play: { ...play, tries: play.tries + 1, tried: text } }
  return end(puzzle, { ...play, outcome: 'solved' }, clock)
}

function end(puzzle: UnscramblePuzzle, play: UnscramblePlay, clock: number): Turned<UnscramblePlay> {
  const solved = play.outcome === 'solved'
  const points = solved ? Math.max(1, POINTS - play.tries * TRY_COST - play.shown * HINT_COST) : 0
  return {
    play: { ...play, right: play.right + (solved ? 1 : 0), points: play.points + points },
    responses: [itemResponse(puzzle, play, points, clock)],
    isOver: play.queue.length === 1,
  }
}

function itemResponse(
  { items }: UnscramblePuzzle,
  { outcome, tried, itemAt, queue, shown }: UnscramblePlay,
  points: number,
  clock: number,
): Response {
  const { entryId, text } = items[queue[0]!]!
  const given = outcome === 'solved' ? text : tried
  return responseOf({
    entryId,
    outcome: outcome === 'solved' ? 'right' : tried === '' ? 'passed' : 'wrong',
    given,
    detail: given === '' ? { type: 'nothing' } : { type: 'typed', understood: given },
    points,
    hints: shown,
    milliseconds: clock - itemAt,
    place: items.length - queue.length,
  })
}

const finish: UnscrambleCourse['finish'] = (puzzle, play, { clock }) => {
  // A word that was tried in vain is a wrong answer; one that was not tried is not reached.
  const isTried = play.outcome === null && play.tried !== ''
  return {
    play: { ...play, outcome: play.outcome ?? 'given-up' },
    responses: isTried ? [itemResponse(puzzle, play, 0, clock)] : [],
  }
}

const score: UnscrambleCourse['score'] = ({ items }, { right, points, hints }) => ({
  right,
  total: items.length,
  points,
  hints,
})

const doing: UnscrambleCourse['doing'] = ({ items }, { queue }) => ({
  code: 'word',
  values: { number: items.length - queue.length + 1, of: items.length },
})

export const course: UnscrambleCourse = { hints: ['hint'], start, move, finish, score, doing }

/** A word, and whether it is over: its end is shown until the next one is asked for. */
export function moment(_puzzle: UnscramblePuzzle, { queue, outcome }: UnscramblePlay): string {
  return `${queue.length} ${outcome === null ? 'open' : 'over'}`
}
