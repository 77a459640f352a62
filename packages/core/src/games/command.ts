import type { EntryList } from '../list/entry.ts'
import type { Knowledge } from './knowledge.ts'

/** Values of a command line, by name. */
type Flags = Record<string, string | boolean | undefined>

/** How a game is made on the command line. */
export interface GameCommand<Options, Puzzle> {
  /** Names of its flags; those of type boolean take no value. */
  flags: Record<string, { type: 'string' | 'boolean' }>
  /** Returns the options that the flags ask for. Throws a CommandRefusal where they make no sense. */
  optionsFrom(flags: Flags): object
  /** Returns what is printed of a puzzle. */
  shown(puzzle: Puzzle, made: { list: EntryList; options: Options; knowledge: Knowledge }): object
}

/** Bad input on the command line; its message is one line that says which. */
export class CommandRefusal extends Error {}

/** Returns a whole number. Throws a CommandRefusal where it is none. */
export function wholeNumber(value: string | boolean | undefined, name: string): number | undefined {
  if (value === undefined) return undefined
  if (typeof value !== 'string' || !/^\d+$/.test(value))
    throw new CommandRefusal(`--${name} must be a whole number, not ${value}`)
  return Number(value)
}

/** Returns only the values that are there, so that defaults stand for the others. */
export function givenValues(values: Record<string, unknown>): object {
  return Object.fromEntries(Object.entries(values).filter(([, value]) => value !== undefined))
}
