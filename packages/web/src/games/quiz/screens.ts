import { type FitNote } from '@otter/core'
import { QuizOptions, type QuizPuzzle } from '@otter/core/games/quiz'
import type { TeacherScreens } from '../contract.ts'
import { Options } from './Options.tsx'
import { Thumbnail } from './Thumbnail.tsx'

const THUMBNAIL_ENTRIES = 5

/** A quiz as teachers see it. */
export const screens: TeacherScreens<QuizOptions, QuizPuzzle> = {
  name: 'Quiz',
  Options,
  Thumbnail,
  sentenceFor,
  factsOf: ({ questions }) => {
    const opinions = questions.filter(({ scored }) => !scored).length
    return `${questions.length} ${questions.length === 1 ? 'question' : 'questions'}${opinions > 0 ? `, ${opinions} of them not scored` : ''}`
  },
  shortfallOf: () => undefined,
  small: (list) => ({
    list: { ...list, entries: list.entries.slice(0, THUMBNAIL_ENTRIES) },
    options: QuizOptions.parse({ order: 'list', choices: 3 }),
  }),
}

function sentenceFor({ code, values }: FitNote): string {
  switch (code) {
    case 'ready':
      return `${values.questions} ${values.questions === 1 ? 'question' : 'questions'}`
    case 'no-questions':
      return 'Add a row with a question and its answer.'
    case 'no-question':
      return `“${values.text}” has no question; the row is left out.`
    case 'no-answer':
      return `“${values.text}” has no right answer yet; the row is left out.`
    case 'no-choices':
      return `“${values.text}” has nothing to choose from: give it choices, or the list more answers.`
    default:
      return `“${values.text}”: the answer is no text, and can’t be typed.`
  }
}
