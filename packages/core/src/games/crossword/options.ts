import { z } from 'zod'
import { ASKING } from '../asking.ts'

/** Where a word is to stay: what it was in a layout the teacher liked. */
export const PinnedWord = z.object({
  entryId: z.string().max(100),
  row: z.number().int().min(0).max(60),
  col: z.number().int().min(0).max(60),
  dir: z.enum(['across', 'down']),
})
export type PinnedWord = z.infer<typeof PinnedWord>

/** What a teacher chooses for a crossword. */
export const CrosswordOptions = z.strictObject({
  ...ASKING,
  /** As small as possible, or with as many crossings as possible, which help who is stuck. */
  aim: z.enum(['compact', 'helpful']).default('compact'),
  shape: z.enum(['any', 'square', 'page']).default('any'),
  letterCase: z.enum(['upper', 'lower']).default('upper'),
  accents: z.enum(['kept', 'folded']).default('folded'),
  /** Steps of the search for a layout; the same steps give the same layout. */
  steps: z.number().int().min(10_000).max(60_000_000).default(3_000_000),
  pins: z.array(PinnedWord).max(200).default([]),
  /** A picture of the teacher's behind the empty grid; empty for none. */
  background: z.union([z.literal(''), z.uuid()]).default(''),
})
export type CrosswordOptions = z.infer<typeof CrosswordOptions>

/** Steps that take about 300 ms and about 2 s on one warm core. */
export const EFFORT = { quick: 3_000_000, thorough: 22_000_000 }
