const ROMAN = /^(?=[ivxlcdm])m{0,3}(?:cm|cd|d?c{0,3})(?:xc|xl|l?x{0,3})(?:ix|iv|v?i{0,3})$/iu
const VALUES: Record<string, number> = { i: 1, v: 5, x: 10, l: 50, c: 100, d: 500, m: 1000 }

/** Tells whether a word is a number in Roman numerals, of two letters or more. */
export function isRoman(word: string): boolean {
  return word.length > 1 && ROMAN.test(word)
}

/** Returns a text in which small Roman numerals after a word are digits, as in World War II or Henry VIII. */
export function withoutRoman(text: string): string {
  return text.replace(/(?<=\p{L}{2,}\s)([IVX]{1,5})(?=$|[\s,.])/gu, (numeral: string) => {
    if (!ROMAN.test(numeral) || numeral === 'X') return numeral
    const values = [...numeral.toLowerCase()].map((letter) => VALUES[letter]!)
    return String(values.reduce((sum, value, place) => sum + (value < (values[place + 1] ?? 0) ? -value : value), 0))
  })
}
