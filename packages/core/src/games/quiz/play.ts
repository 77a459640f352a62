import { z } from 'zod'
import type { GivenDetail, Question, Response, Score, Step, When } from '../contract.ts'
import { responseOf } from '../response.ts'
import { detailOf, judge, type Judged } from './judge.ts'
import type { QuizPuzzle, QuizQuestion } from './puzzle.ts'

/** What a student can do: begin after the cards, answer, ask for the hint, tell that time is up, go on, or stop. */
export const QuizMove = z.discriminatedUnion('type', [
  z.object({ type: z.literal('begin') }),
  z.object({ type: z.literal('choose'), choices: z.array(z.number().int().min(0).max(20)).max(20) }),
  z.object({ type: z.literal('type'), text: z.string().max(2000) }),
  z.object({ type: z.literal('claim'), isTrue: z.boolean() }),
  z.object({ type: z.literal('hint') }),
  z.object({ type: z.literal('late') }),
  z.object({ type: z.literal('next') }),
  z.object({ type: z.literal('finish') }),
])
export type QuizMove = z.infer<typeof QuizMove>

/** What is left of the points after the hint. */
const AFTER_HINT = 0.7
/** Share of the points that goes to the quick, and the time for it where there is no limit, in seconds. */
const SPEED = { off: 0, gentle: 0.2, strong: 0.5 }
const UNHURRIED = 20
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
export interface QuizPlay {
  lastAt: number
  askedAt: number
  finishedAt: number | null
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
  /** Questions of the second round, and those answered right in it. */
  secondAsked: number[]
  secondRight: number[]
}

export function start({ questions, cards }: QuizPuzzle): QuizPlay {
  return {
    lastAt: 0,
    askedAt: 0,
    finishedAt: null,
    phase: cards && questions.some(({ scored }) => scored) ? 'cards' : 'asking',
    round: 1,
    queue: [...questions.keys()],
    hinted: false,
    hints: 0,
    last: null,
    answers: [],
    secondAsked: [],
    secondRight: [],
  }
}

export function move(puzzle: QuizPuzzle, play: QuizPlay, asked: QuizMove, { clock }: When): Step<QuizPlay> {
  if (play.finishedAt !== null) return { play, responses: [] }
  const now = Math.max(clock, play.lastAt)
  if (asked.type === 'finish') return finish(puzzle, play, now)
  if (asked.type === 'begin')
    return {
      play: play.phase === 'cards' ? { ...play, phase: 'asking', askedAt: now, lastAt: now } : play,
      responses: [],
    }
  if (asked.type === 'next') return { play: play.phase === 'told' ? next(puzzle, play, now) : play, responses: [] }
  if (play.phase !== 'asking') return { play, responses: [] }
  const question = puzzle.questions[play.queue[0]]
  if (asked.type === 'hint') {
    const there = question.hint !== '' && !play.hinted
    return { play: there ? { ...play, hinted: true, hints: play.hints + 1, lastAt: now } : play, responses: [] }
  }
  const taken = now - play.askedAt
  if (asked.type === 'late') {
    // A phone's clock is never believed: only the server's says that time is up.
    return question.seconds === 0 || taken < question.seconds * 1000 - EARLY
      ? { play, responses: [] }
      : settle(puzzle, play, { right: false, given: '', accepted: '', why: 'none' }, { type: 'nothing' }, now)
  }
  const late = question.seconds > 0 && taken > question.seconds * 1000 + GRACE
  const judged = judge(puzzle, question, asked)
  if (!judged) return { play, responses: [] }
  return settle(puzzle, play, late ? { ...judged, right: false } : judged, detailOf(question, asked, judged), now)
}

/** Notes what came of the current question. Only the first round counts. */
function settle(puzzle: QuizPuzzle, play: QuizPlay, judged: Judged, detail: GivenDetail, now: number): Step<QuizPlay> {
  const [index] = play.queue
  const question = puzzle.questions[index]
  const milliseconds = now - play.askedAt
  const outcome = !question.scored ? 'opinion' : judged.right ? 'right' : detail.type === 'nothing' ? 'passed' : 'wrong'
  const points = outcome === 'right' && play.round === 1 ? pointsFor(puzzle, question, milliseconds, play.hinted) : 0
  const last: Answered = { ...judged, question: index, points, outcome }
  const told = { ...play, phase: 'told' as const, last, lastAt: now }
  return {
    play:
      play.round === 1
        ? { ...told, answers: [...play.answers, last] }
        : { ...told, secondRight: judged.right ? [...play.secondRight, index] : play.secondRight },
    responses: [
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
    ],
  }
}

function pointsFor(
  { speed }: QuizPuzzle,
  { worth, seconds }: QuizQuestion,
  milliseconds: number,
  hinted: boolean,
): number {
  const used = Math.min(1, milliseconds / 1000 / (seconds || UNHURRIED))
  return Math.round(worth * (1 - SPEED[speed] * used) * (hinted ? AFTER_HINT : 1))
}

function next(puzzle: QuizPuzzle, play: QuizPlay, now: number): QuizPlay {
  const queue = play.queue.slice(1)
  const asking = { ...play, phase: 'asking' as const, hinted: false, last: null, askedAt: now, lastAt: now }
  if (queue.length > 0) return { ...asking, queue }
  const missed =
    puzzle.second && play.round === 1
      ? play.answers
          .filter(({ outcome }) => outcome === 'wrong' || outcome === 'passed')
          .map(({ question }) => question)
      : []
  if (missed.length > 0) return { ...asking, round: 2, queue: missed, secondAsked: missed }
  return { ...asking, phase: 'done', queue: [], finishedAt: now }
}

function finish(puzzle: QuizPuzzle, play: QuizPlay, now: number): Step<QuizPlay> {
  const answered = new Set(play.answers.map(({ question }) => question))
  const rest = play.round === 1 ? play.queue.filter((question) => !answered.has(question)) : []
  const passed = rest.map((question): Answered => ({
    question,
    right: false,
    given: '',
    accepted: '',
    why: 'none',
    points: 0,
    outcome: puzzle.questions[question].scored ? 'passed' : 'opinion',
  }))
  return {
    play: {
      ...play,
      phase: 'done',
      last: null,
      queue: [],
      answers: [...play.answers, ...passed],
      lastAt: now,
      finishedAt: now,
    },
    responses: [],
  }
}

/** Gives the score of the first round: opinions don't count. */
export function score({ questions }: QuizPuzzle, play: QuizPlay): Score {
  return {
    right: play.answers.filter(({ outcome }) => outcome === 'right').length,
    total: questions.filter(({ scored }) => scored).length,
    points: play.answers.reduce((sum, { points }) => sum + points, 0),
    bonus: 0,
    hints: play.hints,
    misses: 0,
    finished: play.finishedAt !== null,
    milliseconds: play.finishedAt ?? play.lastAt,
  }
}

export function asked({ questions }: QuizPuzzle): Question[] {
  return questions.map(({ entryId, answer, prompt, scored }) => ({
    entryId,
    text: answer.text.trim() || prompt.text.trim(),
    counts: scored,
  }))
}

/** A question, and whether it stands or is answered. */
export function moment(_puzzle: QuizPuzzle, { round, queue, phase }: QuizPlay): string {
  return `${round} ${queue.length} ${phase}`
}

/** When the time for the question that stands is over, with what a slow connection may take. */
export function deadline({ questions }: QuizPuzzle, { phase, queue, askedAt }: QuizPlay): number | null {
  const seconds = phase === 'asking' ? questions[queue[0]].seconds : 0
  return seconds > 0 ? askedAt + seconds * 1000 + GRACE + 1 : null
}

/** Opinions that this player has given: now he may see the others'. */
export function opinions({ questions }: QuizPuzzle, { answers, phase, last }: QuizPlay): string[] {
  const shown = phase === 'done' ? answers : last ? [last] : []
  return shown
    .filter(({ question, given }) => !questions[question].scored && given !== '')
    .map(({ question }) => questions[question].entryId)
}
