import { teamGameFrom } from '../game.ts'
import { command } from './command.ts'
import { markTellingIn } from '../telling.ts'
import { onOwnClock } from '../upgrade.ts'
import { fit, make } from './make.ts'
import { HangmanOptions } from './options.ts'
import { HangmanMove, course, moment, view } from './play.ts'
import { sample } from './sample.ts'

/**
 * Version 2: pictures whose words would tell are marked; times are on the play's own clock. Version 3: letters asked for
 * are called tried. Version 4: teams stand as in all games that teams play.
 */
const UPGRADES = [
  { puzzle: markTellingIn, play: (stored: unknown) => onOwnClock(stored, ['lastAt', 'wordAt', 'finishedAt']) },
  {
    play: (stored: unknown) => {
      const { asked: tried, ...play } = stored as Record<string, unknown>
      return { ...play, tried }
    },
  },
  {
    play: (stored: unknown) => {
      const { turn, teamPoints: points, ...play } = stored as Record<string, unknown>
      return { ...play, teams: { turn, points, timer: null } }
    },
  },
]

/** Words found letter by letter. */
export const hangman = teamGameFrom({
  kind: 'hangman',
  version: 4,
  upgrades: UPGRADES,
  options: HangmanOptions,
  moves: HangmanMove,
  notes: ['ready', 'no-words', 'empty', 'too-long', 'too-short'],
  doings: ['word', 'again'],
  heeds: ['order', 'hints', 'second'],
  dictionaries: ['en'],
  command,
  sample,
  fit,
  make,
  questions: ({ words }) => words.map(({ entryId, text }) => ({ entryId, text, counts: true })),
  onPaper: false,
  sheet: () => [],
  view,
  moment,
  course,
})

export * from './options.ts'
export type { HangmanPuzzle, HangmanWord } from './puzzle.ts'
export type { HangmanMove, HangmanPlay, HangmanView } from './play.ts'
export { difficulties, difficultyOfList, type Difficulty, type WordDifficulty } from './difficulty.ts'
