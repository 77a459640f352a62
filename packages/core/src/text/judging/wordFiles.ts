import type { WordKnowledge } from './knowledge.ts'
import { primary } from './languages.ts'
import { readWordSet } from './wordSet.ts'

/** Languages whose words are known. */
const KNOWN = ['de', 'el', 'en', 'es', 'fr', 'it', 'nl', 'pl', 'pt', 'ru']
const ENDING = '.words'
const VARIANTS = 'en.variants'
const SIMPLIFIED = 'zh.simplified'

/** Names of all files in which words are kept. */
export const WORD_FILES: readonly string[] = [...KNOWN.map((code) => code + ENDING), VARIANTS, SIMPLIFIED]

/** Returns the names of the files that a language (BCP 47) needs; none where nothing is known of it. */
export function wordFilesOf(language: string): string[] {
  const code = primary(language)
  return WORD_FILES.filter((name) => name.startsWith(`${code}.`))
}

/** Reads files of words, by their names. Of what is in none of them nothing is known. */
export function wordsFrom(files: ReadonlyMap<string, Uint8Array>): WordKnowledge {
  const sets = new Map(
    [...files].flatMap(([name, bytes]) =>
      name.endsWith(ENDING) ? [[name.slice(0, -ENDING.length), readWordSet(bytes)] as const] : [],
    ),
  )
  const text = (name: string): string => new TextDecoder().decode(files.get(name) ?? new Uint8Array())
  const american = new Map(
    text(VARIANTS)
      .split('\n')
      .map((line) => line.split(' ') as [string, string]),
  )
  const signs = [...text(SIMPLIFIED)]
  const simplified = new Map(signs.flatMap((sign, place) => (place % 2 === 0 ? [[sign, signs[place + 1]!]] : [])))
  return {
    isWord: (word, language) => sets.get(primary(language))?.has(word),
    american: (word) => american.get(word) ?? word,
    simplified: (chinese) => [...chinese].map((sign) => simplified.get(sign) ?? sign).join(''),
  }
}
