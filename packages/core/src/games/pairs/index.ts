import { teamGameFrom } from '../game.ts'
import { markTellingIn } from '../telling.ts'
import { onOwnClock } from '../upgrade.ts'
import { fit, make } from './make.ts'
import { PairsOptions } from './options.ts'
import { PairsMove, course, view } from './play.ts'
import { sample } from './sample.ts'
import { faceOf, type PairsPuzzle } from './puzzle.ts'
import { squareOf } from '../shownFace.ts'

/**
 * Version 2: pictures whose words would tell are marked; times are on the play's own clock. Version 3: teams stand as in
 * all games that teams play.
 */
const UPGRADES = [
  { puzzle: markTellingIn, play: (stored: unknown) => onOwnClock(stored, ['lastAt', 'lastFoundAt', 'finishedAt']) },
  {
    play: (stored: unknown, puzzle: unknown) => {
      const {
        player: turn,
        found,
        ...play
      } = stored as { player: number; found: { cards: number[]; player: number }[] }
      const points = Array.from(
        { length: (puzzle as PairsPuzzle).players },
        (_, team) => found.filter(({ player }) => player === team).length,
      )
      return {
        ...play,
        found: found.map(({ cards, player: team }) => ({ cards, team })),
        teams: { turn, points, timer: null },
      }
    },
  },
]

/** Cards face down, found two by two. */
export const pairs = teamGameFrom({
  kind: 'pairs',
  version: 3,
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
