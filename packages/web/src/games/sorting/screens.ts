import { SortingOptions, type SortingPuzzle } from '@otter/core/games/sorting'
import type { TeacherScreens } from '../contract.ts'
import { Options } from './Options.tsx'
import { Thumbnail } from './Thumbnail.tsx'

const THUMBNAIL_ENTRIES = 40

/** Sorting as teachers see it. */
export const screens: TeacherScreens<SortingOptions, SortingPuzzle> = {
  Options,
  Thumbnail,
  keys: [{ keys: ['1', '…', '6'], does: 'putInto' }],
  factsOf: ({ groups, items }) => ({ code: 'facts', values: { count: items.length, groups: groups.length } }),
  small: (list) => ({
    list: { ...list, entries: list.entries.slice(0, THUMBNAIL_ENTRIES) },
    options: SortingOptions.parse({ groups: 2, items: 4 }),
  }),
}
