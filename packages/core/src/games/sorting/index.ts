import { teamGameFrom } from '../game.ts'
import { fit, make } from './make.ts'
import { SortingOptions } from './options.ts'
import { SortingMove, course, view } from './play.ts'
import { sample } from './sample.ts'
import { sheet } from './sheet.ts'

/** Entries put where they belong. */
export const sorting = teamGameFrom({
  kind: 'sorting',
  version: 1,
  upgrades: [],
  options: SortingOptions,
  moves: SortingMove,
  notes: ['ready', 'too-few', 'no-groups', 'give-groups', 'no-group', 'double'],
  doings: ['sorted'],
  heeds: [],
  dictionaries: [],
  sample,
  fit,
  make,
  questions: ({ items }) => items.map(({ entryId, text }) => ({ entryId, text, counts: true })),
  onPaper: true,
  sheet,
  view,
  course,
})

export * from './options.ts'
export type { SortingPuzzle } from './puzzle.ts'
export type { SortingMove, SortingView } from './play.ts'
