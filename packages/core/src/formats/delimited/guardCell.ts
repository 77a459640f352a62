/** A sign that begins a formula, also full-width, and behind characters that nobody sees. */
const DANGEROUS = /^'*[\s\p{Cf}\p{Cc}\p{Z}]*[=+\-@\t＝＋－＠]/u
const GUARDED = /^'+[\s\p{Cf}\p{Cc}\p{Z}]*[=+\-@\t＝＋－＠]/u

/** Puts an apostrophe before text that a spreadsheet would take for a formula (OWASP: CSV injection). */
export function guardCell(text: string): string {
  return DANGEROUS.test(text) ? `'${text}` : text
}

/** Takes the guard off again. */
export function unguardCell(text: string): string {
  return GUARDED.test(text) ? text.slice(1) : text
}
