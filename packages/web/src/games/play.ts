import type { GameKind } from '@otter/core'
import { lazy, type ComponentType } from 'react'
import type { PlayProps } from './contract.ts'

type Screen = ComponentType<PlayProps<never, unknown>>

/** Loads a screen when it is first shown: a phone fetches the one game it plays. */
function screen(load: () => Promise<{ Play: Screen }>): Screen {
  return lazy(async () => ({ default: (await load()).Play }))
}

/** The screens that students play on, by kind of game. Whoever shows one says what stands there meanwhile. */
export const PLAY: Record<GameKind, Screen> = {
  quiz: screen(() => import('./quiz/Play.tsx')),
  flashcards: screen(() => import('./flashcards/Play.tsx')),
  matching: screen(() => import('./matching/Play.tsx')),
  pairs: screen(() => import('./pairs/Play.tsx')),
  unscramble: screen(() => import('./unscramble/Play.tsx')),
  wordsearch: screen(() => import('./wordsearch/Play.tsx')),
  crossword: screen(() => import('./crossword/Play.tsx')),
  bingo: screen(() => import('./bingo/Play.tsx')),
  hangman: screen(() => import('./hangman/Play.tsx')),
}
