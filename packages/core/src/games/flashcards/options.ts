import { z } from 'zod'
import { ASKING } from '../asking.ts'

/** What a teacher chooses for flashcards. */
export const FlashcardsOptions = z.strictObject({
  ...ASKING,
  order: z.enum(['random', 'list']).default('list'),
  /** Cards on a page of paper, with their backs mirrored on the next, or beside them to fold. */
  perPage: z.union([z.literal(4), z.literal(8), z.literal(16)]).default(8),
  backs: z.enum(['duplex', 'fold']).default('duplex'),
})
export type FlashcardsOptions = z.infer<typeof FlashcardsOptions>
