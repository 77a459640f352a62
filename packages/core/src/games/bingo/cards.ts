import type { Random } from '../../random/random.ts'
import { freePlace, patternLines } from './patterns.ts'
import type { BingoCard } from './puzzle.ts'

/** Exchanges tried to bring cards further apart, and swaps to keep lines apart. */
const EXCHANGES = 400_000
const SWAPS = 40_000
/** Exchanges after which one term more than the bound will do. */
const ENOUGH = 60_000
/** Terms that no two lines of different cards share, where that can be had. */
const SHARED = 4

/** Returns the least that the largest number of terms shared by two cards can be, by counting: no cards can do better. */
export function sharedBound(cards: number, squares: number, terms: number): number {
  if (cards < 2) return 0
  const uses = cards * squares
  const low = Math.floor(uses / terms)
  const more = uses - low * terms
  const pairs = (terms - more) * ((low * (low - 1)) / 2) + more * ((low * (low + 1)) / 2)
  return Math.ceil(pairs / ((cards * (cards - 1)) / 2) - 1e-9)
}

/** Deals cards that are all different, every term about as often, no two more alike than need be. */
export function dealCards(count: number, size: number, free: boolean, terms: number, random: Random): BingoCard[] {
  const { squares } = patternLines('line', size, free)
  const hands = spread(count, squares, terms, random)
  const placed = arrange(hands, size, free, terms, random)
  return placed.map((cells, index) => ({ number: index + 1, cells }))
}

/**
 * Returns, for each card, its terms: first each term equally often, then exchanges that bring the most alike cards
 * apart.
 */
function spread(count: number, squares: number, terms: number, random: Random): number[][] {
  const has = dealtEvenly(count, squares, terms, random)
  const shared = sharedTerms(has)
  const limit = sharedBound(count, squares, terms)
  for (let turn = 0; turn < EXCHANGES && squares < terms && count > 1; turn++) {
    if (turn % 5000 === 0 && largest(shared) <= limit + (turn < ENOUGH ? 0 : 1)) break
    const exchange = {
      one: random.below(count),
      two: random.below(count),
      given: random.below(terms),
      taken: random.below(terms),
    }
    if (isPossible(has, exchange) && costChange(has, shared, limit, exchange) <= 0) apply(has, shared, exchange)
  }
  return has.map((card) => [...card.keys()].filter((term) => card[term] === 1))
}

/** Returns, for each card, which terms are on it; the least used go out first. */
function dealtEvenly(count: number, squares: number, terms: number, random: Random): Uint8Array[] {
  const uses = new Int32Array(terms)
  return Array.from({ length: count }, () => {
    const card = new Uint8Array(terms)
    const order = random.shuffled([...uses.keys()]).sort((one, two) => uses[one]! - uses[two]!)
    for (const term of order.slice(0, squares)) {
      card[term] = 1
      uses[term]!++
    }
    return card
  })
}

/** Returns how many terms each two cards have in common; none for a card with itself. */
function sharedTerms(has: readonly Uint8Array[]): Int32Array[] {
  return has.map((one, index) =>
    Int32Array.from(has, (two, other) =>
      other === index ? 0 : one.reduce((sum, isOn, term) => sum + (isOn & two[term]!), 0),
    ),
  )
}

function largest(shared: readonly Int32Array[]): number {
  let most = 0
  for (const row of shared) for (const alike of row) if (alike > most) most = alike
  return most
}

/** Card one gives a term to card two and takes another from it, so that each term stays as often as it is. */
interface Exchange {
  one: number
  two: number
  given: number
  taken: number
}

function isPossible(has: readonly Uint8Array[], { one, two, given, taken }: Exchange): boolean {
  const [giver, taker] = [has[one]!, has[two]!]
  return one !== two && giver[given] === 1 && taker[given] === 0 && giver[taken] === 0 && taker[taken] === 1
}

/** Returns by how much an exchange makes cards more alike than the limit, squared; below 0 where it brings them apart. */
function costChange(
  has: readonly Uint8Array[],
  shared: readonly Int32Array[],
  limit: number,
  { one, two, given, taken }: Exchange,
): number {
  const cost = (alike: number): number => (alike > limit ? (alike - limit) ** 2 : 0)
  const [withOne, withTwo] = [shared[one]!, shared[two]!]
  let change = 0
  for (let other = 0; other < has.length; other++) {
    if (other === one || other === two) continue
    const by = has[other]![taken]! - has[other]![given]!
    if (by === 0) continue
    change += cost(withOne[other]! + by) - cost(withOne[other]!) + cost(withTwo[other]! - by) - cost(withTwo[other]!)
  }
  return change
}

function apply(has: readonly Uint8Array[], shared: readonly Int32Array[], { one, two, given, taken }: Exchange): void {
  for (let other = 0; other < has.length; other++) {
    if (other === one || other === two) continue
    const by = has[other]![taken]! - has[other]![given]!
    shared[one]![other] = shared[other]![one]! += by
    shared[two]![other] = shared[other]![two]! -= by
  }
  has[one]![given] = has[two]![taken] = 0
  has[one]![taken] = has[two]![given] = 1
}

/** Lays the terms on the squares so that lines of different cards have few terms in common. */
function arrange(
  hands: readonly number[][],
  size: number,
  free: boolean,
  terms: number,
  random: Random,
): (number | null)[][] {
  const middle = freePlace(size, free)
  const cards = hands.map((hand) => {
    const cells: (number | null)[] = random.shuffled(hand)
    if (middle >= 0) cells.splice(middle, 0, null)
    return cells
  })
  const { lines } = patternLines('line', size, free)
  const linesAt = Array.from({ length: size * size }, (_, place) =>
    [...lines.keys()].filter((line) => lines[line]!.includes(place)),
  )
  /** How many lines hold each set of so many terms: a set in two lines is one too many. */
  const held = new Map<number, number>()
  const keysOf = (card: number, line: number): number[] => {
    const sorted = lines[line]!.map((place) => cards[card]![place] ?? 0).sort((one, two) => one - two)
    if (sorted.length < SHARED) return []
    if (sorted.length === SHARED) return [sorted.reduce((key, term) => key * terms + term, 0)]
    return sorted.map((_, out) => sorted.reduce((key, term, index) => (index === out ? key : key * terms + term), 0))
  }
  const count = (card: number, touched: readonly number[], by: 1 | -1): number => {
    let clashes = 0
    for (const line of touched) {
      for (const key of keysOf(card, line)) {
        const before = held.get(key) ?? 0
        clashes += by === 1 ? (before > 0 ? 1 : 0) : before > 1 ? -1 : 0
        held.set(key, before + by)
      }
    }
    return clashes
  }
  let clashes = 0
  for (const card of cards.keys()) clashes += count(card, [...lines.keys()], 1)
  for (let turn = 0; turn < SWAPS && clashes > 0; turn++) {
    const card = random.below(cards.length)
    const one = random.below(size * size)
    const two = random.below(size * size)
    if (one === two || one === middle || two === middle) continue
    const touched = [...new Set([...linesAt[one]!, ...linesAt[two]!])]
    const cells = cards[card]!
    const swap = (): void => {
      ;[cells[one]!, cells[two]!] = [cells[two]!, cells[one]!]
    }
    let change = count(card, touched, -1)
    swap()
    change += count(card, touched, 1)
    if (change > 0) {
      count(card, touched, -1)
      swap()
      count(card, touched, 1)
    } else clashes += change
  }
  return cards
}
