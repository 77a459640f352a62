import { inPlain } from './characters.ts'
import { haveSameValue, lowest, valuesOf, type Fraction } from './values.ts'
import { isCurrencyFirst, unitOf } from './units.ts'

/** A number with what it counts. */
export interface Quantity {
  values: Fraction[]
  /** The unit in one form; empty where there is none. */
  unit: string
}

const NUMBER_FIRST = /^([-+]?\s*(?:\d[\d.,' ]*(?:\/\s*\d+)?|[.,]\d+))\s*(.*)$/su
const NEGATIVE = /^(?:minus|negative|moins|menos|meno|min|минус|μείον|eksi|ناقص|מינוס)\s+(?=\d)/iu

/** A number in brackets is that number. */
const BRACKETED = /^\(\s*([-+]?\s*[\d.,' ]+)\s*\)$/u
/** Words that follow a number in digits, and what they make of it. In small letters without accents. */
const SCALES: readonly (readonly [RegExp, bigint])[] = [
  [/^(?:thousand|tausend|mille|mil|mila|duizend|tusen|tusind)\b/u, 1000n],
  [/^(?:million(?:s|en)?|mio|mill?on(?:es)?|milh(?:ao|oes)|milion[ei]|miljoen|miljon(?:er)?)\b\.?/u, 1_000_000n],
  [/^(?:billions?|milliarden?|mrd|milliards?|miliard[oi]|miljard(?:er)?|mil millones)\b\.?/u, 1_000_000_000n],
]
/** In these a "billion" has twelve zeros. */
const LONG_SCALE = /^(?:de|fr|es|it|pt|nl|sv|da|nb|pl)\b/u
/** A power of a unit behind another: what is divided by. */
const NEGATIVE_POWER = /(\p{L}+)[\s·.*]+(\p{L}+)\s*\^?-(\d)$/u

/** Returns a text as a number with its unit; undefined where it is none. */
export function quantityOf(text: string, language: string): Quantity | undefined {
  const plain = inPlain(text)
    .trim()
    .replace(BRACKETED, '$1')
    .replace(NEGATIVE, '-')
    .replace(/[.!?]$/u, (mark, at, whole: string) => (/\d$/u.test(whole.slice(0, at)) ? '' : mark))
  if (!/\d/u.test(plain)) return undefined
  // Turkish writes the sign of per cent first.
  if (plain.startsWith('%')) return measured(plain.slice(1), '%', language)
  if (isCurrencyFirst(plain)) return measured(plain.slice(1), plain[0]!, language)
  const [, number, rest = ''] = NUMBER_FIRST.exec(plain) ?? []
  if (number === undefined) return undefined
  const [scale, counted] = scaled(rest, language)
  const unit = unitOf(
    counted.replace(NEGATIVE_POWER, (_, one: string, other: string, power: string) =>
      power === '1' ? `${one}/${other}` : `${one}/${other}^${power}`,
    ),
  )
  const found = unit === undefined ? undefined : measured(number, unit, language)
  return found && { ...found, values: found.values.map(({ top, bottom }) => lowest(top * scale, bottom)) }
}

/** Returns by how much a word behind a number makes it larger, and what follows that word. */
function scaled(rest: string, language: string): [scale: bigint, rest: string] {
  const plain = rest.toLowerCase().normalize('NFD').replace(/\p{M}/gu, '')
  for (const [pattern, scale] of [...SCALES].reverse()) {
    const [word] = pattern.exec(plain) ?? []
    if (word === undefined || (word.startsWith('billion') && LONG_SCALE.test(language))) continue
    return [
      scale,
      rest
        .slice(word.length)
        .replace(/^\s*(?:de|di|d'|of)?\s+/iu, '')
        .trim(),
    ]
  }
  return [1n, rest]
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
