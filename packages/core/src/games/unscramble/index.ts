import type { SheetPage } from '../../print/sheet.ts'
import { gameFrom } from '../game.ts'
import { NO_LOOKUP } from '../lookup.ts'
import { markTellingIn } from '../telling.ts'
import { onOwnClock } from '../upgrade.ts'
import { squareOf } from '../shownFace.ts'
import { fit, make } from './make.ts'
import { UnscrambleOptions } from './options.ts'
import { UnscrambleMove, course, moment, view } from './play.ts'
import { sample } from './sample.ts'
import type { UnscramblePuzzle } from './puzzle.ts'

/**
 * Version 2: pictures whose words would tell are marked; times are on the play's own clock. Version 3: words come in an
 * order of the play's own.
 */
const UPGRADES = [
  { puzzle: markTellingIn, play: (stored: unknown) => onOwnClock(stored, ['lastAt', 'itemAt', 'finishedAt']) },
  {
    play: (stored: unknown, puzzle: unknown) => {
      const { item, ...play } = stored as Record<string, unknown>
      return { ...play, queue: [...(puzzle as UnscramblePuzzle).items.keys()].slice(item as number) }
    },
  },
]

/** Words and phrases whose pieces have lost their order. */
export const unscramble = gameFrom({
  kind: 'unscramble',
  version: 3,
  upgrades: UPGRADES,
  options: UnscrambleOptions,
  moves: UnscrambleMove,
  notes: ['ready', 'no-words', 'no-text', 'too-long', 'nothing-to-mix', 'repeat'],
  doings: ['word'],
  heeds: ['order', 'hints'],
  dictionaries: [],
  sample,
  fit,
  make,
  questions: ({ items }) => items.map(({ entryId, text }) => ({ entryId, text, counts: true })),
  lookup: () => ({ ...NO_LOOKUP, words: true }),
  onPaper: true,
  sheet,
  view,
  moment,
  course,
})

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

export * from './options.ts'
export type { UnscramblePuzzle } from './puzzle.ts'
export type { UnscrambleMove, UnscrambleView } from './play.ts'
