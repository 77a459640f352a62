import { strFromU8, zipSync } from 'fflate'
import readWorkbookFile from 'read-excel-file/universal'
import { cleanText } from '../../text/cleanText.ts'
import { looksLikeHeader } from '../../list/columnNames.ts'
import { tableOf, type LeftOut, type Table } from '../../list/table.ts'
import { FileRefusal } from '../refusal.ts'
import { unzipWithin } from '../zip.ts'

/** Largest workbook that is read: as it is, and unpacked; in bytes. */
export const MAX_WORKBOOK = 10_000_000
const LIMITS = { packed: MAX_WORKBOOK, unpacked: 60_000_000, files: 500 }
/** Most rows that are looked at in one sheet. */
const MAX_ROWS = 20_000

/** A sheet of a workbook. */
export interface Sheet {
  name: string
  rows: string[][]
  /** Names of cells that hold formulas, such as B7. */
  formulas: string[]
}

/** Reads the sheets of a workbook (Office Open XML, ECMA-376). Throws a FileRefusal. */
export async function readWorkbook(bytes: Uint8Array): Promise<Sheet[]> {
  const parts = unzipWithin(
    bytes,
    LIMITS,
    (name) =>
      (name.startsWith('xl/') && name.endsWith('.xml')) || name.endsWith('.rels') || name === '[Content_Types].xml',
  )
  if (!('xl/workbook.xml' in parts)) throw new FileRefusal('not-this-kind')
  if (Object.entries(parts).some(([, content]) => /<!(?:DOCTYPE|ENTITY)/u.test(strFromU8(content.subarray(0, 2000)))))
    throw new FileRefusal('broken')
  if (!Object.values(parts).every((content) => tagsEnd(strFromU8(content)))) throw new FileRefusal('broken')
  const formulas = formulasBySheet(parts)
  try {
    // What is read is packed anew: nothing else in the archive is ever unpacked.
    const sheets = await readWorkbookFile(zipSync(parts, { level: 0 }).buffer)
    return sheets.map(({ sheet, data }, index) => ({
      name: sheet,
      rows: data.slice(0, MAX_ROWS).map((row) => row.map(textOfCell)),
      formulas: formulas[index] ?? [],
    }))
  } catch (error) {
    if (error instanceof Error) throw new FileRefusal('broken')
    throw error
  }
}

function textOfCell(value: unknown): string {
  if (value === null || value === undefined) return ''
  if (value instanceof Date) return value.toISOString().replace(/T00:00:00\.000Z$/u, '')
  return cleanText(String(value))
}

/** Returns the cells with formulas of each sheet, in the order in which the workbook names its sheets. */
function formulasBySheet(parts: Record<string, Uint8Array>): string[][] {
  const text = (name: string): string => (name in parts ? strFromU8(parts[name]!) : '')
  const targets = new Map(
    [...tagsOf(text('xl/_rels/workbook.xml.rels'), 'Relationship')].map(({ tag }) => [
      attribute(tag, 'Id'),
      attribute(tag, 'Target'),
    ]),
  )
  return [...tagsOf(text('xl/workbook.xml'), 'sheet')].map(({ tag }) => {
    const target = targets.get(attribute(tag, 'r:id')) ?? ''
    const sheet = text(target.startsWith('/') ? target.slice(1) : `xl/${target}`)
    return [...tagsOf(sheet, 'c')]
      .flatMap(({ tag: cell, end }) => (beginsFormula(sheet, end) ? attribute(cell, 'r') : []))
      .filter((name) => /^[A-Z]{1,3}\d+$/u.test(name))
  })
}

/**
 * Tells whether each tag ends before the next one begins, as well-formed XML has it. A parser may take minutes for what
 * is not.
 */
function tagsEnd(xml: string): boolean {
  for (let open = xml.indexOf('<'); open >= 0;) {
    const isQuoted = xml.startsWith('<!--', open) || xml.startsWith('<![CDATA[', open)
    const close = isQuoted ? xml.indexOf(xml[open + 2] === '-' ? '-->' : ']]>', open) : xml.indexOf('>', open)
    const next = xml.indexOf('<', isQuoted ? close : open + 1)
    if (close < 0 || (next >= 0 && next < close)) return false
    open = next
  }
  return true
}

/** Longest tag that is looked into, in UTF-16 units. */
const LONGEST_TAG = 2000

/**
 * Finds the tags of a name, with the place behind each. In one pass: an expression over a whole sheet can take minutes
 * for some.
 */
function* tagsOf(xml: string, name: string): Generator<{ tag: string; end: number }> {
  for (let from = xml.indexOf(`<${name}`); from >= 0;) {
    const close = xml.indexOf('>', from)
    if (close < 0) return
    if (/[\s/>]/u.test(xml[from + name.length + 1]!))
      yield { tag: xml.slice(from, Math.min(close, from + LONGEST_TAG)), end: close + 1 }
    from = xml.indexOf(`<${name}`, close)
  }
}

function attribute(tag: string, name: string): string {
  const from = tag.indexOf(` ${name}="`)
  return from < 0 ? '' : tag.slice(from + name.length + 3).split('"', 1)[0]!
}

/** Tells whether a formula stands at a place, after spaces. */
function beginsFormula(xml: string, place: number): boolean {
  while (xml[place] === ' ' || xml[place] === '\n' || xml[place] === '\r' || xml[place] === '\t') place++
  return xml[place] === '<' && xml[place + 1] === 'f' && /[\s/>]/u.test(xml[place + 2] ?? '')
}

/** Returns a sheet as a table; rows with formulas are left out, since only their shown values could be taken. */
export function tableOfSheet({ rows, formulas }: Sheet, header?: boolean): Table {
  const cellsByRow = new Map<number, string>()
  for (const cell of formulas) {
    const row = Number(/\d+$/u.exec(cell)?.[0])
    if (!cellsByRow.has(row)) cellsByRow.set(row, cell)
  }
  const left = [...cellsByRow].map(([line, cell]): LeftOut => ({ line, why: 'formula', text: cell }))
  const kept = rows.map((cells, index) => ({ cells, line: index + 1 })).filter(({ line }) => !cellsByRow.has(line))
  return tableOf(kept, header, looksLikeHeader, left)
}
