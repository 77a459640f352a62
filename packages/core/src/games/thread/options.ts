import { z } from 'zod'
import { MOST_TEAMS } from '../../wall/teams.ts'
import { ASKING } from '../asking.ts'

export const FEWEST_LINKS = 3
export const MOST_LINKS = 5

const Count = z.number().int().min(FEWEST_LINKS).max(MOST_LINKS)

/** What a teacher chooses for Common thread. */
export const ThreadOptions = z.strictObject({
  ...ASKING,
  /** Links on the board, as many as the list has, and items of each. */
  links: Count.default(5),
  each: Count.default(3),
  /** Whether items are drawn that could mislead, or such that do not. */
  hard: z.enum(['easier', 'as-drawn', 'harder']).default('as-drawn'),
  /** How the link is told, once its items are found: typed, chosen among others, or not at all. */
  say: z.enum(['typed', 'choices', 'off']).default('typed'),
  /** Entries that are not to be drawn. */
  leaveOut: z.array(z.uuid()).max(500).default([]),
  teams: z.number().int().min(1).max(MOST_TEAMS).default(1),
})
export type ThreadOptions = z.infer<typeof ThreadOptions>
