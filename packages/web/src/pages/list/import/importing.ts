import {
  entriesFromTable,
  groupLines,
  guessFields,
  MAX_ENTRIES,
  MAX_PASTE,
  readPaste,
  tableOf,
  withHeader,
  type Entry,
  type Field,
  type LeftOut,
  type ListDetails,
  type Table,
} from '@otter/core'
import type { Encoding } from '@otter/core/formats'
import type { ReadFile } from '../../../workers/importAnswer.ts'
import type { Pasted } from '../table/pastedTable.ts'

/** What was said yes to. */
export type Imported =
  | { how: 'insert'; entries: Entry[] }
  | { how: 'overwrite'; cells: string[][] }
  | { how: 'archive'; details: ListDetails; entries: Entry[]; media: Map<string, Uint8Array> }

/** What came in, and how it is to be understood. */
export interface ImportState {
  pasted: Pasted | undefined
  file: File | undefined
  /** The encoding of a file of text; undefined where it is guessed. */
  encoding: Encoding | undefined
  /** What stands between the two sides; undefined where it is guessed. */
  separator: string | undefined
  /** What stands between entries, with \n for a line break; empty for line breaks. */
  between: string
  /** Number of the sheet of a workbook. */
  sheet: number
  /** Whether the first row is a heading; undefined where it is guessed. */
  header: boolean | undefined
  /** What each column holds; undefined where it is guessed. */
  fields: Field[] | undefined
  /** What parts several answers in one cell; empty where a cell is one answer. */
  answerSeparator: string
  /** Whether each line is a group with its words, rather than one entry. */
  areGroups: boolean
  /** Whether the rows that are there are written over. */
  overwrite: boolean
}

export type ImportAction =
  | { type: 'paste'; text: string }
  | { type: 'file'; file: File }
  | ({ type: 'set' } & Partial<Omit<ImportState, 'pasted' | 'file'>>)
  | { type: 'swap'; fields: readonly Field[] }

/** Returns what a new dialog begins with. */
export function beginImport(source: { pasted: Pasted } | { file: File } | undefined): ImportState {
  return {
    pasted: source && 'pasted' in source ? source.pasted : undefined,
    file: source && 'file' in source ? source.file : undefined,
    encoding: undefined,
    separator: undefined,
    between: '',
    sheet: 0,
    header: undefined,
    fields: undefined,
    answerSeparator: '',
    areGroups: false,
    overwrite: false,
  }
}

export function importReducer(state: ImportState, action: ImportAction): ImportState {
  switch (action.type) {
    case 'paste':
      return { ...state, pasted: { text: action.text, cells: undefined, files: [] } }
    case 'file':
      return { ...beginImport({ file: action.file }), overwrite: state.overwrite }
    case 'set': {
      const { type: _, ...change } = action
      return { ...state, ...change }
    }
    case 'swap':
      return { ...state, fields: action.fields.map((field) => OTHER_SIDE[field] ?? field) }
  }
}

const OTHER_SIDE: Partial<Record<Field, Field>> = { answer: 'prompt', prompt: 'answer' }

/** A table as it is understood. */
export interface Understood {
  table: Table
  fields: Field[]
  entries: Entry[]
  left: LeftOut[]
  joined: number
  /** The separator of text, given or guessed; undefined for cells and sheets. */
  separator: string | undefined
  /** The encoding of a file of text, given or guessed; undefined for all else. */
  encoding: Encoding | undefined
  /** Signs that may part several answers in a cell: those that stand in answers. */
  answerSeparators: string[]
}

const ANSWER_SEPARATORS = [';', '/', ',', '|']

/** Whether more was pasted than is read at once. */
export function isTooLong({ pasted }: Pick<ImportState, 'pasted'>): boolean {
  return (pasted?.text.length ?? 0) > MAX_PASTE
}

/** Returns how what came in is understood; undefined where there is no table yet. */
export function understand(
  state: Pick<
    ImportState,
    'pasted' | 'file' | 'separator' | 'between' | 'sheet' | 'header' | 'fields' | 'answerSeparator' | 'areGroups'
  >,
  read: ReadFile | undefined,
  newId: () => string,
): Understood | undefined {
  const raw = state.file ? sheetOf(read, state.sheet) : pastedTable(state)
  if (!raw) return undefined
  const told = state.header === undefined ? raw.table : withHeader(raw.table, state.header)
  const grouped = state.areGroups ? groupLines(raw.table) : undefined
  const { table } = grouped ?? { table: told }
  const guessed = grouped?.fields ?? guessFields(table)
  const fields = state.fields?.length === guessed.length ? state.fields : guessed
  const isAnswer = fields.map((field) => field === 'answer')
  const answers = table.rows.flatMap(({ cells }) => cells.filter((_, index) => isAnswer[index]))
  return {
    table,
    fields,
    separator: raw.separator,
    encoding: raw.encoding,
    answerSeparators: ANSWER_SEPARATORS.filter((sign) => answers.some((answer) => answer.includes(sign))),
    ...entriesFromTable(table, fields, newId, state.answerSeparator),
  }
}

interface RawTable {
  table: Table
  separator?: string
  encoding?: Encoding
}

function sheetOf(read: ReadFile | undefined, sheet: number): RawTable | undefined {
  const found = read?.kind === 'tables' ? read.sheets[sheet] : undefined
  return found && { table: found.table, ...(read?.kind === 'tables' ? read.text : {}) }
}

function pastedTable(state: Pick<ImportState, 'pasted' | 'separator' | 'between'>): RawTable | undefined {
  const { pasted, separator, between } = state
  if (pasted?.cells) {
    const lines = pasted.cells.map((cells, index) => ({ cells, line: index + 1 }))
    return { table: tableOf(lines, undefined, (cells) => readPaste(`${cells.join('\t')}\nx`).header !== null) }
  }
  if (!pasted || pasted.text.trim() === '' || isTooLong(state)) return undefined
  const table = readPaste(pasted.text, { separator, entrySeparator: between.replaceAll('\\n', '\n') })
  return { table, separator: table.separator }
}

/** Returns how many more entries than there is room for; 0 where all fit. */
export function excess(count: number, entryCount: number, overwrite: boolean): number {
  return overwrite ? 0 : Math.max(0, count - (MAX_ENTRIES - entryCount))
}
