import { z } from 'zod'
import { MAX_STANDARD } from '../../list/entry.ts'

/** A code of a curriculum standard, with what it means. */
export interface CaseStandard {
  code: string
  label: string
}

/** Most standards that are taken of one file. */
const MOST = 5000
const LONGEST_LABEL = 500

/** Of a package of CASE 1.0 (1EdTech, JSON binding), what is read: its items, with their codes as people write them. */
const CasePackage = z.looseObject({
  CFItems: z.array(
    z.looseObject({
      identifier: z.string(),
      humanCodingScheme: z.string().nullish(),
      fullStatement: z.string(),
      abbreviatedStatement: z.string().nullish(),
    }),
  ),
})

/**
 * Returns the standards of a CASE 1.0 file, each code once, in the order of the file. Items without a code of their own, such
 * as headings, are left out. Throws an Error where it is no such file, or holds no code.
 */
export function readCase(text: string): CaseStandard[] {
  const parsed = CasePackage.parse(JSON.parse(text.replace(/^\ufeff/u, '')))
  const found = new Map<string, string>()
  for (const { humanCodingScheme, fullStatement, abbreviatedStatement } of parsed.CFItems) {
    const code = (humanCodingScheme ?? '').normalize('NFC').trim()
    const label = (abbreviatedStatement?.trim() || fullStatement).replace(/\s+/gu, ' ').trim()
    if (code === '' || code.length > MAX_STANDARD || label === '' || found.has(code)) continue
    found.set(code, label.slice(0, LONGEST_LABEL))
    if (found.size === MOST) break
  }
  if (found.size === 0) throw new Error('A CASE file without codes')
  return [...found].map(([code, label]) => ({ code, label }))
}
