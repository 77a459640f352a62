import { MAX_PASTE, readPaste, type FitNote } from '@otter/core'
import { X } from 'lucide-react'
import { memo, useLayoutEffect, useRef, useState, type KeyboardEvent, type RefObject } from 'react'
import type { PlacedEntry } from '@otter/api'
import { insertRows, type Draft } from './draft.ts'

type Side = 'answer' | 'prompt'

interface WordsTableProps {
  draft: Draft
  edit: (change: (draft: Draft) => Draft, group?: string) => void
  undo: () => void
  redo: () => void
  /** What to say beside a row, by entry. */
  notes: Map<string, string[]>
  /** More than one cell was pasted before the row of this index. */
  onPaste: (text: string, index: number) => void
}

/** Rows drawn at first, and at each wish for more: a page of thousands of fields would answer slowly. */
const STEP = 200

/** The list as a ruled table: edited in place, with the keyboard alone. */
export function WordsTable({ draft, edit, undo, redo, notes, onPaste }: WordsTableProps) {
  const table = useRef<HTMLTableElement>(null)
  const { entries } = draft
  // The empty row at the end has its id before it is an entry, so that typing in it goes on in the same field.
  const [nextId, setNextId] = useState(() => crypto.randomUUID() as string)

  const [shown, setShown] = useState(STEP)
  const hidden = Math.max(0, entries.length - shown)
  // One array for all, so that the empty row stays the same field when it becomes an entry.
  const drawn: { entry: PlacedEntry | undefined; row: number; id: string }[] = entries.slice(0, shown).map((entry, row) => ({ entry, row, id: entry.id }))
  if (hidden > 0) drawn.push({ entry: undefined, row: -1, id: 'more' })
  drawn.push({ entry: undefined, row: entries.length, id: nextId })

  const focusCell = (row: number, side: Side): void => {
    // At once: what is typed right after Enter belongs to the next row already.
    table.current?.querySelector<HTMLTextAreaElement>(`[data-cell="${row} ${side}"]`)?.focus()
  }
  const type = (row: number, side: Side, text: string): void => {
    if (row === entries.length) {
      setNextId(crypto.randomUUID())
      if (hidden === 0) setShown(Math.max(shown, entries.length + 1))
    }
    edit((before) => {
      const entry = before.entries[row] as PlacedEntry | undefined
      if (entry) return { ...before, entries: before.entries.map((other, index) => (index === row ? { ...other, [side]: { text } } : other)) }
      return { ...before, entries: insertRows(before.entries, row, [{ id: nextId, answer: '', prompt: '', [side]: text }]) }
    }, `${row} ${side}`)
  }
  const remove = (row: number): void => {
    edit((before) => ({ ...before, entries: before.entries.filter((_, index) => index !== row) }))
    requestAnimationFrame(() => focusCell(Math.max(0, row - 1), 'answer'))
  }
  const pasteAt = (text: string, row: number): boolean => {
    if (text.length <= MAX_PASTE) {
      const { rows, header, separator } = readPaste(text)
      const several = rows.length + (header ? 1 : 0) > 1 || (separator === 'tab' && rows.some(({ prompt }) => prompt !== ''))
      if (!several) return false
    }
    onPaste(text, row)
    return true
  }
  // Rows are drawn again only when they change, so what they call must stay the same function.
  const actions = useRef<RowActions>({ type, remove, focusCell, pasteAt, undo, redo, count: entries.length })
  useLayoutEffect(() => {
    actions.current = { type, remove, focusCell, pasteAt, undo, redo, count: entries.length }
  })
  return (
    <table ref={table} className="panel w-full table-fixed border-collapse">
      <thead>
        <tr className="text-start text-sm font-bold">
          <th className="w-10" scope="col"><span className="sr-only">Row</span></th>
          <th className="w-[34%] px-2.5 py-2 text-start" scope="col">Answer</th>
          <th className="px-2.5 py-2 text-start" scope="col">Prompt</th>
          <th className="w-10" scope="col"><span className="sr-only">Delete</span></th>
        </tr>
      </thead>
      <tbody>
        {drawn.map(({ entry, row, id }) => {
          if (row >= 0) return <WordRow key={id} entry={entry} row={row} said={notes.get(id)?.join(' ')} actions={actions} />
          return (
            <tr key="more" className="border-t border-base-300">
              <td colSpan={4} className="p-2 text-center">
                <button type="button" className="btn btn-sm" onClick={() => setShown(shown + STEP)}>Show {Math.min(STEP, hidden)} more of {hidden} rows</button>
              </td>
            </tr>
          )
        })}
      </tbody>
    </table>
  )
}

interface RowActions {
  type: (row: number, side: Side, text: string) => void
  remove: (row: number) => void
  focusCell: (row: number, side: Side) => void
  /** Tells whether the paste was more than one cell, and was taken. */
  pasteAt: (text: string, row: number) => boolean
  undo: () => void
  redo: () => void
  /** Rows that are entries. */
  count: number
}

interface WordRowProps {
  entry: PlacedEntry | undefined
  row: number
  said: string | undefined
  actions: RefObject<RowActions>
}

const WordRow = memo(function WordRow({ entry, row, said, actions }: WordRowProps) {
  const name = `row ${row + 1}`
  const key = (event: KeyboardEvent<HTMLTextAreaElement>, side: Side): void => {
    const { focusCell, undo, redo, remove, count } = actions.current
    const control = event.ctrlKey || event.metaKey
    if (event.nativeEvent.isComposing) return
    const { selectionStart, selectionEnd, value } = event.currentTarget
    if (event.key === 'Enter' && event.altKey) return
    if (event.key === 'Enter') focusCell(event.shiftKey ? Math.max(0, row - 1) : Math.min(count, row + 1), side)
    else if (event.key === 'ArrowDown' && selectionEnd === value.length) focusCell(Math.min(count, row + 1), side)
    else if (event.key === 'ArrowUp' && selectionStart === 0) focusCell(Math.max(0, row - 1), side)
    else if (control && event.key.toLowerCase() === 'z') (event.shiftKey ? redo : undo)()
    else if (control && event.key.toLowerCase() === 'y') redo()
    else if (control && event.key === 'Backspace' && row < count) remove(row)
    else return
    event.preventDefault()
  }
  const cell = (side: Side, text: string, label: string) => (
    <textarea
      data-cell={`${row} ${side}`} rows={1} dir="auto" spellCheck={false} aria-label={`${label}, ${name}`} value={text}
      placeholder={entry === undefined && side === 'answer' ? 'type, or paste two columns' : undefined}
      className={`field-sizing-content block w-full resize-none bg-transparent px-2.5 py-2 leading-snug placeholder:text-neutral focus:outline-2 focus:-outline-offset-2 focus:outline-secondary ${side === 'answer' ? 'font-bold placeholder:font-normal' : ''}`}
      onChange={(event) => actions.current.type(row, side, event.target.value)} onKeyDown={(event) => key(event, side)}
      onPaste={(event) => {
        if (actions.current.pasteAt(event.clipboardData.getData('text/plain'), row)) event.preventDefault()
      }}
    />
  )
  return (
    <tr className="border-t border-base-300 align-top">
      <td className="quiet border-e-2 px-2 py-2 text-end leading-snug" style={{ borderInlineEndColor: 'var(--margin-line)' }}>{row + 1}</td>
      <td className="p-0">{cell('answer', entry?.answer.text ?? '', 'Answer')}</td>
      <td className="p-0">
        {cell('prompt', entry?.prompt.text ?? '', 'Prompt')}
        {said !== undefined && <p className="px-2.5 pb-2 text-sm text-error">{said}</p>}
      </td>
      <td className="p-1">{entry && <button type="button" tabIndex={-1} aria-label={`Delete ${name}`} title="Delete (Ctrl + Backspace)" className="btn btn-ghost btn-xs p-1 opacity-60 hover:opacity-100" onClick={() => actions.current.remove(row)}><X size={14} aria-hidden="true" /></button>}</td>
    </tr>
  )
})

/** Gathers notes by the entry they are about. */
export function notesByEntry(notes: readonly FitNote[], word: (note: FitNote) => string): Map<string, string[]> {
  const byEntry = new Map<string, string[]>()
  for (const note of notes) {
    for (const id of note.entryIds) byEntry.set(id, [...byEntry.get(id) ?? [], word(note)])
  }
  return byEntry
}
