import Papa from 'papaparse'
import { cleanText } from '../text/cleanText.ts'

/** What stands between the two sides of a row. */
export type Separator = 'tab' | 'comma' | 'semicolon' | 'dash' | 'equals' | 'none'

const SEPARATORS: Record<Exclude<Separator, 'none'>, string> = { tab: '\t', comma: ',', semicolon: ';', dash: ' - ', equals: ' = ' }
/** Longest paste that is read, in UTF-16 units. */
export const MAX_PASTE = 2_000_000

/** A row as it was understood. */
export interface PastedRow {
  answer: string
  prompt: string
  /** Cells beyond the second, joined into the prompt so that nothing is lost. */
  joined: number
  /** Line of the pasted text it began on, from 1. */
  line: number
}

/** Text that was pasted, as rows of two sides. */
export interface Paste {
  separator: Separator
  /** The header row that was recognised and is not among the rows; null where there is none. */
  header: [string, string] | null
  rows: PastedRow[]
  blankLines: number
}

export interface ReadPasteOptions {
  /** Overrides what is recognised. */
  separator?: Separator
  header?: boolean
}

/**
 * Reads pasted text as rows of answer and prompt. Recognises what separates the sides (the separator that splits most
 * lines, tabs before all others) and a header row. Quoted cells may hold separators and line breaks (RFC 4180); a quote
 * that is never closed is an ordinary character. Control and zero-width characters are taken out.
 */
export function readPaste(pasted: string, options: ReadPasteOptions = {}): Paste {
  const text = cleanText(pasted.replace(/\r\n?|\u2028|\u2029|\u0085/g, '\n'))
  const separator = options.separator ?? recogniseSeparator(text)
  const { rows, blankLines } = splitRows(text, separator)
  const sides = rows.map(({ cells, line }): PastedRow => {
    const [answer = '', ...rest] = cells
    while (rest.length > 1 && rest.at(-1) === '') rest.pop()
    const filled = rest.filter((cell, index) => index === 0 || cell !== '')
    return { answer, prompt: filled.join(separator === 'tab' ? ' · ' : SEPARATORS[separator === 'none' ? 'tab' : separator]), joined: Math.max(0, filled.length - 1), line }
  })
  const hasHeader = options.header ?? (sides.length > 1 && looksLikeHeader(sides[0]))
  const header: Paste['header'] = hasHeader && sides.length > 0 ? [sides[0].answer, sides[0].prompt] : null
  return { separator, header, rows: header ? sides.slice(1) : sides, blankLines }
}

interface Row {
  cells: string[]
  line: number
}

function splitRows(text: string, separator: Separator): { rows: Row[]; blankLines: number } {
  let blankLines = 0
  const rows: Row[] = []
  const keep = (cells: string[], line: number): void => {
    const trimmed = cells.map((cell) => cell.trim())
    if (trimmed.every((cell) => cell === '')) blankLines++
    else rows.push({ cells: trimmed, line })
  }
  if (separator === 'dash' || separator === 'equals') {
    // Plain notes, not a file: the first separator counts, and quotes are quotes.
    text.split('\n').forEach((line, index) => {
      const at = line.indexOf(SEPARATORS[separator])
      keep(at < 0 ? [line] : [line.slice(0, at), line.slice(at + SEPARATORS[separator].length)], index + 1)
    })
    return trimEnd(rows, blankLines, text)
  }
  let line = 1
  for (const cells of parseCells(text, separator === 'none' ? '\u0000' : SEPARATORS[separator])) {
    keep(cells, line)
    line += 1 + cells.reduce((sum, cell) => sum + (cell.match(/\n/g)?.length ?? 0), 0)
  }
  return trimEnd(rows, blankLines, text)
}

/** The empty end after the last line break is no blank line. */
function trimEnd(rows: Row[], blankLines: number, text: string): { rows: Row[]; blankLines: number } {
  return { rows, blankLines: Math.max(0, blankLines - (text.endsWith('\n') ? 1 : 0)) }
}

function parseCells(text: string, delimiter: string): string[][] {
  const quoted = Papa.parse<string[]>(text, { delimiter, newline: '\n' })
  const broken = quoted.errors.some(({ type }) => type === 'Quotes')
  return broken ? text.split('\n').map((line) => line.split(delimiter)) : quoted.data
}

/** Share of lines that a separator must split to be believed. */
const MOST_LINES = 0.6

function recogniseSeparator(text: string): Separator {
  const lines = text.split('\n').filter((line) => line.trim() !== '').slice(0, 200)
  const share = (separator: string): number => lines.filter((line) => line.includes(separator)).length / Math.max(1, lines.length)
  if (share('\t') > 0.3 || (text.includes('\t') && text.includes('"'))) return 'tab'
  const others = (['equals', 'dash', 'semicolon', 'comma'] as const)
    .map((separator) => ({ separator, share: share(SEPARATORS[separator]) }))
    .sort((one, other) => other.share - one.share)
  return others[0].share >= MOST_LINES ? others[0].separator : 'none'
}

/** Words that head a column of a vocabulary or question list, in the languages of the interface and a few more. */
const HEADERS = new Set([
  'answer', 'answers', 'word', 'words', 'term', 'terms', 'vocabulary', 'prompt', 'prompts', 'clue', 'clues', 'definition', 'definitions',
  'question', 'questions', 'meaning', 'translation', 'hint', 'front', 'back', 'english', 'spanish', 'french', 'german', 'portuguese', 'hebrew',
  'palabra', 'palabras', 'término', 'definición', 'pregunta', 'respuesta', 'pista', 'significado', 'traducción', 'español', 'inglés',
  'mot', 'mots', 'terme', 'définition', 'réponse', 'indice', 'traduction', 'français', 'anglais',
  'wort', 'begriff', 'bedeutung', 'frage', 'antwort', 'übersetzung', 'deutsch', 'englisch',
  'palavra', 'resposta', 'pergunta', 'definição', 'tradução', 'português', 'inglês',
  'מילה', 'מילים', 'מושג', 'הגדרה', 'שאלה', 'תשובה', 'רמז', 'תרגום', 'עברית', 'אנגלית',
])

function looksLikeHeader({ answer, prompt }: PastedRow): boolean {
  const isHeader = (cell: string): boolean => HEADERS.has(cell.toLowerCase())
  return prompt === '' ? isHeader(answer) && answer !== '' : isHeader(answer) && isHeader(prompt)
}
