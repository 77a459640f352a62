import { WordSearchOptions } from '@otter/core'
import { z } from 'zod'

/** The options and seed that a teacher has chosen for a list on this device. */
const GameChoice = z.object({ options: WordSearchOptions, seed: z.string().min(1).max(40) })
export type GameChoice = z.infer<typeof GameChoice>

const KEPT = 'otter-game-'

/** Gives the choice kept for a list, or the defaults. */
export function keptChoice(listId: string): GameChoice {
  const kept = GameChoice.safeParse(JSON.parse(localStorage.getItem(KEPT + listId) ?? 'null'))
  return kept.success ? kept.data : { options: WordSearchOptions.parse({}), seed: 'otter' }
}

export function keepChoice(listId: string, choice: GameChoice): void {
  localStorage.setItem(KEPT + listId, JSON.stringify(choice))
}

/** Draws a seed that is easy to type. */
export function newSeed(): string {
  return String(crypto.getRandomValues(new Uint32Array(1))[0] % 1_000_000)
}
