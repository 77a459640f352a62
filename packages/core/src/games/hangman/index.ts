import type { Game } from '../contract.ts'
import { markTellingIn } from '../telling.ts'
import { onOwnClock } from '../upgrade.ts'
import { fit, make } from './make.ts'
import { HangmanOptions } from './options.ts'
import { HangmanMove, moment, move, score, start, view, type HangmanPlay, type HangmanView } from './play.ts'
import type { HangmanPuzzle } from './puzzle.ts'

/** Version 2: pictures whose words would tell are marked; times are on the play's own clock. */
const UPGRADES = [
  { puzzle: markTellingIn, play: (stored: unknown) => onOwnClock(stored, ['lastAt', 'wordAt', 'finishedAt']) },
]

/** Words found letter by letter. */
export const hangman: Game<HangmanOptions, HangmanPuzzle, HangmanPlay, HangmanMove, HangmanView> = {
  kind: 'hangman',
  version: 2,
  upgrades: UPGRADES,
  options: HangmanOptions,
  moves: HangmanMove,
  fit,
  make,
  asked: ({ words }) => words.map(({ entryId, text }) => ({ entryId, text, counts: true })),
  onPaper: false,
  sheet: () => [],
  start,
  view,
  move,
  score,
  moment,
}
