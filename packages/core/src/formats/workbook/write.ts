import writeWorkbookFile from 'write-excel-file/universal'
import { cellsOf } from '../../list/columns.ts'
import type { Entry } from '../../list/entry.ts'
import { sheetName } from './sheetName.ts'

/** Writes entries as a workbook (Office Open XML, ECMA-376) of one sheet with a heading row; every cell is text. */
export async function writeWorkbook(entries: readonly Entry[], title: string): Promise<Uint8Array> {
  const rows = cellsOf(entries).map((cells, index) =>
    cells.map((value) =>
      value === ''
        ? null
        : {
            value: value.replace(ESCAPE_LIKE, '_x005F_'),
            type: String,
            ...(index === 0 ? { fontWeight: 'bold' as const } : {}),
          },
    ),
  )
  const blob = await writeWorkbookFile(rows, {
    sheet: sheetName(title),
    columns: rows[0]!.map((_, index) => ({ width: index < 2 ? 32 : 20 })),
    stickyRowsCount: 1,
  }).toBlob()
  return new Uint8Array(await blob.arrayBuffer())
}

/** Text that a reader would take for an escaped character (ECMA-376, ST_Xstring). */
const ESCAPE_LIKE = /_(?=x[\da-f]{4}_)/giu
