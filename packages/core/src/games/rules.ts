import { z } from 'zod'

/** What an offer says of how its games are played. Each has a default that leaves the game as it was made. */
export const PlayRules = z.strictObject({
  /** Questions in the order in which the game was made, or mixed anew for each play. */
  order: z.enum(['made', 'mixed']).default('made'),
  /** Whether questions of one group stay together where they are mixed. */
  together: z.boolean().default(false),
  /** Whether hints can be asked for. */
  hints: z.boolean().default(true),
  /** Whether what was missed is asked again. */
  second: z.boolean().default(true),
  /** What is told of an answer: at once, or not before the game is played out. */
  telling: z.enum(['at-once', 'at-end']).default('at-once'),
})
export type PlayRules = z.infer<typeof PlayRules>
