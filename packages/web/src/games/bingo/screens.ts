import { BingoOptions, type BingoPuzzle } from '@otter/core/games/bingo'
import type { TeacherScreens } from '../contract.ts'
import { Calling } from './Calling.tsx'
import { Course } from './Course.tsx'
import { Lead } from './Lead.tsx'
import { Options } from './Options.tsx'
import { Thumbnail } from './Thumbnail.tsx'

const THUMBNAIL_TERMS = 14

/** Bingo as teachers see it. */
export const screens: TeacherScreens<BingoOptions, BingoPuzzle> = {
  Options,
  Thumbnail,
  Workbench: Course,
  Lead,
  Wall: Calling,
  factsOf: ({ cards, size, terms }) => ({ code: 'facts', values: { count: cards.length, size, terms: terms.length } }),
  small: (list) => ({
    list: { ...list, entries: list.entries.slice(0, THUMBNAIL_TERMS) },
    options: BingoOptions.parse({ size: 3, cards: 1 }),
  }),
}
