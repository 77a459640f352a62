import { teamGameFrom } from '../game.ts'
import { fit, make } from './make.ts'
import { ThreadOptions } from './options.ts'
import { ThreadMove, course, view } from './play.ts'
import { sample } from './sample.ts'
import { sheet } from './sheet.ts'

/** Slips that belong together by a link, which is to be found and told. */
export const thread = teamGameFrom({
  kind: 'thread',
  version: 1,
  upgrades: [],
  options: ThreadOptions,
  moves: ThreadMove,
  notes: ['ready', 'too-few', 'give-groups', 'ambiguous', 'fewer'],
  doings: ['links'],
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
export type { ThreadPuzzle } from './puzzle.ts'
export type { ThreadCard, ThreadMove, ThreadView } from './play.ts'
export { isUnique, overlaps, type Kinds, type Overlap } from './links.ts'
