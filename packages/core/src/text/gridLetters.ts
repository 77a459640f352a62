import { graphemesOf } from './graphemes.ts'
import { inSmall, isOwnLetter, unaccented, unpointed } from './judging/folding.ts'

const LETTER = /[\p{L}\p{N}\p{S}\p{Extended_Pictographic}]/u
/** Characters that show nothing and change nothing in a grid; the joiner of emoji and of Arabic is not among them. */
const INVISIBLE = /[\u00ad\u061c\u180e\u200b\u200c\u200e\u200f\u202a-\u202e\u2060-\u2069\ufeff]/gu

/** How a word's letters are prepared for a grid. */
export interface LetterStyle {
  letterCase: 'upper' | 'lower'
  accents: 'kept' | 'folded'
  /** BCP 47 code of the words' language; it decides how letters change case (Turkish i, Greek accents). */
  language?: string
}

/**
 * Returns the letters of a text as a grid holds them: graphemes in the wished case, with spaces, hyphens, apostrophes
 * and other punctuation left out, in composed form (NFC).
 */
export function gridLetters(text: string, style: LetterStyle): string[] {
  const clean = withoutLigatures(text.normalize('NFC').replace(INVISIBLE, ''))
  const plain = style.accents === 'folded' ? foldedLetters(clean, style.language ?? '') : clean
  const cased = style.letterCase === 'upper' ? toUpper(plain, style.language) : toLower(plain, style.language)
  return graphemesOf(cased.normalize('NFC')).filter((grapheme) => LETTER.test(grapheme))
}

/** Letters that are printed as one, and are two. */
const LIGATURE = /[\ufb00-\ufb06ĳĲ]/gu

/** Returns a text in which letters that are only printed as one stand apart. */
export function withoutLigatures(text: string): string {
  return text.replace(LIGATURE, (letters) => letters.normalize('NFKC'))
}

/**
 * Returns a text, in small letters, without the accents that a keyboard may lack: letters of the language's own stay, as
 * do vowel signs and tones; points of Hebrew and Arabic go.
 */
function foldedLetters(text: string, language: string): string {
  return unpointed(
    unaccented(
      inSmall(text, language).replace(/[ßœæ]/gu, (letters) => apart(letters, language)),
      language,
    ),
  )
}

const APART: Record<string, string> = { ß: 'ss', œ: 'oe', æ: 'ae' }

function apart(letters: string, language: string): string {
  return isOwnLetter(letters, language) ? letters : APART[letters]!
}

/** Languages whose letters change case in a way of their own. */
const SPECIAL_CASING = /^(tr|az|lt|el)\b/

function toUpper(text: string, language: string | undefined): string {
  return language !== undefined && SPECIAL_CASING.test(language) ? text.toLocaleUpperCase(language) : text.toUpperCase()
}

function toLower(text: string, language: string | undefined): string {
  return language !== undefined && SPECIAL_CASING.test(language) ? text.toLocaleLowerCase(language) : text.toLowerCase()
}
