import { readFileSync } from 'node:fs'
import { join } from 'node:path'
import { Judge } from '../../src/text/judging/judge.ts'
import { WORD_FILES, wordsFrom } from '../../src/text/judging/wordFiles.ts'

const FOLDER = join(import.meta.dirname, '../../../server/data/words')

/** The words that the server knows. */
export const WORDS = wordsFrom(new Map(WORD_FILES.map((name) => [name, readFileSync(join(FOLDER, name))])))

export const JUDGE = new Judge(WORDS)
