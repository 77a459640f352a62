import type { EntryList } from '../../list/entry.ts'
import { PuzzleError, type Fit, type Game } from '../contract.ts'
import { markTellingIn } from '../telling.ts'
import { onOwnClock } from '../upgrade.ts'
import { couplesOf } from '../partners.ts'
import { FlashcardsOptions } from './options.ts'
import {
  asked,
  askedKey,
  FlashcardsMove,
  memory,
  moment,
  move,
  score,
  start,
  view,
  type FlashcardsPlay,
  type FlashcardsView,
} from './play.ts'
import type { FlashcardsPuzzle } from './puzzle.ts'
import { sheet } from './sheet.ts'

/**
 * Version 2: pictures whose words would tell are marked; times are on the play's own clock, and it is known which cards
 * were asked.
 */
const UPGRADES = [
  {
    puzzle: markTellingIn,
    play: (stored: unknown) => {
      const { lastAt, queue, seen } = stored as { lastAt: number; queue: number[]; seen: number[] }
      const { due: _, ...play } = onOwnClock(stored, ['lastAt', 'cardAt', 'finishedAt'])
      return { ...play, seenAt: lastAt, acts: 0, asked: [...new Set([...seen, ...queue])] }
    },
  },
]

/** Cards with two sides, turned one by one. */
export const flashcards: Game<FlashcardsOptions, FlashcardsPuzzle, FlashcardsPlay, FlashcardsMove, FlashcardsView> = {
  kind: 'flashcards',
  version: 2,
  upgrades: UPGRADES,
  options: FlashcardsOptions,
  moves: FlashcardsMove,
  fit,
  make,
  asked,
  askedKey,
  onPaper: true,
  sheet,
  start,
  view,
  move,
  score,
  memory,
  moment,
}

function fit(list: EntryList): Fit {
  const { couples, notes } = couplesOf(list.entries)
  return {
    ready: couples.length > 0,
    summary: { code: couples.length > 0 ? 'ready' : 'no-cards', entryIds: [], values: { cards: couples.length } },
    notes,
  }
}

function make(list: EntryList, { order, perPage, backs }: FlashcardsOptions): FlashcardsPuzzle {
  const { couples } = couplesOf(list.entries)
  if (couples.length === 0) throw new PuzzleError({ code: 'no-cards', entryIds: [], values: { cards: 0 } })
  const entries = new Map(list.entries.map((entry) => [entry.id, entry]))
  return {
    cards: couples.map(({ entryId, prompt, answer }) => ({
      entryId,
      front: prompt,
      back: answer,
      hint: entries.get(entryId)?.hint ?? '',
      fact: entries.get(entryId)?.fact ?? '',
    })),
    order,
    perPage,
    backs,
  }
}
