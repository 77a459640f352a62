import { MAX_PASTE, mendEntries, readPaste, type CheckNote } from '@otter/core'
import { useWindowVirtualizer } from '@tanstack/react-virtual'
import {
  memo,
  useEffect,
  useImperativeHandle,
  useLayoutEffect,
  useRef,
  useState,
  type ClipboardEvent,
  type DragEvent,
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

/** Height of a row of one line, in pixels; others are measured. */
const ROW_HEIGHT = 40
const DRAGGED = 'application/x-otter-rows'

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
  const table = useRef<HTMLTableElement>(null)
  const { entries } = draft
  // The empty row at the end has its id before it is an entry, so that typing in it goes on in the same field.
  const [nextId, setNextId] = useState(newId)
  const [selection, setSelection] = useState<Selection>()
  const [dropAt, setDropAt] = useState<number>()
  const [top, setTop] = useState(0)
  const idOf = (row: number): string => entries[row]?.id ?? nextId
  const rows = useWindowVirtualizer({
    count: entries.length + 1,
    estimateSize: () => ROW_HEIGHT,
    overscan: 12,
    scrollMargin: top,
    getItemKey: idOf,
  })
  useEffect(() => {
    // Whatever appears above the table moves it; then the page changes its height too.
    const measure = (): void =>
      setTop(Math.round((table.current?.tBodies[0]!.getBoundingClientRect().top ?? 0) + scrollY))
    const observer = new ResizeObserver(measure)
    observer.observe(document.body)
    return () => observer.disconnect()
  }, [])

  const cellAt = (row: number, column: Column): HTMLElement | null | undefined =>
    table.current?.querySelector<HTMLElement>(`[data-cell="${row} ${column}"]`)
  const focusCell = (row: number, column: Column): void => {
    // At once where the cell is drawn: what is typed right after Enter belongs to the next row already.
    const cell = cellAt(row, column)
    if (cell) return cell.focus()
    rows.scrollToIndex(row, { align: 'center' })
    let tries = 20
    requestAnimationFrame(function again() {
      const drawn = cellAt(row, column)
      if (drawn) drawn.focus()
      else if (tries-- > 0) requestAnimationFrame(again)
    })
  }
  useImperativeHandle(ref, () => ({ goTo: (row, column = columns[0]) => focusCell(row, column!) }))

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
    requestAnimationFrame(() => focusCell(Math.max(0, row - 1), column))
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

  const key = (event: KeyboardEvent<HTMLElement>, row: number, column: Column): void => {
    if (event.nativeEvent.isComposing) return
    const field = event.currentTarget instanceof HTMLTextAreaElement ? event.currentTarget : undefined
    const { selectionStart, selectionEnd, value } = field ?? { selectionStart: 0, selectionEnd: 0, value: '' }
    const rightToLeft = field !== undefined && getComputedStyle(field).direction === 'rtl'
    const [atStart, atEnd] = [selectionStart === 0, selectionEnd === value.length]
    const control = event.ctrlKey || event.metaKey
    const across = (by: number): void =>
      focusCell(row, columns[Math.min(columns.length - 1, Math.max(0, columns.indexOf(column) + by))]!)
    const extend = (by: -1 | 1): void => {
      const own =
        selection && (selection.columns === 'all' || selection.columns.includes(column)) ? selection : undefined
      setSelection(
        selectRange(
          entries,
          own?.anchor ?? row,
          Math.max(0, Math.min(entries.length - 1, (own?.head ?? row) + by)),
          own?.columns ?? [column],
        ),
      )
    }
    const letter = event.key.toLowerCase()
    if (event.key === 'Enter' && event.altKey) return
    if (event.altKey && (event.key === 'ArrowUp' || event.key === 'ArrowDown')) {
      const by = event.key === 'ArrowUp' ? -1 : 1
      move(by, row)
      if (selection?.columns !== 'all')
        requestAnimationFrame(() => focusCell(Math.max(0, Math.min(entries.length - 1, row + by)), column))
    } else if (event.key === 'Enter')
      focusCell(event.shiftKey ? Math.max(0, row - 1) : Math.min(entries.length, row + 1), column)
    else if (event.shiftKey && event.key === 'ArrowDown' && atEnd) extend(1)
    else if (event.shiftKey && event.key === 'ArrowUp' && (atStart || selection)) extend(-1)
    else if (event.key === 'ArrowDown' && atEnd && !event.shiftKey) focusCell(Math.min(entries.length, row + 1), column)
    else if (event.key === 'ArrowUp' && atStart && !event.shiftKey) focusCell(Math.max(0, row - 1), column)
    else if (
      event.key === 'ArrowLeft' &&
      (rightToLeft ? atEnd : atStart) &&
      !event.shiftKey &&
      selectionStart === selectionEnd
    )
      across(-1)
    else if (
      event.key === 'ArrowRight' &&
      (rightToLeft ? atStart : atEnd) &&
      !event.shiftKey &&
      selectionStart === selectionEnd
    )
      across(1)
    else if (event.key === 'Escape' && selection) setSelection(undefined)
    else if ((event.key === 'Delete' || event.key === 'Backspace') && selection && !control) deleteSelected()
    else if (control && letter === 'z') (event.shiftKey ? redo : undo)()
    else if (control && letter === 'y') redo()
    else if (control && letter === 'd' && selection) change((before) => fillDown(before, selection, columns))
    else if (control && letter === 'd' && row > 0 && row < entries.length)
      change((before) =>
        fillDown(
          before,
          { ids: new Set([before[row - 1]!.id, before[row]!.id]), columns: [column], anchor: row, head: row },
          columns,
        ),
      )
    else if (control && letter === 'a' && atStart && atEnd)
      setSelection(selectRange(entries, 0, entries.length - 1, 'all'))
    else if (control && event.key === '.' && row < entries.length) onOpen(entries[row]!.id)
    else if (control && event.key === 'Backspace' && row < entries.length) removeRow(row, column)
    else if (event.shiftKey && event.key === ' ' && control && row < entries.length)
      setSelection(selectRange(entries, row, row, 'all'))
    else return
    event.preventDefault()
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

  const rowUnder = (event: DragEvent): number => {
    const own = (event.target as HTMLElement).closest<HTMLElement>('[data-row]')
    if (!own) return entries.length
    const { top: edge, height } = own.getBoundingClientRect()
    return Math.min(entries.length, Number(own.dataset.row) + (event.clientY > edge + height / 2 ? 1 : 0))
  }
  const dragOver = (event: DragEvent): void => {
    const { types } = event.dataTransfer
    if (!types.includes(DRAGGED) && !types.includes('Files')) return
    event.preventDefault()
    if (types.includes(DRAGGED)) setDropAt(rowUnder(event))
  }
  const drop = (event: DragEvent): void => {
    setDropAt(undefined)
    if (event.dataTransfer.types.includes(DRAGGED)) {
      event.preventDefault()
      const ids = new Set(JSON.parse(event.dataTransfer.getData(DRAGGED)) as string[])
      const to = rowUnder(event)
      change((before) => moveRows(before, ids, to))
    } else if (event.dataTransfer.files.length > 0) {
      event.preventDefault()
      const [cellRow, column] = (
        (event.target as HTMLElement).closest('td')?.querySelector<HTMLElement>('[data-cell]')?.dataset.cell ??
        `${entries.length} answer`
      ).split(' ')
      onFiles([...event.dataTransfer.files], Number(cellRow), column as Column)
    }
  }

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
      cellAt(row, columns[0]!)?.focus()
    },
    open: (row) => onOpen(openId === entries[row]!.id ? undefined : entries[row]!.id),
    mend: (note, mend) => change((before) => mendEntries(before, note, mend)),
    drag: (event, row) => {
      const { id } = entries[row]!
      event.dataTransfer.setData(
        DRAGGED,
        JSON.stringify(selection?.columns === 'all' && selection.ids.has(id) ? [...selection.ids] : [id]),
      )
      event.dataTransfer.effectAllowed = 'move'
    },
  }
  // Rows read it in handlers alone; it must be there before they are drawn.
  actions.current ??= current
  useLayoutEffect(() => {
    actions.current = current
  })
  useEffect(() => setSelection(undefined), [columns])

  const drawn = rows.getVirtualItems()
  const before = drawn.length > 0 ? drawn[0]!.start - top : 0
  const after = drawn.length > 0 ? rows.getTotalSize() - (drawn[drawn.length - 1]!.end - top) : 0
  return (
    <div
      className="flex flex-col gap-2"
      onCopy={copy}
      onCut={copy}
      onDragOver={dragOver}
      onDragLeave={() => setDropAt(undefined)}
      onDrop={drop}
    >
      {selection && (
        <SelectionBar
          selection={selection}
          onMove={(by) => move(by, selection.head)}
          onFill={() => change((own) => fillDown(own, selection, columns))}
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
                  dropHere={dropAt === index}
                  actions={actions}
                  measure={rows.measureElement}
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
