import { inPlain } from './characters.ts'
import { haveSameValue, valuesOf, type Fraction } from './values.ts'
import { isCurrencyFirst, unitOf } from './units.ts'

/** A number with what it counts. */
export interface Quantity {
  values: Fraction[]
  /** The unit in one form; empty where there is none. */
  unit: string
}

const NUMBER_FIRST = /^([-+]?\s*(?:\d[\d.,' ]*(?:\/\s*\d+)?|[.,]\d+))\s*(.*)$/su
const NEGATIVE = /^(?:minus|negative|moins|menos|meno|min|минус|μείον|eksi|ناقص|מינוס)\s+(?=\d)/iu

/** Returns a text as a number with its unit; undefined where it is none. */
export function quantityOf(text: string, language: string): Quantity | undefined {
  const plain = inPlain(text)
    .trim()
    .replace(NEGATIVE, '-')
    .replace(/[.!?]$/u, (mark, at, whole: string) => (/\d$/u.test(whole.slice(0, at)) ? '' : mark))
  if (!/\d/u.test(plain)) return undefined
  // Turkish writes the sign of per cent first.
  if (plain.startsWith('%')) return measured(plain.slice(1), '%', language)
  if (isCurrencyFirst(plain)) return measured(plain.slice(1), plain[0]!, language)
  const [, number, rest = ''] = NUMBER_FIRST.exec(plain) ?? []
  if (number === undefined) return undefined
  const unit = unitOf(rest)
  return unit === undefined ? undefined : measured(number, unit, language)
}

function measured(number: string, unit: string, language: string): Quantity | undefined {
  const values = valuesOf(number, language)
  return values.length > 0 ? { values, unit } : undefined
}

/** How two quantities differ; `same` where they don't. */
export function compared(one: Quantity, other: Quantity): 'same' | 'value' | 'unit' {
  if (!haveSameValue(one.values, other.values)) return 'value'
  return one.unit === other.unit ? 'same' : 'unit'
}
