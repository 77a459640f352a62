import type { Game } from '../contract.ts'
import { fit, make } from './make.ts'
import { BingoOptions } from './options.ts'
import { BingoMove, move, score, start, view, type BingoPlay, type BingoView } from './play.ts'
import type { BingoPuzzle } from './puzzle.ts'
import { sheet } from './sheet.ts'

/** Cards on which what is called is marked. */
export const bingo: Game<BingoOptions, BingoPuzzle, BingoPlay, BingoMove, BingoView> = {
  kind: 'bingo',
  options: BingoOptions,
  moves: BingoMove,
  fit,
  make,
  asked: (puzzle) => puzzle.terms.map(({ entryId, text }) => ({ entryId, text })),
  onPaper: true,
  sheet,
  start,
  view,
  move,
  score,
}
