import { PLAIN_CONTEXT, randomFrom, type Beginning, type PlayContext, type Sight, type Turn } from '../src/index.ts'

/** What a play starts from, in the first seat unless said otherwise. */
export function begin(seed: string, rest: Partial<Beginning> = {}): Beginning {
  return { ...PLAIN_CONTEXT, random: randomFrom(seed), now: 0, ...rest }
}

/** A turn at which the play's clock and the calendar show the same. */
export function when(milliseconds: number, rest: Partial<PlayContext> = {}): Turn {
  return { ...PLAIN_CONTEXT, clock: milliseconds, now: milliseconds, ...rest }
}

/** The player looks at the own play. */
export const LOOK: Sight = { ...PLAIN_CONTEXT, audience: 'player' }
