import type { Entry } from './entry.ts'

/**
 * Returns entries whose answers and prompts have changed places. Other spellings and choices belonged to the old answer,
 * and go.
 */
export function swapSides<Row extends Entry>(entries: readonly Row[]): Row[] {
  return entries.map((entry) => ({ ...entry, answer: entry.prompt, prompt: entry.answer, accepted: [], choices: [] }))
}

/** Returns entries that show their answer on both sides, as finding two of the same needs. */
export function answersOnBothSides<Row extends Entry>(entries: readonly Row[]): Row[] {
  return entries.map((entry) => ({ ...entry, prompt: entry.answer }))
}
