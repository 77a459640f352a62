import { GAME_KINDS, gameOf, type Asking, type GameKind } from '@otter/core'
import { z } from 'zod'

/** The options and seed that a teacher has chosen for a list and a game, on this device. */
export interface GameChoice {
  /** The game's own options beside those of every game. */
  options: Asking
  seed: string
}

const Kept = z
  .object({
    kind: z.enum(GAME_KINDS).catch(GAME_KINDS[0]),
    games: z.record(z.string(), z.object({ options: z.unknown(), seed: z.string().min(1).max(40) })).catch({}),
  })
  .catch({ kind: GAME_KINDS[0], games: {} })

/** All that was chosen for a list: the game last looked at, and the choice for each. */
export interface Choices {
  kind: GameKind
  games: Partial<Record<GameKind, GameChoice>>
}

const KEPT = 'otter-games-'

/** Returns what was chosen for a list on this device. */
export function keptChoices(listId: string): Choices {
  const { kind, games } = Kept.parse(JSON.parse(localStorage.getItem(KEPT + listId) ?? 'null'))
  return { kind, games: Object.fromEntries(GAME_KINDS.map((game) => [game, readChoice(game, games[game])])) }
}

function readChoice(kind: GameKind, kept: { options: unknown; seed: string } | undefined): GameChoice {
  const options = gameOf(kind).options.safeParse(kept?.options ?? {})
  return { options: options.success ? options.data : gameOf(kind).options.parse({}), seed: kept?.seed ?? 'otter' }
}

/** Returns the choice for one game; the defaults where none was made. */
export function choiceOf({ games }: Choices, kind: GameKind): GameChoice {
  return games[kind] ?? readChoice(kind, undefined)
}

export function keepChoices(listId: string, choices: Choices): void {
  localStorage.setItem(KEPT + listId, JSON.stringify(choices))
}

/** Draws a seed that is easy to type. */
export function newSeed(): string {
  return String(crypto.getRandomValues(new Uint32Array(1))[0]! % 1_000_000)
}
