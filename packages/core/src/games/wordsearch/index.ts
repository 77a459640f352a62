import { gameFrom } from '../game.ts'
import { command } from './command.ts'
import { markTellingIn } from '../telling.ts'
import { onOwnClock } from '../upgrade.ts'
import { fit } from './fit.ts'
import { make } from './make.ts'
import { WordSearchOptions } from './options.ts'
import { WordSearchMove, course, view } from './play.ts'
import { sample } from './sample.ts'
import { sheet } from './sheet.ts'

/**
 * Version 2: pictures whose words would tell are marked; times are on the play's own clock. Version 3: no word is read by
 * chance in a direction that is not allowed either; what was made before stays as it is.
 */
const UPGRADES = [
  { puzzle: markTellingIn, play: (stored: unknown) => onOwnClock(stored, ['lastAt', 'lastFoundAt', 'finishedAt']) },
  {},
]

/** Words hidden in a grid of letters. */
export const wordsearch = gameFrom({
  kind: 'wordsearch',
  version: 3,
  upgrades: UPGRADES,
  options: WordSearchOptions,
  moves: WordSearchMove,
  notes: [
    'ready',
    'no-words',
    'empty',
    'too-short',
    'too-long',
    'repeat',
    'clash',
    'too-many',
    'no-room',
    'too-full',
    'message-length',
    'filler-spells',
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
export type { PlacedWord, WordSearchPuzzle } from './puzzle.ts'
export type { WordSearchItem, WordSearchMove, WordSearchPlay, WordSearchView } from './play.ts'
