import Papa from 'papaparse'
import { cleanText } from '../../text/cleanText.ts'
import { looksLikeHeader } from '../../list/columnNames.ts'
import { readPaste } from '../../list/readPaste.ts'
import { tableOf, type Table } from '../../list/table.ts'
import { FileRefusal } from '../refusal.ts'
import { decodeText, guessEncoding, type Encoding } from './decodeText.ts'
import { unguardCell } from './guardCell.ts'

const DELIMITERS = [',', '\t', ';', '|', ':', '^', '~']
/** Largest text file that is read, in bytes. */
export const MAX_TEXT_FILE = 10_000_000

/** How a file of text is to be read, where that is not to be found by its content. */
export interface TextChoices {
  encoding?: Encoding | undefined
  /** What stands between cells. */
  separator?: string | undefined
}

/** A file of text as it was read, and how. */
export interface TextTable {
  table: Table
  encoding: Encoding
  separator: string
}

/**
 * Reads a file of delimited text (RFC 4180, any delimiter, any usual encoding) as a table. Throws a FileRefusal where
 * it is too big, or no text.
 */
export function readDelimited(bytes: Uint8Array, choices: TextChoices = {}): TextTable {
  if (bytes.length > MAX_TEXT_FILE) throw new FileRefusal('too-big')
  const encoding = choices.encoding ?? guessEncoding(bytes)
  const decoded = decodeText(bytes, encoding)
  const head = decoded.slice(0, 4000)
  if (
    choices.encoding === undefined &&
    (head.match(/[\u0000-\u0008\u000e-\u001f\ufffd]/gu)?.length ?? 0) * 20 > head.length
  )
    throw new FileRefusal('not-this-kind')
  const text = cleanText(decoded)
  if (text.trim() === '') throw new FileRefusal('empty')
  const asPaste = (): TextTable => {
    const { separator, ...table } = readPaste(text, { separator: choices.separator })
    return { table, encoding, separator }
  }
  if (choices.separator !== undefined || /^sep=.\n/iu.test(text)) return asPaste()
  const delimiter = DELIMITERS.find((one) =>
    looksLikeHeader(Papa.parse<string[]>(text, { delimiter: one, newline: '\n', preview: 1 }).data[0]!),
  )
  const { data, errors, meta } = Papa.parse<string[]>(text, {
    newline: '\n',
    ...(delimiter === undefined ? { delimitersToGuess: DELIMITERS } : { delimiter }),
  })
  // Notes with a dash or an equal sign between the sides, or broken quotes: read as a paste would be.
  if (data.every((cells) => cells.length < 2) || errors.some(({ type }) => type === 'Quotes')) return asPaste()
  let line = 1
  const rows = data.map((cells) => {
    const row = { cells: cells.map(unguardCell), line }
    line += 1 + cells.reduce((sum, cell) => sum + (cell.match(/\n/g)?.length ?? 0), 0)
    return row
  })
  const table = tableOf(rows, undefined, looksLikeHeader)
  const blankLines = Math.max(0, table.blankLines - (meta.linebreak && text.endsWith('\n') ? 1 : 0))
  return { table: { ...table, blankLines }, encoding, separator: meta.delimiter }
}
