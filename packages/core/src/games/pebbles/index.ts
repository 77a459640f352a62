import { askedOf } from '../../wall/askable.ts'
import { teamGameFrom } from '../game.ts'
import { questionPages } from '../../wall/questionSheet.ts'
import { fit, make } from './make.ts'
import { PebblesOptions } from './options.ts'
import { PebblesMove, course, view } from './play.ts'
import { sample } from './sample.ts'

/** Pebbles with a question under each, and chance events between teams. */
export const pebbles = teamGameFrom({
  kind: 'pebbles',
  version: 1,
  upgrades: [],
  options: PebblesOptions,
  moves: PebblesMove,
  notes: ['ready', 'too-few', 'one-side', 'repeat', 'opinion', 'uneven'],
  doings: ['pebbles'],
  heeds: ['hints'],
  dictionaries: [],
  sample,
  fit,
  make,
  questions: ({ questions }) => askedOf(questions),
  onPaper: true,
  sheet: ({ questions }, isKey) =>
    questionPages(
      questions.map((question, index) => ({ ...question, label: String(index + 1) })),
      isKey,
    ),
  view,
  course,
})

export * from './options.ts'
export type { PebblesPuzzle } from './puzzle.ts'
export type { PebblesMove, PebblesView, TwistEvent } from './play.ts'
export { TWISTS, type Twist } from './twists.ts'
export { BEST_KNOWS, WEAKEST_KNOWS, swingOf, type Swing, type SwingSetting } from './swing.ts'
