import { z } from 'zod'
import { MOST_TEAMS } from '../../wall/teams.ts'
import { ASKING } from '../asking.ts'

export const FEWEST_PAIRS = 4
export const MOST_PAIRS = 20

/** What a teacher chooses for Pairs. */
export const PairsOptions = z.strictObject({
  ...ASKING,
  pairs: z.number().int().min(FEWEST_PAIRS).max(MOST_PAIRS).default(8),
  /** Two cards that are the same, prompt and answer, or a picture and its word. */
  faces: z.enum(['both-sides', 'same', 'picture-word']).default('both-sides'),
  /** Players who take turns at one screen. */
  players: z.number().int().min(1).max(MOST_TEAMS).default(1),
})
export type PairsOptions = z.infer<typeof PairsOptions>
