import { z } from 'zod'
import { ASKING } from '../asking.ts'

/** Most words that are drawn in one go. */
export const MOST_AT_ONCE = 20

/** What a teacher chooses for Word draw. */
export const WorddrawOptions = z.strictObject({
  ...ASKING,
  /** Whether a word can come again before all have come. */
  repeats: z.boolean().default(false),
  /** Whether words that were missed more come sooner. */
  weights: z.enum(['equal', 'missed']).default('equal'),
})
export type WorddrawOptions = z.infer<typeof WorddrawOptions>
