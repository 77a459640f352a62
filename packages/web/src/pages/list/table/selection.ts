import type { PlacedEntry } from '@otter/api'
import { cellText, withCellText, type Column } from './columns.ts'

/** Rows that are selected, whole or in some of their columns. */
export interface Selection {
  ids: ReadonlySet<string>
  columns: readonly Column[] | 'all'
  /** Where the selection began, and where it was last drawn to. */
  anchor: number
  head: number
}

/** Selects from one row to another. */
export function selectRange(
  entries: readonly PlacedEntry[],
  anchor: number,
  head: number,
  columns: Selection['columns'],
): Selection | undefined {
  const rows = entries.slice(Math.max(0, Math.min(anchor, head)), Math.max(anchor, head) + 1)
  return rows.length === 0
    ? undefined
    : { ids: new Set(rows.map(({ id }) => id)), columns, anchor, head: Math.min(head, entries.length - 1) }
}

/** Takes one row into the selection, or out of it. */
export function toggleRow(before: Selection | undefined, id: string, row: number): Selection | undefined {
  const ids = new Set(before?.columns === 'all' ? before.ids : [])
  if (!ids.delete(id)) ids.add(id)
  return ids.size === 0 ? undefined : { ids, columns: 'all', anchor: row, head: row }
}

/** Returns the selected cells as rows of text, for the clipboard. */
export function selectedCells(
  entries: readonly PlacedEntry[],
  { ids, columns }: Selection,
  shown: readonly Column[],
): string[][] {
  const chosen = columns === 'all' ? shown : shown.filter((column) => columns.includes(column))
  return entries.filter(({ id }) => ids.has(id)).map((entry) => chosen.map((column) => cellText(entry, column)))
}

/** Returns the entries with the cells of the first selected row copied down to the others. */
export function fillDown(
  entries: readonly PlacedEntry[],
  { ids, columns }: Selection,
  shown: readonly Column[],
): PlacedEntry[] {
  const chosen = columns === 'all' ? shown : columns
  const first = entries.find(({ id }) => ids.has(id))
  if (!first) return [...entries]
  return entries.map((entry) =>
    entry === first || !ids.has(entry.id)
      ? entry
      : chosen.reduce((row, column) => ({ ...row, [column]: first[column] }), entry),
  )
}

/** Returns the entries with the selected cells emptied; whole rows are taken out. */
export function clearSelected(entries: readonly PlacedEntry[], { ids, columns }: Selection): PlacedEntry[] {
  if (columns === 'all') return entries.filter(({ id }) => !ids.has(id))
  return entries.map((entry) =>
    ids.has(entry.id) ? columns.reduce((row, column) => withCellText(row, column, '') ?? row, entry) : entry,
  )
}

/** Writes rows of text over the cells from a row and column on; texts that a column can't hold are left out. */
export function overwriteCells(
  entries: readonly PlacedEntry[],
  from: number,
  column: Column,
  shown: readonly Column[],
  cells: readonly (readonly string[])[],
): PlacedEntry[] {
  const first = shown.indexOf(column)
  return entries.map((entry, row) => {
    const texts = row < from ? undefined : cells[row - from]
    return texts === undefined
      ? entry
      : texts.reduce(
          (entry, text, index) =>
            first + index < shown.length ? (withCellText(entry, shown[first + index]!, text) ?? entry) : entry,
          entry,
        )
  })
}

/** Writes rows of text as tab-separated text, as spreadsheets put it on the clipboard. */
export function asTabs(cells: readonly (readonly string[])[]): string {
  const quoted = (text: string): string => (/[\t\n"]/u.test(text) ? `"${text.replaceAll('"', '""')}"` : text)
  return cells.map((row) => row.map(quoted).join('\t')).join('\n')
}

/** Writes rows of text as an HTML table, which keeps line breaks inside cells. */
export function asHtml(cells: readonly (readonly string[])[]): string {
  const escaped = (text: string): string =>
    text.replaceAll('&', '&amp;').replaceAll('<', '&lt;').replaceAll('>', '&gt;').replaceAll('\n', '<br>')
  return `<table>${cells.map((row) => `<tr>${row.map((text) => `<td>${escaped(text)}</td>`).join('')}</tr>`).join('')}</table>`
}
