import Papa from 'papaparse'
import { cleanText } from '../text/cleanText.ts'
import { looksLikeHeader } from './columnNames.ts'
import { tableOf, type Table, type TableRow } from './table.ts'

/** Longest paste that is read, in UTF-16 units. */
export const MAX_PASTE = 2_000_000

/** Text that was pasted, as a table. */
export interface Paste extends Table {
  /** What stands between the sides of a row; empty for one column. */
  separator: string
}

export interface ReadPasteOptions {
  /** Overrides what is recognised; any text may stand between the sides. */
  separator?: string
  /** What stands between entries; a line break where nobody says otherwise. */
  entrySeparator?: string
  header?: boolean
}

/** Separators of files, whose cells may be quoted. */
const DELIMITERS = ['\t', ',', ';', '|']
/** Separators of plain notes: the first one counts, and quotes are quotes. Two spaces stand for two or more. */
const NOTES = [' = ', ' - ', ' – ', ' — ', ' -> ', ' → ', ' : ', ': ']
const SPACES = '  '
/** What numbers or dots the lines of a list. */
const BULLET = /^\s*(?:\d{1,3}[.)]|[-•‣◦*·])[ \t]+/u
/** The line by which a spreadsheet is told what separates cells. */
const STATED = /^\ufeff?sep=(.)\n/iu

/**
 * Reads pasted text as rows of cells. Recognises what separates the sides (the separator that splits most lines, tabs
 * before all others) and a header row. Quoted cells may hold separators and line breaks (RFC 4180); a quote that is
 * never closed is an ordinary character. Control and zero-width characters are taken out.
 */
export function readPaste(pasted: string, options: ReadPasteOptions = {}): Paste {
  const whole = cleanText(pasted.replace(/\r\n?|\u2028|\u2029|\u0085/g, '\n'))
  const stated = STATED.exec(whole)?.[1]
  const text = withoutBullets(stated === undefined ? whole : whole.slice('sep=;\n'.length))
  const between = options.entrySeparator === '' || options.entrySeparator === undefined ? '\n' : options.entrySeparator
  const separator =
    options.separator ?? stated ?? recogniseSeparator(between === '\n' ? text : text.split(between).join('\n'))
  const rows =
    DELIMITERS.includes(separator) && between === '\n'
      ? delimitedRows(text, separator)
      : plainRows(text, separator, between)
  const table = tableOf(rows, options.header, looksLikeHeader)
  // The empty end after the last line break is no blank line.
  return { ...table, separator, blankLines: Math.max(0, table.blankLines - (text.endsWith(between) ? 1 : 0)) }
}

function delimitedRows(text: string, delimiter: string): TableRow[] {
  let line = 1
  return parseCells(text, delimiter).map((cells) => {
    const row = { cells, line }
    line += 1 + cells.reduce((sum, cell) => sum + (cell.match(/\n/g)?.length ?? 0), 0)
    return row
  })
}

function parseCells(text: string, delimiter: string): string[][] {
  const quoted = Papa.parse<string[]>(text, { delimiter, newline: '\n' })
  const broken = quoted.errors.some(({ type }) => type === 'Quotes')
  return broken ? text.split('\n').map((line) => line.split(delimiter)) : quoted.data
}

function plainRows(text: string, separator: string, between: string): TableRow[] {
  if (separator === '' && between === '\n' && text.includes('"')) return delimitedRows(text, '\u0000')
  let line = 1
  return text.split(between).map((entry) => {
    const { at, length } = sideOf(entry, separator)
    const row = {
      cells:
        at < 0
          ? [entry]
          : DELIMITERS.includes(separator)
            ? entry.split(separator)
            : [entry.slice(0, at), entry.slice(at + length)],
      line,
    }
    line += between === '\n' ? 1 : entry.split('\n').length - 1
    return row
  })
}

/** Returns where a line is split, and how long what splits it is; -1 where nothing does. */
function sideOf(entry: string, separator: string): { at: number; length: number } {
  if (separator !== SPACES) return { at: separator === '' ? -1 : entry.indexOf(separator), length: separator.length }
  const indent = entry.length - entry.trimStart().length
  const found = /\s{2,}/u.exec(entry.trim())
  return { at: found ? indent + found.index : -1, length: found?.[0].length ?? 0 }
}

/** Returns a text without the numbers or dots of its lines, where most of them have some. */
function withoutBullets(text: string): string {
  const lines = text.split('\n')
  const filled = lines.filter((line) => line.trim() !== '')
  if (filled.length < 2 || filled.filter((line) => BULLET.test(line)).length < filled.length * MOST_LINES) return text
  return lines.map((line) => line.replace(BULLET, '')).join('\n')
}

/** Share of lines that a separator must split to be believed. */
const MOST_LINES = 0.6

function recogniseSeparator(text: string): string {
  const lines = text
    .split('\n')
    .filter((line) => line.trim() !== '')
    .slice(0, 200)
  const share = (separator: string): number =>
    lines.filter((line) => line.trim().includes(separator)).length / Math.max(1, lines.length)
  if (share('\t') > 0.3 || (text.includes('\t') && text.includes('"'))) return '\t'
  const others = [...NOTES, '|', ';', ',', SPACES]
    .map((separator) => ({ separator, share: share(separator) }))
    .sort((one, other) => other.share - one.share)
  return others[0]!.share >= MOST_LINES ? others[0]!.separator : ''
}
