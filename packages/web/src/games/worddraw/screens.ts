import { WorddrawOptions, type WorddrawPuzzle } from '@otter/core/games/worddraw'
import type { TeacherScreens } from '../contract.ts'
import { SPACE } from '../keyHelp.ts'
import { Options } from './Options.tsx'
import { Thumbnail } from './Thumbnail.tsx'
import { Weights } from './Weights.tsx'

const THUMBNAIL_ENTRIES = 6

/** Word draw as teachers see it. */
export const screens: TeacherScreens<WorddrawOptions, WorddrawPuzzle> = {
  Options,
  Workbench: Weights,
  Thumbnail,
  keys: [{ keys: [SPACE, 'Enter'], does: 'drawWord' }],
  factsOf: ({ words }) => ({ code: 'facts', values: { count: words.length } }),
  small: (list) => ({
    list: { ...list, entries: list.entries.slice(0, THUMBNAIL_ENTRIES) },
    options: WorddrawOptions.parse({}),
  }),
}
