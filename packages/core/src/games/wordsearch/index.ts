import type { Game } from '../contract.ts'
import { fit } from './fit.ts'
import { make } from './make.ts'
import { WordSearchOptions } from './options.ts'
import { move, score, start, view, WordSearchMove, type WordSearchPlay, type WordSearchView } from './play.ts'
import type { WordSearchPuzzle } from './puzzle.ts'
import { sheet } from './sheet.ts'

/** Words hidden in a grid of letters. */
export const wordsearch: Game<WordSearchOptions, WordSearchPuzzle, WordSearchPlay, WordSearchMove, WordSearchView> = {
  kind: 'wordsearch',
  options: WordSearchOptions,
  moves: WordSearchMove,
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
