import { PairsOptions, type PairsPuzzle } from '@otter/core/games/pairs'
import type { TeacherScreens } from '../contract.ts'
import { Options } from './Options.tsx'
import { Thumbnail } from './Thumbnail.tsx'

const THUMBNAIL_ENTRIES = 6

/** Pairs as teachers see it. */
export const screens: TeacherScreens<PairsOptions, PairsPuzzle> = {
  Options,
  Thumbnail,
  factsOf: ({ couples }) => ({ code: 'facts', values: { count: couples.length } }),
  small: (list) => ({
    list: { ...list, entries: list.entries.slice(0, THUMBNAIL_ENTRIES) },
    options: PairsOptions.parse({ pairs: 4 }),
  }),
}
