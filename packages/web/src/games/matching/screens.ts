import { type FitNote } from '@otter/core'
import { MatchingOptions, type MatchingPuzzle } from '@otter/core/games/matching'
import type { TeacherScreens } from '../contract.ts'
import { coupleSentence } from '../coupleSentence.ts'
import { Options } from './Options.tsx'
import { Thumbnail } from './Thumbnail.tsx'

const THUMBNAIL_ENTRIES = 4

/** Matching as teachers see it. */
export const screens: TeacherScreens<MatchingOptions, MatchingPuzzle> = {
  name: 'Matching',
  Options,
  Thumbnail,
  sentenceFor,
  factsOf: ({ rounds }) =>
    `${rounds.reduce((sum, { couples }) => sum + couples.length, 0)} rows in ${rounds.length} ${rounds.length === 1 ? 'round' : 'rounds'}`,
  shortfallOf: () => undefined,
  small: (list) => ({
    list: { ...list, entries: list.entries.slice(0, THUMBNAIL_ENTRIES) },
    options: MatchingOptions.parse({ rows: 4 }),
  }),
}

function sentenceFor(note: FitNote): string {
  const { code, values } = note
  if (code === 'ready') return `${values.rows} rows`
  if (code === 'too-few') return `${values.more} more ${values.more === 1 ? 'row' : 'rows'} with prompt and answer`
  return coupleSentence(note)
}
