import type { Game } from './contract.ts'

/** What of a game tells how to bring along what is stored of it. */
type Versioned = Pick<Game<unknown, unknown, unknown, unknown, unknown>, 'kind' | 'version' | 'upgrades'>

/**
 * Returns a puzzle that was made by an earlier version as today's version has it. Throws where the version is not
 * known.
 */
export function upgradedPuzzle(game: Versioned, puzzle: unknown, version: number): unknown {
  return stepsFrom(game, version).reduce((stored, { puzzle: change }) => (change ? change(stored) : stored), puzzle)
}

/** Returns a play's state of an earlier version as today's version has it; gets the puzzle as it is today. */
export function upgradedPlay(game: Versioned, play: unknown, version: number, puzzle: unknown): unknown {
  return stepsFrom(game, version).reduce((stored, { play: change }) => (change ? change(stored, puzzle) : stored), play)
}

function stepsFrom({ kind, version: newest, upgrades }: Versioned, version: number): Versioned['upgrades'] {
  if (version < 1 || version > newest) throw new Error(`a ${kind} of version ${version} is not known here`)
  return upgrades.slice(version - 1)
}

/** Names of the fields of a play that hold times. */
type Times = readonly string[]

/**
 * Returns a play whose times are on its own clock; before, they were milliseconds since 1970. A play that was left open
 * for long has no time longer than a day.
 */
export function onOwnClock(stored: unknown, times: Times): Record<string, unknown> {
  const { startedAt, ...play } = stored as Record<string, unknown>
  const began = Number(startedAt)
  for (const name of times)
    if (typeof play[name] === 'number') play[name] = Math.max(0, Math.min(DAY, play[name] - began))
  return play
}

const DAY = 24 * 3600_000
