import type { GameKind } from '@otter/core'
import type { ComponentType } from 'react'
import type { PlayProps } from './contract.ts'
import { Play as Bingo } from './bingo/Play.tsx'
import { Play as Crossword } from './crossword/Play.tsx'
import { Play as Hangman } from './hangman/Play.tsx'
import { Play as WordSearch } from './wordsearch/Play.tsx'

/** The screens that students play on, by kind of game. */
export const PLAY: Record<GameKind, ComponentType<PlayProps<never, unknown>>> = { wordsearch: WordSearch, crossword: Crossword, bingo: Bingo, hangman: Hangman }
