import type { Game } from '../contract.ts'
import { markTellingIn } from '../telling.ts'
import { onOwnClock } from '../upgrade.ts'
import { fit, make } from './make.ts'
import { QuizOptions } from './options.ts'
import {
  asked,
  deadline,
  moment,
  move,
  opinions,
  QuizMove,
  score,
  start,
  type Answered,
  type QuizPlay,
} from './play.ts'
import type { QuizPuzzle } from './puzzle.ts'
import { sheet } from './sheet.ts'
import { view, type QuizView } from './view.ts'

/**
 * Version 2: pictures whose words would tell are marked; times are on the play's own clock, and an answer without a
 * right one is called an opinion.
 */
const UPGRADES = [
  {
    puzzle: markTellingIn,
    play: (stored: unknown) => {
      const play = onOwnClock(stored, ['lastAt', 'askedAt', 'finishedAt'])
      const renamed = (answer: Omit<Answered, 'outcome'> & { outcome: string }): unknown =>
        answer.outcome === 'unscored' ? { ...answer, outcome: 'opinion' } : answer
      return {
        ...play,
        answers: (play.answers as Answered[]).map(renamed),
        last: play.last && renamed(play.last as Answered),
      }
    },
  },
]

/** Questions one after another. */
export const quiz: Game<QuizOptions, QuizPuzzle, QuizPlay, QuizMove, QuizView> = {
  kind: 'quiz',
  version: 2,
  upgrades: UPGRADES,
  options: QuizOptions,
  moves: QuizMove,
  fit,
  make,
  asked,
  onPaper: true,
  sheet,
  start,
  view,
  move,
  score,
  moment,
  deadline,
  opinions,
}
