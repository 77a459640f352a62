import { strFromU8 } from 'fflate'
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
  const parts = unzipWithin(bytes, LIMITS, (name) => name.startsWith('xl/') && name.endsWith('.xml') || name.endsWith('.rels') || name === '[Content_Types].xml')
  if (!('xl/workbook.xml' in parts)) throw new FileRefusal('not-this-kind')
  if (Object.entries(parts).some(([, content]) => /<!(?:DOCTYPE|ENTITY)/u.test(strFromU8(content.subarray(0, 2000))))) throw new FileRefusal('broken')
  const formulas = formulasBySheet(parts)
  try {
    const sheets = await readWorkbookFile(bytes.slice().buffer)
    return sheets.map(({ sheet, data }, index) => ({ name: sheet, rows: data.slice(0, MAX_ROWS).map((row) => row.map(textOfCell)), formulas: formulas[index] ?? [] }))
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

const CELL_WITH_FORMULA = /<c\b[^>]*?\br="([A-Z]{1,3}\d+)"[^>]*>\s*<f[\s>/]/gu

/** Gives the cells with formulas of each sheet, in the order in which the workbook names its sheets. */
function formulasBySheet(parts: Record<string, Uint8Array>): string[][] {
  const text = (name: string): string => (name in parts ? strFromU8(parts[name]) : '')
  const targets = new Map([...text('xl/_rels/workbook.xml.rels').matchAll(/<Relationship\b[^>]*>/gu)].map(([tag]) => [/\bId="([^"]*)"/u.exec(tag)?.[1] ?? '', /\bTarget="([^"]*)"/u.exec(tag)?.[1] ?? '']))
  return [...text('xl/workbook.xml').matchAll(/<sheet\b[^>]*\br:id="([^"]*)"[^>]*>/gu)].map(([, id]) => {
    const target = targets.get(id) ?? ''
    return [...text(target.startsWith('/') ? target.slice(1) : `xl/${target}`).matchAll(CELL_WITH_FORMULA)].map(([, cell]) => cell)
  })
}

/** Gives a sheet as a table; rows with formulas are left out, since only their shown values could be taken. */
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
