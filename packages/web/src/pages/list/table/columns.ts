import { MAX_ACCEPTED, MAX_GROUPS, MAX_STANDARDS, orderChoices, type Choice, type Entry } from '@otter/core'
import { z } from 'zod'

/** Columns that the table can show, in their order. */
export const COLUMNS = [
  'answer',
  'prompt',
  'choices',
  'accepted',
  'hint',
  'fact',
  'groups',
  'worth',
  'seconds',
  'scored',
  'standards',
] as const
export type Column = (typeof COLUMNS)[number]

/** Columns that hold numbers, and are narrow. */
export const NUMBERS: ReadonlySet<Column> = new Set(['worth', 'seconds'])

/** Most texts of a cell that holds several. */
const MOST = { accepted: MAX_ACCEPTED, groups: MAX_GROUPS, standards: MAX_STANDARDS }

/** What parts of a cell with several texts are parted by. */
const PART = ' | '
/** Marks a choice that is right as well. */
const RIGHT = '✓'

/** Returns what a cell shows. */
export function cellText(entry: Entry, column: Column): string {
  switch (column) {
    case 'answer':
    case 'prompt':
      return entry[column].text
    case 'choices':
      return entry.choices.map(({ text, right }) => (right ? RIGHT + text : text)).join(PART)
    case 'accepted':
    case 'groups':
    case 'standards':
      return entry[column].join(PART)
    case 'worth':
    case 'seconds':
      return entry[column] === null ? '' : String(entry[column])
    case 'scored':
      return entry.scored ? 'yes' : 'no'
    default:
      return entry[column]
  }
}

/** Returns the entry with a cell's text as typed; undefined where the text can't be in that column. */
export function withCellText<Row extends Entry>(entry: Row, column: Column, text: string): Row | undefined {
  switch (column) {
    case 'answer':
    case 'prompt':
      return { ...entry, [column]: { ...entry[column], text } }
    case 'choices':
      return { ...entry, choices: readChoices(text, entry.choices) }
    case 'accepted':
    case 'groups':
    case 'standards':
      return { ...entry, [column]: partsOf(text).slice(0, MOST[column]) }
    case 'worth':
    case 'seconds': {
      const number = Number(text)
      if (text.trim() === '') return { ...entry, [column]: null }
      return Number.isInteger(number) &&
        number >= (column === 'worth' ? 0 : 1) &&
        number <= (column === 'worth' ? 10_000 : 3600)
        ? { ...entry, [column]: number }
        : undefined
    }
    case 'scored':
      return /^(|yes|1|true|x|✓)$/iu.test(text.trim())
        ? { ...entry, scored: true }
        : /^(no|0|false)$/iu.test(text.trim())
          ? { ...entry, scored: false }
          : undefined
    default:
      return { ...entry, [column]: text }
  }
}

function partsOf(text: string): string[] {
  return text
    .split('|')
    .map((part) => part.trim())
    .filter((part) => part !== '')
}

/** Reads choices as typed; each keeps the picture of the choice that stood in its place. */
function readChoices(text: string, before: readonly Choice[]): Choice[] {
  const typed = partsOf(text).map((part, index): Choice => {
    const right = part.startsWith(RIGHT) || part.startsWith('*')
    const picture = before[index]?.picture
    return { text: (right ? part.slice(1) : part).trim(), right, ...(picture && { picture }) }
  })
  return orderChoices(typed).slice(0, 11)
}

/** The columns that a teacher has chosen to see, on this device. */
const Shown = z.array(z.enum(COLUMNS)).min(1).catch(['answer', 'prompt'])
const KEPT = 'otter-columns'

export function keptColumns(): Column[] {
  const kept = (localStorage.getItem(KEPT) ?? '["answer","prompt"]')
    .replace('"group"', '"groups"')
    .replace('"standard"', '"standards"')
  return Shown.parse(JSON.parse(kept))
}

export function keepColumns(columns: readonly Column[]): void {
  localStorage.setItem(KEPT, JSON.stringify(columns))
}
