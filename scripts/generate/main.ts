import { readFileSync } from 'node:fs'
import { parseArgs } from 'node:util'
import {
  entriesFromTable,
  GAME_KINDS,
  guessFields,
  PuzzleError,
  randomFrom,
  readPaste,
  type EntryList,
  type GameKind,
} from '@otter/core'
import { ZodError } from 'zod'
import { bingo } from './bingo.ts'
import { crossword } from './crossword.ts'
import { plain, quiz } from './plain.ts'
import { Refusal, type Generated } from './game.ts'
import { hangman } from './hangman.ts'
import { wordsearch } from './wordsearch.ts'

const GENERATED: Record<GameKind, Generated> = {
  wordsearch,
  crossword,
  bingo,
  hangman,
  quiz,
  flashcards: plain('flashcards'),
  matching: plain('matching'),
  pairs: plain('pairs'),
  unscramble: plain('unscramble'),
}

function readList(file: string): EntryList {
  let text: string
  try {
    text = readFileSync(file, 'utf8')
  } catch {
    throw new Refusal(`${file} can't be read`)
  }
  const table = readPaste(
    text,
    text.includes('\t') ? {} : { separator: [',', ';'].find((separator) => text.includes(separator)) ?? '' },
  )
  let count = 0
  const { entries } = entriesFromTable(table, guessFields(table), () => String(++count))
  if (entries.length === 0) throw new Refusal(`${file} holds no words`)
  return { title: file, answerLanguage: '', promptLanguage: '', entries }
}

function main(): void {
  const [kind] = process.argv.slice(2)
  if (!(GAME_KINDS as string[]).includes(kind))
    throw new Refusal(`the first word must be a game: ${GAME_KINDS.join(', ')}`)
  const { flags, prepare } = GENERATED[kind as GameKind]
  const { values, positionals } = parseArgs({
    args: process.argv.slice(3),
    allowPositionals: true,
    options: { seed: { type: 'string', default: '1' }, ...flags },
  })
  const [file] = positionals
  if (file === undefined || positionals.length > 1)
    throw new Refusal(`usage: generate ${kind} FILE.csv [--seed TEXT] [options]`)
  const seed = String(values.seed)
  const make = prepare(readList(file), values)
  make(randomFrom(seed))
  const began = performance.now()
  const made = make(randomFrom(seed))
  const ms = performance.now() - began
  process.stdout.write(`${JSON.stringify({ game: kind, seed, ...made, ms })}\n`)
}

try {
  main()
} catch (error) {
  const line =
    error instanceof PuzzleError
      ? `no puzzle: ${error.note.code} ${Object.entries(error.note.values)
          .map(([name, value]) => `${name} ${value}`)
          .join(', ')}`.trim()
      : error instanceof ZodError
        ? `${error.issues[0].path.join('.')}: ${error.issues[0].message}`
        : error instanceof Error
          ? error.message.split('\n')[0]
          : String(error)
  process.stderr.write(`${line}\n`)
  process.exitCode = 2
}
