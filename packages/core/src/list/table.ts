/** A row of cells as it was read, trimmed. */
export interface TableRow {
  cells: string[]
  /** Line or row of the source it began on, from 1. */
  line: number
  /** How the cells look, where that may tell something: bold, colour, ground; absent ones are plain. */
  looks?: readonly string[]
}

/** What a paste or a file was read as, before anybody says what its columns are. */
export interface Table {
  /** The header row that was recognised and is not among the rows; null where there is none. */
  header: string[] | null
  rows: TableRow[]
  blankLines: number
  /** Rows that could not be taken, and why. */
  left: LeftOut[]
}

/** A row that was left out. */
export interface LeftOut {
  line: number
  why: 'formula' | 'too-long' | 'no-text' | 'no-room' | 'no-group' | 'bad-number' | 'bad-scored'
  /** The cell's name, or the start of the row. */
  text: string
  /** Whether the row is there all the same, without that cell. */
  isKept?: boolean
}

/** Returns how many columns a table has. */
export function columnCount({ header, rows }: Table): number {
  return rows.reduce((most, { cells }) => Math.max(most, cells.length), header?.length ?? 0)
}

/** Makes a table of rows of cells: trims them, counts blank ones, and takes a header row out where there is one. */
export function tableOf(
  rows: readonly TableRow[],
  header: boolean | undefined,
  isHeader: (cells: readonly string[]) => boolean,
  left: LeftOut[] = [],
): Table {
  let blankLines = 0
  const kept: TableRow[] = []
  for (const { cells, ...rest } of rows) {
    const trimmed = cells.map((cell) => cell.trim())
    while (trimmed.length > 0 && trimmed.at(-1) === '') trimmed.pop()
    if (trimmed.length === 0) blankLines++
    else kept.push({ ...rest, cells: trimmed })
  }
  // A title above the headings is none of them.
  if (header === undefined && kept.length > 2 && isTitle(kept[0]!.cells) && isHeader(kept[1]!.cells)) kept.shift()
  const has = header ?? (kept.length > 1 && isHeader(kept[0]!.cells))
  return { header: has && kept.length > 0 ? kept[0]!.cells : null, rows: has ? kept.slice(1) : kept, blankLines, left }
}

/** Whether a row has one cell that is filled, as a title has. */
function isTitle(cells: readonly string[]): boolean {
  return cells.filter((cell) => cell !== '').length === 1
}

/** Returns a table whose first row is a header, or is none. */
export function withHeader<Read extends Table>(table: Read, has: boolean): Read {
  if (has === (table.header !== null)) return table
  if (table.header) return { ...table, header: null, rows: [{ cells: table.header, line: 1 }, ...table.rows] }
  return { ...table, header: table.rows[0]?.cells ?? null, rows: table.rows.slice(1) }
}
