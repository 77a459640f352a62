import type { EntryList } from '../../list/entry.ts'
import { PuzzleError, type Fit } from '../contract.ts'
import { gameFrom } from '../game.ts'
import { markTellingIn } from '../telling.ts'
import { onOwnClock } from '../upgrade.ts'
import { couplesOf } from '../partners.ts'
import { FlashcardsOptions } from './options.ts'
import { FlashcardsMove, course, memory, moment, questionsKey, questionsOf, view } from './play.ts'
import { sample } from './sample.ts'
import type { FlashcardsPuzzle } from './puzzle.ts'
import { sheet } from './sheet.ts'

/**
 * Version 2: pictures whose words would tell are marked; times are on the play's own clock, and it is known which cards
 * were asked. Version 3: those are called dealt.
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
  {
    play: (stored: unknown) => {
      const { asked: dealt, ...play } = stored as Record<string, unknown>
      return { ...play, dealt }
    },
  },
]

/** Cards with two sides, turned one by one. */
export const flashcards = gameFrom({
  kind: 'flashcards',
  version: 3,
  upgrades: UPGRADES,
  options: FlashcardsOptions,
  moves: FlashcardsMove,
  notes: ['ready', 'no-cards', 'one-side', 'repeat'],
  doings: ['cards'],
  heeds: ['order'],
  dictionaries: [],
  sample,
  fit,
  make,
  questions: questionsOf,
  questionsKey,
  isSelfJudged: true,
  practice: 2,
  onPaper: true,
  sheet,
  view,
  memory,
  moment,
  course,
})

function fit(list: EntryList): Fit {
  const { couples, notes } = couplesOf(list.entries)
  return {
    ready: couples.length > 0,
    summary: { code: couples.length > 0 ? 'ready' : 'no-cards', entryIds: [], values: { count: couples.length } },
    notes,
  }
}

function make(list: EntryList, { order, perPage, backs }: FlashcardsOptions): FlashcardsPuzzle {
  const { couples } = couplesOf(list.entries)
  if (couples.length === 0) throw new PuzzleError({ code: 'no-cards', entryIds: [], values: {} })
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

export * from './options.ts'
export type { Flashcard, FlashcardsPuzzle } from './puzzle.ts'
export type { FlashcardsMove, FlashcardsView } from './play.ts'
