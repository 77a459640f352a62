/** Characters that show nothing, but for the joiner of emoji; those that part words of Persian are spaces. */
const UNSEEN = /[\u00ad\u034f\ufe0e\ufe0f\u061c\u180e\u200b\u200e\u200f\u202a-\u202e\u2060-\u2069\ufeff]/gu
const APART = /[\u200c\s\u00a0\u2000-\u200a\u202f\u205f\u3000]+/gu
const APOSTROPHES = /[’‘‛ʼʹ′`´＇׳]/gu
const DASHES = /[‐‑‒–—―−﹣－]/gu
const RAISED = '⁰¹²³⁴⁵⁶⁷⁸⁹⁺⁻⁼⁽⁾ⁿⁱ'
const RAISED_AS = '0123456789+-=()ni'
const LOWERED = '₀₁₂₃₄₅₆₇₈₉₊₋₌₍₎'
const LOWERED_AS = '0123456789+-=()'

/**
 * Returns a text as it is compared exactly: composed, without what shows nothing, with one kind of space, apostrophe and
 * dash, and without space around it.
 */
export function cleaned(text: string): string {
  if (isPlain(text)) return text.replace(/ {2,}/gu, ' ').replace(/`/gu, "'").trim()
  return text
    .normalize('NFC')
    .replace(UNSEEN, '')
    .replace(APART, ' ')
    .replace(APOSTROPHES, "'")
    .replace(/[“”„‟″״＂]/gu, '"')
    .replace(DASHES, '-')
    .trim()
}

const PLAIN = /^[ -~]*$/u

/** Tells whether a text has only the letters, digits and signs of ASCII: nothing is to be folded in it. */
export function isPlain(text: string): boolean {
  return PLAIN.test(text)
}

/** Returns a text in plain letters and digits: full and half width made one, raised signs after ^, lowered ones plain. */
export function inPlain(text: string): string {
  if (isPlain(text)) return text
  return digitsOfAnyScript(
    text
      .replace(
        /[⁰¹²³⁴⁵⁶⁷⁸⁹⁺⁻⁼⁽⁾ⁿⁱ]+/gu,
        (raised) => `^${[...raised].map((sign) => RAISED_AS[RAISED.indexOf(sign)]).join('')}`,
      )
      .replace(/[₀-₉₊₋₌₍₎]/gu, (lowered) => LOWERED_AS[LOWERED.indexOf(lowered)]!)
      .replace(/[½⅓⅔¼¾⅕⅖⅗⅘⅙⅚⅛⅜⅝⅞]/gu, (sign) => ` ${sign.normalize('NFKC').replace('\u2044', '/')}`)
      .replace(/\u2044/gu, '/')
      .replace(/\u066b/gu, '.')
      .replace(/\u066c/gu, ',')
      .normalize('NFKC')
      .replace(DASHES, '-'),
  )
}

/** First digits of the scripts that have their own: ten follow each other. */
const ZEROS = [
  0x660, 0x6f0, 0x7c0, 0x966, 0x9e6, 0xa66, 0xae6, 0xb66, 0xbe6, 0xc66, 0xce6, 0xd66, 0xe50, 0xed0, 0xf20, 0x1040,
  0x17e0, 0x1810, 0xff10,
]
const DIGIT = /(?![0-9])\p{Nd}/gu

function digitsOfAnyScript(text: string): string {
  return text.replace(DIGIT, (digit) => {
    const code = digit.codePointAt(0)!
    const zero = ZEROS.find((first) => code >= first && code < first + 10)
    return zero === undefined ? digit : String(code - zero)
  })
}
