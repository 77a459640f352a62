import { z } from 'zod'
import type { Table } from '../../list/table.ts'
import { FileRefusal } from '../refusal.ts'

const MAX_SIDE = 200
const Mark = z.union([z.string(), z.number(), z.null()])
const Square = z.union([Mark, z.object({ cell: Mark.optional() }).loose()])
const Solved = z.union([
  z.string(),
  z.null(),
  z.object({ value: z.string().optional(), cell: z.string().optional() }).loose(),
])
const Clue = z.union([
  z.tuple([z.union([z.number(), z.string()]), z.string()]).rest(z.unknown()),
  z.object({ number: z.union([z.number(), z.string()]), clue: z.string() }).loose(),
])
const Ipuz = z
  .object({
    version: z.string().startsWith('http://ipuz.org/'),
    kind: z.array(z.string()).refine((kinds) => kinds.some((kind) => kind.startsWith('http://ipuz.org/crossword'))),
    puzzle: z.array(z.array(Square).max(MAX_SIDE)).max(MAX_SIDE),
    solution: z.array(z.array(Solved).max(MAX_SIDE)).max(MAX_SIDE),
    clues: z.record(z.string(), z.array(Clue).max(2000)),
  })
  .loose()

/** Tells whether a text may be ipuz: JSON, or JSON in a call of the format's name. */
export function looksLikeIpuz(text: string): boolean {
  return /^\s*(ipuz\s*\()?\s*\{/u.test(text) && text.includes('ipuz.org')
}

/**
 * Reads the words of a crossword with their clues out of ipuz. Throws a FileRefusal where it is none, or has no
 * solution.
 */
export function readIpuz(text: string): Table {
  let json: unknown
  try {
    json = JSON.parse(text.replace(/^\s*ipuz\s*\(/u, '').replace(/\)\s*;?\s*$/u, ''))
  } catch {
    throw new FileRefusal('broken')
  }
  const parsed = Ipuz.safeParse(json)
  if (!parsed.success) throw new FileRefusal('not-this-kind')
  const { puzzle, solution, clues } = parsed.data
  const letterAt = (row: number, col: number): string => {
    const square = solution[row]?.[col]
    const letter = typeof square === 'object' && square !== null ? (square.value ?? square.cell ?? '') : (square ?? '')
    return letter === '#' ? '' : letter
  }
  const starts = new Map<string, { row: number; col: number }>()
  puzzle.forEach((line, row) =>
    line.forEach((square, col) => {
      const mark = typeof square === 'object' && square !== null ? square.cell : square
      if (mark !== null && mark !== undefined && mark !== 0 && mark !== '0' && mark !== '#')
        starts.set(String(mark), { row, col })
    }),
  )
  const rows: Table['rows'] = []
  for (const [heading, listed] of Object.entries(clues)) {
    const down = /^down/iu.test(heading)
    if (!down && !/^across/iu.test(heading)) continue
    for (const clue of listed) {
      const [number, prompt] = Array.isArray(clue) ? [clue[0], clue[1]] : [clue.number, clue.clue]
      const start = starts.get(String(number))
      if (!start) continue
      let answer = ''
      for (let { row, col } = start; letterAt(row, col) !== ''; down ? row++ : col++) answer += letterAt(row, col)
      rows.push({ cells: [answer.toLowerCase(), prompt], line: rows.length + 1 })
    }
  }
  if (rows.length === 0) throw new FileRefusal('empty')
  return { header: ['Answer', 'Prompt'], rows, blankLines: 0, left: [] }
}
