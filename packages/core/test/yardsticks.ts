/** How much one yardstick is: some 20 ms on a quiet machine of 2026. */
const KEYS = 120_000

/** Returns the processor time of one yardstick, in milliseconds: texts made and counted, as most work here. */
function yardstick(): number {
  const spent = processorTime()
  const seen = new Map<string, number>()
  for (let number = 0; number < KEYS; number++) {
    const key = `${(number * 7919) % 10_007} word`
    seen.set(key, (seen.get(key) ?? 0) + 1)
  }
  return spent()
}

/** Begins to count what this process computes; the function that it returns tells how much that was, in milliseconds. */
function processorTime(): () => number {
  const began = process.cpuUsage()
  return () => {
    const { user, system } = process.cpuUsage(began)
    return (user + system) / 1000
  }
}

/**
 * Begins to count what this process computes; the function that it returns tells how much that was, in yardsticks measured
 * before and after it: a ratio is the same on a slow machine and beside other tests.
 */
export function yardsticks(): () => number {
  const before = yardstick()
  const spent = processorTime()
  return () => {
    const work = spent()
    return work / Math.max(before, yardstick())
  }
}
