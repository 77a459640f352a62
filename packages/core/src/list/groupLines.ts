import type { Field } from './columnNames.ts'
import type { LeftOut, Table } from './table.ts'

/** What parts the words of a line. */
const PARTED = /[,;|،؛、，；·\t\n]/u
/** What ends the name of a group that stands before its words. */
const NAMED = /^([^:：]+)[:：](.*)$/su

/** A table in which each row is a word, followed by its groups. */
export interface GroupedWords {
  table: Table
  fields: Field[]
}

/**
 * Reads each row of a table as a group: its name, then its words, parted by commas and the like or in cells of their own.
 * A word of several groups is one row. A row that has no words is left out.
 */
export function groupLines({ header, rows, blankLines, left }: Table): GroupedWords {
  const groupsOf = new Map<string, { cells: string[]; line: number }>()
  const out: LeftOut[] = [...left]
  for (const { cells, line } of [...(header ? [{ cells: header, line: 1 }] : []), ...rows]) {
    const { name, words } = namedWords(cells)
    if (name === '' || words.length === 0) out.push({ line, why: 'no-group', text: cells.join(' ').slice(0, 60) })
    else
      for (const word of words) {
        const known = groupsOf.get(word.toLowerCase())
        if (!known) groupsOf.set(word.toLowerCase(), { cells: [word, name], line })
        else if (!known.cells.includes(name, 1)) known.cells.push(name)
      }
  }
  const words = [...groupsOf.values()]
  const most = words.reduce((count, { cells }) => Math.max(count, cells.length - 1), 1)
  return {
    table: { header: null, rows: words, blankLines, left: out },
    fields: ['answer', ...Array.from({ length: most }, (): Field => 'group')],
  }
}

function namedWords(cells: readonly string[]): { name: string; words: string[] } {
  const [first = '', ...rest] = cells
  const named = NAMED.exec(first)
  const name = named ? named[1]! : first
  const words = [...(named ? [named[2]!] : []), ...rest].flatMap((cell) => cell.split(PARTED))
  return { name: name.trim(), words: words.map((word) => word.trim()).filter((word) => word !== '') }
}
