import { z } from 'zod'
import type { Random } from '../../random/random.ts'
import {
  noQuestions,
  QUESTION_MOVES,
  questionMoved,
  type QuestionLife,
  type QuestionRules,
} from '../../wall/questions.ts'
import { questionScore, questionView, type QuestionView } from '../../wall/questionView.ts'
import type { TeamCourse } from '../../wall/teamed.ts'
import { credited, MOST_TEAMS, turnsShown } from '../../wall/teams.ts'
import type { Sight } from '../contract.ts'
import { Finish } from '../playing.ts'
import type { TwistLevel } from './options.ts'
import type { PebblesPuzzle } from './puzzle.ts'
import {
  effectOf,
  hideTwists,
  lastQuarter,
  narrows,
  needsAnswer,
  turnsLeft,
  type HiddenTwist,
  type Twist,
} from './twists.ts'

/** What is done in the riverbed: a pebble turned, judged, put aside; or all of it ended. */
export const PebblesMove = z.discriminatedUnion('type', [...QUESTION_MOVES, Finish])
export type PebblesMove = z.infer<typeof PebblesMove>

/** What a twist brought, as it is shown: points for each team, and whether the same team goes again. */
export interface TwistEvent {
  twist: Twist | 'narrows'
  team: number
  changes: number[]
  again: boolean
}

/** How a play stands. */
export interface PebblesPlay extends QuestionLife {
  values: number[]
  hidden: (HiddenTwist | null)[]
  /** What has just happened, in its order: shown until the next step. */
  events: TwistEvent[]
}

/** All that a screen may know. */
export interface PebblesView {
  pebbles: { state: 'there' | 'used'; team: number | null }[]
  question: QuestionView | null
  /** What the open pebble is worth. */
  value: number
  /** A twist that needs the answer to the open pebble; null for none. */
  twist: Twist | null
  events: TwistEvent[]
  level: TwistLevel
  left: number
  teams: { points: number; turn: boolean }[]
  finished: boolean
}

type PebblesCourse = TeamCourse<PebblesPuzzle, PebblesPlay, PebblesMove>

/** Values that are drawn for pebbles whose value is hidden. */
const HIDDEN_VALUES = [5, 10, 10, 15, 20]
/** How many teams may try, by who may answer. */
const TRIES = { team: 1, next: 2, all: MOST_TEAMS }

function rulesOf({ questions, answers, wrong, seconds }: PebblesPuzzle): QuestionRules<PebblesPlay> {
  return {
    questions,
    everyone: () => answers === 'all',
    tries: TRIES[answers],
    gain: ({ values }, item) => values[item]!,
    loss: ({ values, teams }, item, team) =>
      wrong === 'points' ? values[item]! : wrong === 'everything' ? Math.max(0, teams.points[team]!) : 0,
    seconds,
  }
}

const start: PebblesCourse['start'] = ({ questions, values, twists, teams: usual }, { random, teams = usual }) => ({
  ...noQuestions(questions.length),
  values: questions.map(({ value }) => (values === 'hidden' ? hiddenValue(random) : value)),
  hidden: hideTwists(teams > 1 ? twists : 'off', { pebbles: questions.length, teams }, random),
  events: [],
})

function hiddenValue(random: Random): number {
  return HIDDEN_VALUES[random.below(HIDDEN_VALUES.length)]!
}

const move: PebblesCourse['move'] = (puzzle, play, made, turn) => {
  const clear = play.events.length > 0 ? { ...play, events: [] } : play
  if (made.type === 'close' && !play.open) return { play: clear }
  const step = questionMoved(rulesOf(puzzle), play, made, turn)
  if (step.play === play) return step
  const after = { ...step.play, events: [] }
  if (made.type !== 'close' || play.open!.again || after.met[play.open!.item] === null) return { ...step, play: after }
  return { ...step, play: twisted(puzzle, after, play), isOver: leftOf(after) === 0 }
}

/** Returns a play with what the pebble that was just put aside brings about. */
function twisted(puzzle: PebblesPuzzle, play: PebblesPlay, { open, teams: before }: PebblesPlay): PebblesPlay {
  const { item } = open!
  const team = before.turn
  const hidden = play.hidden[item]
  let after = play
  if (hidden) {
    const outcome = play.met[item]!.find((verdict) => verdict.team === team)?.outcome
    const { changes, again } = effectOf(hidden, {
      points: play.teams.points,
      team,
      right: outcome === 'right' ? true : outcome === 'wrong' ? false : null,
      value: play.values[item]!,
    })
    // What changes nothing has not happened.
    if (again || changes.some((change) => change !== 0)) {
      after = changed(after, { twist: hidden.twist, team, changes, again })
      if (again) after = { ...after, teams: { ...after.teams, turn: team } }
    }
  }
  const left = leftOf(after)
  if (puzzle.twists !== 'lively' || after.teams.points.length < 2 || left !== lastQuarter(puzzle.questions.length))
    return after
  const { points, turn } = after.teams
  const least = Math.max(1, Math.min(...after.values.filter((_, one) => after.met[one] === null)))
  const lift = narrows(points, turnsLeft(left, turn, { teams: points.length, answers: puzzle.answers }), least)
  return lift.some((change) => change > 0)
    ? changed(after, { twist: 'narrows', team: turn, changes: lift, again: false })
    : after
}

function changed(play: PebblesPlay, event: TwistEvent): PebblesPlay {
  const teams = event.changes.reduce((state, change, team) => credited(state, team, change), play.teams)
  return { ...play, teams, events: [...play.events, event] }
}

function leftOf({ met }: PebblesPlay): number {
  return met.filter((verdicts) => verdicts === null).length
}

export function view(puzzle: PebblesPuzzle, play: PebblesPlay, { audience, rules }: Sight): PebblesView {
  const { open, met, hidden, values, events } = play
  const under = open && !open.again ? hidden[open.item] : null
  return {
    pebbles: met.map((verdicts) => ({
      state: verdicts ? 'used' : 'there',
      team: verdicts?.find(({ outcome }) => outcome === 'right')?.team ?? null,
    })),
    question: questionView(play, puzzle.questions, { audience, hints: rules.hints, tries: TRIES[puzzle.answers] }),
    value: open ? values[open.item]! : 0,
    twist: under && needsAnswer(under.twist) ? under.twist : null,
    events,
    level: play.teams.points.length > 1 ? puzzle.twists : 'off',
    left: leftOf(play),
    teams: turnsShown(play.teams),
    finished: play.finishedAt !== null,
  }
}

const finish: PebblesCourse['finish'] = (_puzzle, play) => ({
  play: { ...play, open: null, events: [], teams: { ...play.teams, timer: null } },
})

const score: PebblesCourse['score'] = ({ questions }, play) => questionScore(play, questions.length)

const doing: PebblesCourse['doing'] = (_puzzle, play) => ({ code: 'pebbles', values: { left: leftOf(play) } })

export const course: PebblesCourse = {
  hints: ['hint'],
  teamsIn: ({ teams }) => teams,
  start,
  move,
  finish,
  score,
  doing,
}
