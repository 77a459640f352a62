import type { BingoPuzzle } from '@otter/core/games/bingo'
import { useState } from 'react'

/**
 * How many terms were called; kept in this window, so that closing the caller's screen or loading it again loses no
 * game.
 */
export function useCalled({ calls }: BingoPuzzle): [number, (called: number) => void] {
  const key = `otter-called ${calls.join(' ')}`
  const [called, setCalled] = useState(() => Number(sessionStorage.getItem(key) ?? 0))
  return [
    called,
    (next) => {
      sessionStorage.setItem(key, String(next))
      setCalled(next)
    },
  ]
}
