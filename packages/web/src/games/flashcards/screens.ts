import { FlashcardsOptions, type FlashcardsPuzzle } from '@otter/core/games/flashcards'
import type { TeacherScreens } from '../contract.ts'
import { SPACE } from '../keyHelp.ts'
import { Options } from './Options.tsx'
import { Thumbnail } from './Thumbnail.tsx'
import { Wall } from './Wall.tsx'

/** Flashcards as teachers see them. */
export const screens: TeacherScreens<FlashcardsOptions, FlashcardsPuzzle> = {
  Options,
  Thumbnail,
  Wall,
  keys: [
    { keys: ['↑', '↓'], does: 'turn' },
    { keys: ['→', '←'], does: 'knew' },
  ],
  wallKeys: [
    { keys: [SPACE], does: 'turnWall' },
    { keys: ['←', '→'], does: 'prevNext' },
    { keys: ['H'], does: 'hint' },
    { keys: ['R'], does: 'repeat' },
    { keys: ['S'], does: 'shuffle' },
  ],
  factsOf: ({ cards }) => ({ code: 'facts', values: { count: cards.length } }),
  small: (list) => ({ list: { ...list, entries: list.entries.slice(0, 2) }, options: FlashcardsOptions.parse({}) }),
}
