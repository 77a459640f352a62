import type { EntryList, Random } from '@otter/core'

/** Values of the command line, by name. */
type Flags = Record<string, string | boolean | undefined>

/** How a game is made on the command line. */
export interface Generated {
  /** Names of its flags; those with `true` take no value. */
  flags: Record<string, { type: 'string' | 'boolean' }>
  /** Gives what makes the puzzle, once parsed: run twice, the second time measured. */
  prepare(list: EntryList, flags: Flags): (random: Random) => object
}

/** Bad input: one line on standard error, and exit code 2. */
export class Refusal extends Error {}

/** Reads a whole number. Throws a Refusal where it is none. */
export function whole(value: string | boolean | undefined, name: string): number | undefined {
  if (value === undefined) return undefined
  if (typeof value !== 'string' || !/^\d+$/.test(value))
    throw new Refusal(`--${name} must be a whole number, not ${value}`)
  return Number(value)
}

/** Gives only the values that are there, so that defaults stand for the others. */
export function given<Values extends Record<string, unknown>>(values: Values): Partial<Values> {
  return Object.fromEntries(Object.entries(values).filter(([, value]) => value !== undefined)) as Partial<Values>
}
