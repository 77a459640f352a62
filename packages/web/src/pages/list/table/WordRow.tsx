import type { PlacedEntry } from '@otter/api'
import type { CheckNote, Mend } from '@otter/core'
import { PanelRightOpen } from 'lucide-react'
import {
  memo,
  useEffect,
  useState,
  type ClipboardEvent,
  type DragEvent,
  type KeyboardEvent,
  type MouseEvent,
  type RefObject,
} from 'react'
import type { CheckWords } from './useCheckWords.ts'
import { NUMBERS, cellText, withCellText, type Column } from './columns.ts'
import { FaceMedia } from '../entry/FaceMedia.tsx'
import type list from '../../../texts/en/list.json'
import type { Say } from '../../../texts/texts.ts'

/** What a row can ask the table for. They stay the same object, so that a row is drawn again only when it changes. */
export interface RowActions {
  type: (row: number, column: Column, text: string) => void
  key: (event: KeyboardEvent<HTMLElement>, row: number, column: Column) => void
  paste: (event: ClipboardEvent<HTMLElement>, row: number, column: Column) => void
  select: (event: MouseEvent, row: number) => void
  open: (row: number) => void
  mend: (note: CheckNote, mend: Mend, row: number) => void
  leaveMends: (row: number) => void
  drag: (event: DragEvent, row: number) => void
}

interface WordRowProps {
  /** From the table: that each of a hundred cells asks for the texts by itself takes long on a slow device. */
  say: Say<typeof list>
  check: CheckWords
  /** Absent for the empty row at the end. */
  entry: PlacedEntry | undefined
  row: number
  columns: readonly Column[]
  notes: readonly CheckNote[] | undefined
  /** Columns that are selected here. */
  selected: readonly Column[] | 'all' | undefined
  isOpen: boolean
  dropHere: boolean
  actions: RefObject<RowActions>
  measure: (row: HTMLTableRowElement | null) => void
}

const CELL =
  'field-sizing-content block w-full resize-none bg-transparent px-2.5 py-2 leading-snug placeholder:text-neutral focus:outline-2 focus:-outline-offset-2 focus:outline-secondary'

export const WordRow = memo(function WordRow({
  say: t,
  check,
  entry,
  row,
  columns,
  notes,
  selected,
  isOpen,
  dropHere,
  actions,
  measure,
}: WordRowProps) {
  const name = t('table.rowName', { row: row + 1 })
  const isSelected = (column: Column): boolean => selected === 'all' || (selected?.includes(column) ?? false)
  return (
    <tr
      ref={measure}
      data-index={row}
      data-row={row}
      aria-rowindex={row + 2}
      aria-selected={selected === 'all' || undefined}
      className={`isolate align-top *:border-t ${dropHere ? '*:border-t-3 *:border-secondary' : '*:border-base-300'} ${isOpen ? 'bg-accent/50' : ''}`}
    >
      <th
        scope="row"
        className={`border-e-2 p-0 font-normal ${selected === 'all' ? 'bg-accent' : ''}`}
        style={{ borderInlineEndColor: 'var(--margin-line)' }}
      >
        {entry ? (
          <button
            type="button"
            tabIndex={-1}
            draggable
            title={t('table.selectHelp')}
            aria-label={t('table.select', { row: name })}
            className="quiet block w-full cursor-grab px-2 py-2 text-end leading-snug hover:text-base-content"
            onClick={(event) => actions.current.select(event, row)}
            onDragStart={(event) => actions.current.drag(event, row)}
          >
            {row + 1}
          </button>
        ) : (
          <span className="quiet block px-2 py-2 text-end leading-snug">{row + 1}</span>
        )}
      </th>
      {columns.map((column, index) => (
        <td key={column} className={`p-0 ${isSelected(column) ? 'bg-accent' : ''}`}>
          <Cell
            say={t}
            entry={entry}
            row={row}
            column={column}
            actions={actions}
            label={t('table.cell', { column: t(`column.${column}`), row: name })}
            placeholder={entry === undefined && index === 0 ? t('table.typeHere') : undefined}
          />
          {index === Math.min(1, columns.length - 1) &&
            notes?.map((note) => (
              <p
                key={note.code}
                className={`flex flex-wrap items-center gap-x-2 px-2.5 pb-1.5 text-sm ${note.weight === 'harm' ? 'text-error' : 'quiet'}`}
              >
                {check.note(note)}
                {note.mends.map((mend) => (
                  <button
                    key={JSON.stringify(mend)}
                    type="button"
                    tabIndex={-1}
                    data-mend
                    title={t('table.mendHelp')}
                    className="link min-h-6 px-1 font-bold"
                    onClick={() => actions.current.mend(note, mend, row)}
                    onKeyDown={(event) => walkMends(event, () => actions.current.leaveMends(row))}
                  >
                    {check.mend(mend)}
                  </button>
                ))}
              </p>
            ))}
        </td>
      ))}
      <td className="p-1">
        {entry && (
          <button
            type="button"
            tabIndex={-1}
            aria-label={t('table.allOf', { row: name })}
            title={t('table.allHelp')}
            aria-expanded={isOpen}
            className="btn btn-ghost btn-xs p-1 opacity-60 hover:opacity-100"
            onClick={() => actions.current.open(row)}
          >
            <PanelRightOpen size={16} aria-hidden="true" />
          </button>
        )}
      </td>
    </tr>
  )
})

/** Goes from one mend of a row to the next by arrows, and back to the row's cells. */
function walkMends(event: KeyboardEvent<HTMLElement>, leave: () => void): void {
  const mends = [...(event.currentTarget.closest('tr')?.querySelectorAll<HTMLElement>('[data-mend]') ?? [])]
  const step = { ArrowRight: 1, ArrowDown: 1, ArrowLeft: -1, ArrowUp: -1 }[event.key]
  if (event.key === 'Escape' || event.key === 'Tab') leave()
  else if (step) mends[mends.indexOf(event.currentTarget) + step]?.focus()
  else return
  event.preventDefault()
}

interface CellProps {
  say: Say<typeof list>
  entry: PlacedEntry | undefined
  row: number
  column: Column
  label: string
  placeholder: string | undefined
  actions: RefObject<RowActions>
}

function Cell(props: CellProps) {
  const { say: t, entry, row, column, label, actions } = props
  if (column === 'scored') {
    return (
      <span className="flex justify-center p-2">
        <input
          type="checkbox"
          data-cell={`${row} ${column}`}
          aria-label={label}
          disabled={!entry}
          className="checkbox checkbox-sm"
          checked={entry?.scored ?? true}
          onChange={(event) => actions.current.type(row, column, event.target.checked ? 'yes' : 'no')}
          onKeyDown={(event) => actions.current.key(event, row, column)}
        />
      </span>
    )
  }
  if (column === 'answer' || column === 'prompt') {
    // The same shape with and without an entry, so that the empty row's field stays the same one.
    return (
      <span className="flex items-start">
        {entry && (entry[column].picture ?? entry[column].sound) && (
          <FaceMedia
            face={entry[column]}
            name={t('face.ofRow', { side: t(`face.${column}`), row: row + 1 })}
            isInTable
          />
        )}
        <TextCell {...props} />
      </span>
    )
  }
  return <TextCell {...props} />
}

/** What was typed into a field and not yet come back to it, and the texts that may come back on the way. */
interface Typing {
  typed: string
  known: readonly string[]
}

/** A cell that shows what is typed at once, whatever else is still being worked out. */
function TextCell({ say: t, entry, row, column, label, placeholder, actions }: CellProps) {
  const [typing, setTyping] = useState<Typing>()
  const text = entry ? cellText(entry, column) : ''
  // A cell with several texts stays as typed until it is left: "a | " is on the way to "a | b".
  const isPlain = column === 'answer' || column === 'prompt' || column === 'hint' || column === 'fact'
  useEffect(() => setTyping((before) => (before?.typed === text ? undefined : before)), [text])
  const shown = typing && (!isPlain || typing.known.includes(text)) ? typing.typed : text
  const wrong = typing !== undefined && entry !== undefined && withCellText(entry, column, typing.typed) === undefined
  return (
    <textarea
      data-cell={`${row} ${column}`}
      rows={1}
      dir="auto"
      spellCheck={false}
      aria-label={label}
      aria-invalid={wrong || undefined}
      inputMode={NUMBERS.has(column) ? 'numeric' : undefined}
      placeholder={placeholder ?? (column === 'choices' && entry ? t('table.choicesHint') : undefined)}
      value={shown}
      className={`${CELL} ${column === 'answer' ? 'font-bold placeholder:font-normal' : ''} ${wrong ? 'text-error' : ''} ${NUMBERS.has(column) ? 'text-end' : ''} ${column === 'choices' ? 'placeholder:opacity-0 focus:placeholder:opacity-100' : ''}`}
      onChange={(event) => {
        const typed = event.target.value
        setTyping((before) => ({ typed, known: [...(before?.known ?? [text]), typed].slice(-40) }))
        actions.current.type(row, column, typed)
      }}
      onBlur={() => setTyping(undefined)}
      onKeyDown={(event) => actions.current.key(event, row, column)}
      onPaste={(event) => actions.current.paste(event, row, column)}
    />
  )
}
