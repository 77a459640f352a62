import { useEffect, useState } from 'react'

/** Returns a value once it has not changed for so many milliseconds; the first one at once. */
export function useRested<Value>(value: Value, milliseconds: number): Value {
  const [rested, setRested] = useState(value)
  useEffect(() => {
    const timer = setTimeout(() => setRested(value), milliseconds)
    return () => clearTimeout(timer)
  }, [value, milliseconds])
  return rested
}
