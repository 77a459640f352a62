import type { SheetPage } from '../../print/sheet.ts'
import type { Game } from '../contract.ts'
import { markTellingIn } from '../telling.ts'
import { onOwnClock } from '../upgrade.ts'
import { squareOf } from '../shownFace.ts'
import { fit, make } from './make.ts'
import { UnscrambleOptions } from './options.ts'
import { moment, move, score, start, UnscrambleMove, view, type UnscramblePlay, type UnscrambleView } from './play.ts'
import type { UnscramblePuzzle } from './puzzle.ts'

/** Version 2: pictures whose words would tell are marked; times are on the play's own clock. */
const UPGRADES = [
  { puzzle: markTellingIn, play: (stored: unknown) => onOwnClock(stored, ['lastAt', 'itemAt', 'finishedAt']) },
]

/** Words and phrases whose pieces have lost their order. */
export const unscramble: Game<UnscrambleOptions, UnscramblePuzzle, UnscramblePlay, UnscrambleMove, UnscrambleView> = {
  kind: 'unscramble',
  version: 2,
  upgrades: UPGRADES,
  options: UnscrambleOptions,
  moves: UnscrambleMove,
  fit,
  make,
  asked: ({ items }) => items.map(({ entryId, text }) => ({ entryId, text, counts: true })),
  onPaper: true,
  sheet,
  start,
  view,
  move,
  score,
  moment,
}

/** Items that fit a page in two columns. */
const PER_PAGE = 28

function sheet({ items }: UnscramblePuzzle, isKey: boolean): SheetPage[] {
  return Array.from({ length: Math.ceil(items.length / PER_PAGE) }, (_, page) => ({
    blocks: [
      {
        type: 'items',
        columns: 2,
        items: items
          .slice(page * PER_PAGE, (page + 1) * PER_PAGE)
          .map(({ prompt, pieces, mixed, by, text }, index) => ({
            ...squareOf(prompt),
            label: String(page * PER_PAGE + index + 1),
            note: '',
            answer: isKey ? text : '',
            below: isKey
              ? []
              : [mixed.map((place) => pieces[place]).join(by === 'words' ? ' · ' : ' '), '____________________'],
          })),
      },
    ],
  }))
}
