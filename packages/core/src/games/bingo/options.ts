import { z } from 'zod'
import { ASKING } from '../asking.ts'

export const MOST_CARDS = 200

/** What a teacher chooses for bingo. */
export const BingoOptions = z.strictObject({
  ...ASKING,
  /** Squares to a side; automatic: as many as the words fill. */
  size: z.union([z.literal('automatic'), z.literal(3), z.literal(4), z.literal(5)]).default('automatic'),
  /** Whether the square in the middle is free, where there is one. */
  free: z.boolean().default(true),
  pattern: z.enum(['line', 'two-lines', 'corners', 'full']).default('line'),
  cards: z.number().int().min(1).max(MOST_CARDS).default(30),
  /** Calls between which the first bingo is to come; null for any. */
  firstWin: z
    .tuple([z.number().int().min(1).max(5000), z.number().int().min(1).max(5000)])
    .refine(([from, to]) => from <= to)
    .nullable()
    .default(null),
  /** How many are to win at that call; null for any number. */
  winners: z.number().int().min(1).max(MOST_CARDS).nullable().default(null),
  /** Call by which at least five have won; null for any. */
  fiveBy: z.number().int().min(1).max(5000).nullable().default(null),
  /** Who calls on a student's device: the device itself, or the teacher in the room. */
  calling: z.enum(['device', 'teacher']).default('device'),
  /** Whether squares are marked for the youngest. */
  marking: z.enum(['own', 'helped']).default('own'),
  /** Cards to a printed page. */
  perPage: z.union([z.literal(1), z.literal(2), z.literal(4)]).default(2),
})
export type BingoOptions = z.infer<typeof BingoOptions>
export type BingoPattern = BingoOptions['pattern']
