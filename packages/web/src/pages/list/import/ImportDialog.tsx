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
import { FileUp } from 'lucide-react'
import { useEffect, useMemo, useRef, useState } from 'react'
import { newId } from '../../../ui/newId.ts'
import { Waterline } from '../../../ui/Waterline.tsx'
import { useFile } from '../../../workers/readFile.ts'
import type { Pasted } from '../table/pastedTable.ts'
import { TableReview } from './TableReview.tsx'
import { commonTexts, listTexts } from '../../../texts/namespaces.ts'
import { useTexts } from '../../../texts/texts.ts'

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

/** What can stand between the two sides, and the name of each. */
const SEPARATORS = [
  ['\t', 'import.tab'],
  [',', 'import.comma'],
  [';', 'import.semicolon'],
  ['|', 'import.bar'],
  [' - ', 'import.dash'],
  [' = ', 'import.equals'],
  ['', 'import.oneColumn'],
] as const

/** Takes words in from anywhere: shows what was understood and what was left out; nothing is kept before a yes. */
export function ImportDialog({ source, entryCount, rowsBelow, busy, problem, onKeep, onClose }: ImportDialogProps) {
  const t = useTexts(listTexts)
  const common = useTexts(commonTexts)
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
    ? t('import.tooLong', { count: Math.round(text.length / 1e6), most: MAX_PASTE / 1e6 })
    : reading.refusal && file
      ? t(`import.refusal.${reading.refusal}`)
      : !overwrite && count > room
        ? t('import.noRoom', { most: MAX_ENTRIES, room, count })
        : problem
  const asks = source === undefined && !file
  const keep = (): void => {
    if (archive)
      onKeep({ how: 'archive', details: archive.list.details, entries: archive.list.entries, media: archive.media })
    else if (overwrite && table) onKeep({ how: 'overwrite', cells: table.rows.map(({ cells }) => cells) })
    else onKeep({ how: 'insert', entries: result?.entries ?? [] })
  }
  const isCustom = separator !== undefined && !SEPARATORS.some(([value]) => (value as string) === separator)
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
          {table || archive ? t('import.understood') : asks ? t('import.add') : t('import.reading')}
        </h2>
        {asks && (
          <>
            <textarea
              autoFocus
              dir="auto"
              aria-label={t('import.toPaste')}
              rows={text === '' ? 7 : 3}
              className="textarea w-full"
              placeholder={t('import.example')}
              value={tooLong ? '' : text}
              onChange={(event) => setPasted({ text: event.target.value, cells: undefined, files: [] })}
            />
            {text === '' && (
              <label className="btn self-start">
                <FileUp size={18} aria-hidden="true" />
                {t('import.chooseFile')}
                <input
                  type="file"
                  className="sr-only"
                  accept=".csv,.tsv,.txt,.xlsx,.xlsm,.zip,.ipuz,.json"
                  onChange={(event) => setFile(event.target.files?.[0])}
                />
              </label>
            )}
            {text === '' && <p className="quiet text-sm">{t('import.help')}</p>}
          </>
        )}
        {file && reading.stage !== 'done' && (
          <Waterline
            filled={undefined}
            label={reading.stage === 'unpacking' ? t('import.unpacking') : t('import.reading')}
          />
        )}
        {table && result && (
          <>
            <div className="flex flex-wrap items-end gap-x-4 gap-y-2 text-sm">
              {reading.read?.kind === 'tables' && reading.read.sheets.length > 1 && file && (
                <label className="flex flex-col">
                  {t('import.sheet')}
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
                    {t('import.between')}
                    <select
                      className="select select-sm"
                      value={isCustom ? 'custom' : plain.separator}
                      onChange={(event) => setSeparator(event.target.value === 'custom' ? '::' : event.target.value)}
                    >
                      {SEPARATORS.map(([value, name]) => (
                        <option key={value} value={value}>
                          {t(name)}
                        </option>
                      ))}
                      <option value="custom">{t('import.other')}</option>
                    </select>
                  </label>
                  {isCustom && (
                    <label className="flex flex-col">
                      {t('import.otherText')}
                      <input
                        className="input input-sm w-24"
                        value={separator}
                        onChange={(event) => setSeparator(event.target.value)}
                      />
                    </label>
                  )}
                  <label className="flex flex-col">
                    {t('import.betweenEntries')}
                    <input
                      className="input input-sm w-32"
                      placeholder={t('import.lineBreak')}
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
                {t('import.heading')}
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
                  {t('toolbar.swap')}
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
                  {t('import.overwrite')}
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
            {common('cancel')}
          </button>
          <button
            type="button"
            className="btn btn-primary"
            autoFocus={!asks}
            disabled={busy || count === 0 || (trouble !== undefined && trouble !== problem)}
            onClick={keep}
          >
            {busy
              ? t('import.adding')
              : overwrite
                ? t('import.overwriteRows', { count: Math.min(rowsBelow, table?.rows.length ?? 0) })
                : t('import.addRows', { count })}
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
  const t = useTexts(listTexts)
  const common = useTexts(commonTexts)
  return (
    <div
      className="overflow-auto border border-base-300 p-3"
      role="region"
      aria-label={t('import.understood')}
      tabIndex={0}
    >
      <p className="font-display text-xl" dir="auto">
        {list.details.title || common('untitled')}
      </p>
      <p className="quiet">
        {t('entries', { count: list.entries.length })} · {t('import.media', { count: media.size })}
      </p>
      <ul className="mt-2">
        {list.entries.slice(0, 50).map(({ id, answer, prompt }) => (
          <li key={id} className="border-t border-base-300 py-1" dir="auto">
            <strong>{answer.text || t('import.pictureOrSound')}</strong> · {prompt.text}
          </li>
        ))}
      </ul>
      {list.entries.length > 50 && <p className="quiet">{common('more', { count: list.entries.length - 50 })}</p>}
    </div>
  )
}
