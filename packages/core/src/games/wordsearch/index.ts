import type { Game } from '../contract.ts'
import { markTellingIn } from '../telling.ts'
import { onOwnClock } from '../upgrade.ts'
import { fit } from './fit.ts'
import { make } from './make.ts'
import { WordSearchOptions } from './options.ts'
import { move, score, start, view, WordSearchMove, type WordSearchPlay, type WordSearchView } from './play.ts'
import type { WordSearchPuzzle } from './puzzle.ts'
import { sheet } from './sheet.ts'

/** Version 2: pictures whose words would tell are marked; times are on the play's own clock. */
const UPGRADES = [
  { puzzle: markTellingIn, play: (stored: unknown) => onOwnClock(stored, ['lastAt', 'lastFoundAt', 'finishedAt']) },
]

/** Words hidden in a grid of letters. */
export const wordsearch: Game<WordSearchOptions, WordSearchPuzzle, WordSearchPlay, WordSearchMove, WordSearchView> = {
  kind: 'wordsearch',
  version: 2,
  upgrades: UPGRADES,
  options: WordSearchOptions,
  moves: WordSearchMove,
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
