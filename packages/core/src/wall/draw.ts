import type { Random } from '../random/random.ts'

/** Something that can be drawn: a word, a student. The greater its weight, the sooner it comes. */
export interface Drawable {
  id: string
  /** Above 0. */
  weight: number
}

/** What was drawn so far. It is kept from lesson to lesson; who is away meanwhile is in no pool. */
export interface Drawn {
  /** What came since everything had come once. */
  cycle: readonly string[]
  /** How often each came, by id. */
  counts: Readonly<Record<string, number>>
}

export const NOTHING_DRAWN: Drawn = { cycle: [], counts: {} }

/** Returns what can come next: all where anything may come again or has come once, else what has not. */
function bagOf(pool: readonly Drawable[], drawn: Drawn, repeats: boolean): readonly Drawable[] {
  const left = leftOf(pool, drawn)
  return repeats || left.length === 0 ? pool : left
}

/** Returns what has not come since everything had come once. */
export function leftOf(pool: readonly Drawable[], { cycle }: Drawn): readonly Drawable[] {
  const came = new Set(cycle)
  return pool.filter(({ id }) => !came.has(id))
}

/** Returns how probable it is that each comes next, by id; what can't come is left out. */
export function chancesOf(pool: readonly Drawable[], drawn: Drawn, repeats: boolean): Map<string, number> {
  const bag = bagOf(pool, drawn, repeats)
  const sum = bag.reduce((total, { weight }) => total + weight, 0)
  return new Map(bag.map(({ id, weight }) => [id, weight / sum]))
}

/**
 * Draws one: of those that can come each by its weight. Returns it with what was drawn then. Throws a RangeError where
 * there is nothing to draw from.
 */
export function draw(
  pool: readonly Drawable[],
  drawn: Drawn,
  { repeats, random }: { repeats: boolean; random: Random },
): { id: string; drawn: Drawn } {
  if (pool.length === 0) throw new RangeError('nothing to draw from')
  const bag = bagOf(pool, drawn, repeats)
  const sum = bag.reduce((total, { weight }) => total + weight, 0)
  // The last one takes what rounding leaves.
  let left = (random.below(FINE) / FINE) * sum
  const { id } = bag.find(({ weight }) => (left -= weight) < 0) ?? bag.at(-1)!
  const before = leftOf(pool, drawn).length > 0 ? drawn.cycle : []
  const cycle = repeats ? drawn.cycle : [...before, id]
  return { id, drawn: { cycle, counts: { ...drawn.counts, [id]: (drawn.counts[id] ?? 0) + 1 } } }
}

/** Into so many parts a chance is divided. */
const FINE = 2 ** 30

/** Returns what came most often, with how often, in the order in which they stand in the pool. */
export function mostDrawn(pool: readonly Drawable[], { counts }: Drawn): { ids: string[]; count: number } {
  const count = Math.max(0, ...pool.map(({ id }) => counts[id] ?? 0))
  return { ids: count === 0 ? [] : pool.filter(({ id }) => counts[id] === count).map(({ id }) => id), count }
}
