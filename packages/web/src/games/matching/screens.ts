import { MatchingOptions, type MatchingPuzzle } from '@otter/core/games/matching'
import type { TeacherScreens } from '../contract.ts'
import { Options } from './Options.tsx'
import { Thumbnail } from './Thumbnail.tsx'

const THUMBNAIL_ENTRIES = 4

/** Matching as teachers see it. */
export const screens: TeacherScreens<MatchingOptions, MatchingPuzzle> = {
  Options,
  Thumbnail,
  factsOf: ({ rounds }) => ({
    code: 'facts',
    values: { count: rounds.length, rows: rounds.reduce((sum, { couples }) => sum + couples.length, 0) },
  }),
  small: (list) => ({
    list: { ...list, entries: list.entries.slice(0, THUMBNAIL_ENTRIES) },
    options: MatchingOptions.parse({ rows: 4 }),
  }),
}
