import { PebblesOptions, type PebblesPuzzle } from '@otter/core/games/pebbles'
import type { TeacherScreens } from '../contract.ts'
import { QUESTION_KEYS } from '../keyHelp.ts'
import { Forecast } from './Forecast.tsx'
import { Options } from './Options.tsx'
import { Thumbnail } from './Thumbnail.tsx'

const THUMBNAIL_ENTRIES = 12

/** Pebbles as teachers see them. */
export const screens: TeacherScreens<PebblesOptions, PebblesPuzzle> = {
  Options,
  Workbench: Forecast,
  Thumbnail,
  fillsWall: true,
  keys: [{ keys: ['0', '…', '9'], does: 'pebble' }, { keys: ['←', '↑', '→', '↓'], does: 'tiles' }, ...QUESTION_KEYS],
  factsOf: ({ questions }) => ({ code: 'facts', values: { count: questions.length } }),
  small: (list) => ({
    list: { ...list, entries: list.entries.slice(0, THUMBNAIL_ENTRIES) },
    options: PebblesOptions.parse({ pebbles: 8 }),
  }),
}
