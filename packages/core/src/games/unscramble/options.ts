import { z } from 'zod'
import { ASKING } from '../asking.ts'

/** What a teacher chooses for Unscramble. */
export const UnscrambleOptions = z.strictObject({
  ...ASKING,
  /** Whether phrases are mixed by words or by letters; automatic: three words or more by words. */
  by: z.enum(['automatic', 'letters', 'words']).default('automatic'),
  /** Pieces that stay where they are. */
  fixed: z.enum(['none', 'first', 'last', 'both']).default('none'),
  letterCase: z.enum(['upper', 'lower']).default('lower'),
  order: z.enum(['random', 'list']).default('random'),
})
export type UnscrambleOptions = z.infer<typeof UnscrambleOptions>
