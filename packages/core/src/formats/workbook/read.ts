import { strFromU8, zipSync } from 'fflate'
import readWorkbookFile from 'read-excel-file/universal'
import { cleanText } from '../../text/cleanText.ts'
import { looksLikeHeader } from '../../list/columnNames.ts'
import { tableOf, type LeftOut, type Table } from '../../list/table.ts'
import { FileRefusal } from '../refusal.ts'
import { unzipWithin } from '../zip.ts'
import { shownNumber } from './shownNumber.ts'
import { stylesOf, type CellStyle } from './styles.ts'
import { attribute, tagsEnd, tagsOf } from './xml.ts'

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
  /** How the cells of each row look, by column; empty for plain ones. */
  looks: string[][]
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
  const details = detailsBySheet(parts)
  try {
    // What is read is packed anew: nothing else in the archive is ever unpacked.
    const sheets = await readWorkbookFile(zipSync(parts, { level: 0 }).buffer)
    return sheets.map(({ sheet, data }, index) => {
      const { formulas, looks, shown, merged } = details[index] ?? NOTHING
      const rows = data.slice(0, MAX_ROWS).map((row) => row.map(textOfCell))
      for (const { row, col, text } of shown) if (rows[row]?.[col] !== undefined) rows[row][col] = text
      // A group that stands over several rows is the group of each.
      for (const { top, bottom, col } of merged)
        for (let row = top + 1; row <= bottom && row < rows.length; row++)
          if (rows[row]![col] === '' || rows[row]![col] === undefined) rows[row]![col] = rows[top]?.[col] ?? ''
      return { name: sheet, rows, formulas, looks }
    })
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

/** What of a sheet its values alone don't tell. */
interface SheetDetails {
  formulas: string[]
  looks: string[][]
  /** Numbers that are shown otherwise than they are kept. */
  shown: { row: number; col: number; text: string }[]
  /** First columns of cells that stand over several rows. */
  merged: { top: number; bottom: number; col: number }[]
}

const NOTHING: SheetDetails = { formulas: [], looks: [], shown: [], merged: [] }

/** Returns the details of each sheet, in the order in which the workbook names its sheets. */
function detailsBySheet(parts: Record<string, Uint8Array>): SheetDetails[] {
  const text = (name: string): string => (name in parts ? strFromU8(parts[name]!) : '')
  const targets = new Map(
    [...tagsOf(text('xl/_rels/workbook.xml.rels'), 'Relationship')].map(({ tag }) => [
      attribute(tag, 'Id'),
      attribute(tag, 'Target'),
    ]),
  )
  const styles = stylesOf(text('xl/styles.xml'))
  return [...tagsOf(text('xl/workbook.xml'), 'sheet')].map(({ tag }) => {
    const target = targets.get(attribute(tag, 'r:id')) ?? ''
    return detailsOf(text(target.startsWith('/') ? target.slice(1) : `xl/${target}`), styles)
  })
}

function detailsOf(xml: string, styles: readonly CellStyle[]): SheetDetails {
  const found: SheetDetails = { formulas: [], looks: [], shown: [], merged: [] }
  for (const { tag, end } of tagsOf(xml, 'c')) {
    const name = attribute(tag, 'r')
    const place = placeOf(name)
    if (!place || place.row >= MAX_ROWS) continue
    if (beginsFormula(xml, end)) found.formulas.push(name)
    const style = styles[Number(attribute(tag, 's') || '0')]
    if (style?.look) (found.looks[place.row] ??= [])[place.col] = style.look
    const value = style?.format && ['', 'n'].includes(attribute(tag, 't')) ? valueAt(xml, end) : undefined
    const text = value === undefined ? undefined : shownNumber(value, style!.format)
    if (text !== undefined) found.shown.push({ ...place, text })
  }
  for (const { tag } of tagsOf(xml, 'mergeCell')) {
    const [from, to] = attribute(tag, 'ref').split(':').map(placeOf)
    if (from && to && to.row > from.row) found.merged.push({ top: from.row, bottom: to.row, col: from.col })
  }
  return found
}

/** Returns the row and column, from 0, of a cell's name such as B7; undefined where it is none. */
function placeOf(name: string): { row: number; col: number } | undefined {
  const [, letters, digits] = /^([A-Z]{1,3})(\d{1,7})$/u.exec(name) ?? []
  if (letters === undefined) return undefined
  const col = [...letters].reduce((sum, letter) => sum * 26 + letter.charCodeAt(0) - 64, 0) - 1
  return { row: Number(digits) - 1, col }
}

/** Returns the number of a cell whose tag ends at a place. */
function valueAt(xml: string, place: number): number | undefined {
  const [, digits] = /^\s*<v>([-+.\deE]{1,30})<\/v>/u.exec(xml.slice(place, place + 60)) ?? []
  return digits === undefined ? undefined : Number(digits)
}

/** Tells whether a formula stands at a place, after spaces. */
function beginsFormula(xml: string, place: number): boolean {
  while (xml[place] === ' ' || xml[place] === '\n' || xml[place] === '\r' || xml[place] === '\t') place++
  return xml[place] === '<' && xml[place + 1] === 'f' && /[\s/>]/u.test(xml[place + 2] ?? '')
}

/** Returns a sheet as a table; rows with formulas are left out, since only their shown values could be taken. */
export function tableOfSheet({ rows, formulas, looks }: Sheet, header?: boolean): Table {
  const cellsByRow = new Map<number, string>()
  for (const cell of formulas) {
    const row = Number(/\d+$/u.exec(cell)?.[0])
    if (!cellsByRow.has(row)) cellsByRow.set(row, cell)
  }
  const left = [...cellsByRow].map(([line, cell]): LeftOut => ({ line, why: 'formula', text: cell }))
  const kept = rows
    .map((cells, index) => ({ cells, line: index + 1, ...(looks[index] && { looks: looks[index] }) }))
    .filter(({ line }) => !cellsByRow.has(line))
  return tableOf(kept, header, looksLikeHeader, left)
}
