import { gameFrom } from '../game.ts'
import { markTellingIn } from '../telling.ts'
import { onOwnClock } from '../upgrade.ts'
import { fit, make } from './make.ts'
import { MatchingOptions } from './options.ts'
import { MatchingMove, course, moment, view } from './play.ts'
import { sample } from './sample.ts'
import type { MatchingPuzzle } from './puzzle.ts'
import { sheet } from './sheet.ts'

/**
 * Version 2: pictures whose words would tell are marked; times are on the play's own clock and rows judged are counted.
 */
const UPGRADES = [
  {
    puzzle: markTellingIn,
    play: (stored: unknown, puzzle: unknown) => {
      const play = onOwnClock(stored, ['lastAt', 'judgedAt', 'finishedAt'])
      const before = (puzzle as MatchingPuzzle).rounds
        .slice(0, play.round as number)
        .reduce((sum, { couples }) => sum + couples.length, 0)
      return { ...play, met: before + (play.judged as boolean[]).filter(Boolean).length }
    },
  },
]

/** Two columns whose rows belong together. */
export const matching = gameFrom({
  kind: 'matching',
  version: 2,
  upgrades: UPGRADES,
  options: MatchingOptions,
  moves: MatchingMove,
  notes: ['ready', 'too-few', 'one-side', 'repeat', 'left-out'],
  doings: ['round'],
  heeds: [],
  dictionaries: [],
  sample,
  fit,
  make,
  questions: ({ rounds }) =>
    rounds.flatMap(({ couples }) =>
      couples.map(({ entryId, answer }) => ({ entryId, text: answer.text.trim(), counts: true })),
    ),
  onPaper: true,
  sheet,
  view,
  moment,
  course,
})

export * from './options.ts'
export type { MatchingPuzzle } from './puzzle.ts'
export type { MatchingMove, MatchingView } from './play.ts'
