import type { Asking, GameKind } from '@otter/core'
import type { TeacherScreens } from './contract.ts'
import { screens as bingo } from './bingo/screens.ts'
import { screens as crossword } from './crossword/screens.ts'
import { screens as flashcards } from './flashcards/screens.ts'
import { screens as hangman } from './hangman/screens.ts'
import { screens as matching } from './matching/screens.ts'
import { screens as pairs } from './pairs/screens.ts'
import { screens as pebbles } from './pebbles/screens.ts'
import { screens as quiz } from './quiz/screens.ts'
import { screens as quizboard } from './quizboard/screens.ts'
import { screens as sorting } from './sorting/screens.ts'
import { screens as thread } from './thread/screens.ts'
import { screens as unscramble } from './unscramble/screens.ts'
import { screens as worddraw } from './worddraw/screens.ts'
import { screens as wordsearch } from './wordsearch/screens.ts'

/** What teachers see of each kind of game. */
export const TEACHER: Record<GameKind, TeacherScreens<Asking, unknown>> = {
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
