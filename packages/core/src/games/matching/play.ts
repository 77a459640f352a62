import { z } from 'zod'
import type { Face } from '../../list/face.ts'
import type { Response } from '../contract.ts'
import { Finish, type Course, type PlayLife, type Turned } from '../playing.ts'
import { responseOf } from '../response.ts'
import { belongTogether } from '../partners.ts'
import { revealedFace, shownTogether, type ShownFace } from '../shownFace.ts'
import type { MatchingPuzzle, MatchingRound } from './puzzle.ts'

const Place = z.number().int().min(0).max(99)

/** What a student can do: join two rows, take a line away, have the round checked, go on, or stop. */
export const MatchingMove = z.discriminatedUnion('type', [
  z.object({ type: z.literal('join'), left: Place, right: Place }),
  z.object({ type: z.literal('part'), left: Place }),
  z.object({ type: z.literal('check') }),
  z.object({ type: z.literal('next') }),
  Finish,
])
export type MatchingMove = z.infer<typeof MatchingMove>

/** Points for a line that is right at once; later ones are for learning. */
const POINTS = 10

/** How a play stands. Times are on its own clock. */
export interface MatchingPlay extends PlayLife {
  round: number
  /** Place of the right column that each row of the round is joined with; null for none. */
  joins: (number | null)[]
  /** Whether the round was judged, or, judged at once, each row. */
  judged: boolean[]
  /** Rows of the round whose first line was wrong. */
  missed: number[]
  /** When the last line was judged. */
  judgedAt: number
  /** The last line that was wrong, until the next move. */
  wrong: { left: number; right: number } | null
  /** Rows judged so far, over all rounds. */
  met: number
  right: number
  points: number
}

/** All that a player's screen may know. */
export interface MatchingView {
  left: ShownFace[]
  right: ShownFace[]
  joins: (number | null)[]
  marks: ('right' | 'later' | 'wrong' | null)[]
  /** Where each row belongs, once the round is judged. */
  solution: number[] | null
  wrong: { left: number; right: number } | null
  check: 'at-once' | 'at-end'
  round: number
  rounds: number
  /** Whether all rows are joined and judged. */
  done: boolean
  finished: boolean
}

type MatchingCourse = Course<MatchingPuzzle, MatchingPlay, MatchingMove>

const start: MatchingCourse['start'] = (puzzle) => ({ met: 0, right: 0, points: 0, judgedAt: 0, ...fresh(puzzle, 0) })

function fresh(
  { rounds }: MatchingPuzzle,
  round: number,
): Pick<MatchingPlay, 'round' | 'joins' | 'judged' | 'missed' | 'wrong'> {
  return {
    round,
    joins: rounds[round]!.couples.map(() => null),
    judged: rounds[round]!.couples.map(() => false),
    missed: [],
    wrong: null,
  }
}

export function view(puzzle: MatchingPuzzle, play: MatchingPlay): MatchingView {
  const round = puzzle.rounds[play.round]!
  const done = play.judged.every(Boolean)
  const show = (faces: Face[]): ShownFace[] => (done ? faces.map(revealedFace) : shownTogether(faces))
  return {
    left: show(round.couples.map(({ prompt }) => prompt)),
    right: show(round.order.map((couple) => round.couples[couple]!.answer)),
    joins: play.joins,
    marks: play.judged.map((judged, left) => {
      if (!judged) return null
      return isRight(round, left, play.joins[left]!) ? (play.missed.includes(left) ? 'later' : 'right') : 'wrong'
    }),
    solution: done ? round.couples.map((_, left) => round.order.indexOf(left)) : null,
    wrong: play.wrong,
    check: puzzle.check,
    round: play.round + 1,
    rounds: puzzle.rounds.length,
    done,
    finished: play.finishedAt !== null,
  }
}

const move: MatchingCourse['move'] = (puzzle, play, made, { clock }) => {
  const round = puzzle.rounds[play.round]!
  const done = play.judged.every(Boolean)
  if (made.type === 'next') return { play: done ? { ...play, ...fresh(puzzle, play.round + 1) } : play }
  if (made.type === 'check') {
    if (puzzle.check !== 'at-end' || done || play.joins.includes(null)) return { play }
    return judge(puzzle, play, [...play.joins.keys()], clock)
  }
  if (made.left >= round.couples.length || play.judged[made.left]) return { play }
  const joins = [...play.joins]
  if (made.type === 'part') {
    joins[made.left] = null
    return { play: { ...play, joins, wrong: null } }
  }
  const taken = play.joins.indexOf(made.right)
  if (made.right >= round.order.length || (taken >= 0 && play.judged[taken])) return { play }
  if (taken >= 0) joins[taken] = null
  joins[made.left] = made.right
  const joined = { ...play, joins, wrong: null }
  return puzzle.check === 'at-end' ? { play: joined } : judgeOne(puzzle, joined, made.left, made.right, clock)
}

function isRight(round: MatchingRound, left: number, right: number | null): boolean {
  return (
    right !== null &&
    belongTogether(round.couples, round.couples[left]!.prompt, round.couples[round.order[right]!]!.answer)
  )
}

/** Judges a line as soon as it is drawn: a wrong one goes away, and only the first of a row counts. */
function judgeOne(
  puzzle: MatchingPuzzle,
  play: MatchingPlay,
  left: number,
  right: number,
  judgedAt: number,
): Turned<MatchingPlay> {
  const round = puzzle.rounds[play.round]!
  const first = !play.missed.includes(left)
  const good = isRight(round, left, right)
  const points = good && first ? POINTS : 0
  const response = joinedResponse(round, left, right, {
    points,
    milliseconds: judgedAt - play.judgedAt,
    place: play.met,
  })
  const responses = first ? [response] : []
  const met = play.met + (first ? 1 : 0)
  if (!good) {
    const joins = play.joins.map((joined, row) => (row === left ? null : joined))
    const missed = first ? [...play.missed, left] : play.missed
    return { play: { ...play, judgedAt, met, joins, missed, wrong: { left, right } }, responses }
  }
  const judged = play.judged.map((known, row) => known || row === left)
  return {
    play: {
      ...play,
      judged,
      judgedAt,
      met,
      points: play.points + points,
      right: play.right + (first ? 1 : 0),
    },
    responses,
    isOver: judged.every(Boolean) && isLast(puzzle, play),
  }
}

function isLast({ rounds }: MatchingPuzzle, { round }: MatchingPlay): boolean {
  return round === rounds.length - 1
}

function joinedResponse(
  round: MatchingRound,
  left: number,
  right: number,
  known: Pick<Response, 'points' | 'milliseconds' | 'place'>,
): Response {
  const { entryId, answer } = round.couples[round.order[right]!]!
  return responseOf({
    entryId: round.couples[left]!.entryId,
    outcome: isRight(round, left, right) ? 'right' : 'wrong',
    given: answer.text.trim(),
    detail: { type: 'entry', entryId },
    ...known,
  })
}

/** Judges rows of the round as they are joined; one that is joined with none is not reached. */
function judge(
  puzzle: MatchingPuzzle,
  play: MatchingPlay,
  rows: readonly number[],
  judgedAt: number,
): Turned<MatchingPlay> {
  const round = puzzle.rounds[play.round]!
  const responses = rows.flatMap((left, index): Response[] => {
    const right = play.joins[left]!
    if (right === null) return []
    return [
      joinedResponse(round, left, right, {
        points: isRight(round, left, right) ? POINTS : 0,
        milliseconds: (judgedAt - play.judgedAt) / round.couples.length,
        place: play.met + index,
      }),
    ]
  })
  const right = responses.filter(({ outcome }) => outcome === 'right').length
  return {
    play: {
      ...play,
      judgedAt,
      met: play.met + responses.length,
      judged: play.judged.map((known, row) => known || rows.includes(row)),
      right: play.right + right,
      points: play.points + right * POINTS,
    },
    responses,
    isOver: isLast(puzzle, play),
  }
}

const finish: MatchingCourse['finish'] = (puzzle, play, { clock }) => {
  const open = [...play.judged.keys()].filter((row) => !play.judged[row] && !play.missed.includes(row))
  const { play: judged, responses } = puzzle.check === 'at-end' ? judge(puzzle, play, open, clock) : { play }
  return { play: { ...judged, judged: judged.judged.map(() => true), wrong: null }, responses }
}

const score: MatchingCourse['score'] = ({ rounds }, { right, points }) => ({
  right,
  total: rounds.reduce((sum, { couples }) => sum + couples.length, 0),
  points,
})

/** A round of so many, and how many of its rows are joined. */
const doing: MatchingCourse['doing'] = ({ rounds }, { round, joins }) => ({
  code: 'round',
  values: {
    number: round + 1,
    of: rounds.length,
    joined: joins.filter((right) => right !== null).length,
    rows: joins.length,
  },
})

export const course: MatchingCourse = { start, move, finish, score, doing }

/** The round: what was made for one that is over changes nothing. */
export function moment(_puzzle: MatchingPuzzle, { round }: MatchingPlay): string {
  return String(round)
}
