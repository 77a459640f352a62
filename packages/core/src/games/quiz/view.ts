import type { Ahead, Sight, Standing } from '../contract.ts'
import { revealedFace, shownFace, shownTogether, type ShownFace } from '../shownFace.ts'
import { wordsOf, type Judged } from './judge.ts'
import { moment, type Answered, type QuizMove, type QuizPlay } from './play.ts'
import type { QuizPuzzle, QuizQuestion } from './puzzle.ts'

/** The question that stands, without its answer. */
export interface AskedQuestion {
  entryId: string
  form: QuizQuestion['form']
  prompt: ShownFace
  choices: ShownFace[]
  /** Whether several choices are right. */
  several: boolean
  scored: boolean
  worth: number
  seconds: number
  hasHint: boolean
  hint: string | null
  number: number
  of: number
}

/** What a player is told after an answer. */
export interface ToldAnswer {
  right: boolean
  scored: boolean
  late: boolean
  given: string
  /** The answers that were right, in words. */
  answers: string[]
  /** What a typed answer counted as, and why. */
  accepted: string
  why: Judged['why']
  points: number
  fact: string
  /** Whether each choice is right. */
  choices: boolean[]
}

/** A row of the review at the end. */
export interface ReviewedAnswer extends ToldAnswer {
  entryId: string
  prompt: ShownFace
  claim: string
  /** Whether it was right when asked again; null where it was not. */
  second: boolean | null
}

/** All that a player's screen may know. */
export interface QuizView {
  phase: QuizPlay['phase']
  round: 1 | 2
  /** Cards to look through before the first question. */
  cards: { front: ShownFace; back: ShownFace }[]
  question: AskedQuestion | null
  told: ToldAnswer | null
  /** The answer that was sent while others can still answer: nothing is told of it yet. */
  sent: { choices: number[]; text: string; change: boolean } | null
  /** Whether all are asked the same at once: then nobody goes on alone. */
  inStep: boolean
  review: ReviewedAnswer[]
  /** The right answers to the question that stands, in words: for the teacher alone. */
  key: string[]
  second: { right: number; total: number } | null
  /** The mark that passes, in per cent, and whether it was reached; null where there is none. */
  pass: { mark: number; passed: boolean } | null
  finished: boolean
}

export function view(puzzle: QuizPuzzle, play: QuizPlay, { audience, rules, shared }: Sight): QuizView {
  const { questions, pass } = puzzle
  const finished = play.finishedAt !== null
  const held = heldBy(play, shared)
  const current = play.phase === 'asking' || play.phase === 'told' ? questions[play.queue[0]!] : undefined
  const phase = held ? 'asking' : play.phase
  const right = play.answers.filter(({ outcome }) => outcome === 'right').length
  const total = questions.filter(({ scored }) => scored).length
  // The wall shows the question and its answer, never what one student gave.
  const shows = (told: ToldAnswer): ToldAnswer => (audience === 'wall' ? { ...told, given: '', accepted: '' } : told)
  return {
    phase,
    round: play.round,
    cards:
      play.phase === 'cards'
        ? questions
            .filter(({ scored }) => scored)
            .map(({ prompt, answer }) => ({ front: revealedFace(prompt), back: revealedFace(answer) }))
        : [],
    question: current ? askedQuestion(puzzle, { ...play, phase }, current, rules, shared) : null,
    sent: held && audience === 'player' ? sentAnswer(current!, play.last!, held.change) : null,
    inStep: shared?.inStep ?? false,
    told: phase === 'told' && play.last ? shows(toldAnswer(questions[play.last.question]!, play.last)) : null,
    key: audience === 'teacher' && current ? rightAnswers(current) : [],
    review: finished && audience !== 'wall' ? play.answers.map((answer) => reviewed(puzzle, play, answer)) : [],
    second: play.secondAsked.length > 0 ? { right: play.secondRight.length, total: play.secondAsked.length } : null,
    pass: finished && pass > 0 ? { mark: pass, passed: total > 0 && (right / total) * 100 >= pass } : null,
    finished,
  }
}

/** Most questions that a device gets to go on with. */
const AHEAD = 3

/** Returns the next questions, where none has a time of its own: what comes then depends on no answer. */
export function ahead(puzzle: QuizPuzzle, play: QuizPlay, sight: Sight): Ahead<QuizMove, QuizView>[] {
  if (sight.shared?.inStep || play.phase !== 'asking' || play.round !== 1) return []
  const next = play.queue.slice(0, AHEAD + 1)
  if (next.some((question) => puzzle.questions[question]!.seconds > 0)) return []
  return next.slice(1).map((_, index) => {
    const queue = play.queue.slice(index + 1)
    const told = { ...play, queue: play.queue.slice(index), phase: 'told' as const }
    const then: QuizPlay = { ...play, queue, hinted: false, last: null }
    return {
      by: sight.rules.telling === 'at-end' ? null : { for: moment(puzzle, told), move: { type: 'next' } },
      moment: moment(puzzle, then),
      view: view(puzzle, then, sight),
    }
  })
}

/** Returns the question that a play has answered and others can still answer: nothing is told of it yet. */
function heldBy({ phase, last }: QuizPlay, shared: Sight['shared']): Standing | null {
  const standing = shared?.inStep ? shared.standing : null
  return standing?.open && phase === 'told' && last?.question === standing.place ? standing : null
}

function askedQuestion(
  { questions }: QuizPuzzle,
  play: QuizPlay,
  question: QuizQuestion,
  { hints }: Sight['rules'],
  shared: Sight['shared'],
): AskedQuestion {
  const all = play.round === 1 ? questions.length : play.secondAsked.length
  return {
    entryId: question.entryId,
    form: question.form,
    prompt: (play.phase === 'told' ? revealedFace : shownFace)(question.prompt),
    // Also once it is answered: wrong choices are answers of other questions.
    choices: shownTogether(question.choices.map(({ face }) => face)),
    several: question.form === 'choice' && question.choices.filter(({ right }) => right).length > 1,
    scored: question.scored,
    worth: question.worth,
    // Where all are asked at once, the time is everybody's, and stands elsewhere.
    seconds: shared?.inStep ? 0 : question.seconds,
    hasHint: hints && question.hint !== '' && !play.hinted && play.phase === 'asking',
    hint: play.hinted ? question.hint : null,
    number: all - play.queue.length + 1,
    of: all,
  }
}

function sentAnswer(
  { form }: QuizQuestion,
  { given, choices = [] }: Answered,
  change: boolean,
): NonNullable<QuizView['sent']> {
  if (form === 'true-false') return { choices: [given === '✓' ? 0 : 1], text: '', change }
  return { choices, text: form === 'typed' ? given : '', change }
}

function toldAnswer(question: QuizQuestion, { right, outcome, given, accepted, why, points }: Answered): ToldAnswer {
  return {
    right,
    scored: question.scored,
    late: outcome === 'passed',
    given,
    answers: rightAnswers(question),
    accepted,
    why,
    points,
    fact: question.fact,
    choices: question.form === 'typed' ? [] : question.choices.map((choice) => choice.right),
  }
}

/** Returns the right answers of a question in words; none of an opinion. */
function rightAnswers(question: QuizQuestion): string[] {
  if (!question.scored) return []
  return question.form === 'choice'
    ? question.choices.flatMap((choice, index) => (choice.right ? [wordsOf(question, index)] : []))
    : [question.answer.text.trim() || question.answer.picture?.alt || '']
}

function reviewed({ questions }: QuizPuzzle, play: QuizPlay, answer: Answered): ReviewedAnswer {
  const question = questions[answer.question]!
  return {
    ...toldAnswer(question, answer),
    entryId: question.entryId,
    prompt: revealedFace(question.prompt),
    claim: question.form === 'true-false' ? wordsOf(question, 0) : '',
    second: play.secondAsked.includes(answer.question) ? play.secondRight.includes(answer.question) : null,
  }
}
