import type { Face } from '../../list/face.ts'
import type { JudgeOptions } from '../../text/judging/options.ts'
import type { QuizOptions } from './options.ts'

/** A choice of a question. */
export interface QuizChoice {
  face: Face
  right: boolean
}

/** A question with its answer. */
export interface QuizQuestion {
  entryId: string
  form: 'choice' | 'typed' | 'true-false'
  prompt: Face
  answer: Face
  /** In the order shown. For true or false: what is claimed to be the answer. */
  choices: QuizChoice[]
  /** All texts that count as right when typed. */
  accepted: string[]
  hint: string
  fact: string
  /** Time for it in seconds; 0 for no limit. */
  seconds: number
  worth: number
  /** Whether it counts; an opinion does not. */
  scored: boolean
  /** The first of its entry's groups; absent where it has none, and in puzzles made before groups were kept. */
  group?: string
}

/** Questions in the order asked, and the rules of the quiz. */
export interface QuizPuzzle extends Pick<QuizOptions, 'speed' | 'accents' | 'cards' | 'second' | 'pass'> {
  questions: QuizQuestion[]
  /** BCP 47 code of the answers. */
  language: string
  /** How typed answers are judged beside accents; absent where a puzzle is older than these choices. */
  judging?: Pick<JudgeOptions, 'articles' | 'slips' | 'variants'> & Partial<Pick<JudgeOptions, 'scripts' | 'count'>>
  /** All answers of the list, with all that counts for them, also of entries that are not asked. */
  others?: string[]
}
