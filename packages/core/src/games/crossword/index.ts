import type { Game } from '../contract.ts'
import { fit } from './fit.ts'
import { make } from './make.ts'
import { CrosswordOptions } from './options.ts'
import { CrosswordMove, move, score, start, view, type CrosswordPlay, type CrosswordView } from './play.ts'
import type { CrosswordPuzzle } from './puzzle.ts'
import { sheet } from './sheet.ts'

/** Words that cross each other, found by their clues. */
export const crossword: Game<CrosswordOptions, CrosswordPuzzle, CrosswordPlay, CrosswordMove, CrosswordView> = {
  kind: 'crossword',
  options: CrosswordOptions,
  moves: CrosswordMove,
  fit,
  make,
  asked: (puzzle) => puzzle.words.map(({ entryId, text }) => ({ entryId, text })),
  onPaper: true,
  sheet,
  start,
  view,
  move,
  score,
}
