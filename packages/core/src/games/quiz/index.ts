import { gameFrom } from '../game.ts'
import { NO_LOOKUP } from '../lookup.ts'
import { command } from './command.ts'
import { markTellingIn } from '../telling.ts'
import { onOwnClock } from '../upgrade.ts'
import { countLate } from './late.ts'
import { lookup } from './lookup.ts'
import { fit, make } from './make.ts'
import { QuizOptions } from './options.ts'
import { course, moment, opinions, questionsKey, questionsOf, QuizMove, stepsOf, timed, type Answered } from './play.ts'
import { sample } from './sample.ts'
import { sheet } from './sheet.ts'
import { ahead, view } from './view.ts'

/**
 * Version 2: pictures whose words would tell are marked; times are on the play's own clock, and an answer without a
 * right one is called an opinion. Version 3: where pictures are asked, nothing that is of the same kind is a wrong choice;
 * where there are few answers, others are added.
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
  {},
]

/** Questions one after another. */
export const quiz = gameFrom({
  kind: 'quiz',
  version: 3,
  upgrades: UPGRADES,
  options: QuizOptions,
  moves: QuizMove,
  notes: [
    'ready',
    'no-questions',
    'no-question',
    'no-answer',
    'no-choices',
    'not-typed',
    'repeat',
    'topped-up',
    'few-answers',
  ],
  doings: ['cards', 'question', 'again'],
  heeds: ['order', 'together', 'hints', 'second', 'telling'],
  dictionaries: [],
  command,
  sample,
  fit,
  make,
  lookup: (list, { form }) => (form === 'typed' ? NO_LOOKUP : lookup(list)),
  questions: questionsOf,
  questionsKey,
  practice: 1,
  onPaper: true,
  sheet,
  view,
  moment,
  ahead,
  opinions,
  countLate,
  timed,
  course,
  stepsOf,
})

export * from './options.ts'
export { WrongChoices, type WrongChoice } from './wrongChoices.ts'
export type { QuizPuzzle, QuizQuestion } from './puzzle.ts'
export type { QuizMove } from './play.ts'
export type { AskedQuestion, QuizView, ReviewedAnswer, ToldAnswer } from './view.ts'
