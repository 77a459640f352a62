import type { Game } from '../contract.ts'
import { fit, make } from './make.ts'
import { QuizOptions } from './options.ts'
import { move, opinions, QuizMove, score, start, type QuizPlay } from './play.ts'
import type { QuizPuzzle } from './puzzle.ts'
import { sheet } from './sheet.ts'
import { view, type QuizView } from './view.ts'

/** Questions one after another. */
export const quiz: Game<QuizOptions, QuizPuzzle, QuizPlay, QuizMove, QuizView> = {
  kind: 'quiz',
  options: QuizOptions,
  moves: QuizMove,
  fit,
  make,
  asked: ({ questions }) => questions.map(({ entryId, answer, prompt }) => ({ entryId, text: answer.text.trim() || prompt.text.trim() })),
  onPaper: true,
  sheet,
  start,
  view,
  move,
  score,
  opinions,
}
