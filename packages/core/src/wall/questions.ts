import { z } from 'zod'
import type { Face } from '../list/face.ts'
import type { Response, Turn } from '../games/contract.ts'
import type { Turned } from '../games/playing.ts'
import { responseOf } from '../games/response.ts'
import type { TeamLife } from './teamed.ts'
import { credited, MOST_TEAMS, nextTurn, timerOf } from './teams.ts'

/** A question that teams are asked at the wall: they say the answer, and the teacher judges. */
export interface WallQuestion {
  entryId: string
  prompt: Face
  answer: Face
  hint: string
  fact: string
}

/** What a team's answer came to, and what the team got for it: below 0 where it lost. */
export interface Verdict {
  team: number
  outcome: 'right' | 'wrong' | 'passed'
  points: number
}

/** The question that stands open. */
interface OpenQuestion {
  item: number
  /** The team that answers now, where one does. */
  answering: number
  /** Whether all teams answer, in writing. */
  everyone: boolean
  hinted: boolean
  revealed: boolean
  /** Whether nobody answers any more; it can still be judged otherwise. */
  over: boolean
  /** Whether it was met before, and is only looked at again. */
  again: boolean
  /** When it was opened, on the play's clock. */
  at: number
}

/** What a play has in which questions are opened one by one. */
export interface QuestionLife extends TeamLife {
  open: OpenQuestion | null
  /** What each item came to; null where it was not met. */
  met: (Verdict[] | null)[]
  hints: number
}

/** How questions are asked in a play. */
export interface QuestionRules<Play> {
  questions: readonly WallQuestion[]
  everyone(play: Play, item: number): boolean
  /** How many teams may try, one after the other, where not everyone answers. */
  tries: number
  /** What a right answer is worth, and what a wrong one costs, both 0 or above. */
  gain(play: Play, item: number, team: number): number
  loss(play: Play, item: number, team: number): number
  /** Time for a question; 0 for none. */
  seconds: number
}

const Item = z.number().int().min(0).max(999)

/** What a teacher does with questions: opens one, shows hint and answer, judges, passes on, closes. */
export const QUESTION_MOVES = [
  z.object({ type: z.literal('open'), item: Item }),
  z.object({ type: z.literal('hint') }),
  z.object({ type: z.literal('reveal') }),
  z.object({
    type: z.literal('judge'),
    right: z.boolean(),
    /** The team that answers now, unless it says another. */
    team: z
      .number()
      .int()
      .min(0)
      .max(MOST_TEAMS - 1)
      .optional(),
  }),
  z.object({ type: z.literal('pass-on') }),
  z.object({ type: z.literal('nobody') }),
  z.object({ type: z.literal('close') }),
] as const
export type QuestionMove = z.infer<(typeof QUESTION_MOVES)[number]>

/** Returns how a play begins in which so many questions can be asked. */
export function noQuestions(count: number): Pick<QuestionLife, 'open' | 'met' | 'hints'> {
  return { open: null, met: Array.from({ length: count }, () => null), hints: 0 }
}

/** Applies a move about questions. Returns the very play where it changes nothing. */
export function questionMoved<Play extends QuestionLife>(
  rules: QuestionRules<Play>,
  play: Play,
  move: QuestionMove,
  turn: Turn,
): Turned<Play> {
  if (move.type === 'open') return { play: opened(rules, play, move.item, turn) }
  const { open } = play
  if (!open) return { play }
  switch (move.type) {
    case 'hint':
      return {
        play:
          open.hinted || open.over || rules.questions[open.item]!.hint === ''
            ? play
            : { ...play, open: { ...open, hinted: true }, hints: play.hints + 1 },
      }
    case 'reveal':
      return { play: open.revealed ? play : { ...play, open: { ...open, revealed: true } } }
    case 'judge':
      return judged(rules, play, open, move, turn)
    case 'pass-on':
      return passedOn(rules, play, open, turn)
    case 'nobody':
      return open.over ? { play } : withoutAnswers(rules, play, open, turn)
    case 'close':
      return { play: closed(play, open) }
  }
}

function opened<Play extends QuestionLife>(rules: QuestionRules<Play>, play: Play, item: number, turn: Turn): Play {
  if (play.open || item >= rules.questions.length) return play
  const again = play.met[item] !== null
  const open: OpenQuestion = {
    item,
    answering: play.teams.turn,
    everyone: rules.everyone(play, item),
    hinted: false,
    revealed: again,
    over: again,
    again,
    at: turn.clock,
  }
  const { seconds } = rules
  const teams = seconds > 0 && !again ? { ...play.teams, timer: timerOf(seconds, turn.now) } : play.teams
  return { ...play, open, teams }
}

/** Returns the verdicts of an item with one of a team: in the place of an earlier one, or after all others. */
function withVerdict(verdicts: readonly Verdict[], verdict: Verdict): Verdict[] {
  return verdicts.some(({ team }) => team === verdict.team)
    ? verdicts.map((one) => (one.team === verdict.team ? verdict : one))
    : [...verdicts, verdict]
}

/** Gives a team a verdict on the open question; what it had for an earlier one is taken back. */
function noted<Play extends QuestionLife>(
  { questions }: QuestionRules<Play>,
  play: Play,
  open: OpenQuestion,
  verdict: Verdict,
  { clock }: Turn,
): { play: Play; response: Response } {
  const before = play.met[open.item] ?? []
  const had = before.find(({ team }) => team === verdict.team)?.points ?? 0
  const verdicts = withVerdict(before, verdict)
  const occasion = verdicts.findIndex(({ team }) => team === verdict.team)
  const { entryId, answer } = questions[open.item]!
  const others = play.met.filter((one, item) => one !== null && item !== open.item).length
  return {
    play: {
      ...play,
      met: play.met.map((one, item) => (item === open.item ? verdicts : one)),
      teams: credited(play.teams, verdict.team, verdict.points - had),
    },
    response: responseOf({
      entryId,
      outcome: verdict.outcome,
      occasion,
      // Of the class as one, whoever answered first counts; each team's own stands beside it.
      counts: occasion === 0,
      given: verdict.outcome === 'right' ? answer.text.trim() : '',
      points: Math.max(0, verdict.points),
      hints: open.hinted ? 1 : 0,
      milliseconds: clock - open.at,
      place: others,
      team: verdict.team,
    }),
  }
}

function judged<Play extends QuestionLife>(
  rules: QuestionRules<Play>,
  play: Play,
  open: OpenQuestion,
  { right, team = open.answering }: Extract<QuestionMove, { type: 'judge' }>,
  turn: Turn,
): Turned<Play> {
  const count = play.teams.points.length
  if (team >= count) return { play }
  const outcome = right ? 'right' : 'wrong'
  const before = play.met[open.item] ?? []
  if (before.some((one) => one.team === team && one.outcome === outcome)) return { play }
  const points = right ? rules.gain(play, open.item, team) : -rules.loss(play, open.item, team)
  const { play: after, response } = noted(rules, play, open, { team, outcome, points }, turn)
  const isLast = after.met[open.item]!.length === (open.everyone ? count : Math.min(count, rules.tries))
  const over = open.over || isLast || (right && !open.everyone)
  return {
    play: {
      ...after,
      open: { ...open, over, revealed: open.revealed || over },
      teams: over ? { ...after.teams, timer: null } : after.teams,
    },
    responses: [response],
  }
}

/** Returns the next team without a verdict on the open question, after the one that answers. */
export function nextToTry({ met, teams }: QuestionLife, { item, answering }: OpenQuestion): number {
  const tried = new Set(met[item]?.map(({ team }) => team))
  let team = nextTurn(answering, teams.points.length)
  while (tried.has(team) && team !== answering) team = nextTurn(team, teams.points.length)
  return team
}

function passedOn<Play extends QuestionLife>(
  rules: QuestionRules<Play>,
  play: Play,
  open: OpenQuestion,
  turn: Turn,
): Turned<Play> {
  if (open.over || open.everyone) return { play }
  // A team that was wrong has answered; else it has passed.
  const { play: after, responses } = isJudged(play, open)
    ? { play, responses: [] }
    : passed(rules, play, open, open.answering, turn)
  const isLast = after.met[open.item]!.length >= Math.min(play.teams.points.length, rules.tries)
  const { seconds } = rules
  return {
    play: {
      ...after,
      open: isLast ? { ...open, over: true, revealed: true } : { ...open, answering: nextToTry(after, open) },
      teams: {
        ...after.teams,
        timer: isLast ? null : seconds > 0 ? timerOf(seconds, turn.now) : after.teams.timer,
      },
    },
    responses,
  }
}

/** Whether the team that answers now has a verdict. */
export function isJudged({ met }: QuestionLife, { item, answering }: OpenQuestion): boolean {
  return met[item]?.some(({ team }) => team === answering) ?? false
}

function passed<Play extends QuestionLife>(
  rules: QuestionRules<Play>,
  play: Play,
  open: OpenQuestion,
  team: number,
  turn: Turn,
): { play: Play; responses: Response[] } {
  const { play: after, response } = noted(rules, play, open, { team, outcome: 'passed', points: 0 }, turn)
  return { play: after, responses: [response] }
}

/** Ends the open question: whoever was asked and has not answered has passed. */
function withoutAnswers<Play extends QuestionLife>(
  rules: QuestionRules<Play>,
  play: Play,
  open: OpenQuestion,
  turn: Turn,
): Turned<Play> {
  const verdicts = play.met[open.item] ?? []
  const asked = open.everyone ? [...play.teams.points.keys()] : [open.answering]
  let after = play
  const responses: Response[] = []
  for (const team of asked) {
    if (verdicts.some((one) => one.team === team)) continue
    const step = passed(rules, after, open, team, turn)
    after = step.play
    responses.push(...step.responses)
  }
  return {
    play: {
      ...after,
      open: { ...open, over: true, revealed: true },
      teams: { ...after.teams, timer: null },
    },
    responses,
  }
}

/** Goes back to where questions are chosen: one that nobody answered is as if it had not been opened. */
function closed<Play extends QuestionLife>(play: Play, { item, again }: OpenQuestion): Play {
  const isMet = play.met[item] !== null && !again
  const { turn, points } = play.teams
  return {
    ...play,
    open: null,
    teams: { ...play.teams, turn: isMet ? nextTurn(turn, points.length) : turn, timer: null },
  }
}
