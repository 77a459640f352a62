import { readFileSync } from 'node:fs'
import { parseArgs } from 'node:util'
import {
  CommandRefusal,
  entriesFromTable,
  GAME_KINDS,
  gameOf,
  guessFields,
  PuzzleError,
  randomFrom,
  readPaste,
  type EntryList,
  isGameKind,
} from '@otter/core'
import { ZodError } from 'zod'
import { lookUp } from '../../packages/server/src/dictionary/lookUp.ts'
import { judgeFile } from './judge.ts'
import { serverKnowledge } from '../../packages/server/src/dictionary/knowledge.ts'

function readList(file: string): EntryList {
  let text: string
  try {
    text = readFileSync(file, 'utf8')
  } catch {
    throw new CommandRefusal(`${file} can't be read`)
  }
  const table = readPaste(
    text,
    text.includes('\t') ? {} : { separator: [',', ';'].find((separator) => text.includes(separator)) ?? '' },
  )
  let count = 0
  const { entries } = entriesFromTable(table, guessFields(table), () => String(++count))
  if (entries.length === 0) throw new CommandRefusal(`${file} holds no words`)
  return { title: file, answerLanguage: '', promptLanguage: '', entries }
}

async function main(): Promise<void> {
  const [kind, judged] = process.argv.slice(2)
  if (kind === 'judge') {
    if (judged === undefined) throw new CommandRefusal('usage: generate judge CASES.jsonl')
    return judgeFile(judged)
  }
  if (!isGameKind(kind)) throw new CommandRefusal(`the first word must be judge or a game: ${GAME_KINDS.join(', ')}`)
  const game = gameOf(kind)
  const { values, positionals } = parseArgs({
    args: process.argv.slice(3),
    allowPositionals: true,
    options: { seed: { type: 'string', default: '1' }, ...game.command?.flags },
  })
  const [file] = positionals
  if (file === undefined || positionals.length > 1)
    throw new CommandRefusal(`usage: generate ${kind} FILE.csv [--seed TEXT] [options]`)
  const seed = String(values.seed)
  const list = readList(file)
  const options = game.options.parse(game.command?.optionsFrom(values) ?? {})
  const make = (): object => {
    const puzzle = game.make(list, options, randomFrom(seed), lookUp(game, list, options))
    return game.command?.shown(puzzle, { list, options, knowledge: serverKnowledge }) ?? (puzzle as object)
  }
  // Run twice, the second time measured: what is looked up once is there by then.
  make()
  const began = performance.now()
  const made = make()
  const ms = performance.now() - began
  process.stdout.write(`${JSON.stringify({ game: kind, seed, ...made, ms })}\n`)
}

try {
  await main()
} catch (error) {
  const line =
    error instanceof PuzzleError
      ? `no puzzle: ${error.note.code} ${Object.entries(error.note.values)
          .map(([name, value]) => `${name} ${value}`)
          .join(', ')}`.trim()
      : error instanceof ZodError
        ? `${error.issues[0]!.path.join('.')}: ${error.issues[0]!.message}`
        : error instanceof Error
          ? error.message.split('\n')[0]
          : String(error)
  process.stderr.write(`${line}\n`)
  process.exitCode = 2
}
