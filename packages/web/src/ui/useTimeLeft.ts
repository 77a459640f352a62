import { useEffect, useState } from 'react'

/**
 * Returns the whole seconds that are left of a time that is told anew with each reply; null where there is no limit.
 *
 * @param left milliseconds, as the reply said
 * @param told what the time left was told by: something new begins a new count, what else has come since does not
 */
export function useTimeLeft(left: number | null, told: unknown, stands: boolean): number | null {
  const [shown, setShown] = useState<{ told: unknown; seconds: number | null }>({ told: undefined, seconds: null })
  useEffect(() => {
    if (left === null) return
    const until = performance.now() + left
    const count = (): void => setShown({ told, seconds: Math.max(0, Math.ceil((until - performance.now()) / 1000)) })
    count()
    if (stands) return
    const timer = setInterval(count, 250)
    return () => clearInterval(timer)
  }, [left, told, stands])
  if (left === null) return null
  return shown.told === told ? shown.seconds : Math.ceil(left / 1000)
}

/** Returns seconds as minutes and seconds. */
export function clockText(seconds: number): string {
  return `${Math.floor(seconds / 60)}:${String(seconds % 60).padStart(2, '0')}`
}
