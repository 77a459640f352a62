import { gameFrom } from '../game.ts'
import { markTellingIn } from '../telling.ts'
import { onOwnClock } from '../upgrade.ts'
import { fit, make } from './make.ts'
import { PairsOptions } from './options.ts'
import { PairsMove, course, view } from './play.ts'
import { sample } from './sample.ts'
import { faceOf } from './puzzle.ts'
import { squareOf } from '../shownFace.ts'

/** Version 2: pictures whose words would tell are marked; times are on the play's own clock. */
const UPGRADES = [
  { puzzle: markTellingIn, play: (stored: unknown) => onOwnClock(stored, ['lastAt', 'lastFoundAt', 'finishedAt']) },
]

/** Cards face down, found two by two. */
export const pairs = gameFrom({
  kind: 'pairs',
  version: 2,
  upgrades: UPGRADES,
  options: PairsOptions,
  moves: PairsMove,
  notes: ['ready', 'too-few', 'no-picture', 'one-side', 'repeat'],
  doings: ['pairs'],
  heeds: [],
  dictionaries: [],
  sample,
  fit,
  make,
  questions: ({ couples }) =>
    couples.map(({ entryId, answer }) => ({ entryId, text: answer.text.trim(), counts: true })),
  onPaper: true,
  // Cards to cut apart and lay on a table: they are their own key.
  sheet: (puzzle, isKey) =>
    isKey
      ? []
      : [
          {
            bare: true,
            blocks: [{ type: 'tokens', tokens: puzzle.cards.map((card) => squareOf(faceOf(puzzle, card))) }],
          },
        ],
  view,
  course,
})

export * from './options.ts'
export type { PairsPuzzle } from './puzzle.ts'
export type { PairsMove, PairsView } from './play.ts'
