import { inPlain } from './characters.ts'
import { hasDecimalComma } from './languages.ts'

/** A number as a fraction in lowest terms, so that 0.5 and 1/2 are one; null where the text is no number. */
export interface Fraction {
  top: bigint
  bottom: bigint
}

const SIGN = /^([-+])\s*/u
const MIXED = /^(\d+)\s+(\d+)\s*\/\s*(\d+)$/u
const OVER = /^(\d+)\s*\/\s*(\d+)$/u
const GROUPED = /^\d{1,3}(?:([ ,.'])\d{2,3})(?:\1\d{2,3})*$/u
const MAX_DIGITS = 40

/**
 * Returns the values that a text can have as a number in a language (BCP 47): fractions, decimals with point or comma,
 * thousands set apart as the language does. Several where it can be read in two ways; none where it is no number.
 */
export function valuesOf(text: string, language: string): Fraction[] {
  const plain = inPlain(text).trim()
  if (!/\d/u.test(plain) || plain.length > MAX_DIGITS) return []
  const [, sign = ''] = SIGN.exec(plain) ?? []
  const bare = sign === '' ? plain : plain.slice(plain.search(/[^-+\s]/u))
  const found = unsigned(bare, language)
  return sign === '-' ? found.map(({ top, bottom }) => ({ top: -top, bottom })) : found
}

function unsigned(text: string, language: string): Fraction[] {
  const mixed = MIXED.exec(text)
  if (mixed) {
    const [whole, top, bottom] = mixed.slice(1).map(BigInt) as [bigint, bigint, bigint]
    return fraction(whole * bottom + top, bottom)
  }
  const over = OVER.exec(text)
  if (over) return fraction(BigInt(over[1]!), BigInt(over[2]!))
  if (/^\d+$/u.test(text)) return fraction(BigInt(text), 1n)
  const comma = hasDecimalComma(language)
  const [decimal, group] = comma ? [',', '.'] : ['.', ',']
  // A number such as 1.500 is what its language makes of it.
  if (GROUPED.test(text) && isGrouped(text, group)) return fraction(BigInt(text.replace(/\D/gu, '')), 1n)
  const [whole = '', rest = '', ...more] = splitAt(text, decimal, group)
  if (more.length > 0 || !/^\d*$/u.test(rest)) return []
  const digits =
    whole === '' ? '' : /^\d+$/u.test(whole) ? whole : isGrouped(whole, group) ? whole.replace(/\D/gu, '') : undefined
  if (digits === undefined || digits + rest === '') return []
  return fraction(BigInt(digits + rest), 10n ** BigInt(rest.length))
}

/** Parts a number before its decimals: at the mark of its language, or at the other one where that can be none. */
function splitAt(text: string, decimal: string, group: string): string[] {
  if (text.includes(decimal)) return text.split(decimal)
  const parts = text.split(group)
  return parts.length === 2 && parts[1]!.length !== 3 ? parts : [text]
}

/** Tells whether digits are set apart in threes, or as in India in twos before the last three, by one sign. */
function isGrouped(text: string, group: string): boolean {
  return new RegExp(
    `^\\d{1,3}(?:([ '${group}])\\d{3})(?:\\1\\d{3})*$|^\\d{1,2}(?:[${group}]\\d{2})+[${group}]\\d{3}$`,
    'u',
  ).test(text)
}

function fraction(top: bigint, bottom: bigint): Fraction[] {
  return bottom === 0n ? [] : [lowest(top, bottom)]
}

/** Returns a fraction in lowest terms; what is below is above 0. */
export function lowest(top: bigint, bottom: bigint): Fraction {
  const by = divisor(top < 0n ? -top : top, bottom)
  return { top: top / by, bottom: bottom / by }
}

function divisor(one: bigint, other: bigint): bigint {
  return other === 0n ? (one === 0n ? 1n : one) : divisor(other, one % other)
}

/** Tells whether two numbers can have the same value. */
export function haveSameValue(one: readonly Fraction[], other: readonly Fraction[]): boolean {
  return one.some((left) => other.some((right) => left.top === right.top && left.bottom === right.bottom))
}
