import type { EntryList } from '../../list/entry.ts'
import { PuzzleError, type Fit, type Game } from '../contract.ts'
import { couplesOf } from '../partners.ts'
import { FlashcardsOptions } from './options.ts'
import { FlashcardsMove, move, score, start, view, type FlashcardsPlay, type FlashcardsView } from './play.ts'
import type { FlashcardsPuzzle } from './puzzle.ts'
import { sheet } from './sheet.ts'

/** Cards with two sides, turned one by one. */
export const flashcards: Game<FlashcardsOptions, FlashcardsPuzzle, FlashcardsPlay, FlashcardsMove, FlashcardsView> = {
  kind: 'flashcards',
  options: FlashcardsOptions,
  moves: FlashcardsMove,
  fit,
  make,
  asked: ({ cards }) => cards.map(({ entryId, back }) => ({ entryId, text: back.text.trim() })),
  onPaper: true,
  sheet,
  start,
  view,
  move,
  score,
}

function fit(list: EntryList): Fit {
  const { couples, notes } = couplesOf(list.entries)
  return { ready: couples.length > 0, summary: { code: couples.length > 0 ? 'ready' : 'no-cards', entryIds: [], values: { cards: couples.length } }, notes }
}

function make(list: EntryList, { order, perPage, backs }: FlashcardsOptions): FlashcardsPuzzle {
  const { couples } = couplesOf(list.entries)
  if (couples.length === 0) throw new PuzzleError({ code: 'no-cards', entryIds: [], values: { cards: 0 } })
  const entries = new Map(list.entries.map((entry) => [entry.id, entry]))
  return {
    cards: couples.map(({ entryId, prompt, answer }) => ({ entryId, front: prompt, back: answer, hint: entries.get(entryId)?.hint ?? '', fact: entries.get(entryId)?.fact ?? '' })),
    order, perPage, backs,
  }
}
