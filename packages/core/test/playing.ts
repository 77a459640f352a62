import { randomFrom, type Beginning, type When } from '../src/index.ts'

/** What a play starts from, in the first seat unless said otherwise. */
export function begin(seed: string, rest: Partial<Beginning> = {}): Beginning {
  return { random: randomFrom(seed), seat: 1, now: 0, ...rest }
}

/** A moment at which the play's clock and the calendar show the same. */
export function when(milliseconds: number): When {
  return { clock: milliseconds, now: milliseconds }
}
