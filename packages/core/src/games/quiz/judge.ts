import { foldText } from '../../text/foldText.ts'
import { JudgeOptionsInput } from '../../text/judging/options.ts'
import type { RightRule, WrongRule } from '../../text/judging/verdict.ts'
import type { GivenDetail } from '../contract.ts'
import type { Knowledge } from '../knowledge.ts'
import type { QuizPuzzle, QuizQuestion } from './puzzle.ts'

/** What a student gave: numbers of choices, a text, or whether a claim is true. */
export type QuizAnswer =
  | { type: 'choose'; choices: number[] }
  | { type: 'type'; text: string }
  | { type: 'claim'; isTrue: boolean }

/** What became of an answer. */
export interface Judged {
  right: boolean
  /** The answer in words, as results show it. */
  given: string
  /** For typed answers: what it counts as, and why it counts or not; none where nothing was typed. */
  accepted: string
  why: RightRule | WrongRule | 'none'
  /** Numbers of the choices that were chosen; none for other forms, and for what was kept before they were. */
  choices?: number[]
}

const JUDGING = JudgeOptionsInput.parse({})

/** Judges an answer; undefined where it doesn't fit the question. */
export function judge(
  puzzle: QuizPuzzle,
  question: QuizQuestion,
  answer: QuizAnswer,
  { judge: typed }: Knowledge,
): Judged | undefined {
  if (question.form === 'typed' && answer.type === 'type') {
    const others = puzzle.others ?? puzzle.questions.map((one) => one.answer.text)
    const verdict = typed.judge(
      answer.text,
      { accepted: question.accepted, others: others.filter((text) => !question.accepted.includes(text)) },
      {
        ...JUDGING,
        ...puzzle.judging,
        count: Math.min(puzzle.judging?.count ?? 1, question.accepted.length),
        accents: puzzle.accents,
        language: puzzle.language,
      },
    )
    return {
      right: verdict.right,
      given: answer.text.trim(),
      accepted: verdict.right ? verdict.accepted : '',
      why: verdict.why,
    }
  }
  if (question.form === 'true-false' && answer.type === 'claim') {
    return {
      right: question.choices[0]!.right === answer.isTrue,
      given: answer.isTrue ? '✓' : '✗',
      accepted: '',
      why: 'none',
    }
  }
  if (question.form !== 'choice' || answer.type !== 'choose') return undefined
  const chosen = [...new Set(answer.choices)].filter((choice) => choice < question.choices.length)
  if (chosen.length === 0) return undefined
  const right = question.choices.every((choice, index) => choice.right === chosen.includes(index))
  const given = chosen.map((choice) => wordsOf(question, choice)).join('; ')
  return { right, given, accepted: '', why: 'none', choices: chosen }
}

/** Returns an answer in a form in which two can be compared: equal ones came to the same, however they were typed. */
export function detailOf(question: QuizQuestion, answer: QuizAnswer, judged: Judged): GivenDetail {
  if (answer.type === 'type') return { type: 'typed', understood: judged.accepted || foldText(answer.text) }
  if (answer.type === 'claim') return { type: 'claim', isTrue: answer.isTrue }
  return {
    type: 'chosen',
    choices: [...new Set(answer.choices)]
      .filter((choice) => choice < question.choices.length)
      .sort((one, other) => one - other)
      .map((choice) => wordsOf(question, choice)),
  }
}

/** Returns a choice in words; a picture by what it shows. */
export function wordsOf({ choices }: QuizQuestion, choice: number): string {
  const { text, picture } = choices[choice]!.face
  return text.trim() || picture?.alt || String.fromCharCode(65 + choice)
}
