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
  /** Whether it counts for a score: not where students judge themselves. */
  scores: boolean
  /** Set of what it asked, by its place among the sets. */
  set: number
}

/** What a report is made of: facts alone, whatever span they are of. */
export interface ReportFacts {
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
  { persons, entries }: Pick<ReportFacts, 'persons' | 'entries'>,
  plays: readonly { person: number; entries: readonly number[]; letters: string }[],
): ReportMark[] {
  // Plays are thousands, with tens of thousands of letters: numbers in a row are quickest.
  const first = new Uint8Array(persons * entries)
  const last = new Uint8Array(persons * entries)
  for (const { person, entries: asked, letters } of plays)
    for (let place = 0; place < letters.length; place++) {
      const entry = asked[place] ?? -1
      const came = CAME[letters.charCodeAt(place)]
      if (entry < 0 || came === undefined) continue
      const at = person * entries + entry
      if (first[at] === 0) first[at] = came[0]
      last[at] = came[1]
    }
  const marks: ReportMark[] = []
  for (let at = 0; at < first.length; at++)
    if (first[at] !== 0)
      marks.push({
        person: Math.floor(at / entries),
        entry: at % entries,
        first: CODES[first[at]!]!,
        last: CODES[last[at]!]!,
      })
  return marks
}

/** How marks stand in numbers, from 1; 0 for none. */
const CODES: readonly (MarkCode | undefined)[] = [undefined, 'right', 'wrong', 'passed']
/** What a letter says of the first and the last answer in its play, by the letter's code. */
const CAME: (readonly [first: number, last: number] | undefined)[] = []
for (const [letter, came] of Object.entries({ r: [1, 1], m: [2, 1], w: [2, 2], p: [3, 3] } as const))
  CAME[letter.charCodeAt(0)] = came
