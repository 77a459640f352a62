import type { SendMove } from '@otter/api'
import { newId } from '../../ui/newId.ts'

/** Each tab keeps its own, so that one that has sent everything does not wipe what another has not. */
const tabId = newId()
const startOfKeys = (code: string): string => `otter-moves ${code} `

/** Keeps the moves of a play that have no answer yet on this device, so that closing the page loses none. */
export function keepMoves(code: string, moves: readonly SendMove[]): void {
  const key = startOfKeys(code) + tabId
  try {
    if (moves.length === 0) localStorage.removeItem(key)
    else localStorage.setItem(key, JSON.stringify(moves))
  } catch {
    // A device that keeps nothing still plays; only a closed page loses what was not sent.
  }
}

/**
 * Returns the moves that any tab of this device kept, and keeps them no longer: they are the caller's now. Sending one
 * twice counts once, since each has an id of its own.
 */
export function takeKeptMoves(code: string): SendMove[] {
  try {
    const keys = Object.keys(localStorage).filter((key) => key.startsWith(startOfKeys(code)))
    const moves = keys.flatMap((key) => JSON.parse(localStorage.getItem(key) ?? '[]') as SendMove[])
    for (const key of keys) localStorage.removeItem(key)
    return moves
  } catch {
    return []
  }
}

/**
 * Keeps moves that can never be taken apart from those that wait, to be shown to the teacher, beside those that were set aside
 * before; returns how many there are.
 */
export function setAside(code: string, ...moves: SendMove[]): number {
  const all = [...takeKeptMoves(`aside ${code}`), ...moves].slice(-100)
  keepMoves(`aside ${code}`, all)
  return all.length
}
