import { foldAccents } from './graphemes.ts'
import { rudeWords } from './blockList.ts'

/** Names that real people have, though a list of rude words has them too. */
const REAL_NAMES = new Set(
  'anal bich busty cock cox cum dick dong erotic fanny fat gaye hooker horny kinky lolita mong negro nina nude paki peter phuc pierre pol randy rod sadi sexto slag spic suck tit titti tosser wang wee willy'.split(
    ' ',
  ),
)

/**
 * Tells whether a name that a student typed is rude: one of its words, or all its letters together, are on the list of
 * English or of a language (BCP 47, may be empty). Names that people really have are not.
 */
export function isUnkindName(name: string, language: string): boolean {
  const words = foldAccents(name.toLowerCase())
    .split(/[^\p{L}\p{N}]+/u)
    .filter((word) => word !== '')
  const rude = rudeWords(language)
  return [...words, words.join('')].some((word) => rude.has(word) && !REAL_NAMES.has(word))
}
