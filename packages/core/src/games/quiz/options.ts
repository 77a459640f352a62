import { z } from 'zod'
import { ASKING } from '../asking.ts'

/** What a teacher chooses for a quiz. */
export const QuizOptions = z.strictObject({
  ...ASKING,
  /** How questions are answered; mixed: each as chance has it. */
  form: z.enum(['choice', 'typed', 'true-false', 'mixed']).default('choice'),
  /** Choices of a question, where the list gives none. */
  choices: z.number().int().min(2).max(6).default(4),
  /** Mixed, mixed within each group, or as in the list. */
  order: z.enum(['random', 'groups', 'list']).default('random'),
  /** Seconds for a question that has none of its own; 0 for as long as one likes. */
  seconds: z.number().int().min(0).max(600).default(0),
  /** How much of the points depends on speed. */
  speed: z.enum(['off', 'gentle', 'strong']).default('off'),
  accents: z.enum(['kept', 'folded']).default('folded'),
  /** Whether an article may be left out, must be there, or is what is asked. */
  articles: z.enum(['free', 'must', 'asked']).default('free'),
  /** Which slips of the hand are forgiven. */
  slips: z.enum(['off', 'long', 'generous']).default('long'),
  /** Whether British and American spelling are one. */
  variants: z.boolean().default(true),
  /** Whether simplified and traditional Chinese characters are one. */
  scripts: z.enum(['apart', 'both']).default('both'),
  /** How many of a question's right answers are to be typed; where it has fewer, all of them. */
  named: z.number().int().min(1).max(5).default(1),
  /** Whether the cards are looked through before it begins. */
  cards: z.boolean().default(false),
  /** Whether what was missed is asked again at the end. */
  second: z.boolean().default(true),
  /** Share of right answers that passes, in per cent; 0 for no mark. */
  pass: z.number().int().min(0).max(100).default(0),
})
export type QuizOptions = z.infer<typeof QuizOptions>
