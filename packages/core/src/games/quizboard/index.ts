import { askedOf } from '../../wall/askable.ts'
import { teamGameFrom } from '../game.ts'
import { lookup } from '../quiz/lookup.ts'
import { countLate, deviceQuestions, moment, questionsKey, stepsOf } from './devices.ts'
import { fit, make, NONE_ON_DEVICES } from './make.ts'
import { QuizboardOptions } from './options.ts'
import { course, view } from './play.ts'
import { sample } from './sample.ts'
import { sheet } from './sheet.ts'
import { QuizboardMove } from './state.ts'

/**
 * Version 2: everyone can answer on a device; a board that was laid before has no questions for that. Version 3: wrong
 * choices as the quiz has them.
 */
const UPGRADES = [
  {
    puzzle: (stored: unknown) => ({ ...(stored as object), onDevices: NONE_ON_DEVICES }),
    play: (stored: unknown) => ({ ...(stored as object), device: null }),
  },
  {},
]

/** Columns of questions for teams at one wall, the deeper the harder. */
export const quizboard = teamGameFrom({
  kind: 'quizboard',
  version: 3,
  upgrades: UPGRADES,
  options: QuizboardOptions,
  moves: QuizboardMove,
  notes: ['ready', 'too-few', 'one-side', 'repeat', 'opinion', 'no-groups', 'thin', 'untried'],
  doings: ['board', 'dive'],
  heeds: ['hints'],
  dictionaries: [],
  sample,
  fit,
  make,
  lookup,
  questions: (puzzle, play) => deviceQuestions(puzzle, play) ?? askedOf(puzzle.questions),
  questionsKey,
  usesProved: ({ depth }) => depth === 'proved',
  onPaper: true,
  sheet,
  view,
  moment,
  countLate,
  course,
  stepsOf,
  hasBoard: true,
})

export * from './options.ts'
export type { DeviceView } from './devices.ts'
export type { QuizboardPuzzle } from './puzzle.ts'
export type { QuizboardView } from './play.ts'
export type { QuizboardMove, TileView } from './state.ts'
