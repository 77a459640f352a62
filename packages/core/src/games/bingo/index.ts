import type { Game } from '../contract.ts'
import { markTellingIn } from '../telling.ts'
import { onOwnClock } from '../upgrade.ts'
import { fit, make } from './make.ts'
import { BingoOptions } from './options.ts'
import { asked, askedKey, BingoMove, moment, move, score, start, view, type BingoPlay, type BingoView } from './play.ts'
import type { BingoPuzzle } from './puzzle.ts'
import { sheet } from './sheet.ts'

/**
 * Version 2: pictures whose words would tell are marked; times are on the play's own clock, and squares marked for the
 * youngest are no answers.
 */
const UPGRADES = [
  {
    puzzle: markTellingIn,
    play: (stored: unknown, puzzle: unknown) => {
      const play = onOwnClock(stored, ['lastAt', 'callAt', 'finishedAt'])
      return { ...play, right: (puzzle as BingoPuzzle).marking === 'helped' ? [] : play.right }
    },
  },
]

/** Cards on which what is called is marked. */
export const bingo: Game<BingoOptions, BingoPuzzle, BingoPlay, BingoMove, BingoView> = {
  kind: 'bingo',
  version: 2,
  upgrades: UPGRADES,
  options: BingoOptions,
  moves: BingoMove,
  fit,
  make,
  asked,
  askedKey,
  onPaper: true,
  sheet,
  start,
  view,
  move,
  score,
  moment,
}
