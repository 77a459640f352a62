import { UnscrambleOptions, type UnscramblePuzzle } from '@otter/core/games/unscramble'
import type { TeacherScreens } from '../contract.ts'
import { LETTERS } from '../keyHelp.ts'
import { Options } from './Options.tsx'
import { Thumbnail } from './Thumbnail.tsx'

const LONGEST_THUMBNAIL = 8

/** Unscramble as teachers see it. */
export const screens: TeacherScreens<UnscrambleOptions, UnscramblePuzzle> = {
  Options,
  Thumbnail,
  keys: [
    { keys: [LETTERS], does: 'lay' },
    { keys: ['⌫'], does: 'take' },
  ],
  factsOf: ({ items }) => ({ code: 'facts', values: { count: items.length } }),
  small: (list) => {
    const short = list.entries.filter(
      ({ answer }) => answer.text.trim().length > 3 && answer.text.trim().length <= LONGEST_THUMBNAIL,
    )
    return {
      list: { ...list, entries: (short.length > 0 ? short : list.entries).slice(0, 1) },
      options: UnscrambleOptions.parse({ order: 'list' }),
    }
  },
}
