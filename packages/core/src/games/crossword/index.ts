import type { Game } from '../contract.ts'
import { markTellingIn } from '../telling.ts'
import { onOwnClock } from '../upgrade.ts'
import { fit } from './fit.ts'
import { make } from './make.ts'
import { CrosswordOptions } from './options.ts'
import { CrosswordMove, move, score, start, view, type CrosswordPlay, type CrosswordView } from './play.ts'
import type { CrosswordPuzzle } from './puzzle.ts'
import { sheet } from './sheet.ts'

/** Version 2: pictures whose words would tell are marked; times are on the play's own clock. */
const UPGRADES = [
  { puzzle: markTellingIn, play: (stored: unknown) => onOwnClock(stored, ['lastAt', 'lastSolvedAt', 'finishedAt']) },
]

/** Words that cross each other, found by their clues. */
export const crossword: Game<CrosswordOptions, CrosswordPuzzle, CrosswordPlay, CrosswordMove, CrosswordView> = {
  kind: 'crossword',
  version: 2,
  upgrades: UPGRADES,
  options: CrosswordOptions,
  moves: CrosswordMove,
  fit,
  make,
  asked: ({ words }) => words.map(({ entryId, text }) => ({ entryId, text, counts: true })),
  onPaper: true,
  sheet,
  start,
  view,
  move,
  score,
}
