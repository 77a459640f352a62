import { z } from 'zod'
import { MOST_TEAMS } from '../../wall/teams.ts'
import { ASKING } from '../asking.ts'

export const FEWEST_GROUPS = 2
export const MOST_SORTED_GROUPS = 6
export const FEWEST_ITEMS = 4
export const MOST_ITEMS = 48

/** What a teacher chooses for Sorting. */
export const SortingOptions = z.strictObject({
  ...ASKING,
  /** Groups to sort into, those with most entries first. */
  groups: z.number().int().min(FEWEST_GROUPS).max(MOST_SORTED_GROUPS).default(4),
  items: z.number().int().min(FEWEST_ITEMS).max(MOST_ITEMS).default(16),
  /** What is sorted: answers, clues, or both on one slip. */
  shows: z.enum(['answer', 'prompt', 'both']).default('answer'),
  /** Whether each is judged as it is put down, or all at the end. */
  check: z.enum(['at-once', 'at-end']).default('at-once'),
  teams: z.number().int().min(1).max(MOST_TEAMS).default(1),
})
export type SortingOptions = z.infer<typeof SortingOptions>
