import { BingoOptions, type BingoPuzzle } from '@otter/core/games/bingo'
import type { TeacherScreens } from '../contract.ts'
import { Course } from './Course.tsx'
import { Options } from './Options.tsx'
import { sentenceFor } from './sentences.ts'
import { Thumbnail } from './Thumbnail.tsx'

const THUMBNAIL_TERMS = 14

/** Bingo as teachers see it. */
export const screens: TeacherScreens<BingoOptions, BingoPuzzle> = {
  name: 'Bingo',
  Options,
  Thumbnail,
  sentenceFor,
  Workbench: Course,
  factsOf: ({ cards, size, terms }) => `${cards.length} cards of ${size}×${size}, ${terms.length} terms`,
  shortfallOf: () => undefined,
  small: (list) => ({
    list: { ...list, entries: list.entries.slice(0, THUMBNAIL_TERMS) },
    options: BingoOptions.parse({ size: 3, cards: 1 }),
  }),
}
