/** What came of an entry with a student when it was met first, or last. */
export type MarkCode = 'right' | 'wrong' | 'passed'

/** One student's mark of one entry: at the first answer, and at the last one. */
export interface ReportMark {
  person: number
  entry: number
  first: MarkCode
  last: MarkCode
}

/** One attempt of a student at a piece of work. */
export interface ReportAttempt {
  person: number
  work: number
  right: number
  total: number
  points: number
  /** Of playing, in milliseconds. */
  milliseconds: number
  /** When it began, in milliseconds since 1970. */
  startedAt: number
  ended: boolean
  /** Set of what it asked, by its place among the sets. */
  set: number
}

/** What a report is made of: facts alone, whatever span they are of. */
export interface ReportFacts {
  /** Pieces of work, in the order in which they were set; a self-judged one counts for no score. */
  works: readonly { scores: boolean }[]
  persons: number
  entries: number
  /** What was asked, by sets: places of entries. */
  sets: readonly (readonly number[])[]
  marks: readonly ReportMark[]
  /** In the order in which they began. */
  attempts: readonly ReportAttempt[]
}

/** What stands in a cell of the map, students by entries. */
export type Cell = 'right' | 'mended' | 'wrong' | 'passed' | 'not-reached' | 'not-asked'

/** One letter for each cell, so that a map of thousands is a short text. */
export const CELL_LETTERS: Readonly<Record<Cell, string>> = {
  right: 'r',
  mended: 'm',
  wrong: 'w',
  passed: 'p',
  'not-reached': '.',
  'not-asked': ' ',
}
const CELLS = new Map(Object.entries(CELL_LETTERS).map(([cell, letter]) => [letter, cell as Cell]))

/** Returns the cell of a letter. Throws where it is none. */
export function cellOf(letter: string | undefined): Cell {
  const cell = letter === undefined ? undefined : CELLS.get(letter)
  if (cell === undefined) throw new Error(`No cell is written ${String(letter)}`)
  return cell
}

/**
 * Returns what each student first and last gave to each entry, by the letters of the plays in the order in which they began.
 *
 * @param plays with their letters, one for each entry of the set; −1 for what is taken out
 */
export function marksOfPlays(
  plays: readonly { person: number; entries: readonly number[]; letters: string }[],
): ReportMark[] {
  const marks = new Map<number, ReportMark>()
  for (const { person, entries, letters } of plays)
    for (let place = 0; place < letters.length; place++) {
      const entry = entries[place] ?? -1
      const came = CAME[letters[place]!]
      if (entry < 0 || !came) continue
      const key = person * MOST_ENTRIES + entry
      const known = marks.get(key)
      if (known) known.last = came.last
      else marks.set(key, { person, entry, ...came })
    }
  return [...marks.values()]
}

/** More entries than any report has: by it, a student and an entry are one number. */
const MOST_ENTRIES = 1_000_000

const CAME: Readonly<Record<string, Pick<ReportMark, 'first' | 'last'>>> = {
  r: { first: 'right', last: 'right' },
  m: { first: 'wrong', last: 'right' },
  w: { first: 'wrong', last: 'wrong' },
  p: { first: 'passed', last: 'passed' },
}
