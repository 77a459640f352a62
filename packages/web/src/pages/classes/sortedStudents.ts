import type { ClassOverview } from '@otter/api'

type Student = ClassOverview['students'][number]

/** What the students of an overview are sorted by: their names, or a piece of work, by its place. */
export interface Sorting {
  by: 'name' | number
  isDown: boolean
}

/**
 * Returns students by name, or by how they stand in a piece of work: for whom it is not set first, then who has not
 * begun, is in the middle, and is done, the lowest share first. Equal ones stand by name.
 */
export function sortedStudents(students: readonly Student[], { by, isDown }: Sorting): Student[] {
  const sign = isDown ? -1 : 1
  const byName = (one: Student, other: Student): number => one.name.localeCompare(other.name)
  return [...students].sort((one, other) => {
    if (by === 'name') return sign * byName(one, other)
    return sign * (rankOf(one.standings[by]) - rankOf(other.standings[by])) || byName(one, other)
  })
}

function rankOf(standing: Student['standings'][number] | undefined): number {
  if (!standing) return -3
  if (standing.share !== null) return standing.share
  return standing.state === 'not-begun' ? -2 : -1
}
