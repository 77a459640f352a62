import { MAX_PASTE, mendEntries, readPaste, type CheckNote } from '@otter/core'
import {
  memo,
  useEffect,
  useImperativeHandle,
  useLayoutEffect,
  useRef,
  useState,
  type ClipboardEvent,
  type KeyboardEvent,
  type Ref,
} from 'react'
import type { PlacedEntry } from '@otter/api'
import { newId } from '../../../ui/newId.ts'
import { NUMBERS, withCellText, type Column } from './columns.ts'
import { insertRows, moveRows, rowOf, type Draft } from '../draft/draft.ts'
import { readClipboard, type Pasted } from './pastedTable.ts'
import {
  asHtml,
  asTabs,
  clearSelected,
  fillDown,
  selectedCells,
  selectRange,
  toggleRow,
  type Selection,
} from './selection.ts'
import { SelectionBar } from './SelectionBar.tsx'
import type { ListDraft } from '../draft/useListDraft.ts'
import { caretIn, commandFor, type TableCommand } from './tableKeys.ts'
import { useCells } from './useCells.ts'
import { useRowDrag } from './useRowDrag.ts'
import { WordRow, type RowActions } from './WordRow.tsx'
import { listTexts } from '../../../texts/namespaces.ts'
import { useTexts } from '../../../texts/texts.ts'

/** What the page can ask of the table. */
export interface TableHandle {
  /** Brings a row into view and puts the cursor into it. */
  goTo: (row: number, column?: Column) => void
}

interface WordsTableProps {
  ref: Ref<TableHandle>
  draft: Draft
  columns: readonly Column[]
  edit: ListDraft['edit']
  undo: () => void
  redo: () => void
  notes: ReadonlyMap<string, readonly CheckNote[]>
  openId: string | undefined
  onOpen: (id: string | undefined) => void
  /** More than one cell was pasted before the row of this index. */
  onPaste: (pasted: Pasted, index: number, column: Column) => void
  /** Files were pasted or dropped on a cell. */
  onFiles: (files: File[], row: number, column: Column) => void
}

/** The list as a ruled table: edited in place, with the keyboard alone. Only the rows in sight are drawn. */
export const WordsTable = memo(function WordsTable({
  ref,
  draft,
  columns,
  edit,
  undo,
  redo,
  notes,
  openId,
  onOpen,
  onPaste,
  onFiles,
}: WordsTableProps) {
  const t = useTexts(listTexts)
  const { entries } = draft
  // The empty row at the end has its id before it is an entry, so that typing in it goes on in the same field.
  const [nextId, setNextId] = useState(newId)
  const [selection, setSelection] = useState<Selection>()
  const idOf = (row: number): string => entries[row]?.id ?? nextId
  const cells = useCells(entries.length + 1, idOf)
  useImperativeHandle(ref, () => ({ goTo: (row, column = columns[0]) => cells.focus(row, column!) }))

  const type = (row: number, column: Column, text: string): void => {
    if (row === entries.length) setNextId(newId())
    if (selection) setSelection(undefined)
    edit(
      (before) => {
        const entry = before.entries[row]
        const typed = withCellText(entry ?? rowOf('', '', nextId), column, text)
        if (!typed) return before
        if (entry)
          return {
            ...before,
            entries: before.entries.map((other, index) => (index === row ? { ...other, ...typed } : other)),
          }
        return { ...before, entries: insertRows(before.entries, row, [typed]) }
      },
      `${row} ${column}`,
      row === entries.length ? 'now' : 'later',
    )
  }
  const change = (next: (before: readonly PlacedEntry[]) => PlacedEntry[]): void =>
    edit((before) => ({ ...before, entries: next(before.entries) }))
  const removeRow = (row: number, column: Column): void => {
    change((before) => before.filter((_, index) => index !== row))
    requestAnimationFrame(() => cells.focus(Math.max(0, row - 1), column))
  }
  const move = (by: -1 | 1, row: number): void => {
    const ids = selection?.columns === 'all' ? selection.ids : new Set(entries[row] ? [entries[row].id] : [])
    const places = entries.flatMap(({ id }, index) => (ids.has(id) ? [index] : []))
    if (places.length === 0) return
    const to = by < 0 ? places[0]! - 1 : places[places.length - 1]! + 2
    if (to < 0 || to > entries.length) return
    change((before) => moveRows(before, ids, to))
  }
  const deleteSelected = (): void => {
    if (!selection) return
    change((before) => clearSelected(before, selection))
    if (selection.columns === 'all') setSelection(undefined)
  }
  const copySelected = (data: DataTransfer | undefined): void => {
    if (!selection) return
    const cells = selectedCells(entries, selection, columns)
    if (data) {
      data.setData('text/plain', asTabs(cells))
      data.setData('text/html', asHtml(cells))
    } else void navigator.clipboard?.writeText(asTabs(cells))
  }

  const extend = (by: -1 | 1, row: number, column: Column): void => {
    const isHere = selection && (selection.columns === 'all' || selection.columns.includes(column))
    const from = isHere ? selection : { anchor: row, head: row, columns: [column] }
    const head = Math.max(0, Math.min(entries.length - 1, from.head + by))
    setSelection(selectRange(entries, from.anchor, head, from.columns))
  }
  const fill = (from: Selection): void => change((before) => fillDown(before, from, columns))
  const fillFromAbove = (row: number, column: Column): void =>
    fill({ ids: new Set([entries[row - 1]!.id, entries[row]!.id]), columns: [column], anchor: row, head: row })
  const moveFrom = (by: -1 | 1, row: number, column: Column): void => {
    move(by, row)
    if (selection?.columns !== 'all')
      requestAnimationFrame(() => cells.focus(Math.max(0, Math.min(entries.length - 1, row + by)), column))
  }
  const run = (command: TableCommand, row: number, column: Column): void => {
    switch (command.name) {
      case 'row':
        return cells.focus(Math.max(0, Math.min(entries.length, row + command.by)), column)
      case 'column':
        return cells.focus(
          row,
          columns[Math.min(columns.length - 1, Math.max(0, columns.indexOf(column) + command.by))]!,
        )
      case 'extend':
        return extend(command.by, row, column)
      case 'move':
        return moveFrom(command.by, row, column)
      case 'unselect':
        return setSelection(undefined)
      case 'clear':
        return deleteSelected()
      case 'undo':
        return undo()
      case 'redo':
        return redo()
      case 'fill':
        return selection && fill(selection)
      case 'fill-from-above':
        return fillFromAbove(row, column)
      case 'select-all':
        return setSelection(selectRange(entries, 0, entries.length - 1, 'all'))
      case 'select-row':
        return setSelection(selectRange(entries, row, row, 'all'))
      case 'open':
        return onOpen(entries[row]!.id)
      case 'remove':
        return removeRow(row, column)
    }
  }
  const key = (event: KeyboardEvent<HTMLElement>, row: number, column: Column): void => {
    if (event.nativeEvent.isComposing) return
    const { key: pressed, shiftKey: shift, altKey: alt } = event
    const command = commandFor(
      { key: pressed, shift, alt, control: event.ctrlKey || event.metaKey },
      caretIn(event.currentTarget),
      { row, count: entries.length, selects: selection !== undefined },
    )
    if (!command) return
    event.preventDefault()
    run(command, row, column)
  }

  const paste = (event: ClipboardEvent<HTMLElement>, row: number, column: Column): void => {
    const pasted = readClipboard(event.clipboardData)
    if (pasted.files.length > 0 && pasted.text === '') {
      event.preventDefault()
      onFiles(pasted.files, row, column)
      return
    }
    if (!isTable(pasted)) return
    event.preventDefault()
    onPaste(pasted, row, column)
  }
  const copy = (event: ClipboardEvent): void => {
    if (!selection) return
    event.preventDefault()
    copySelected(event.clipboardData)
    if (event.type === 'cut') deleteSelected()
  }

  const drag = useRowDrag({
    count: entries.length,
    onMove: (ids, to) => change((before) => moveRows(before, ids, to)),
    onFiles,
  })

  const actions = useRef<RowActions>(undefined as unknown as RowActions)
  const current: RowActions = {
    type,
    key,
    paste,
    select: (event, row) => {
      if (event.shiftKey && selection) setSelection(selectRange(entries, selection.anchor, row, 'all'))
      else if (event.ctrlKey || event.metaKey) setSelection(toggleRow(selection, entries[row]!.id, row))
      else
        setSelection(
          selection?.columns === 'all' && selection.ids.size === 1 && selection.ids.has(entries[row]!.id)
            ? undefined
            : selectRange(entries, row, row, 'all'),
        )
      cells.cellAt(row, columns[0]!)?.focus()
    },
    open: (row) => onOpen(openId === entries[row]!.id ? undefined : entries[row]!.id),
    mend: (note, mend) => change((before) => mendEntries(before, note, mend)),
    drag: (event, row) => {
      const { id } = entries[row]!
      drag.begin(event, selection?.columns === 'all' && selection.ids.has(id) ? [...selection.ids] : [id])
    },
  }
  // Rows read it in handlers alone; it must be there before they are drawn.
  actions.current ??= current
  useLayoutEffect(() => {
    actions.current = current
  })
  useEffect(() => setSelection(undefined), [columns])

  const { table, drawn, before, after } = cells
  return (
    <div className="flex flex-col gap-2" onCopy={copy} onCut={copy} {...drag.handlers}>
      {selection && (
        <SelectionBar
          selection={selection}
          onMove={(by) => move(by, selection.head)}
          onFill={() => fill(selection)}
          onCopy={() => copySelected(undefined)}
          onDelete={deleteSelected}
          onClose={() => setSelection(undefined)}
        />
      )}
      <div className={columns.length > 4 ? 'overflow-x-auto' : ''}>
        <table
          ref={table}
          aria-label={t('words')}
          aria-rowcount={entries.length + 2}
          className="panel w-full table-fixed border-separate border-spacing-0"
          style={columns.length > 4 ? { minWidth: `${columns.length * 9}rem` } : undefined}
        >
          <thead>
            <tr aria-rowindex={1} className="text-start text-sm font-bold">
              <th className="w-11" scope="col">
                <span className="sr-only">{t('table.row')}</span>
              </th>
              {columns.map((column) => (
                <th key={column} scope="col" className={`px-2.5 py-2 text-start ${widthOf(column, columns)}`}>
                  {t(`column.${column}`)}
                </th>
              ))}
              <th className="w-10" scope="col">
                <span className="sr-only">{t('table.details')}</span>
              </th>
            </tr>
          </thead>
          <tbody>
            {before > 0 && (
              <tr aria-hidden="true">
                <td colSpan={columns.length + 2} style={{ height: before, padding: 0 }} />
              </tr>
            )}
            {drawn.map(({ index, key: id }) => {
              const entry = entries[index]
              return (
                <WordRow
                  key={id}
                  entry={entry}
                  row={index}
                  columns={columns}
                  notes={entry && notes.get(entry.id)}
                  selected={entry && selection?.ids.has(entry.id) ? selection.columns : undefined}
                  isOpen={entry !== undefined && entry.id === openId}
                  dropHere={drag.dropAt === index}
                  actions={actions}
                  measure={cells.measure}
                />
              )
            })}
            {after > 0 && (
              <tr aria-hidden="true">
                <td colSpan={columns.length + 2} style={{ height: after, padding: 0 }} />
              </tr>
            )}
          </tbody>
        </table>
      </div>
    </div>
  )
})

function widthOf(column: Column, columns: readonly Column[]): string {
  if (NUMBERS.has(column) || column === 'scored') return 'w-24'
  return column === 'answer' ? (columns.length < 3 ? 'w-[34%]' : 'w-40') : ''
}

/** Tells whether a paste is more than text for one cell. */
function isTable({ text, cells }: Pasted): boolean {
  if (cells) return cells.length > 1 || cells[0]!.length > 1
  if (text.length > MAX_PASTE) return true
  const { rows, header, separator } = readPaste(text)
  return rows.length + (header ? 1 : 0) > 1 || (separator === '\t' && rows.some((row) => row.cells.length > 1))
}
