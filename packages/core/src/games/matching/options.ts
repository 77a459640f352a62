import { z } from 'zod'
import { ASKING } from '../asking.ts'

/** What a teacher chooses for matching. */
export const MatchingOptions = z.strictObject({
  ...ASKING,
  /** Rows of one round; a longer list makes several. */
  rows: z.number().int().min(3).max(12).default(6),
  /** Whether each line is judged when it is drawn, or all of a round at its end. */
  check: z.enum(['at-once', 'at-end']).default('at-once'),
})
export type MatchingOptions = z.infer<typeof MatchingOptions>
