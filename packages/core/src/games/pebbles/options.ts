import { z } from 'zod'
import { MOST_TEAMS } from '../../wall/teams.ts'
import { ASKING } from '../asking.ts'

export const FEWEST_PEBBLES = 4
export const MOST_PEBBLES = 60
export const TWIST_LEVELS = ['off', 'gentle', 'lively'] as const
export type TwistLevel = (typeof TWIST_LEVELS)[number]

/** What a teacher chooses for Pebbles. */
export const PebblesOptions = z.strictObject({
  ...ASKING,
  pebbles: z.number().int().min(FEWEST_PEBBLES).max(MOST_PEBBLES).default(20),
  /** Who may answer: the team that named the pebble, the next one too, or everyone in writing. */
  answers: z.enum(['team', 'next', 'all']).default('next'),
  /** What a wrong answer costs. */
  wrong: z.enum(['nothing', 'points', 'everything']).default('nothing'),
  /** What pebbles are worth: their entries' points, all the same, or drawn anew for each game. */
  values: z.enum(['equal', 'list', 'hidden']).default('equal'),
  twists: z.enum(TWIST_LEVELS).default('off'),
  /** Seconds for a question; 0 for no limit. */
  seconds: z.number().int().min(0).max(600).default(0),
  teams: z.number().int().min(1).max(MOST_TEAMS).default(4),
})
export type PebblesOptions = z.infer<typeof PebblesOptions>
