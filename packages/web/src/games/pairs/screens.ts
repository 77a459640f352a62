import { type FitNote } from '@otter/core'
import { PairsOptions, type PairsPuzzle } from '@otter/core/games/pairs'
import type { TeacherScreens } from '../contract.ts'
import { coupleSentence } from '../coupleSentence.ts'
import { Options } from './Options.tsx'
import { Thumbnail } from './Thumbnail.tsx'

const THUMBNAIL_ENTRIES = 6

/** Pairs as teachers see it. */
export const screens: TeacherScreens<PairsOptions, PairsPuzzle> = {
  name: 'Pairs',
  Options,
  Thumbnail,
  sentenceFor,
  factsOf: ({ couples }) => `${couples.length} pairs`,
  shortfallOf: () => undefined,
  small: (list) => ({
    list: { ...list, entries: list.entries.slice(0, THUMBNAIL_ENTRIES) },
    options: PairsOptions.parse({ pairs: 4 }),
  }),
}

function sentenceFor(note: FitNote): string {
  const { code, values } = note
  switch (code) {
    case 'ready':
      return `${values.pairs} pairs`
    case 'too-few':
      return `${values.more} more ${values.more === 1 ? 'row' : 'rows'} with prompt and answer`
    case 'no-picture':
      return `${values.entries} ${values.entries === 1 ? 'entry has' : 'entries have'} no picture with a word, and can’t be such a pair.`
    default:
      return coupleSentence(note)
  }
}
