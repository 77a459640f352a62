import { patternLines } from './patterns.ts'
import type { BingoPattern } from './options.ts'
import type { Forecast } from './puzzle.ts'

/**
 * Returns how many sets of j called squares complete the pattern, for each j: inclusion and exclusion over all sets of
 * lines; for two lines, in the form that counts what holds at least two (Feller, An Introduction to Probability Theory
 * I, IV.5).
 */
export function completingSets(pattern: BingoPattern, size: number, free: boolean): number[] {
  const { lines, needed, squares } = patternLines(pattern, size, free)
  const masks = lines.map((line) => line.reduce((mask, place) => mask | (1 << place), 0))
  // Signs summed by how many squares a set of lines covers.
  const bySize = Array.from({ length: squares + 1 }, () => 0)
  const unions = new Int32Array(1 << masks.length)
  for (let set = 1; set < unions.length; set++) {
    const last = 31 - Math.clz32(set)
    unions[set] = unions[set & ~(1 << last)]! | masks[last]!
    const count = ones(set)
    if (count >= needed)
      bySize[ones(unions[set]!)]! += ((count - needed) % 2 === 0 ? 1 : -1) * (needed === 2 ? count - 1 : 1)
  }
  return Array.from({ length: squares + 1 }, (_, called) =>
    bySize.reduce(
      (sum, sign, covered) => (covered <= called ? sum + sign * choose(squares - covered, called - covered) : sum),
      0,
    ),
  )
}

/** Returns the chance that a card has won by each call, from none to all terms. */
function winChances(pattern: BingoPattern, size: number, free: boolean, terms: number): number[] {
  const sets = completingSets(pattern, size, free)
  const squares = sets.length - 1
  return Array.from({ length: terms + 1 }, (_, calls) => {
    let chance = 0
    for (let hit = Math.max(0, calls - (terms - squares)); hit <= Math.min(squares, calls); hit++) {
      if (sets[hit]! > 0)
        chance +=
          Math.exp(logChoose(squares, hit) + logChoose(terms - squares, calls - hit) - logChoose(terms, calls)) *
          (sets[hit]! / choose(squares, hit))
    }
    return Math.min(1, chance)
  })
}

/**
 * Tells how a game goes with random cards and calls. Exact, since cards are independent of each other once the calls
 * are known.
 */
export function forecast(pattern: BingoPattern, size: number, free: boolean, terms: number, cards: number): Forecast {
  const won = winChances(pattern, size, free, terms)
  const someBy = won.map((chance) => 1 - (1 - chance) ** cards)
  const at = (share: number): number =>
    Math.max(
      1,
      someBy.findIndex((chance) => chance >= share - 1e-12),
    )
  let mean = 0
  let single = 0
  for (let call = 1; call <= terms; call++) {
    mean += call * (someBy[call]! - someBy[call - 1]!)
    single += cards * (won[call]! - won[call - 1]!) * (1 - won[call]!) ** (cards - 1)
  }
  return { median: at(0.5), mean, p5: at(0.05), p95: at(0.95), single: cards === 1 ? 1 : single }
}

function ones(bits: number): number {
  let count = 0
  for (let left = bits; left !== 0; left &= left - 1) count++
  return count
}

function choose(all: number, some: number): number {
  if (some < 0 || some > all) return 0
  let ways = 1
  for (let index = 1; index <= some; index++) ways = (ways * (all - some + index)) / index
  return Math.round(ways)
}

const LOG_FACTORIALS = [0]

function logChoose(all: number, some: number): number {
  if (some < 0 || some > all) return -Infinity
  while (LOG_FACTORIALS.length <= all)
    LOG_FACTORIALS.push(LOG_FACTORIALS[LOG_FACTORIALS.length - 1]! + Math.log(LOG_FACTORIALS.length))
  return LOG_FACTORIALS[all]! - LOG_FACTORIALS[some]! - LOG_FACTORIALS[all - some]!
}
