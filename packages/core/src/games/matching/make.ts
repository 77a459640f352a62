import type { EntryList } from '../../list/entry.ts'
import type { Random } from '../../random/random.ts'
import { PuzzleError, type Fit } from '../contract.ts'
import { couplesOf, joinable, type Couple } from '../partners.ts'
import type { MatchingOptions } from './options.ts'
import type { MatchingPuzzle, MatchingRound } from './puzzle.ts'

const FEWEST = 3

/** Tells whether a list has rows enough. */
export function fit(list: EntryList, { rows }: MatchingOptions): Fit {
  const { couples, notes } = couplesOf(list.entries)
  const ready = joinable(couples, FEWEST).length === FEWEST
  const values: Record<string, number> = ready ? { rows: couples.length, rounds: Math.ceil(couples.length / rows) } : { rows: couples.length, more: FEWEST - Math.min(couples.length, FEWEST - 1) }
  return { ready, summary: { code: ready ? 'ready' : 'too-few', entryIds: [], values }, notes }
}

/** Sets the columns. Throws a PuzzleError where fewer than three rows can be joined. */
export function make(list: EntryList, { rows, check }: MatchingOptions, random: Random): MatchingPuzzle {
  const { couples } = couplesOf(list.entries)
  let left = random.shuffled(couples)
  const rounds: MatchingRound[] = []
  while (left.length > 0) {
    const taken = joinable(left, sizeOf(left.length, rows), couples)
    left = left.filter((couple) => !taken.includes(couple))
    rounds.push({ couples: taken, order: mixed(taken, random) })
  }
  // A couple that fits into no round with others stands alone in one; there is nothing to join there.
  const joined = rounds.filter((round) => round.couples.length >= FEWEST)
  if (joined.length === 0) throw new PuzzleError({ code: 'too-few', entryIds: [], values: { rows: couples.length, more: 1 } })
  return { rounds: joined, check }
}

/** Shares what is left out evenly, so that the last round is not a scrap. */
function sizeOf(left: number, rows: number): number {
  return Math.ceil(left / Math.ceil(left / rows))
}

/** Mixes the right column; of two rows or more never all stay beside their own. */
function mixed(couples: readonly Couple[], random: Random): number[] {
  for (;;) {
    const order = random.shuffled([...couples.keys()])
    if (couples.length < 2 || order.some((couple, place) => couple !== place)) return order
  }
}
