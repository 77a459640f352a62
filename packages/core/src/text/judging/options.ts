import { z } from 'zod'
import type { SlipOption } from './slips.ts'

/** What a list or a teacher sets for typed answers. */
export interface JudgeOptions {
  /** BCP 47 code of the answers; empty where nobody has said it. */
  language: string
  /** Whether é may be typed as e. */
  accents: 'kept' | 'folded'
  /** Whether an article may be left out, must be there, or is what is asked. */
  articles: 'free' | 'must' | 'asked'
  slips: SlipOption
  /** Whether British and American spelling are one. */
  variants: boolean
  /** Whether simplified and traditional characters are one. */
  scripts: 'apart' | 'both'
  /** How many of the accepted answers are asked for. */
  count: number
}

/** The options as they come from outside; each but the language has a default. */
export const JudgeOptionsInput = z.object({
  language: z.string().default(''),
  accents: z.enum(['kept', 'folded']).default('folded'),
  articles: z.enum(['free', 'must', 'asked']).default('free'),
  slips: z.enum(['off', 'long', 'generous']).default('long'),
  variants: z.boolean().default(true),
  scripts: z.enum(['apart', 'both']).default('apart'),
  count: z.number().int().min(1).max(20).default(1),
})
