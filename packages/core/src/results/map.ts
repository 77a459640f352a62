import { CELL_LETTERS, cellOf, type Cell, type ReportFacts, type ReportMark } from './facts.ts'

/** Returns what stands in a cell: a miss that was right when it was met last is mended. */
function cellOfMark({ first, last }: Pick<ReportMark, 'first' | 'last'>): Cell {
  if (first === 'right') return 'right'
  return last === 'right' ? 'mended' : first
}

/**
 * Returns the map of a report: a text for each student, with a letter for each entry. What an attempt asked and nobody
 * answered was not reached; what none of a student's attempts asked was not asked.
 */
export function mapOf({ persons, entries, sets, marks, attempts }: ReportFacts): string[] {
  const rows = Array.from({ length: persons }, () => new Array<string>(entries).fill(CELL_LETTERS['not-asked']))
  const asked = new Set<string>()
  for (const { person, set } of attempts) {
    const key = `${person} ${set}`
    if (asked.has(key)) continue
    asked.add(key)
    for (const entry of sets[set] ?? []) rows[person]![entry] = CELL_LETTERS['not-reached']
  }
  for (const mark of marks) rows[mark.person]![mark.entry] = CELL_LETTERS[cellOfMark(mark)]
  return rows.map((row) => row.join(''))
}

/** How an entry has gone with all students of a map. */
export interface EntryCount {
  right: number
  /** Of those who missed it first, how many were right when they met it last. */
  mended: number
  wrong: number
  passed: number
  notReached: number
}

/**
 * Returns how each entry has gone: at the first answers, with how many of the misses were mended since.
 *
 * @param map of the same facts, where it is there already
 */
export function entryCounts(facts: ReportFacts, map: readonly string[] = mapOf(facts)): EntryCount[] {
  const { entries, marks } = facts
  const counts = Array.from({ length: entries }, (): EntryCount => ({
    right: 0,
    mended: 0,
    wrong: 0,
    passed: 0,
    notReached: 0,
  }))
  for (const { entry, first, last } of marks) {
    const count = counts[entry]!
    count[first]++
    if (first !== 'right' && last === 'right') count.mended++
  }
  for (const row of map)
    for (let entry = 0; entry < entries; entry++)
      if (row[entry] === CELL_LETTERS['not-reached']) counts[entry]!.notReached++
  return counts
}

/** Returns how many were right of those who answered an entry, from 0 to 1; null where nobody did. */
export function shareRight({ right, wrong, passed }: Pick<EntryCount, 'right' | 'wrong' | 'passed'>): number | null {
  const met = right + wrong + passed
  return met === 0 ? null : right / met
}

/** Returns the places of entries that a student of a map missed first: mended since, or not. */
export function missesOf(row: string, { mended = true }: { mended?: boolean } = {}): number[] {
  return [...row].flatMap((letter, entry) => {
    const cell = cellOf(letter)
    return cell === 'wrong' || cell === 'passed' || (mended && cell === 'mended') ? [entry] : []
  })
}

/** How a map is sorted: students by their row, entries by their column. */
export type MapOrder = 'given' | 'weakest' | 'strongest'

/** Returns the order of rows, or columns: those with the least right share first, or last; equal ones as they were. */
export function orderBy(shares: readonly (number | null)[], order: MapOrder): number[] {
  const places = shares.map((_, place) => place)
  if (order === 'given') return places
  // Who has met nothing stands last, either way.
  const weight = (place: number): number => shares[place] ?? 2
  return places.sort((one, other) => {
    const [left, right] = [weight(one), weight(other)]
    if (left === 2 || right === 2) return left - right || one - other
    return (order === 'weakest' ? left - right : right - left) || one - other
  })
}

/** Returns the share right of a student's row of the map, of what was met; null where nothing was. */
export function shareOfRow(row: string): number | null {
  const cells = [...row].map(cellOf).filter((cell) => cell !== 'not-asked' && cell !== 'not-reached')
  return cells.length === 0 ? null : cells.filter((cell) => cell === 'right').length / cells.length
}
