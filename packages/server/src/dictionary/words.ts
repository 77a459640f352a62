import { readdirSync, readFileSync } from 'node:fs'
import { createRequire } from 'node:module'
import { dirname, join } from 'node:path'
import { readWordSet, type WordKnowledge } from '@otter/core'

/** Where the sets of words lie (docs/words.md): beside the sources, however the server was bundled. */
const FOLDER = join(dirname(createRequire(import.meta.url).resolve('@otter/server/package.json')), 'data/words')
const ENDING = '.words'

/** Reads the words of all languages that are known, with British spellings and traditional characters. */
export function readWords(): WordKnowledge {
  const sets = new Map(
    readdirSync(FOLDER)
      .filter((name) => name.endsWith(ENDING))
      .map((name) => [name.slice(0, -ENDING.length), readWordSet(readFileSync(join(FOLDER, name)))] as const),
  )
  const american = new Map(
    readFileSync(join(FOLDER, 'en.variants'), 'utf8')
      .trim()
      .split('\n')
      .map((line) => line.split(' ') as [string, string]),
  )
  const signs = [...readFileSync(join(FOLDER, 'zh.simplified'), 'utf8')]
  const simplified = new Map(signs.flatMap((sign, place) => (place % 2 === 0 ? [[sign, signs[place + 1]!]] : [])))
  return {
    isWord: (word, language) => sets.get(language.split('-')[0]!)?.has(word),
    american: (word) => american.get(word) ?? word,
    simplified: (text) => [...text].map((sign) => simplified.get(sign) ?? sign).join(''),
  }
}
