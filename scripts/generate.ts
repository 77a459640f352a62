import { readFileSync } from 'node:fs'
import { parseArgs } from 'node:util'
import { entriesFromTable, GAME_KINDS, gameOf, guessFields, PuzzleError, randomFrom, readPaste, type EntryList, type GameKind, type WordSearchPuzzle } from '@otter/core'
import { ZodError } from 'zod'

/** Bad input: one line on standard error, and exit code 2. */
class Refusal extends Error {}

function readList(file: string): EntryList {
  let text: string
  try {
    text = readFileSync(file, 'utf8')
  } catch {
    throw new Refusal(`${file} can't be read`)
  }
  const table = readPaste(text, text.includes('\t') ? {} : { separator: [',', ';'].find((separator) => text.includes(separator)) ?? '' })
  let count = 0
  const { entries } = entriesFromTable(table, guessFields(table), () => String(++count))
  if (entries.length === 0) throw new Refusal(`${file} holds no words`)
  return { title: file, answerLanguage: '', promptLanguage: '', entries }
}

function whole(text: string | undefined, name: string): number | undefined {
  if (text === undefined) return undefined
  if (!/^\d+$/.test(text)) throw new Refusal(`--${name} must be a whole number, not ${text}`)
  return Number(text)
}

function main(): void {
  const { values, positionals } = parseArgs({
    allowPositionals: true,
    options: {
      seed: { type: 'string', default: '1' }, rows: { type: 'string' }, cols: { type: 'string' }, size: { type: 'string' },
      directions: { type: 'string' }, message: { type: 'string' }, case: { type: 'string' }, accents: { type: 'string' },
    },
  })
  const [kind, file] = positionals
  if (!(GAME_KINDS as string[]).includes(kind)) throw new Refusal(`the first word must be a game: ${GAME_KINDS.join(', ')}`)
  if (file === undefined || positionals.length > 2) throw new Refusal(`usage: generate ${kind} FILE.csv [--seed TEXT] [options]`)
  const rows = whole(values.rows, 'rows')
  const cols = whole(values.cols, 'cols')
  if ((rows === undefined) !== (cols === undefined)) throw new Refusal('give both --rows and --cols')
  const game = gameOf(kind as GameKind)
  const options = game.options.parse({
    ...(rows === undefined ? {} : { size: 'chosen', rows, cols }), ...(values.size === undefined ? {} : { size: values.size }),
    ...(values.directions === undefined ? {} : { directions: whole(values.directions, 'directions') }), ...(values.message === undefined ? {} : { message: values.message }),
    ...(values.case === undefined ? {} : { letterCase: values.case }), ...(values.accents === undefined ? {} : { accents: values.accents }),
  })
  const list = readList(file)
  game.make(list, options, randomFrom(values.seed))
  const began = performance.now()
  const puzzle = game.make(list, options, randomFrom(values.seed)) as WordSearchPuzzle
  const ms = performance.now() - began
  const words = puzzle.words.map(({ entryId, text, row, col, dRow, dCol }) => ({ entryId, text, row, col, dRow, dCol }))
  const unplaced = puzzle.unplaced.map(({ entryId, text, why, others }) => ({ entryId, text, why: others.length > 0 ? `${why}: ${others.join(', ')}` : why }))
  process.stdout.write(`${JSON.stringify({ game: kind, seed: values.seed, rows: puzzle.rows, words, unplaced, ms })}\n`)
}

try {
  main()
} catch (error) {
  const line = error instanceof PuzzleError
    ? `no puzzle: ${error.note.code} ${Object.entries(error.note.values).map(([name, value]) => `${name} ${value}`).join(', ')}`.trim()
    : error instanceof ZodError ? `${error.issues[0].path.join('.')}: ${error.issues[0].message}` : error instanceof Error ? error.message.split('\n')[0] : String(error)
  process.stderr.write(`${line}\n`)
  process.exitCode = 2
}
