import type { Random } from '../random/random.ts'
import { eachSplit, keptWishes, teamSizes, unitsOf, type Wish } from './teamWishes.ts'

/** A student for whom there is to be a team, and what it missed so far. */
export interface Missing {
  id: string
  missed: readonly string[]
}

/** Teams whose members miss different things, so that they can help each other. */
export interface MixedTeams {
  teams: string[][]
  /** Wishes that could not be kept beside those before them. */
  refused: Wish[]
  /** How much teammates miss the same, in the mean of all pairs of teammates: from 0 for nothing to 1 for all. */
  alike: number
  /** Whether no other teams with these wishes have less in common. */
  isBest: boolean
}

/** So many students are split in every way that there is; of more, so many changes are tried. */
const MOST_EXACT = 12
const TRIES = 30_000

/** Returns how much two miss the same: what both miss, of what either does (Jaccard 1901); 0 where neither misses. */
function likeness(one: ReadonlySet<string>, other: ReadonlySet<string>): number {
  let both = 0
  for (const missed of one) if (other.has(missed)) both++
  const either = one.size + other.size - both
  return either === 0 ? 0 : both / either
}

/**
 * Makes teams whose sizes differ by one at most, that keep the wishes which can be kept, and whose members miss as little
 * of the same as can be. Throws a RangeError where there are fewer students than teams.
 */
export function mixTeams(
  students: readonly Missing[],
  count: number,
  wishes: readonly Wish[],
  random: Random,
): MixedTeams {
  if (count < 1 || students.length < count) throw new RangeError('fewer students than teams')
  const mixed = random.shuffled(students)
  const ids = mixed.map(({ id }) => id)
  const missed = new Map(mixed.map((student) => [student.id, new Set(student.missed)]))
  const { kept, refused } = keptWishes(ids, count, wishes)
  const units = unitsOf(ids, kept)!
  const sizes = teamSizes(ids.length, count)
  // Of a unit with another; what is alike within one stays so in whatever team.
  const between = units.map((one) =>
    units.map((other) => {
      let sum = 0
      for (const here of one.members)
        for (const there of other.members) if (here !== there) sum += likeness(missed.get(here)!, missed.get(there)!)
      return one === other ? sum / 2 : sum
    }),
  )
  const costOf = (teamOf: readonly number[]): number => {
    let cost = 0
    for (let one = 0; one < units.length; one++)
      for (let other = one; other < units.length; other++)
        if (teamOf[one] === teamOf[other]) cost += between[one]![other]!
    return cost
  }
  const isExact = ids.length <= MOST_EXACT
  let best: number[] = []
  let least = Infinity
  eachSplit(units, sizes, (teamOf) => {
    const cost = costOf(teamOf)
    if (cost < least - 1e-9) {
      least = cost
      best = [...teamOf]
    }
    return !isExact || least === 0
  })
  if (!isExact) best = improved(units, best, between, random)
  const pairs = sizes.reduce((sum, size) => sum + (size * (size - 1)) / 2, 0)
  return {
    teams: sizes.map((_, team) => units.flatMap(({ members }, unit) => (best[unit] === team ? members : []))),
    refused,
    alike: pairs === 0 ? 0 : costOf(best) / pairs,
    isBest: isExact,
  }
}

/** Swaps units of one size between teams as long as that makes teammates less alike, or no more. */
function improved(
  units: readonly { members: readonly string[]; apart: ReadonlySet<number> }[],
  from: readonly number[],
  between: readonly (readonly number[])[],
  random: Random,
): number[] {
  const teamOf = [...from]
  /** What a unit has in common with a team, but for one unit that is to leave it. */
  const alikeWith = (unit: number, team: number, leaving: number): number => {
    let sum = 0
    for (const [other, its] of teamOf.entries())
      if (its === team && other !== leaving && other !== unit) sum += between[unit]![other]!
    return sum
  }
  const clashes = (unit: number, team: number, leaving: number): boolean =>
    [...units[unit]!.apart].some((other) => teamOf[other] === team && other !== leaving)
  for (let tries = 0; tries < TRIES; tries++) {
    const one = random.below(units.length)
    const other = random.below(units.length)
    const [here, there] = [teamOf[one]!, teamOf[other]!]
    if (here === there || units[one]!.members.length !== units[other]!.members.length) continue
    if (clashes(one, there, other) || clashes(other, here, one)) continue
    const before = alikeWith(one, here, -1) + alikeWith(other, there, -1)
    const after = alikeWith(one, there, other) + alikeWith(other, here, one)
    if (after > before) continue
    teamOf[one] = there
    teamOf[other] = here
  }
  return teamOf
}
