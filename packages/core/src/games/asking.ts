import { z } from 'zod'
import type { EntryList } from '../list/entry.ts'
import { acceptedOf, MAX_ENTRIES } from '../list/entry.ts'
import { swapSides } from '../list/swapSides.ts'
import { markTelling } from './telling.ts'

/** What a teacher can choose for every game: which side is asked, of which entries, and for whom. */
export const ASKING = {
  /** The side that is to be given; the other one is shown. */
  ask: z.enum(['answer', 'prompt']).default('answer'),
  take: z.enum(['all', 'group', 'first', 'range', 'chosen']).default('all'),
  group: z.string().max(200).default(''),
  first: z.number().int().min(1).max(MAX_ENTRIES).default(20),
  /** Of a range, the first and the last row, from 1. */
  from: z.number().int().min(1).max(MAX_ENTRIES).default(1),
  to: z.number().int().min(1).max(MAX_ENTRIES).default(20),
  /** Ids of the chosen entries. */
  entries: z.array(z.uuid()).max(MAX_ENTRIES).default([]),
  /** For those who learn to read: bigger, in small letters of a schoolbook's shape, with spoken words. */
  early: z.boolean().default(false),
}
export const Asking = z.object(ASKING)
export type Asking = z.infer<typeof Asking>

/** Returns the part of a list that is asked, its entries turned so that the answer is what is to be given. */
export function askedList(list: EntryList, asking: Asking): EntryList {
  const { ask } = asking
  const chosen = takenOf(list, asking)
  const isSwapped = ask === 'prompt'
  if (!isSwapped && chosen === list.entries) return list
  const taken = new Set(chosen.map(({ id }) => id))
  const rest = list.entries.filter(({ id }) => !taken.has(id))
  return {
    ...list,
    ...(isSwapped && { answerLanguage: list.promptLanguage, promptLanguage: list.answerLanguage }),
    // A hint was for the side that is shown now.
    entries: isSwapped ? swapSides(chosen).map((entry) => ({ ...entry, hint: '' })) : chosen,
    beside: (isSwapped ? swapSides(rest) : rest).flatMap(acceptedOf),
  }
}

function takenOf({ entries }: EntryList, { take, group, first, from, to, entries: ids }: Asking): EntryList['entries'] {
  switch (take) {
    case 'all':
      return entries
    case 'group':
      return entries.filter((entry) => entry.groups.includes(group))
    case 'first':
      return entries.slice(0, first)
    case 'range':
      return entries.slice(Math.min(from, to) - 1, Math.max(from, to))
    case 'chosen':
      // Nothing chosen is no choice.
      return ids.length === 0 ? entries : entries.filter(({ id }) => ids.includes(id))
  }
}

/** Returns a list whose pictures are marked where their words would tell an answer. */
export function markedList(list: EntryList): EntryList {
  return { ...list, entries: markTelling(list.entries) }
}
