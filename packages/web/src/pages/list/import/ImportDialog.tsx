import {
  entriesFromTable,
  guessFields,
  MAX_ENTRIES,
  MAX_PASTE,
  readPaste,
  tableOf,
  withHeader,
  type Entry,
  type Field,
  type ListDetails,
  type Table,
} from '@otter/core'
import type { RefusalCode } from '@otter/core/formats'
import { FileUp } from 'lucide-react'
import { useEffect, useMemo, useRef, useState } from 'react'
import { newId } from '../../../ui/newId.ts'
import { Waterline } from '../../../ui/Waterline.tsx'
import { useFile } from '../../../workers/readFile.ts'
import type { Pasted } from '../table/pastedTable.ts'
import { TableReview } from './TableReview.tsx'

/** What was said yes to. */
export type Imported =
  | { how: 'insert'; entries: Entry[] }
  | { how: 'overwrite'; cells: string[][] }
  | { how: 'archive'; details: ListDetails; entries: Entry[]; media: Map<string, Uint8Array> }

interface ImportDialogProps {
  /** What came in; a new dialog asks for it. */
  source: { pasted: Pasted } | { file: File } | undefined
  /** Entries that are in the list already. */
  entryCount: number
  /** Rows below the one pasted into, which could be written over; 0 where there are none. */
  rowsBelow: number
  busy: boolean
  problem: string | undefined
  onKeep: (imported: Imported) => void
  onClose: () => void
}

const SEPARATORS: [string, string][] = [
  ['\t', 'Tab (spreadsheet)'],
  [',', 'Comma ,'],
  [';', 'Semicolon ;'],
  ['|', 'Bar |'],
  [' - ', 'Dash " - "'],
  [' = ', 'Equals " = "'],
  ['', 'None: one column'],
]

/** Words why a file is refused. */
function sentenceForRefusal(code: RefusalCode): string {
  switch (code) {
    case 'too-big':
      return 'This file is larger than what is read at once: 10 megabytes for tables, 40 for archives. Split it, or leave pictures out.'
    case 'unpacks-too-big':
      return 'This file unpacks to far more than it should, so it was not opened.'
    case 'not-this-kind':
      return 'This is no file that can be read here. CSV, TSV, text, XLSX and archives of this app can.'
    case 'broken':
      return 'This file is damaged, or is not what its name says. Save it again, then try once more.'
    case 'bad-path':
      return 'This archive holds files with paths that lead outside it, so it was not opened.'
    case 'empty':
      return 'There is nothing in this file.'
    case 'newer':
      return 'This archive was written by a newer version of this app.'
  }
}

/** Takes words in from anywhere: shows what was understood and what was left out; nothing is kept before a yes. */
export function ImportDialog({ source, entryCount, rowsBelow, busy, problem, onKeep, onClose }: ImportDialogProps) {
  const dialog = useRef<HTMLDialogElement>(null)
  const [pasted, setPasted] = useState<Pasted | undefined>(source && 'pasted' in source ? source.pasted : undefined)
  const [file, setFile] = useState<File | undefined>(source && 'file' in source ? source.file : undefined)
  const [separator, setSeparator] = useState<string>()
  const [between, setBetween] = useState('')
  const [sheet, setSheet] = useState(0)
  const [header, setHeader] = useState<boolean>()
  const [fields, setFields] = useState<Field[]>()
  const [overwrite, setOverwrite] = useState(false)
  const reading = useFile(file)
  useEffect(() => dialog.current?.showModal(), [])

  const text = pasted?.text ?? ''
  const tooLong = text.length > MAX_PASTE
  const plain = useMemo(
    () =>
      pasted && !pasted.cells && text.trim() !== ''
        ? readPaste(tooLong ? '' : text, { separator, entrySeparator: between.replaceAll('\\n', '\n') })
        : undefined,
    [pasted, text, tooLong, separator, between],
  )
  const raw = useMemo((): Table | undefined => {
    if (file) return reading.read?.kind === 'tables' ? reading.read.sheets[sheet]?.table : undefined
    return pasted?.cells
      ? tableOf(
          pasted.cells.map((cells, index) => ({ cells, line: index + 1 })),
          undefined,
          (cells) => readPaste(`${cells.join('\t')}\nx`).header !== null,
        )
      : plain
  }, [file, reading, sheet, pasted, plain])
  const table = useMemo(() => raw && (header === undefined ? raw : withHeader(raw, header)), [raw, header])
  const guessed = useMemo(() => (table ? guessFields(table) : []), [table])
  const chosen = fields?.length === guessed.length ? fields : guessed
  const result = useMemo(() => table && entriesFromTable(table, chosen, newId), [table, chosen])
  const archive = file && reading.read?.kind === 'archive' ? reading.read : undefined

  const count = archive ? archive.list.entries.length : (result?.entries.length ?? 0)
  const room = MAX_ENTRIES - entryCount
  const trouble = tooLong
    ? `That is ${Math.round(text.length / 1e6)} million characters; ${MAX_PASTE / 1e6} million can be read at once. Paste it in parts, or import it as a file.`
    : reading.refusal && file
      ? sentenceForRefusal(reading.refusal)
      : !overwrite && count > room
        ? `A list holds ${MAX_ENTRIES} entries; there is room for ${room} more, and this has ${count}.`
        : problem
  const asks = source === undefined && !file
  const keep = (): void => {
    if (archive)
      onKeep({ how: 'archive', details: archive.list.details, entries: archive.list.entries, media: archive.media })
    else if (overwrite && table) onKeep({ how: 'overwrite', cells: table.rows.map(({ cells }) => cells) })
    else onKeep({ how: 'insert', entries: result?.entries ?? [] })
  }
  const isCustom = separator !== undefined && !SEPARATORS.some(([value]) => value === separator)
  return (
    <dialog ref={dialog} className="modal" aria-labelledby="import-title" onClose={onClose} onCancel={onClose}>
      <div
        className="modal-box flex max-h-[92dvh] max-w-4xl flex-col gap-3"
        onDragOver={(event) => event.preventDefault()}
        onDrop={(event) => {
          event.preventDefault()
          if (event.dataTransfer.files.length > 0) setFile(event.dataTransfer.files[0])
        }}
      >
        <h2 id="import-title" className="text-2xl">
          {table || archive ? 'What was understood' : asks ? 'Add words' : 'Reading the file'}
        </h2>
        {asks && (
          <>
            <textarea
              autoFocus
              dir="auto"
              aria-label="Words to paste"
              rows={text === '' ? 7 : 3}
              className="textarea w-full"
              placeholder={'smoker\tcalms the bees\ndrone\ta male bee'}
              value={tooLong ? '' : text}
              onChange={(event) => setPasted({ text: event.target.value, cells: undefined, files: [] })}
            />
            {text === '' && (
              <label className="btn self-start">
                <FileUp size={18} aria-hidden="true" />
                Choose a file
                <input
                  type="file"
                  className="sr-only"
                  accept=".csv,.tsv,.txt,.xlsx,.xlsm,.zip,.ipuz,.json"
                  onChange={(event) => setFile(event.target.files?.[0])}
                />
              </label>
            )}
            {text === '' && (
              <p className="quiet text-sm">
                Paste from a spreadsheet, a document or another program; or choose a file: CSV, TSV, text, XLSX, or an
                archive of this app. You see what was understood before anything is kept.
              </p>
            )}
          </>
        )}
        {file && reading.stage !== 'done' && (
          <Waterline
            filled={undefined}
            label={reading.stage === 'unpacking' ? 'Unpacking the file' : 'Reading the file'}
          />
        )}
        {table && result && (
          <>
            <div className="flex flex-wrap items-end gap-x-4 gap-y-2 text-sm">
              {reading.read?.kind === 'tables' && reading.read.sheets.length > 1 && file && (
                <label className="flex flex-col">
                  Sheet
                  <select
                    className="select select-sm"
                    value={sheet}
                    onChange={(event) => setSheet(Number(event.target.value))}
                  >
                    {reading.read.sheets.map(({ name }, index) => (
                      <option key={name} value={index}>
                        {name}
                      </option>
                    ))}
                  </select>
                </label>
              )}
              {plain && (
                <>
                  <label className="flex flex-col">
                    Between the sides
                    <select
                      className="select select-sm"
                      value={isCustom ? 'custom' : plain.separator}
                      onChange={(event) => setSeparator(event.target.value === 'custom' ? '::' : event.target.value)}
                    >
                      {SEPARATORS.map(([value, name]) => (
                        <option key={value} value={value}>
                          {name}
                        </option>
                      ))}
                      <option value="custom">Other …</option>
                    </select>
                  </label>
                  {isCustom && (
                    <label className="flex flex-col">
                      Other text
                      <input
                        className="input input-sm w-24"
                        value={separator}
                        onChange={(event) => setSeparator(event.target.value)}
                      />
                    </label>
                  )}
                  <label className="flex flex-col">
                    Between entries
                    <input
                      className="input input-sm w-32"
                      placeholder="line break"
                      value={between}
                      onChange={(event) => setBetween(event.target.value)}
                    />
                  </label>
                </>
              )}
              <label className="flex h-8 items-center gap-2">
                <input
                  type="checkbox"
                  className="checkbox checkbox-sm"
                  checked={table.header !== null}
                  onChange={(event) => setHeader(event.target.checked)}
                />
                First row is a heading
              </label>
              {!overwrite && (
                <button
                  type="button"
                  className="btn btn-sm"
                  onClick={() =>
                    setFields(
                      chosen.map((field) => (field === 'answer' ? 'prompt' : field === 'prompt' ? 'answer' : field)),
                    )
                  }
                >
                  Swap the sides
                </button>
              )}
              {rowsBelow > 0 && pasted && (
                <label className="flex h-8 items-center gap-2">
                  <input
                    type="checkbox"
                    className="checkbox checkbox-sm"
                    checked={overwrite}
                    onChange={(event) => setOverwrite(event.target.checked)}
                  />
                  Write over the rows that are there
                </label>
              )}
            </div>
            <TableReview
              table={table}
              fields={chosen}
              onFields={setFields}
              entries={result.entries}
              left={overwrite ? [] : result.left}
              joined={overwrite ? 0 : result.joined}
            />
          </>
        )}
        {archive && <ArchiveReview {...archive} />}
        {trouble && (
          <p role="alert" className="text-error">
            {trouble}
          </p>
        )}
        <div className="flex justify-end gap-2">
          <button type="button" className="btn" onClick={onClose}>
            Cancel
          </button>
          <button
            type="button"
            className="btn btn-primary"
            autoFocus={!asks}
            disabled={busy || count === 0 || (trouble !== undefined && trouble !== problem)}
            onClick={keep}
          >
            {busy
              ? 'Adding …'
              : overwrite
                ? `Write over ${Math.min(rowsBelow, table?.rows.length ?? 0)} ${Math.min(rowsBelow, table?.rows.length ?? 0) === 1 ? 'row' : 'rows'}`
                : `Add ${count} ${count === 1 ? 'row' : 'rows'}`}
          </button>
        </div>
      </div>
    </dialog>
  )
}

function ArchiveReview({
  list,
  media,
}: {
  list: { details: ListDetails; entries: readonly Entry[] }
  media: ReadonlyMap<string, Uint8Array>
}) {
  return (
    <div
      className="overflow-auto border border-base-300 p-3"
      role="region"
      aria-label="What was understood"
      tabIndex={0}
    >
      <p className="font-display text-xl" dir="auto">
        {list.details.title || 'Untitled list'}
      </p>
      <p className="quiet">
        {list.entries.length} entries · {media.size} pictures and sounds
      </p>
      <ul className="mt-2">
        {list.entries.slice(0, 50).map(({ id, answer, prompt }) => (
          <li key={id} className="border-t border-base-300 py-1" dir="auto">
            <strong>{answer.text || '(picture or sound)'}</strong> · {prompt.text}
          </li>
        ))}
      </ul>
      {list.entries.length > 50 && <p className="quiet">and {list.entries.length - 50} more</p>}
    </div>
  )
}
