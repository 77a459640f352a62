import type { Asking } from './asking.ts'
import type { Game } from './contract.ts'
import type { GameKind } from './kinds.ts'
import { bingo } from './bingo/index.ts'
import { crossword } from './crossword/index.ts'
import { flashcards } from './flashcards/index.ts'
import { hangman } from './hangman/index.ts'
import { matching } from './matching/index.ts'
import { pairs } from './pairs/index.ts'
import { pebbles } from './pebbles/index.ts'
import { quiz } from './quiz/index.ts'
import { quizboard } from './quizboard/index.ts'
import { sorting } from './sorting/index.ts'
import { thread } from './thread/index.ts'
import { unscramble } from './unscramble/index.ts'
import { worddraw } from './worddraw/index.ts'
import { wordsearch } from './wordsearch/index.ts'

/** A game of which only the contract is known: what it makes, it also takes. */
export type AnyGame = Game<Asking, unknown, unknown, unknown, unknown>

const REGISTRY: Record<GameKind, AnyGame> = {
  quiz,
  flashcards,
  matching,
  pairs,
  unscramble,
  wordsearch,
  crossword,
  bingo,
  hangman,
  quizboard,
  pebbles,
  thread,
  sorting,
  worddraw,
}

/** Returns the game of a kind. */
export function gameOf(kind: GameKind): AnyGame {
  return REGISTRY[kind]
}
