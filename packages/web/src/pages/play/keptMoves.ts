import type { SendMove } from '@otter/api'

const keyOf = (code: string): string => `otter-moves ${code}`

/** Keeps the moves of a play that have no answer yet on this device, so that closing the page loses none. */
export function keepMoves(code: string, moves: readonly SendMove[]): void {
  try {
    if (moves.length === 0) localStorage.removeItem(keyOf(code))
    else localStorage.setItem(keyOf(code), JSON.stringify(moves))
  } catch {
    // A device that keeps nothing still plays; only a closed page loses what was not sent.
  }
}

/** Returns the moves that were kept. Sending one twice counts once: each has an id of its own. */
export function keptMoves(code: string): SendMove[] {
  try {
    const moves = JSON.parse(localStorage.getItem(keyOf(code)) ?? '[]') as SendMove[]
    return moves.filter(({ id }) => id !== undefined)
  } catch {
    return []
  }
}
