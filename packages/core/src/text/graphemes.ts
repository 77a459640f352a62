import { splitGraphemes } from 'unicode-segmenter/grapheme'

/**
 * Splits text into grapheme clusters (Unicode Standard Annex #29): what a reader calls one letter.
 * A package with its own Unicode tables does it, so that every browser and server splits alike.
 */
export function graphemesOf(text: string): string[] {
  return [...splitGraphemes(text)]
}

const MARKS = /\p{M}+/gu

/** Takes accents and other combining marks off every letter: "Élève" gives "Eleve". Hebrew loses its vowel points. */
export function foldAccents(text: string): string {
  return text
    .normalize('NFD')
    .replace(MARKS, '')
    .normalize('NFC')
    .replace(/[øØłŁđĐıæÆœŒ]/gu, (letter) => UNDECOMPOSED[letter]!)
}

const UNDECOMPOSED: Record<string, string> = {
  ø: 'o',
  Ø: 'O',
  ł: 'l',
  Ł: 'L',
  đ: 'd',
  Đ: 'D',
  ı: 'i',
  æ: 'ae',
  Æ: 'AE',
  œ: 'oe',
  Œ: 'OE',
}
