import { gameOf, type Asking, type GameKind } from '@otter/core'
import type { Choices } from './gameChoice.ts'

/** The options and seed of a game. */
export interface GameChoice {
  /** The game's own options beside those of every game. */
  options: Asking
  seed: string
}

/** Returns what was chosen for one game; its defaults where nothing was, or nothing that it takes. */
export function choiceOf({ games }: Choices, kind: GameKind): GameChoice {
  const kept = games[kind]
  return { options: optionsOf(kind, kept?.options), seed: kept?.seed ?? 'otter' }
}

/** Returns options as a game takes them; its defaults where they are none. */
export function optionsOf(kind: GameKind, kept: unknown): Asking {
  const options = gameOf(kind).options.safeParse(kept ?? {})
  return options.success ? options.data : gameOf(kind).options.parse({})
}
