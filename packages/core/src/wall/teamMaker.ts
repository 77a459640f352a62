import type { Random } from '../random/random.ts'
import { eachSplit, keptWishes, teamSizes, unitsOf, type Unit, type Wish } from './teamWishes.ts'

/** A student for whom there is to be a team, and how well the student did so far, from 0 to 1. */
export interface Teammate {
  id: string
  strength: number
}

/** Teams as they were made. */
export interface MadeTeams {
  teams: string[][]
  /** Wishes that could not be kept beside those before them. */
  refused: Wish[]
  /** How far the means of the strongest and the weakest team are apart, and what no teams with these wishes go below. */
  spread: number
  bound: number
  /** Whether no other teams with these wishes have a smaller spread. */
  isBest: boolean
}

/** So many students are split in every way that there is; of more, so many changes are tried: some 100 ms. */
const MOST_EXACT = 12
const TRIES = 40_000
/** How much less equal a change may make teams at first, as a spread. */
const WARMTH = 0.05
/** Differences below this are rounding. */
const ROUNDING = 1e-9

/**
 * Makes teams whose sizes differ by one at most, that keep the wishes which can be kept, as equal in strength as can be.
 * Throws a RangeError where there are fewer students than teams.
 */
export function makeTeams(
  students: readonly Teammate[],
  count: number,
  wishes: readonly Wish[],
  random: Random,
): MadeTeams {
  if (count < 1 || students.length < count) throw new RangeError('fewer students than teams')
  const mixed = random.shuffled(students)
  const ids = mixed.map(({ id }) => id)
  const { kept, refused } = keptWishes(ids, count, wishes)
  const units = unitsOf(ids, kept)!
  const strengths = new Map(students.map(({ id, strength }) => [id, strength]))
  const sums = units.map(({ members }) => members.reduce((sum, id) => sum + strengths.get(id)!, 0))
  const sizes = teamSizes(ids.length, count)
  const bound = spreadBound(units, sums, sizes)
  const isExact = ids.length <= MOST_EXACT
  const teamOf = isExact ? bestSplit(units, sums, sizes, bound) : goodSplit(units, sums, sizes, bound, random)
  const spread = spreadOf(units, sums, sizes.length, teamOf)
  return {
    teams: sizes.map((_, team) => units.flatMap(({ members }, unit) => (teamOf[unit] === team ? members : []))),
    refused,
    spread,
    bound,
    isBest: isExact || spread <= bound + ROUNDING,
  }
}

/** Returns how far the means of teams are apart. */
function spreadOf(units: readonly Unit[], sums: readonly number[], teams: number, teamOf: readonly number[]): number {
  const total = Array<number>(teams).fill(0)
  const size = Array<number>(teams).fill(0)
  for (const [unit, team] of teamOf.entries()) {
    total[team]! += sums[unit]!
    size[team]! += units[unit]!.members.length
  }
  const means = total.map((sum, team) => sum / size[team]!)
  return Math.max(...means) - Math.min(...means)
}

/**
 * Returns what the spread of no split goes below: the team of a unit is at least as strong as with the weakest beside it,
 * and some team is at most as strong as the mean of all; and the other way round.
 */
function spreadBound(units: readonly Unit[], sums: readonly number[], sizes: readonly number[]): number {
  const students = units.reduce((count, { members }) => count + members.length, 0)
  const mean = sums.reduce((sum, one) => sum + one, 0) / students
  // Of a unit, each of its members by their mean: no fill of single students is weaker than by the weakest such means.
  const shares = units.map(({ members }, unit) => ({ unit, size: members.length, mean: sums[unit]! / members.length }))
  const rising = [...shares].sort((one, other) => one.mean - other.mean)
  const beyond = (order: typeof rising, sign: 1 | -1): number =>
    Math.max(
      ...shares.map(({ unit, size }) =>
        Math.min(
          ...sizes
            .filter((room) => room >= size)
            .map((room) => {
              let [left, sum] = [room - size, sums[unit]!]
              for (const other of order) {
                if (left === 0 || other.unit === unit) continue
                const taken = Math.min(left, other.size)
                sum += taken * other.mean
                left -= taken
              }
              return sign * (sum / room - mean)
            }),
        ),
      ),
    )
  return Math.max(0, beyond(rising, 1), beyond([...rising].reverse(), -1))
}

function bestSplit(units: readonly Unit[], sums: readonly number[], sizes: readonly number[], bound: number): number[] {
  let best: number[] = []
  let least = Infinity
  eachSplit(units, sizes, (teamOf) => {
    const spread = spreadOf(units, sums, sizes.length, teamOf)
    if (spread < least - ROUNDING) {
      least = spread
      best = [...teamOf]
    }
    return least <= bound + ROUNDING
  })
  return best
}

/** Begins with any split, then swaps units between teams, more freely at first (simulated annealing). */
function goodSplit(
  units: readonly Unit[],
  sums: readonly number[],
  sizes: readonly number[],
  bound: number,
  random: Random,
): number[] {
  let now: number[] = []
  eachSplit(units, sizes, (teamOf) => {
    now = [...teamOf]
    return true
  })
  const totals = sizes.map((_, team) =>
    sums.reduce((total, sum, unit) => (now[unit] === team ? total + sum : total), 0),
  )
  const rosters = sizes.map((_, team) => [...units.keys()].filter((unit) => now[unit] === team))
  const spreadNow = (): number => {
    let [least, most] = [Infinity, -Infinity]
    for (const [team, total] of totals.entries()) {
      const mean = total / sizes[team]!
      least = Math.min(least, mean)
      most = Math.max(most, mean)
    }
    return most - least
  }
  const move = (moving: readonly number[], to: number): void => {
    for (const unit of moving) {
      const from = now[unit]!
      totals[from]! -= sums[unit]!
      totals[to]! += sums[unit]!
      const roster = rosters[from]!
      roster[roster.indexOf(unit)] = roster.at(-1)!
      roster.pop()
      rosters[to]!.push(unit)
      now[unit] = to
    }
  }
  let best = [...now]
  let spread = spreadNow()
  let least = spread
  for (let tries = 0; tries < TRIES && least > bound + ROUNDING; tries++) {
    const one = random.below(units.length)
    const [here, there] = [now[one]!, random.below(sizes.length)]
    const others = here === there ? [] : sameRoom(units, rosters[there]!, units[one]!.members.length, random)
    if (others.length === 0 || clashes(units, now, [one], there, others) || clashes(units, now, others, here, [one]))
      continue
    move([one], there)
    move(others, here)
    const next = spreadNow()
    const warmth = WARMTH * (1 - tries / TRIES)
    if (next <= spread + warmth * (random.below(1000) / 1000) ** 2) spread = next
    else {
      move([one], here)
      move(others, there)
    }
    if (spread < least - ROUNDING) {
      least = spread
      best = [...now]
    }
  }
  return best
}

/** Returns units of a team, drawn by chance, that take just so much room; none where the draw does not come out. */
function sameRoom(units: readonly Unit[], roster: readonly number[], room: number, random: Random): number[] {
  const taken: number[] = []
  let left = room
  for (let tries = 0; tries < roster.length && left > 0; tries++) {
    const unit = roster[random.below(roster.length)]!
    const { length } = units[unit]!.members
    if (length > left || taken.includes(unit)) continue
    taken.push(unit)
    left -= length
  }
  return left === 0 ? taken : []
}

/** Whether some who move to a team meet there whom they are to be apart from, once others have left it. */
function clashes(
  units: readonly Unit[],
  teamOf: readonly number[],
  moving: readonly number[],
  to: number,
  leaving: readonly number[],
): boolean {
  return moving.some((unit) =>
    [...units[unit]!.apart].some((other) => teamOf[other] === to && !leaving.includes(other)),
  )
}
