import Papa from 'papaparse'
import { cleanText } from '../../text/cleanText.ts'
import { looksLikeHeader } from '../../list/columnNames.ts'
import { readPaste } from '../../list/readPaste.ts'
import { tableOf, type Table } from '../../list/table.ts'
import { FileRefusal } from '../refusal.ts'
import { decodeText } from './decodeText.ts'
import { unguardCell } from './guardCell.ts'

const DELIMITERS = [',', '\t', ';', '|', ':', '^', '~']
/** Largest text file that is read, in bytes. */
export const MAX_TEXT_FILE = 10_000_000

/**
 * Reads a file of delimited text (RFC 4180, any delimiter, any usual encoding) as a table. Throws a FileRefusal where
 * it is too big, or no text.
 */
export function readDelimited(bytes: Uint8Array, header?: boolean): Table {
  if (bytes.length > MAX_TEXT_FILE) throw new FileRefusal('too-big')
  const decoded = decodeText(bytes)
  const head = decoded.slice(0, 4000)
  if ((head.match(/[\u0000-\u0008\u000e-\u001f\ufffd]/gu)?.length ?? 0) * 20 > head.length)
    throw new FileRefusal('not-this-kind')
  const text = cleanText(decoded)
  if (text.trim() === '') throw new FileRefusal('empty')
  if (/^sep=.\n/iu.test(text)) return readPaste(text, { header })
  const delimiter = DELIMITERS.find((one) =>
    looksLikeHeader(Papa.parse<string[]>(text, { delimiter: one, newline: '\n', preview: 1 }).data[0]!),
  )
  const { data, errors, meta } = Papa.parse<string[]>(text, {
    newline: '\n',
    ...(delimiter === undefined ? { delimitersToGuess: DELIMITERS } : { delimiter }),
  })
  // Notes with a dash or an equal sign between the sides, or broken quotes: read as a paste would be.
  if (data.every((cells) => cells.length < 2) || errors.some(({ type }) => type === 'Quotes'))
    return readPaste(text, { header })
  let line = 1
  const rows = data.map((cells) => {
    const row = { cells: cells.map(unguardCell), line }
    line += 1 + cells.reduce((sum, cell) => sum + (cell.match(/\n/g)?.length ?? 0), 0)
    return row
  })
  const table = tableOf(rows, header, looksLikeHeader)
  return { ...table, blankLines: Math.max(0, table.blankLines - (meta.linebreak && text.endsWith('\n') ? 1 : 0)) }
}
