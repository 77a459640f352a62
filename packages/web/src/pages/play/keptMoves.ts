import type { SendMove } from '@otter/api'
import { newId } from '../../ui/newId.ts'

/** Each tab keeps its own, so that one that has sent everything does not wipe what another has not. */
const tabId = newId()
const startOfKeys = (code: string): string => `otter-moves ${code} `
const keyAside = (code: string): string => `otter-aside ${code}`
/** Most moves that are set aside for one code: there is room for other games. */
const MOST_ASIDE = 100

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

/** Keeps a move that can never be taken, to be shown to the teacher; returns how many there are of the code. */
export function setAside(code: string, move: SendMove): number {
  const before = readAside(code)
  if (before.length >= MOST_ASIDE) return before.length
  try {
    localStorage.setItem(keyAside(code), JSON.stringify([...before, move]))
  } catch {
    // As above: it is told, and not kept.
  }
  return before.length + 1
}

/** Returns how many moves of a code this device has set aside. */
export function countAside(code: string): number {
  return readAside(code).length
}

/** Forgets what was set aside: it belongs to the one who leaves. */
export function clearAside(code: string): void {
  try {
    localStorage.removeItem(keyAside(code))
  } catch {
    // Nothing is kept there.
  }
}

function readAside(code: string): SendMove[] {
  try {
    return JSON.parse(localStorage.getItem(keyAside(code)) ?? '[]') as SendMove[]
  } catch {
    return []
  }
}
