import { z } from 'zod'
import type { Way } from '../contract.ts'

/** What a teacher chooses for playing at one's own pace. */
export const OwnPaceOptions = z.strictObject({
  /** What the ranking goes by: the points of the first round, or the share of entries right at the first answer. */
  rankBy: z.enum(['points', 'share']).default('points'),
  /** Whether who is done early is offered another round. */
  rounds: z.boolean().default(true),
})
export type OwnPaceOptions = z.infer<typeof OwnPaceOptions>

/** Everybody plays a play of the game as a link has it, at the same time. */
export const ownpace: Way<OwnPaceOptions, Record<never, never>> = {
  kind: 'ownpace',
  version: 1,
  options: OwnPaceOptions,
  inStep: false,
  suits: () => true,
  start: () => ({}),
  next: (state) => ({ state, isOver: false }),
  pick: (state) => state,
  addTime: (state) => state,
  due: () => null,
  shift: (state) => state,
  standing: () => null,
  asked: () => [],
}
