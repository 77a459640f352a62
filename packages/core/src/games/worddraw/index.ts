import { teamGameFrom } from '../game.ts'
import { fit, make } from './make.ts'
import { WorddrawOptions } from './options.ts'
import { WorddrawMove, course, view } from './play.ts'
import { sample } from './sample.ts'

/** Words that float down a stream until one comes to rest: a fair draw. */
export const worddraw = teamGameFrom({
  kind: 'worddraw',
  version: 1,
  upgrades: [],
  options: WorddrawOptions,
  moves: WorddrawMove,
  notes: ['ready', 'too-few'],
  doings: ['draws'],
  heeds: [],
  dictionaries: [],
  sample,
  fit,
  make,
  questions: () => [],
  usesProved: ({ weights }) => weights === 'missed',
  onPaper: false,
  sheet: () => [],
  view,
  course,
})

export * from './options.ts'
export type { WorddrawPuzzle } from './puzzle.ts'
export type { WorddrawMove, WorddrawView } from './play.ts'
