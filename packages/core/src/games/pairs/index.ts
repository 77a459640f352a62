import type { Game } from '../contract.ts'
import { markTellingIn } from '../telling.ts'
import { onOwnClock } from '../upgrade.ts'
import { fit, make } from './make.ts'
import { PairsOptions } from './options.ts'
import { move, PairsMove, score, start, view, type PairsPlay, type PairsView } from './play.ts'
import { faceOf, type PairsPuzzle } from './puzzle.ts'
import { squareOf } from '../shownFace.ts'

/** Version 2: pictures whose words would tell are marked; times are on the play's own clock. */
const UPGRADES = [
  { puzzle: markTellingIn, play: (stored: unknown) => onOwnClock(stored, ['lastAt', 'lastFoundAt', 'finishedAt']) },
]

/** Cards face down, found two by two. */
export const pairs: Game<PairsOptions, PairsPuzzle, PairsPlay, PairsMove, PairsView> = {
  kind: 'pairs',
  version: 2,
  upgrades: UPGRADES,
  options: PairsOptions,
  moves: PairsMove,
  fit,
  make,
  asked: ({ couples }) => couples.map(({ entryId, answer }) => ({ entryId, text: answer.text.trim(), counts: true })),
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
  start,
  view,
  move,
  score,
}
