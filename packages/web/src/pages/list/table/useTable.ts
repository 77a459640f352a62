import { MAX_PASTE, mendEntries, readPaste } from '@otter/core'
import {
  useEffect,
  useImperativeHandle,
  useLayoutEffect,
  useRef,
  useState,
  type ClipboardEvent,
  type KeyboardEvent,
  type Ref,
  type RefObject,
} from 'react'
import type { PlacedEntry } from '@otter/api'
import { newId } from '../../../ui/newId.ts'
import { insertRows, moveRows, rowOf, type Draft } from '../draft/draft.ts'
import type { ListDraft } from '../draft/useListDraft.ts'
import { withCellText, type Column } from './columns.ts'
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
import { caretIn, commandFor, type TableCommand } from './tableKeys.ts'
import { useCells, type Cells } from './useCells.ts'
import { useRowDrag } from './useRowDrag.ts'
import type { RowActions } from './WordRow.tsx'

/** What the page can ask of the table. */
export interface TableHandle {
  /** Brings a row into view and puts the cursor into it. */
  goTo: (row: number, column?: Column) => void
}

/** What a table is of, and who is told. */
export interface TableParts {
  ref: Ref<TableHandle>
  draft: Draft
  columns: readonly Column[]
  edit: ListDraft['edit']
  undo: () => void
  redo: () => void
  openId: string | undefined
  onOpen: (id: string | undefined) => void
  /** More than one cell was pasted before the row of this index. */
  onPaste: (pasted: Pasted, index: number, column: Column) => void
  /** Files were pasted or dropped on a cell. */
  onFiles: (files: File[], row: number, column: Column) => void
}

/** A table being edited: what is selected, what its rows do, and what is done with the selection. */
export interface EditedTable {
  selection: Selection | undefined
  cells: Cells
  /** What rows do; the newest, read in handlers alone. */
  actions: RefObject<RowActions>
  drag: ReturnType<typeof useRowDrag>
  /** Puts the selection on the clipboard, and takes it out where it is cut. */
  copy: (event: ClipboardEvent) => void
  move: (by: -1 | 1) => void
  fill: () => void
  copySelected: () => void
  deleteSelected: () => void
  unselect: () => void
}

/** Edits a list's rows in place, with the keyboard alone. */
export function useTable({
  ref,
  draft,
  columns,
  edit,
  undo,
  redo,
  openId,
  onOpen,
  onPaste,
  onFiles,
}: TableParts): EditedTable {
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
      case 'mends':
        return cells.cellAt(row, column)?.closest('tr')?.querySelector<HTMLElement>('[data-mend]')?.focus()
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
    mend: (note, mend, row) => {
      change((before) => mendEntries(before, note, mend))
      requestAnimationFrame(() => cells.focus(row, columns[0]!))
    },
    leaveMends: (row) => cells.focus(row, columns[0]!),
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

  return {
    selection,
    cells,
    actions,
    drag,
    copy,
    move: (by) => selection && move(by, selection.head),
    fill: () => selection && fill(selection),
    copySelected: () => copySelected(undefined),
    deleteSelected,
    unselect: () => setSelection(undefined),
  }
}

/** Tells whether a paste is more than text for one cell. */
function isTable({ text, cells }: Pasted): boolean {
  if (cells) return cells.length > 1 || cells[0]!.length > 1
  if (text.length > MAX_PASTE) return true
  const { rows, header, separator } = readPaste(text)
  return rows.length + (header ? 1 : 0) > 1 || (separator === '\t' && rows.some((row) => row.cells.length > 1))
}
