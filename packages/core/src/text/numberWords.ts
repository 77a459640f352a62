import { toCardinal as german } from 'n2words/de-DE'
import { toCardinal as english } from 'n2words/en-US'
import { toCardinal as spanish } from 'n2words/es-ES'
import { toCardinal as french } from 'n2words/fr-FR'
import { toCardinal as hebrew } from 'n2words/he-IL'
import { toCardinal as italian } from 'n2words/it-IT'
import { toCardinal as dutch } from 'n2words/nl-NL'
import { toCardinal as portuguese } from 'n2words/pt-PT'
import { foldText } from './foldText.ts'

const SPELLED: Record<string, (value: number) => string> = {
  de: german,
  en: english,
  es: spanish,
  fr: french,
  he: hebrew,
  it: italian,
  nl: dutch,
  pt: portuguese,
}
/** A number in digits: a sign where it begins a word, thousands apart or not, a point or comma before decimals. */
const NUMBER = /(?<![\p{L}\d.,])([-−]?)(\d{1,3}(?:[,.\u00a0\u202f' ]\d{3})+(?!\d)|\d+)(?:([.,])(\d+))?(?![\p{L}\d])/gu
/** Where thousands are set apart by points, and decimals by a comma. */
const COMMA_LANGUAGES = new Set(['de', 'es', 'fr', 'it', 'nl', 'pt'])
const LARGEST = 1e12

/** Writes the numbers of a text in words of its language (BCP 47); digits where the language has none here. */
export function numbersInWords(text: string, language: string): string {
  const code = language.slice(0, 2).toLowerCase() || 'en'
  const spell = SPELLED[code]
  return text.replace(
    NUMBER,
    (whole: string, sign: string, digits: string, mark: string | undefined, decimals: string | undefined) => {
      const value = valueOf(digits, mark, decimals, code)
      if (value >= LARGEST) return whole
      const signed = sign === '' ? value : -value
      const words = spell ? spell(signed) : `${signed < 0 ? 'minus ' : ''}${value}`
      // "a hundred and one" and "a hundred one" are one number.
      return ` ${code === 'en' ? words.replaceAll(' and ', ' ') : words} `
    },
  )
}

const NUMBER_WORDS = new Map<string, Set<string>>()

/**
 * Tells whether a word is part of a number up to a hundred, as its language writes it: such a word is never a slip for
 * another.
 */
export function isNumberWord(word: string, language: string): boolean {
  const code = language.slice(0, 2).toLowerCase() || 'en'
  let words = NUMBER_WORDS.get(code)
  if (!words)
    NUMBER_WORDS.set(
      code,
      (words = new Set(
        Array.from({ length: 101 }, (_, value) => numbersInWords(String(value), code)).flatMap((text) =>
          foldText(text, { accents: 'folded' }).split(' '),
        ),
      )),
    )
  return words.has(word)
}

function valueOf(digits: string, mark: string | undefined, decimals: string | undefined, code: string): number {
  const whole = Number(digits.replace(/\D/gu, ''))
  if (decimals === undefined) {
    // "1.234" is a little over one in English, and a thousand in German.
    const [, head, tail] = /^(\d{1,3})([.,]\d{3})$/u.exec(digits) ?? []
    const isDecimal = tail !== undefined && tail.startsWith(COMMA_LANGUAGES.has(code) ? ',' : '.')
    return isDecimal ? Number(`${head}.${tail.slice(1)}`) : whole
  }
  return mark === undefined ? whole : Number(`${whole}.${decimals}`)
}
