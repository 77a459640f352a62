import { gameFrom } from '../game.ts'
import { command } from './command.ts'
import { markTellingIn } from '../telling.ts'
import { onOwnClock } from '../upgrade.ts'
import { fit } from './fit.ts'
import { make } from './make.ts'
import { CrosswordOptions } from './options.ts'
import { CrosswordMove, course, view } from './play.ts'
import { sample } from './sample.ts'
import { sheet } from './sheet.ts'

/** Version 2: pictures whose words would tell are marked; times are on the play's own clock. */
const UPGRADES = [
  { puzzle: markTellingIn, play: (stored: unknown) => onOwnClock(stored, ['lastAt', 'lastSolvedAt', 'finishedAt']) },
]

/** Words that cross each other, found by their clues. */
export const crossword = gameFrom({
  kind: 'crossword',
  version: 2,
  upgrades: UPGRADES,
  options: CrosswordOptions,
  moves: CrosswordMove,
  notes: [
    'ready',
    'no-words',
    'empty',
    'too-short',
    'too-long',
    'repeat',
    'too-many',
    'no-shared-letter',
    'no-place',
    'no-clue',
  ],
  doings: ['words'],
  heeds: ['hints'],
  dictionaries: [],
  command,
  sample,
  fit,
  make,
  questions: ({ words }) => words.map(({ entryId, text }) => ({ entryId, text, counts: true })),
  onPaper: true,
  sheet,
  view,
  course,
})

export * from './options.ts'
export { cellsOf, type CrosswordPuzzle, type CrosswordWord } from './puzzle.ts'
export type { CrosswordClue, CrosswordMove, CrosswordPlay, CrosswordView } from './play.ts'
export { searchCrossword, type CrosswordSearch } from './make.ts'
