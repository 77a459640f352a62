import { CELL_LETTERS } from './facts.ts'
import { missesOf } from './map.ts'

/** Students to teach something together. */
export interface TeachingGroup {
  /** Places of students. */
  persons: number[]
  /** Places of entries that the group misses most, the most missed first. */
  misses: number[]
}

/** What a group is named by, at most. */
const MOST_MISSES = 4
/** Students whose misses have so little in common are no group. */
const APART = 0.85

/**
 * Returns students who miss the same put together: clusters by average linkage (Sokal and Michener 1958) of the Jaccard
 * distance of what they miss, of those entries that both have met. Who misses nothing is in no group; groups come with the
 * largest first, and hold two at least.
 *
 * @param rows of the report's map
 * @param size that a group has at most
 */
export function teachingGroups(rows: readonly string[], size = 8): TeachingGroup[] {
  const students = rows
    .map((row, person) => ({ person, misses: new Set(missesOf(row)) }))
    .filter(({ misses }) => misses.size > 0)
  const distances = students.map(({ person, misses }) =>
    students.map((other) => distanceOf(rows[person]!, misses, rows[other.person]!, other.misses)),
  )
  const clusters = linked(distances, size)
  return clusters
    .filter((members) => members.length > 1)
    .map((members) => ({
      persons: members.map((member) => students[member]!.person).sort((one, other) => one - other),
      misses: commonMisses(members.map((member) => students[member]!.misses)),
    }))
    .sort((one, other) => other.persons.length - one.persons.length || one.persons[0]! - other.persons[0]!)
}

/** Returns how little two students miss in common, from 0 to 1: of what both have met. */
function distanceOf(row: string, misses: ReadonlySet<number>, otherRow: string, others: ReadonlySet<number>): number {
  let [both, any] = [0, 0]
  for (const entry of new Set([...misses, ...others])) {
    if (!isMet(row[entry]) || !isMet(otherRow[entry])) continue
    any++
    if (misses.has(entry) && others.has(entry)) both++
  }
  return any === 0 ? 1 : 1 - both / any
}

function isMet(letter: string | undefined): boolean {
  return letter !== CELL_LETTERS['not-asked'] && letter !== CELL_LETTERS['not-reached']
}

/** Joins the two nearest clusters, again and again, as long as they are near and small enough. */
function linked(distances: readonly (readonly number[])[], size: number): number[][] {
  const clusters = distances.map((_, index): number[] => [index])
  const between = distances.map((row) => [...row])
  for (;;) {
    let nearest: { one: number; other: number; distance: number } | undefined
    for (let one = 0; one < clusters.length; one++)
      for (let other = one + 1; other < clusters.length; other++) {
        const distance = between[one]![other]!
        if (distance >= APART || clusters[one]!.length + clusters[other]!.length > size) continue
        if (!nearest || distance < nearest.distance) nearest = { one, other, distance }
      }
    if (!nearest) return clusters
    join(clusters, between, nearest.one, nearest.other)
  }
}

/** Puts two clusters into one; distances to it are means over all pairs (Lance and Williams 1967). */
function join(clusters: number[][], between: number[][], one: number, other: number): void {
  const [size, otherSize] = [clusters[one]!.length, clusters[other]!.length]
  for (let third = 0; third < clusters.length; third++) {
    const distance = (between[one]![third]! * size + between[other]![third]! * otherSize) / (size + otherSize)
    between[one]![third] = distance
    between[third]![one] = distance
  }
  clusters[one] = [...clusters[one]!, ...clusters[other]!]
  clusters.splice(other, 1)
  between.splice(other, 1)
  for (const row of between) row.splice(other, 1)
}

/** Returns what at least half of a group miss, the most missed first; where there is none, what most miss. */
function commonMisses(misses: readonly ReadonlySet<number>[]): number[] {
  const counts = new Map<number, number>()
  for (const set of misses) for (const entry of set) counts.set(entry, (counts.get(entry) ?? 0) + 1)
  const sorted = [...counts].sort(([one, count], [other, otherCount]) => otherCount - count || one - other)
  const common = sorted.filter(([, count]) => count * 2 >= misses.length)
  return (common.length > 0 ? common : sorted.slice(0, 1)).slice(0, MOST_MISSES).map(([entry]) => entry)
}
