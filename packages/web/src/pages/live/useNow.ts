import { useEffect, useState } from 'react'

/**
 * Returns what the server's clock shows now, in milliseconds since 1970, each second anew; this device's own clock may be
 * wrong.
 *
 * @param told what the server's clock showed when it last said so
 */
export function useNow(told: number): number {
  const [now, setNow] = useState(told)
  useEffect(() => {
    const from = performance.now()
    const count = (): void => setNow(told + performance.now() - from)
    count()
    const timer = setInterval(count, 1000)
    return () => clearInterval(timer)
  }, [told])
  return now
}
