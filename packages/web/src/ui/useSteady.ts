import { useCallback, useLayoutEffect, useRef } from 'react'

/**
 * Returns a function that stays the same and does what the newest one does; for handlers of parts that are drawn again
 * only when they change.
 */
export function useSteady<Arguments extends unknown[], Result>(
  act: (...args: Arguments) => Result,
): (...args: Arguments) => Result {
  const newest = useRef(act)
  useLayoutEffect(() => {
    newest.current = act
  })
  return useCallback((...args: Arguments) => newest.current(...args), [])
}
