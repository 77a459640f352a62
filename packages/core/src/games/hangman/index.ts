import type { Game } from '../contract.ts'
import { fit, make } from './make.ts'
import { HangmanOptions } from './options.ts'
import { HangmanMove, move, score, start, view, type HangmanPlay, type HangmanView } from './play.ts'
import type { HangmanPuzzle } from './puzzle.ts'

/** Words found letter by letter. */
export const hangman: Game<HangmanOptions, HangmanPuzzle, HangmanPlay, HangmanMove, HangmanView> = {
  kind: 'hangman',
  options: HangmanOptions,
  moves: HangmanMove,
  fit,
  make,
  asked: (puzzle) => puzzle.words.map(({ entryId, text }) => ({ entryId, text })),
  onPaper: false,
  sheet: () => [],
  start,
  view,
  move,
  score,
}
