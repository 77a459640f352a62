import { z } from 'zod'
import type { Table } from '../../list/table.ts'
import { FileRefusal } from '../refusal.ts'

const MAX_SIDE = 200
const Mark = z.union([z.string(), z.number(), z.null()])
const Style = z.union([z.string(), z.object({ barred: z.string().optional() }).loose(), z.null()])
const Square = z.union([Mark, z.object({ cell: Mark.optional(), style: Style.optional() }).loose()])
const Solved = z.union([
  z.string(),
  z.null(),
  z.object({ value: z.string().optional(), cell: z.string().optional() }).loose(),
])
const ClueNumber = z.union([z.number(), z.string()])
const Clue = z.union([
  z.string(),
  z.tuple([z.union([ClueNumber, z.array(ClueNumber).min(1)]), z.string()]).rest(z.unknown()),
  z.object({ number: ClueNumber.optional(), numbers: z.array(ClueNumber).optional(), clue: z.string() }).loose(),
])
const Ipuz = z
  .object({
    version: z.string().startsWith('http://ipuz.org/'),
    kind: z.array(z.string()).refine((kinds) => kinds.some((kind) => kind.startsWith('http://ipuz.org/crossword'))),
    /** What stands for a block and for a square without a number; the standard has "#" and "0" for them. */
    block: z.union([z.string(), z.number()]).default('#'),
    empty: z.union([z.string(), z.number()]).default('0'),
    styles: z.record(z.string(), Style).default({}),
    puzzle: z.array(z.array(Square).max(MAX_SIDE)).max(MAX_SIDE),
    solution: z.array(z.array(Solved).max(MAX_SIDE)).max(MAX_SIDE),
    clues: z.record(z.string(), z.array(Clue).max(2000)),
  })
  .loose()
type Ipuz = z.infer<typeof Ipuz>

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
  const rows: Table['rows'] = []
  const words = wordsOf(parsed.data)
  for (const [heading, listed] of Object.entries(parsed.data.clues)) {
    const way = /^(across|down)(?::|$)/iu.exec(heading)?.[1]?.toLowerCase()
    if (way !== 'across' && way !== 'down') continue
    // Clues without numbers stand in the order of their words.
    let next = 0
    for (const clue of listed) {
      const { number, text } = clueOf(clue)
      const word = number === undefined ? words[way][next++] : words[way].find((one) => one.number === number)
      if (word) rows.push({ cells: [word.answer.toLowerCase(), plainText(text)], line: rows.length + 1 })
    }
  }
  if (rows.length === 0) throw new FileRefusal('empty')
  return { header: ['Answer', 'Prompt'], rows, blankLines: 0, left: [] }
}

/** A word of the grid, with the number of its first square. */
interface GridWord {
  number: string
  answer: string
}

/** Returns the words of both ways, in the order in which their first squares stand. */
function wordsOf(ipuz: Ipuz): Record<'across' | 'down', GridWord[]> {
  const { puzzle, solution, block, empty, styles } = ipuz
  const letterAt = (row: number, col: number): string => {
    const square = solution[row]?.[col]
    const letter = typeof square === 'object' && square !== null ? (square.value ?? square.cell ?? '') : (square ?? '')
    const isBlocked = markAt(row, col) === String(block) || letter === String(block)
    return isBlocked ? '' : letter
  }
  const squareAt = (row: number, col: number) => puzzle[row]?.[col]
  const markAt = (row: number, col: number): string => {
    const square = squareAt(row, col)
    const mark = typeof square === 'object' && square !== null ? square.cell : square
    return mark === undefined || mark === null ? '' : String(mark)
  }
  const barsAt = (row: number, col: number): string => {
    const square = squareAt(row, col)
    const style = typeof square === 'object' && square !== null ? square.style : undefined
    const found = typeof style === 'string' ? styles[style] : style
    return typeof found === 'object' && found !== null ? (found.barred ?? '').toUpperCase() : ''
  }
  /** Whether a word ends between a square and the one after it, right of it or below. */
  const isParted = (row: number, col: number, down: boolean): boolean =>
    barsAt(row, col).includes(down ? 'B' : 'R') ||
    barsAt(down ? row + 1 : row, down ? col : col + 1).includes(down ? 'T' : 'L')
  const wordFrom = (row: number, col: number, down: boolean): string => {
    let word = ''
    for (let [r, c] = [row, col]; letterAt(r, c) !== ''; down ? r++ : c++) {
      word += letterAt(r, c)
      if (isParted(r, c, down)) break
    }
    return word
  }
  const words: Record<'across' | 'down', GridWord[]> = { across: [], down: [] }
  for (const [way, down] of [
    ['across', false],
    ['down', true],
  ] as const)
    for (let row = 0; row < puzzle.length; row++)
      for (let col = 0; col < (puzzle[row]?.length ?? 0); col++) {
        const [rowBefore, colBefore] = down ? [row - 1, col] : [row, col - 1]
        const goesOn = letterAt(rowBefore, colBefore) !== '' && !isParted(rowBefore, colBefore, down)
        if (letterAt(row, col) === '' || goesOn) continue
        const answer = wordFrom(row, col, down)
        const mark = markAt(row, col)
        if ([...answer].length > 1) words[way].push({ number: mark === String(empty) ? '' : mark, answer })
      }
  return words
}

function clueOf(clue: z.infer<typeof Clue>): { number: string | undefined; text: string } {
  if (typeof clue === 'string') return { number: undefined, text: clue }
  const [number, text] = Array.isArray(clue)
    ? [[clue[0]].flat()[0], clue[1]]
    : [clue.number ?? clue.numbers?.[0], clue.clue]
  return { number: number === undefined ? undefined : String(number), text }
}

const NAMED: Record<string, string> = { amp: '&', lt: '<', gt: '>', quot: '"', apos: "'", nbsp: ' ' }

/** Returns the text of a clue without what styles it: the standard takes a few tags and signs of HTML. */
function plainText(text: string): string {
  return text
    .replace(/<br\s*\/?>/giu, ' ')
    .replace(/<\/?(?:b|i|s|u|em|strong|big|small|sup|sub|span|font)(?:\s[^<>]{0,200})?>/giu, '')
    .replace(/&(amp|lt|gt|quot|apos|nbsp);/gu, (_, name: string) => NAMED[name]!)
    .replace(/\s+/gu, ' ')
    .trim()
}
