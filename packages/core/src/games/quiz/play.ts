import { z } from 'zod'
import type { Doing, GivenDetail, Question, Response, Shared, Timed, Turn } from '../contract.ts'
import { Finish, type Course, type PlayLife, type Turned } from '../playing.ts'
import { responseOf } from '../response.ts'
import type { PlayRules } from '../rules.ts'
import type { Random } from '../../random/random.ts'
import { detailOf, judge, type Judged } from './judge.ts'
import type { QuizPuzzle, QuizQuestion } from './puzzle.ts'
import { pointsFor } from './points.ts'

/** How a student answers. */
export const ANSWERS = [
  z.object({ type: z.literal('choose'), choices: z.array(z.number().int().min(0).max(20)).max(20) }),
  z.object({ type: z.literal('type'), text: z.string().max(2000) }),
  z.object({ type: z.literal('claim'), isTrue: z.boolean() }),
] as const

/** What a student can do: begin after the cards, answer, ask for the hint, tell that time is up, go on, or stop. */
export const QuizMove = z.discriminatedUnion('type', [
  z.object({ type: z.literal('begin') }),
  ...ANSWERS,
  z.object({ type: z.literal('hint') }),
  z.object({ type: z.literal('late') }),
  z.object({ type: z.literal('next') }),
  Finish,
])
export type QuizMove = z.infer<typeof QuizMove>

/** Time that a slow connection may take, and by which a clock may run ahead; in milliseconds. */
const GRACE = 3000

const EARLY = 1500

/** An answer given in the first round. */
export interface Answered extends Judged {
  question: number
  points: number
  outcome: Response['outcome']
}

/** How a play stands. Times are on its own clock. */
export interface QuizPlay extends PlayLife {
  askedAt: number
  phase: 'cards' | 'asking' | 'told' | 'done'
  /** 1, and 2 while what was missed is asked again. */
  round: 1 | 2
  /** Numbers of the questions to come, the current one first. */
  queue: number[]
  hinted: boolean
  hints: number
  /** What came of the answer just given. */
  last: Answered | null
  answers: Answered[]
  /** Where all were asked the same, and it is over: what was asked of this player. What was not is missed by nobody. */
  asked?: number[]
  /** Questions of the second round, and those answered right in it. */
  secondAsked: number[]
  secondRight: number[]
}

/** Returns the numbers of questions in the order in which a play asks them. */
function mixed(questions: readonly QuizQuestion[], { order, together }: PlayRules, random: Random): number[] {
  const all = [...questions.keys()]
  if (order !== 'mixed') return all
  if (!together) return random.shuffled(all)
  const groups = [...new Set(questions.map(({ group }) => group))]
  return groups.flatMap((group) => random.shuffled(all.filter((number) => questions[number]!.group === group)))
}

const start: QuizCourse['start'] = ({ questions, cards }, { random, rules, shared }) => {
  const all = [...questions.keys()]
  return {
    askedAt: 0,
    phase: cards && !shared?.inStep && questions.some(({ scored }) => scored) ? 'cards' : 'asking',
    round: 1,
    queue: shared?.inStep ? stillToAsk(all, shared) : mixed(questions, rules, random),
    hinted: false,
    hints: 0,
    last: null,
    answers: [],
    secondAsked: [],
    secondRight: [],
  }
}

/** Who comes late begins with the question that stands. */
function stillToAsk(all: readonly number[], { standing, asked = [] }: Shared): number[] {
  const gone = new Set(asked.filter((place) => place !== standing?.place))
  return all.filter((place) => !gone.has(place))
}

const move: QuizCourse['move'] = (puzzle, play, made, turn) => {
  const { clock } = turn
  if (turn.shared?.inStep) return moveInStep(puzzle, play, made, turn)
  if (made.type === 'begin')
    return { play: play.phase === 'cards' ? { ...play, phase: 'asking', askedAt: clock } : play }
  if (made.type === 'next') return play.phase === 'told' ? next(puzzle, play, turn) : { play }
  if (play.phase !== 'asking') return { play }
  const question = puzzle.questions[play.queue[0]!]!
  if (made.type === 'hint') {
    const there = question.hint !== '' && !play.hinted
    return { play: there ? { ...play, hinted: true, hints: play.hints + 1 } : play }
  }
  const taken = clock - play.askedAt
  if (made.type === 'late') {
    // A phone's clock is never believed: only the server's says that time is up.
    return question.seconds === 0 || taken < question.seconds * 1000 - EARLY
      ? { play }
      : settle(puzzle, play, NOTHING, { type: 'nothing' }, turn)
  }
  const late = question.seconds > 0 && taken > question.seconds * 1000 + GRACE
  const judged = judge(puzzle, question, made, turn.knowledge)
  if (!judged) return { play }
  return settle(puzzle, play, late ? { ...judged, right: false } : judged, detailOf(question, made, judged), turn)
}

/** What is given where no answer came. */
const NOTHING: Judged = { right: false, given: '', accepted: '', why: 'none' }

/** Notes what came of the current question. Only the first round counts. */
function settle(
  puzzle: QuizPuzzle,
  play: QuizPlay,
  judged: Judged,
  detail: GivenDetail,
  turn: Turn,
  milliseconds = turn.clock - play.askedAt,
): Turned<QuizPlay> {
  const index = play.queue[0]!
  const question = puzzle.questions[index]!
  const outcome = !question.scored ? 'opinion' : judged.right ? 'right' : detail.type === 'nothing' ? 'passed' : 'wrong'
  const points = outcome === 'right' && play.round === 1 ? pointsFor(puzzle, question, milliseconds, play.hinted) : 0
  const last: Answered = { ...judged, question: index, points, outcome }
  const told = { ...play, phase: 'told' as const, last }
  const settled =
    play.round === 1
      ? { ...told, answers: [...play.answers, last] }
      : { ...told, secondRight: judged.right ? [...play.secondRight, index] : play.secondRight }
  const responses = [
    responseOf({
      entryId: question.entryId,
      outcome,
      given: judged.given,
      detail,
      points,
      hints: play.hinted ? 1 : 0,
      milliseconds,
      ...(play.round === 1
        ? { place: play.answers.length }
        : { round: 'second', counts: false, place: play.secondAsked.indexOf(index) }),
    }),
  ]
  // Where nothing is told before the end, the next question comes at once.
  return turn.rules.telling === 'at-end' && !turn.shared?.inStep
    ? { ...next(puzzle, settled, turn), responses }
    : { play: settled, responses }
}

/** Goes on to the next question, to what was missed, or to the end. Asking again would tell what was wrong. */
function next(puzzle: QuizPuzzle, play: QuizPlay, { clock, rules }: Turn): Turned<QuizPlay> {
  const queue = play.queue.slice(1)
  const asking = { ...play, phase: 'asking' as const, hinted: false, last: null, askedAt: clock }
  if (queue.length > 0) return { play: { ...asking, queue } }
  const asksAgain = puzzle.second && play.round === 1 && rules.second && rules.telling === 'at-once'
  const missed = play.answers
    .filter(({ outcome }) => asksAgain && (outcome === 'wrong' || outcome === 'passed'))
    .map(({ question }) => question)
  if (missed.length > 0) return { play: { ...asking, round: 2, queue: missed, secondAsked: missed } }
  return { play: { ...asking, phase: 'done', queue: [] }, isOver: true }
}

/** A move where all are asked the same: an answer to the question that stands, while it can be answered. */
function moveInStep(puzzle: QuizPuzzle, play: QuizPlay, made: QuizMove, turn: Turn): Turned<QuizPlay> {
  const standing = turn.shared?.standing
  if (!standing) return { play }
  const { play: here, responses = [] } = follow(puzzle, play, turn)
  const question = puzzle.questions[standing.place]
  if (!question || !standing.open || here.queue[0] !== standing.place) return { play }
  if (made.type === 'hint') {
    const there = question.hint !== '' && !here.hinted && here.phase === 'asking'
    return there ? { play: { ...here, hinted: true, hints: here.hints + 1 }, responses } : { play }
  }
  if (made.type !== 'choose' && made.type !== 'type' && made.type !== 'claim') return { play }
  if (here.phase === 'told' && !standing.change) return { play }
  const judged = judge(puzzle, question, made, turn.knowledge)
  if (!judged) return { play }
  const again = here.phase === 'told' ? { ...here, answers: here.answers.slice(0, -1) } : here
  const taken = Math.max(0, turn.now - standing.openedAt)
  const settled = settle(puzzle, again, judged, detailOf(question, made, judged), turn, taken)
  return { ...settled, responses: [...responses, ...(settled.responses ?? [])] }
}

/** Brings a play to the question that all are asked: what it was asked before, and did not answer, is passed over. */
const follow: NonNullable<QuizCourse['follow']> = (puzzle, play, turn) => {
  const { standing, asked = [] } = turn.shared ?? {}
  let here = play
  const responses: Response[] = []
  const passOver = (): void => {
    if (here.phase !== 'asking') return
    const milliseconds = puzzle.questions[here.queue[0]!]!.seconds * 1000
    const settled = settle(puzzle, here, NOTHING, { type: 'nothing' }, turn, milliseconds)
    here = settled.play
    responses.push(...(settled.responses ?? []))
  }
  for (const place of asked) {
    if (!here.queue.includes(place)) continue
    if (here.queue[0] !== place) here = broughtTo(here, place, turn)
    if (place !== standing?.place || !standing.open) passOver()
  }
  return { play: here, responses }
}

/** Goes on to a question that is asked of all; what was answered before it is behind. */
function broughtTo(play: QuizPlay, place: number, { clock }: Turn): QuizPlay {
  const left = play.phase === 'told' ? play.queue.slice(1) : play.queue
  const queue = [place, ...left.filter((one) => one !== place)]
  return { ...play, phase: 'asking', hinted: false, last: null, askedAt: clock, queue }
}

const finish: QuizCourse['finish'] = (puzzle, play, { shared }) => {
  if (shared?.inStep) {
    const asked = play.answers.map(({ question }) => question)
    return { play: { ...play, phase: 'done', last: null, queue: [], asked } }
  }
  const answered = new Set(play.answers.map(({ question }) => question))
  const rest = play.round === 1 ? play.queue.filter((question) => !answered.has(question)) : []
  const passed = rest.map((question): Answered => ({
    question,
    right: false,
    given: '',
    accepted: '',
    why: 'none',
    points: 0,
    outcome: puzzle.questions[question]!.scored ? 'passed' : 'opinion',
  }))
  return { play: { ...play, phase: 'done', last: null, queue: [], answers: [...play.answers, ...passed] } }
}

/** Returns the score of the first round: opinions don't count. What others can still answer is told to nobody. */
const score: QuizCourse['score'] = ({ questions }, play, shared) => {
  const isOpen = shared?.standing?.open && play.last?.question === shared.standing.place
  const answers = isOpen ? play.answers.slice(0, -1) : play.answers
  return {
    right: answers.filter(({ outcome }) => outcome === 'right').length,
    total: (play.asked ? play.asked.map((question) => questions[question]!) : questions).filter(({ scored }) => scored)
      .length,
    points: answers.reduce((sum, { points }) => sum + points, 0),
    hints: play.hints,
  }
}

/** What a play is doing: looking at the cards, at a question, or at one asked again. */
const doing: QuizCourse['doing'] = ({ questions }, { phase, round, queue, secondAsked }): Doing => {
  if (phase === 'cards') return { code: 'cards', values: {} }
  const of = round === 1 ? questions.length : secondAsked.length
  return { code: round === 1 ? 'question' : 'again', values: { number: of - queue.length + 1, of } }
}

type QuizCourse = Course<QuizPuzzle, QuizPlay, QuizMove>

export const course: QuizCourse = { hints: ['hint'], start, move, follow, finish, score, doing }

export function questionsOf({ questions }: QuizPuzzle, { asked }: QuizPlay): Question[] {
  const all = asked ? asked.map((question) => questions[question]!) : questions
  return all.map(({ entryId, answer, prompt, scored }) => ({
    entryId,
    text: answer.text.trim() || prompt.text.trim(),
    counts: scored,
  }))
}

/** Returns which questions were asked; nothing where all are. */
export function questionsKey({ questions }: QuizPuzzle, { asked }: QuizPlay): string {
  return asked && asked.length < questions.length ? asked.join(' ') || 'none' : ''
}

/** A question, and whether it stands or is answered. */
export function moment(_puzzle: QuizPuzzle, { round, queue, phase }: QuizPlay): string {
  return [round, queue.length, phase, ...queue.slice(0, 1)].join(' ')
}

/** The time for the question that stands is over, with what a slow connection may take. */
export const timed: Timed<QuizPuzzle, QuizPlay, QuizMove> = {
  deadline: ({ questions }, { phase, queue, askedAt }, { shared }) => {
    if (shared?.inStep) return null
    const seconds = phase === 'asking' ? questions[queue[0]!]!.seconds : 0
    return seconds > 0 ? askedAt + seconds * 1000 + GRACE + 1 : null
  },
  grace: GRACE + 1,
  timeUp: { type: 'late' },
}

/** What all can be asked at once, with the time there is for it. */
export function stepsOf({ questions }: QuizPuzzle): { entryId: string; seconds: number }[] {
  return questions.map(({ entryId, seconds }) => ({ entryId, seconds }))
}

/** Opinions that this player has given: now he may see the others'. */
export function opinions({ questions }: QuizPuzzle, { answers, phase, last }: QuizPlay): string[] {
  const shown = phase === 'done' ? answers : last ? [last] : []
  return shown
    .filter(({ question, given }) => !questions[question]!.scored && given !== '')
    .map(({ question }) => questions[question]!.entryId)
}
