import type { WallQuestion } from '../../wall/questions.ts'
import type { QuizPuzzle } from '../quiz/puzzle.ts'
import type { QuizboardOptions } from './options.ts'

/** A question on the board. */
export interface BoardQuestion extends WallQuestion {
  value: number
  /** Share of those who are expected to miss it, from 0 to 1, and whether answers of students have shown it. */
  hardness: number
  proved: boolean
}

/** Columns from shallow to deep. */
export interface QuizboardPuzzle extends Pick<QuizboardOptions, 'wrong' | 'dive' | 'seconds' | 'teams' | 'depth'> {
  /** All questions: those of the board, and behind them those only the last dive may ask. */
  questions: BoardQuestion[]
  /** Names, which may be empty, and the places of their questions, the shallowest first. */
  columns: { name: string; items: number[] }[]
  /** The same questions in the same order, as students answer them on devices of their own. */
  onDevices: QuizPuzzle
}
