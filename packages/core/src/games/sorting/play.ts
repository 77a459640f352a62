import { z } from 'zod'
import type { TeamCourse, TeamLife } from '../../wall/teamed.ts'
import { credited, nextTurn, turnsShown } from '../../wall/teams.ts'
import type { Response } from '../contract.ts'
import { Finish } from '../playing.ts'
import { responseOf } from '../response.ts'
import { revealedFace, shownTogether, type ShownFace } from '../shownFace.ts'
import { MOST_ITEMS, MOST_SORTED_GROUPS } from './options.ts'
import type { SortingPuzzle } from './puzzle.ts'

const Item = z
  .number()
  .int()
  .min(0)
  .max(MOST_ITEMS - 1)

/** What can be done: put something into a group, take it out again, have all checked; or stop. */
export const SortingMove = z.discriminatedUnion('type', [
  z.object({
    type: z.literal('put'),
    item: Item,
    group: z
      .number()
      .int()
      .min(0)
      .max(MOST_SORTED_GROUPS - 1),
  }),
  z.object({ type: z.literal('take-out'), item: Item }),
  z.object({ type: z.literal('check') }),
  Finish,
])
export type SortingMove = z.infer<typeof SortingMove>

/** Points for what is right at once; later it is for learning. */
const POINTS = 10

/** How a play stands. Times are on its own clock. */
export interface SortingPlay extends TeamLife {
  /** The group that each item lies in; null for none. */
  lies: (number | null)[]
  /** Groups that each item was put into and does not belong to. */
  tried: number[][]
  /** Whether each item was judged for good. */
  judged: boolean[]
  /** What was put down wrongly a moment ago. */
  wrong: { item: number; group: number } | null
  met: number
  right: number
  points: number
  judgedAt: number
}

/** All that a screen may know. */
export interface SortingView {
  groups: string[]
  items: {
    face: ShownFace
    lies: number | null
    mark: 'right' | 'later' | 'wrong' | null
    /** Where it belongs, once it is over. */
    belongs: number[]
  }[]
  wrong: { item: number; group: number } | null
  check: 'at-once' | 'at-end'
  /** Whether all lie somewhere, and can be checked. */
  canCheck: boolean
  teams: { points: number; turn: boolean }[]
  finished: boolean
}

type SortingCourse = TeamCourse<SortingPuzzle, SortingPlay, SortingMove>

const start: SortingCourse['start'] = ({ items }) => ({
  lies: items.map(() => null),
  tried: items.map(() => []),
  judged: items.map(() => false),
  wrong: null,
  met: 0,
  right: 0,
  points: 0,
  judgedAt: 0,
})

/** Returns the response for an item that was put into a group. */
function responseTo(
  { items, groups }: SortingPuzzle,
  play: SortingPlay,
  item: number,
  known: Pick<Response, 'milliseconds' | 'place'> & { group: number; right: boolean },
): Response {
  const { group, right, ...rest } = known
  return responseOf({
    entryId: items[item]!.entryId,
    outcome: right ? 'right' : 'wrong',
    given: groups[group]!,
    detail: { type: 'chosen', choices: [groups[group]!] },
    points: right ? POINTS : 0,
    ...rest,
    ...(play.teams.points.length > 1 && { team: play.teams.turn }),
  })
}

const move: SortingCourse['move'] = (puzzle, play, made, { clock }) => {
  if (made.type === 'check') return checked(puzzle, play, clock)
  const { item } = made
  if (item >= puzzle.items.length || play.judged[item]) return { play }
  const lay = (group: number | null): SortingPlay => ({
    ...play,
    lies: play.lies.map((lies, one) => (one === item ? group : lies)),
    wrong: null,
  })
  if (made.type === 'take-out') return { play: play.lies[item] === null ? play : lay(null) }
  const { group } = made
  if (group >= puzzle.groups.length || play.lies[item] === group) return { play }
  if (puzzle.check === 'at-end') return { play: lay(group) }
  if (play.tried[item]!.includes(group)) return { play }
  const right = puzzle.items[item]!.groups.includes(group)
  const isFirst = play.tried[item]!.length === 0
  const { teams } = play
  const next: SortingPlay = {
    ...(right ? lay(group) : play),
    tried: right ? play.tried : play.tried.map((tried, one) => (one === item ? [...tried, group] : tried)),
    judged: right ? play.judged.map((judged, one) => judged || one === item) : play.judged,
    wrong: right ? null : { item, group },
    met: play.met + (isFirst ? 1 : 0),
    right: play.right + (isFirst && right ? 1 : 0),
    points: play.points + (isFirst && right ? POINTS : 0),
    judgedAt: clock,
    teams: {
      ...(right ? credited(teams, teams.turn, POINTS) : teams),
      turn: nextTurn(teams.turn, teams.points.length),
    },
  }
  const response = responseTo(puzzle, play, item, {
    group,
    right,
    milliseconds: clock - play.judgedAt,
    place: play.met,
  })
  return { play: next, responses: isFirst ? [response] : [], isOver: next.judged.every(Boolean) }
}

/** Judges all at once: each counts as it lies. */
function checked(puzzle: SortingPuzzle, play: SortingPlay, clock: number): ReturnType<SortingCourse['move']> {
  if (puzzle.check !== 'at-end' || play.lies.includes(null)) return { play }
  return { ...judgedAll(puzzle, play, clock), isOver: true }
}

function judgedAll(
  puzzle: SortingPuzzle,
  play: SortingPlay,
  clock: number,
): { play: SortingPlay; responses: Response[] } {
  const placed = [...play.lies.entries()].filter((pair): pair is [number, number] => pair[1] !== null)
  const responses = placed.map(([item, group], place) =>
    responseTo(puzzle, play, item, {
      group,
      right: puzzle.items[item]!.groups.includes(group),
      milliseconds: Math.round((clock - play.judgedAt) / placed.length),
      place,
    }),
  )
  const right = responses.filter(({ outcome }) => outcome === 'right').length
  return {
    play: {
      ...play,
      judged: play.lies.map((lies) => lies !== null),
      met: placed.length,
      right,
      points: right * POINTS,
      judgedAt: clock,
      teams: credited(play.teams, play.teams.turn, right * POINTS),
    },
    responses,
  }
}

/** What lies somewhere is judged where all was to be checked at the end; what does not was not reached. */
const finish: SortingCourse['finish'] = (puzzle, play, { clock }) =>
  puzzle.check === 'at-end' ? judgedAll(puzzle, play, clock) : { play: { ...play, wrong: null } }

export function view(puzzle: SortingPuzzle, play: SortingPlay): SortingView {
  const finished = play.finishedAt !== null
  const faces = puzzle.items.map(({ face }) => face)
  const shown = finished ? faces.map(revealedFace) : shownTogether(faces)
  return {
    groups: puzzle.groups,
    items: puzzle.items.map(({ groups }, item) => {
      const lies = play.lies[item]!
      const isRight = lies !== null && groups.includes(lies)
      return {
        face: shown[item]!,
        lies,
        mark: !play.judged[item] ? null : isRight ? (play.tried[item]!.length > 0 ? 'later' : 'right') : 'wrong',
        belongs: finished ? groups : [],
      }
    }),
    wrong: play.wrong,
    check: puzzle.check,
    canCheck: puzzle.check === 'at-end' && !finished && !play.lies.includes(null),
    teams: turnsShown(play.teams),
    finished,
  }
}

const score: SortingCourse['score'] = ({ items }, { right, points, tried }) => ({
  right,
  total: items.length,
  points,
  misses: tried.reduce((sum, { length }) => sum + length, 0),
})

const doing: SortingCourse['doing'] = ({ items }, { lies }) => ({
  code: 'sorted',
  values: { count: lies.filter((one) => one !== null).length, of: items.length },
})

export const course: SortingCourse = { teamsIn: ({ teams }) => teams, start, move, finish, score, doing }
