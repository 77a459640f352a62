import Papa from 'papaparse'

/**
 * Writes rows as CSV (RFC 4180, UTF-8 with a byte order mark); cells that a spreadsheet would run are made harmless.
 *
 * @param fields headings; null for rows that go on below others
 */
export function csvOf(fields: readonly string[] | null, data: readonly (string | number)[][]): string {
  if (fields === null) return data.length === 0 ? '' : `${Papa.unparse([...data], SETTINGS)}\r\n`
  return `\ufeff${Papa.unparse([[...fields], ...data], SETTINGS)}\r\n`
}

/** What a spreadsheet might run: also full-width signs, and signs behind characters that nobody sees. */
const FORMULA = /^[\s\p{Cf}\p{Cc}\p{Z}]*[=+\-@\t\r＝＋－＠]/u

const SETTINGS = { escapeFormulae: FORMULA, newline: '\r\n' }
