import { readdirSync, readFileSync } from 'node:fs'
import { join } from 'node:path'
import { Judge } from '../../src/text/judging/judge.ts'
import type { WordKnowledge } from '../../src/text/judging/knowledge.ts'
import { readWordSet } from '../../src/text/judging/wordSet.ts'

const FOLDER = join(import.meta.dirname, '../../../server/data/words')
const read = (name: string): Buffer => readFileSync(join(FOLDER, name))
const sets = new Map(
  readdirSync(FOLDER)
    .filter((name) => name.endsWith('.words'))
    .map((name) => [name.replace('.words', ''), readWordSet(read(name))]),
)
const american = new Map(
  read('en.variants')
    .toString('utf8')
    .split('\n')
    .map((line) => line.split(' ') as [string, string]),
)

/** The words that the server knows. */
export const WORDS: WordKnowledge = {
  isWord: (word, language) => sets.get(language.slice(0, 2))?.has(word),
  american: (word) => american.get(word) ?? word,
  simplified: (text) => text.replaceAll('漢', '汉').replaceAll('語', '语'),
}

export const JUDGE = new Judge(WORDS)
