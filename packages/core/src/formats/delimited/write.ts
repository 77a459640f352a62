import Papa from 'papaparse'
import { cellsOf } from '../../list/columns.ts'
import type { Entry } from '../../list/entry.ts'
import { guardCell } from './guardCell.ts'

/**
 * Writes entries as delimited text (RFC 4180) with a heading row, and a byte order mark so that spreadsheets see UTF-8.
 */
export function writeDelimited(entries: readonly Entry[], delimiter: ',' | '\t' = ','): string {
  return `\ufeff${Papa.unparse(
    cellsOf(entries).map((cells) => cells.map(guardCell)),
    { delimiter, newline: '\r\n' },
  )}\r\n`
}
