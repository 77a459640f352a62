import { cleanText } from '../text/cleanText.ts'

/** Longest name that is kept, in characters. */
const LONGEST = 40

/** A student as a paste names one. */
export interface PastedName {
  name: string
  /** Why it is left out; absent where it is taken. */
  why?: 'known' | 'repeat' | 'too-long'
}

/**
 * Reads names of students from pasted text: one a line, or columns of a spreadsheet, of which those of given and family
 * names are joined. A heading, numbers, marks of lists and addresses are left out. Names that the class has, and those
 * that come twice, are told.
 */
export function namesPasted(text: string, known: readonly string[]): PastedName[] {
  const rows = text.split(/\r\n|[\n\r\u2028]/u).map((line) => line.split('\t').map(cellOf))
  const { given, family, whole } = columnsOf(rows[0] ?? [])
  const hasHeading = given !== undefined || family !== undefined || whole !== undefined
  const taken = new Set(known.map(keyOf))
  const met = new Set<string>()
  return rows.slice(hasHeading ? 1 : 0).flatMap((cells): PastedName[] => {
    const name = hasHeading
      ? (whole !== undefined ? [cells[whole]] : [given, family].map((column) => cells[column ?? -1]))
          .filter(Boolean)
          .join(' ')
      : nameIn(cells)
    if (name === '') return []
    const key = keyOf(name)
    const why = [...name].length > LONGEST ? 'too-long' : taken.has(key) ? 'known' : met.has(key) ? 'repeat' : undefined
    met.add(key)
    return [{ name, ...(why && { why }) }]
  })
}

function cellOf(text: string): string {
  return cleanText(text)
    .replace(/\s+/gu, ' ')
    .trim()
    .replace(/^(?:\d+\s*[.):]|[-–—•*])\s*/u, '')
    .replace(/^"(.*)"$/u, '$1')
}

/** Returns the name in cells without a heading: "Family, Given" turned round; numbers and addresses are none. */
function nameIn(cells: readonly string[]): string {
  const words = cells.filter((cell) => cell !== '' && /\p{L}/u.test(cell) && !cell.includes('@'))
  const [first = ''] = words
  const [, family, given] = /^([^,]+),\s*([^,]+)$/u.exec(first) ?? []
  if (family !== undefined) return `${given} ${family}`
  // Of two columns of single words, the first two are a name; longer rows hold other things behind them.
  return words.length >= 2 && words.slice(0, 2).every((word) => !/\d/u.test(word)) ? `${first} ${words[1]}` : first
}

const GIVEN = /^(?:given|first)(?: ?name)?$|^(?:vorname|prénom|nombre|nome)$/iu
const FAMILY = /^(?:family|last|sur) ?-?(?:name)?$|^(?:nachname|nom|apellidos?|sobrenome)$/iu
const WHOLE = /^(?:name|student|pupil|full ?name|schüler(?:in)?|élève|alumn[oa])$/iu

function columnsOf(heading: readonly string[]): { given?: number; family?: number; whole?: number } {
  const at = (pattern: RegExp): number | undefined => {
    const place = heading.findIndex((cell) => pattern.test(cell))
    return place < 0 ? undefined : place
  }
  const columns = { given: at(GIVEN), family: at(FAMILY), whole: at(WHOLE) }
  return Object.fromEntries(Object.entries(columns).filter(([, place]) => place !== undefined))
}

/** Returns a name as two are compared. */
function keyOf(name: string): string {
  return name.normalize('NFC').toLowerCase()
}
