import type { Game } from '../contract.ts'
import { fit, make } from './make.ts'
import { MatchingOptions } from './options.ts'
import { MatchingMove, move, score, start, view, type MatchingPlay, type MatchingView } from './play.ts'
import type { MatchingPuzzle } from './puzzle.ts'
import { sheet } from './sheet.ts'

/** Two columns whose rows belong together. */
export const matching: Game<MatchingOptions, MatchingPuzzle, MatchingPlay, MatchingMove, MatchingView> = {
  kind: 'matching',
  options: MatchingOptions,
  moves: MatchingMove,
  fit,
  make,
  asked: ({ rounds }) => rounds.flatMap(({ couples }) => couples.map(({ entryId, answer }) => ({ entryId, text: answer.text.trim() }))),
  onPaper: true,
  sheet,
  start,
  view,
  move,
  score,
}
