/** How sure a share is: the range that holds the true one in 95 of 100 cases. */
export interface Interval {
  from: number
  to: number
}

/** 97.5th percentile of the normal distribution. */
const Z = 1.959963984540054

/**
 * Returns the interval of a share of right ones (Wilson 1927, Journal of the American Statistical Association 22).
 *
 * @param right how many were right
 * @param of how many answered; at least 1
 */
export function wilsonInterval(right: number, of: number): Interval {
  const share = right / of
  const square = Z * Z
  const middle = (share + square / (2 * of)) / (1 + square / of)
  const half = (Z / (1 + square / of)) * Math.sqrt((share * (1 - share)) / of + square / (4 * of * of))
  return { from: Math.max(0, middle - half), to: Math.min(1, middle + half) }
}

/** What can be said of a share. */
export type SureWord = 'known' | 'not-known' | 'in-between' | 'too-few'

/** A share from which on something is known, and one below which it is not. */
const KNOWN = 0.7
const NOT_KNOWN = 0.5

/** Returns whether something is known, as far as so many answers can tell. */
export function sureWord(right: number, of: number): SureWord {
  if (of === 0) return 'too-few'
  const { from, to } = wilsonInterval(right, of)
  if (from >= KNOWN) return 'known'
  if (to < KNOWN && right / of < NOT_KNOWN) return 'not-known'
  return to - from > 0.4 ? 'too-few' : 'in-between'
}
