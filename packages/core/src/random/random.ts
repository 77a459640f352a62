/** A source of seeded random numbers. The same seed gives the same numbers on every machine. */
export interface Random {
  /** A number in [0, 1), with 32 random bits. */
  next(): number
  /** A whole number in [0, bound). `bound` is at least 1. */
  below(bound: number): number
  /** A new array with the items in random order (Fisher and Yates). */
  shuffled<Item>(items: readonly Item[]): Item[]
}

/**
 * Hashes text to 32 bits (FNV-1a over UTF-16 units, then MurmurHash3's finaliser), so that any text can be a seed.
 */
export function hashSeed(seed: string): number {
  let hash = 0x811c9dc5
  for (let index = 0; index < seed.length; index++) hash = Math.imul(hash ^ seed.charCodeAt(index), 0x01000193)
  hash = Math.imul(hash ^ (hash >>> 16), 0x85ebca6b)
  hash = Math.imul(hash ^ (hash >>> 13), 0xc2b2ae35)
  return (hash ^ (hash >>> 16)) >>> 0
}

/**
 * Returns the random numbers of a seed: sfc32 (Chris Doty-Humphrey, PractRand), started from the seed's hash
 * and mixed twelve times. Uses 32-bit integer arithmetic only.
 */
export function randomFrom(seed: string): Random {
  let a = 0
  let b = hashSeed(seed)
  let c = hashSeed(`${seed}\u0000`)
  let counter = 1
  const bits = (): number => {
    const sum = (((a + b) | 0) + counter) | 0
    counter = (counter + 1) | 0
    a = b ^ (b >>> 9)
    b = (c + (c << 3)) | 0
    c = (((c << 21) | (c >>> 11)) + sum) | 0
    return sum >>> 0
  }
  for (let round = 0; round < 12; round++) bits()
  const next = (): number => bits() / 4294967296
  const below = (bound: number): number => Math.floor(next() * bound)
  const shuffled = <Item>(items: readonly Item[]): Item[] => {
    const result = [...items]
    for (let last = result.length - 1; last > 0; last--) {
      const other = below(last + 1)
      const kept = result[last]!
      result[last] = result[other]!
      result[other] = kept
    }
    return result
  }
  return { next, below, shuffled }
}
