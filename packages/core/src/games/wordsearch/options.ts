import { z } from 'zod'
import { MAX_SIDE } from '../../grid/letterGrid.ts'
import { cleanText } from '../../text/cleanText.ts'
import { ASKING } from '../asking.ts'

export const MIN_SIDE = 4

const Side = z.number().int().min(MIN_SIDE).max(MAX_SIDE)

/** What a teacher chooses for a word search. */
export const WordSearchOptions = z.strictObject({
  ...ASKING,
  /** A roomy grid, the smallest that holds the words, or rows and columns as chosen. */
  size: z.enum(['automatic', 'smallest', 'chosen']).default('automatic'),
  rows: Side.default(15),
  cols: Side.default(15),
  directions: z.union([z.literal(2), z.literal(4), z.literal(8)]).default(4),
  letterCase: z.enum(['upper', 'lower']).default('upper'),
  accents: z.enum(['kept', 'folded']).default('kept'),
  /** Whether students see the words to find, or only their prompts. */
  show: z.enum(['words', 'clues']).default('words'),
  /** Text that the spare letters spell; empty for none. */
  message: z.string().max(400).default('').transform(cleanText),
})
export type WordSearchOptions = z.infer<typeof WordSearchOptions>
