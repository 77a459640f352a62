import { type FitNote } from '@otter/core'
import { FlashcardsOptions, type FlashcardsPuzzle } from '@otter/core/games/flashcards'
import type { TeacherScreens } from '../contract.ts'
import { coupleSentence } from '../coupleSentence.ts'
import { Options } from './Options.tsx'
import { Present } from './Present.tsx'
import { Thumbnail } from './Thumbnail.tsx'

/** Flashcards as teachers see them. */
export const screens: TeacherScreens<FlashcardsOptions, FlashcardsPuzzle> = {
  name: 'Flashcards',
  Options,
  Thumbnail,
  sentenceFor,
  Workbench: Present,
  factsOf: ({ cards }) => `${cards.length} ${cards.length === 1 ? 'card' : 'cards'}`,
  shortfallOf: () => undefined,
  small: (list) => ({ list: { ...list, entries: list.entries.slice(0, 2) }, options: FlashcardsOptions.parse({}) }),
}

function sentenceFor(note: FitNote): string {
  const { code, values } = note
  if (code === 'ready') return `${values.cards} ${values.cards === 1 ? 'card' : 'cards'}`
  if (code === 'no-cards') return 'Add a row with prompt and answer.'
  return coupleSentence(note)
}
