import { readFileSync } from 'node:fs'
import { createRequire } from 'node:module'
import { dirname, join } from 'node:path'
import { WORD_FILES, wordFilesOf, wordsFrom, type WordKnowledge } from '@otter/core'

/** Where the files of words lie (docs/words.md): beside the sources, however the server was bundled. */
const FOLDER = join(dirname(createRequire(import.meta.url).resolve('@otter/server/package.json')), 'data/words')

function read(names: readonly string[]): WordKnowledge {
  return wordsFrom(new Map(names.map((name) => [name, readFileSync(join(FOLDER, name))])))
}

/** Reads all words that are known. */
export function readWords(): WordKnowledge {
  return read(WORD_FILES)
}

/** Reads what is known of the words of one language. */
export function readWordsOf(language: string): WordKnowledge {
  return read(wordFilesOf(language))
}

/** Returns where a file of words lies; undefined where there is none of that name. */
export function wordFile(name: string): string | undefined {
  return WORD_FILES.includes(name) ? join(FOLDER, name) : undefined
}
