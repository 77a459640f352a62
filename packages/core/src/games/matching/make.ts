import type { EntryList } from '../../list/entry.ts'
import { randomFrom, type Random } from '../../random/random.ts'
import { PuzzleError, type Fit } from '../contract.ts'
import { couplesOf, joinable, mostShared, type Couple } from '../partners.ts'
import type { MatchingOptions } from './options.ts'
import type { MatchingPuzzle, MatchingRound } from './puzzle.ts'

const FEWEST = 3

/** Tells whether a list has rows enough, and how many of them are asked: rows that fit with no others are not. */
export function fit(list: EntryList, { rows }: MatchingOptions): Fit {
  const { couples, notes } = couplesOf(list.entries)
  const ready = isEnough(couples)
  const asked = ready ? countOf(roundsOf(mostShared(couples), rows, randomFrom('fit'))) : 0
  const left = couples.length - asked
  const count = ready ? asked : FEWEST - Math.min(couples.length, FEWEST - 1)
  return {
    ready,
    summary: { code: ready ? 'ready' : 'too-few', entryIds: [], values: { count } },
    notes: ready && left > 0 ? [...notes, { code: 'left-out', entryIds: [], values: { count: left } }] : notes,
  }
}

function countOf(rounds: readonly MatchingRound[]): number {
  return rounds.reduce((sum, { couples }) => sum + couples.length, 0)
}

/** Sets the columns. Throws a PuzzleError where fewer than three rows can be joined. */
export function make(list: EntryList, { rows, check }: MatchingOptions, random: Random): MatchingPuzzle {
  const { couples } = couplesOf(list.entries)
  if (!isEnough(couples)) throw new PuzzleError({ code: 'too-few', entryIds: [], values: { count: 1 } })
  const drawn = roundsOf(random.shuffled(couples), rows, random)
  // Where faces come twice, chance may begin with a couple that keeps many others away.
  const planned = roundsOf(mostShared(couples), rows, random)
  return { rounds: countOf(drawn) >= countOf(planned) ? drawn : planned, check }
}

function isEnough(couples: readonly Couple[]): boolean {
  return joinable(mostShared(couples), FEWEST).length === FEWEST
}

/** Fills rounds with couples in the given order. Too few that fit together are nothing to join: they are left out. */
function roundsOf(couples: readonly Couple[], rows: number, random: Random): MatchingRound[] {
  const rounds: MatchingRound[] = []
  let left = [...couples]
  while (left.length > 0) {
    const taken = joinable(left, sizeOf(left.length, rows), couples)
    left = left.filter((couple) => !taken.includes(couple))
    if (taken.length >= FEWEST) rounds.push({ couples: taken, order: mixed(taken, random) })
  }
  return rounds
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
