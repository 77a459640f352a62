import { patternsOf } from './patterns.ts'

/** Something that could be on the board, as far as links go. */
export interface Linkable {
  text: string
  groups: readonly string[]
}

/** Why items could belong together: by the list, by how they are spelled, or by what they are a kind of. */
export interface KnownLink {
  by: 'list' | 'spelling' | 'kind'
  /** A group of the list, a pattern, or the name of a kind. */
  name: string
  /** The items that fit, by their places. */
  fits: ReadonlySet<number>
}

/** What words are kinds of, the nearest first; absent where it is not known. */
export type Kinds = Readonly<Record<string, readonly string[]>>

/** What more than so many times the items of one link share is too common to be taken for one. */
const TOO_COMMON = 2

/** Returns all links that are known among items: those that at least so many fit. */
export function knownLinks(items: readonly Linkable[], each: number, kinds: Kinds = {}): KnownLink[] {
  const found = new Map<string, { by: KnownLink['by']; name: string; fits: Set<number> }>()
  const note = (by: KnownLink['by'], name: string, item: number): void => {
    const key = `${by} ${name}`
    const known = found.get(key)
    if (known) known.fits.add(item)
    else found.set(key, { by, name, fits: new Set([item]) })
  }
  for (const [item, { text, groups }] of items.entries()) {
    for (const group of groups) note('list', group, item)
    for (const pattern of patternsOf(text)) note('spelling', pattern, item)
    for (const kind of kinds[text.trim().toLowerCase()] ?? []) note('kind', kind, item)
  }
  return [...found.values()].filter(
    ({ by, fits }) => fits.size >= each && (by === 'list' || fits.size <= each * TOO_COMMON),
  )
}

/**
 * Counts the ways to part all items into sets of one size that each fit a known link: 0, 1, or 2 for more than one.
 * Exact: it goes through all of them, the set of the first item that is left at each step (exact cover; Knuth 2000).
 */
export function partitions(count: number, each: number, links: readonly KnownLink[]): 0 | 1 | 2 {
  const sets = links.map(({ fits }) => [...fits].sort((one, other) => one - other))
  const all = 2 ** count - 1
  const seen = new Map<number, number>()
  const from = (covered: number): number => {
    if (covered === all) return 1
    const known = seen.get(covered)
    if (known !== undefined) return known
    let first = 0
    while ((covered >> first) & 1) first++
    // The same set by two links is one way.
    const choices = new Set<number>()
    for (const set of sets) {
      if (!set.includes(first)) continue
      const free = set.filter((item) => item !== first && !((covered >> item) & 1))
      choose(free, each - 1, 1 << first, choices)
    }
    let ways = 0
    for (const mask of choices) {
      ways += from(covered | mask)
      if (ways > 1) break
    }
    ways = Math.min(2, ways)
    seen.set(covered, ways)
    return ways
  }
  return from(0) as 0 | 1 | 2
}

/** Adds all masks of so many of some items, together with what is taken already. */
function choose(free: readonly number[], count: number, taken: number, into: Set<number>): void {
  if (count === 0) {
    into.add(taken)
    return
  }
  for (let index = 0; index + count <= free.length; index++)
    choose(free.slice(index + 1), count - 1, taken | (1 << free[index]!), into)
}

/** Returns whether just one way to part items into sets of one size fits all that is known of them. */
export function isUnique(items: readonly Linkable[], each: number, kinds: Kinds = {}): boolean {
  return partitions(items.length, each, knownLinks(items, each, kinds)) === 1
}

/** An item that fits a link of the board which is not its own, and why. */
export interface Overlap {
  item: number
  /** The place of the link on the board. */
  link: number
  by: KnownLink['by']
  name: string
}

/** Returns the items that fit another link of the board as well: all that belong to it share the reason. */
export function overlaps(
  items: readonly (Linkable & { link: number })[],
  links: readonly string[],
  kinds: Kinds = {},
): Overlap[] {
  const found: Overlap[] = []
  for (const [link, name] of links.entries()) {
    const members = [...items.keys()].filter((item) => items[item]!.link === link)
    const shared = knownLinks(items, members.length, kinds).filter(
      (known) => (known.by === 'list' ? known.name === name : true) && members.every((item) => known.fits.has(item)),
    )
    for (const item of items.keys()) {
      if (items[item]!.link === link) continue
      const reason = shared.find(({ fits }) => fits.has(item))
      if (reason) found.push({ item, link, by: reason.by, name: reason.name })
    }
  }
  return found
}
