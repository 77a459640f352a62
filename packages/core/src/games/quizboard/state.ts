import { z } from 'zod'
import { QUESTION_MOVES, type QuestionLife } from '../../wall/questions.ts'
import { Finish } from '../playing.ts'
import { ANSWERS, type QuizPlay } from '../quiz/play.ts'

/** A student's own answers to the questions of the board, without the life that all plays have. */
export type DevicePlay = Omit<QuizPlay, 'lastAt' | 'finishedAt'>

/**
 * What is done at the board: a question opened, judged, closed; the dive begun; or all of it ended. Where everyone has
 * a device: what a student answers.
 */
export const QuizboardMove = z.discriminatedUnion('type', [
  ...QUESTION_MOVES,
  z.object({ type: z.literal('dive') }),
  ...ANSWERS,
  Finish,
])
export type QuizboardMove = z.infer<typeof QuizboardMove>

/** How a play stands. */
export interface QuizboardPlay extends QuestionLife {
  /** The question of the dive; null before it. */
  dive: number | null
  /** Where everyone answers on a device of one's own: the answers of this student. */
  device: DevicePlay | null
}

/** A tile as it is seen: still to be opened, or used, with the team that got it right. */
export interface TileView {
  item: number
  value: number
  state: 'there' | 'open' | 'used'
  team: number | null
}
