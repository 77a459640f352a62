import { HangmanOptions, type HangmanPuzzle } from '@otter/core/games/hangman'
import type { TeacherScreens } from '../contract.ts'
import { LETTERS } from '../keyHelp.ts'
import { Options } from './Options.tsx'
import { Thumbnail } from './Thumbnail.tsx'
import { Difficulties } from './Difficulties.tsx'

const THUMBNAIL_WORDS = 1

/** Hangman as teachers see it. */
export const screens: TeacherScreens<HangmanOptions, HangmanPuzzle> = {
  Options,
  Thumbnail,
  Workbench: Difficulties,
  keys: [{ keys: [LETTERS], does: 'guess' }],
  factsOf: ({ words, misses }) => ({ code: 'facts', values: { count: words.length, misses } }),
  small: (list) => ({
    list: {
      ...list,
      entries: list.entries.filter(({ answer }) => answer.text.trim().length > 2).slice(0, THUMBNAIL_WORDS),
    },
    options: HangmanOptions.parse({ order: 'list' }),
  }),
}
