import Papa from 'papaparse'

/** Writes rows as CSV (RFC 4180, UTF-8 with a byte order mark); cells that a spreadsheet would run are made harmless. */
export function csvOf(fields: readonly string[], data: readonly (string | number)[][]): string {
  return `\ufeff${Papa.unparse({ fields: [...fields], data: [...data] }, { escapeFormulae: FORMULA, newline: '\r\n' })}\r\n`
}

/** What a spreadsheet might run: also full-width signs, and signs behind characters that nobody sees. */
const FORMULA = /^[\s\p{Cf}\p{Cc}\p{Z}]*[=+\-@\t\r＝＋－＠]/u
