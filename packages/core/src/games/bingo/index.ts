import { gameFrom } from '../game.ts'
import { command } from './command.ts'
import { markTellingIn } from '../telling.ts'
import { onOwnClock } from '../upgrade.ts'
import { fit, make } from './make.ts'
import { BingoOptions } from './options.ts'
import { BingoMove, course, moment, questionsKey, questionsOf, view, type BingoPlay } from './play.ts'
import { sample } from './sample.ts'
import type { BingoPuzzle } from './puzzle.ts'
import { sheet } from './sheet.ts'

/**
 * Version 2: pictures whose words would tell are marked; times are on the play's own clock, and squares marked for the
 * youngest are no answers. Version 3: a bingo that the teacher calls is checked, not only said.
 */
const UPGRADES = [
  {
    puzzle: markTellingIn,
    play: (stored: unknown, puzzle: unknown) => {
      const play = onOwnClock(stored, ['lastAt', 'callAt', 'finishedAt'])
      return { ...play, right: (puzzle as BingoPuzzle).marking === 'helped' ? [] : play.right }
    },
  },
  {
    play: (stored: unknown, puzzle: unknown) =>
      (puzzle as BingoPuzzle).calling === 'teacher' ? { ...(stored as BingoPlay), bingo: false } : stored,
  },
]

/** Cards on which what is called is marked. */
export const bingo = gameFrom({
  kind: 'bingo',
  version: 3,
  upgrades: UPGRADES,
  options: BingoOptions,
  moves: BingoMove,
  notes: ['ready', 'too-few', 'smaller-works', 'all-together', 'repeat', 'empty', 'no-clue', 'same-clue'],
  doings: ['call', 'marked'],
  heeds: [],
  dictionaries: [],
  command,
  sample,
  fit,
  make,
  questions: questionsOf,
  questionsKey,
  isLed: ({ calling }) => calling === 'teacher',
  onPaper: true,
  sheet,
  view,
  moment,
  course,
})

export * from './options.ts'
export type { BingoCard, BingoPuzzle, BingoTerm, Forecast, Plan } from './puzzle.ts'
export type { BingoMove, BingoPlay, BingoView } from './play.ts'
export { checkClaim, type Claim } from './claim.ts'
