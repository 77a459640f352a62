import { foldAccents } from './graphemes.ts'
import { rudeWords } from './blockList.ts'

/** Names that real people have, though a list of rude words has them too. */
const REAL_NAMES = new Set(
  'anal bich busty cock cox cum dick dong erotic fanny fat gaye hooker horny kinky lolita mong negro nina nude paki peter phuc pierre pol randy rod sadi sexto slag spic suck tit titti tosser wang wee willy'.split(
    ' ',
  ),
)

/** Signs that are written for letters, so that a word is not found. */
const WRITTEN_FOR: Record<string, string> = {
  '0': 'o',
  '1': 'i',
  '3': 'e',
  '4': 'a',
  '5': 's',
  '7': 't',
  '8': 'b',
  '9': 'g',
  '@': 'a',
  $: 's',
  '!': 'i',
  '|': 'l',
  '+': 't',
  '€': 'e',
}
/**
 * Tells whether a name that a student typed is rude: one of its words, or all its letters together, are on the list of
 * English or of a language (BCP 47, may be empty), also with signs written for letters, or letters drawn out. Names
 * that people really have are not.
 */
export function isUnkindName(name: string, language: string): boolean {
  const rude = rudeWords(language)
  const plain = foldAccents(name.toLowerCase())
  return [plain, lettersFor(plain)].some((text) => {
    const words = text.split(/[^\p{L}\p{N}]+/u).filter((word) => word !== '')
    const whole = words.join('')
    return [...words, whole, ...[...words, whole].map(notDrawnOut)].some(
      (word) => rude.has(word) && !REAL_NAMES.has(word),
    )
  })
}

/** Returns a text with letters where signs stand for them; numbers by themselves stay. */
function lettersFor(text: string): string {
  return text.replace(/\S+/gu, (word) =>
    /\p{L}/u.test(word) ? [...word].map((sign) => WRITTEN_FOR[sign] ?? sign).join('') : word,
  )
}

/** Returns a word without the letters by which it was drawn out. */
function notDrawnOut(word: string): string {
  return word.replace(/(\p{L})\1{2,}/gu, '$1')
}
