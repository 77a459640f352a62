import { GAME_KINDS, type GameKind } from '@otter/core'
import { z } from 'zod'

/** What a teacher has chosen for a list and a game, as it is kept: `choiceOf` reads the options as the game has them. */
export interface KeptChoice {
  options: unknown
  seed: string
}

const Kept = z
  .object({
    kind: z.enum(GAME_KINDS).catch(GAME_KINDS[0]),
    games: z
      .partialRecord(z.enum(GAME_KINDS), z.object({ options: z.unknown(), seed: z.string().min(1).max(40) }))
      .catch({}),
  })
  .catch({ kind: GAME_KINDS[0], games: {} })

/** All that was chosen for a list: the game last looked at, and the choice for each. */
export interface Choices {
  kind: GameKind
  games: Partial<Record<GameKind, KeptChoice>>
}

/** The options that were chosen, by game; a game that was never looked at has none. */
export type KeptOptions = Partial<Record<GameKind, unknown>>

const KEPT = 'otter-games-'

/** Returns what was chosen for a list on this device. */
export function keptChoices(listId: string): Choices {
  return Kept.parse(JSON.parse(localStorage.getItem(KEPT + listId) ?? 'null'))
}

/** Returns the options alone of what was chosen. */
export function optionsIn({ games }: Choices): KeptOptions {
  return Object.fromEntries(Object.entries(games).map(([kind, { options }]) => [kind, options]))
}

export function keepChoices(listId: string, choices: Choices): void {
  localStorage.setItem(KEPT + listId, JSON.stringify(choices))
}

/** Draws a seed that is easy to type. */
export function newSeed(): string {
  return String(crypto.getRandomValues(new Uint32Array(1))[0]! % 1_000_000)
}
