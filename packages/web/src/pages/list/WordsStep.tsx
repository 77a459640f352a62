import {
  answersOnBothSides,
  mendEntries,
  swapSides,
  type CheckNote,
  type Entry,
  type EntryList,
  type Picture,
} from '@otter/core'
import { useCallback, useEffect, useMemo, useRef, useState } from 'react'
import { useSearchParams } from 'react-router'
import type { LookedOver } from '../../workers/lookOver.ts'
import { useLists } from '../../api/lists.ts'
import { Notice } from '../../ui/Notice.tsx'
import { isPlain, useShortcuts } from '../../ui/useShortcuts.ts'
import { useSteady } from '../../ui/useSteady.ts'
import { CheckCount } from './table/CheckCount.tsx'
import { keepColumns, keptColumns, type Column } from './table/columns.ts'
import { DetailsDialog, EntryPanel, ExportDialog, ImportDialog, SuggestPictures } from './listParts.ts'
import { detailsOf } from './details/detailsOf.ts'
import { FitPanel } from './games/FitPanel.tsx'
import { placeOfChange } from './draft/draft.ts'
import type { Pasted } from './table/pastedTable.ts'
import { useTaking } from './import/useTaking.ts'
import { Toolbar } from './table/Toolbar.tsx'
import type { ListDraft } from './draft/useListDraft.ts'
import type { TableHandle } from './table/useTable.ts'
import { WordsTable } from './table/WordsTable.tsx'
import { listTexts } from '../../texts/namespaces.ts'
import { useTexts } from '../../texts/texts.ts'

interface WordsStepProps {
  listId: string
  listDraft: ListDraft
  list: EntryList
  /** What was found in it so far. */
  looked: Partial<LookedOver>
}

const NO_NOTES: readonly CheckNote[] = []

/** The words of the list, and beside them what they can be, or all of one entry. */
export function WordsStep({ listId, listDraft, list, looked }: WordsStepProps) {
  const notes = looked.notes ?? NO_NOTES
  const t = useTexts(listTexts)
  const { draft, edit } = listDraft
  const { entries } = draft
  const table = useRef<TableHandle>(null)
  const [query] = useSearchParams()
  const [columns, setColumns] = useState(keptColumns)
  const [openId, setOpenId] = useState<string>()
  const [dialog, setDialog] = useState<'details' | 'export' | 'pictures'>()
  const taking = useTaking(listDraft, columns)
  const { incoming, busy, problem } = taking
  const visited = useRef(-1)
  const lists = useLists()
  const folders = useMemo(() => distinct(lists.data?.map(({ folder }) => folder) ?? []), [lists.data])
  const groups = useMemo(() => distinct(entries.flatMap((entry) => entry.groups)), [entries])
  const byEntry = useMemo(() => {
    const gathered = new Map<string, CheckNote[]>()
    for (const note of notes) gathered.set(note.entryIds[0]!, [...(gathered.get(note.entryIds[0]!) ?? []), note])
    return gathered
  }, [notes])
  const openRow = entries.findIndex(({ id }) => id === openId)
  const open = entries.at(openRow < 0 ? entries.length : openRow)

  // A list without words waits for the first one.
  const [isNew] = useState(entries.length === 0 && incoming === undefined)
  useEffect(() => {
    if (isNew) table.current?.goTo(0)
  }, [isNew])
  const wanted = Number(query.get('row'))
  useEffect(() => {
    if (wanted > 0) table.current?.goTo(wanted - 1)
  }, [wanted])
  /** Takes a step back or forth, and goes to where it happened. */
  const step = useSteady((take: 'undo' | 'redo') => {
    const done = listDraft[take]()
    const place = done && placeOfChange(done.before, done.after)
    if (!place) return
    const column = columns.find((shown) => shown === place.field)
    requestAnimationFrame(() => table.current?.goTo(place.row, column))
  })
  const undo = useSteady(() => step('undo'))
  const redo = useSteady(() => step('redo'))
  useShortcuts((event) => {
    const key = event.key.toLowerCase()
    if (isPlain(event) || (key !== 'z' && key !== 'y') || (event.target as Element).closest('dialog')) return
    // The browser would take back in its own way what was typed last.
    event.preventDefault()
    step(key === 'y' || event.shiftKey ? 'redo' : 'undo')
  })
  const nextNote = (): void => {
    const rows = [...new Set(notes.map(({ entryIds }) => entries.findIndex(({ id }) => id === entryIds[0])))]
    const row = rows.find((one) => one > visited.current) ?? rows[0]
    visited.current = row!
    table.current?.goTo(row!)
  }
  const changeEntry = useCallback(
    (id: string, change: Partial<Entry>, group?: string): void =>
      edit(
        (before) => ({
          ...before,
          entries: before.entries.map((entry) => (entry.id === id ? { ...entry, ...change } : entry)),
        }),
        group,
      ),
    [edit],
  )

  const keepPictures = (side: 'answer' | 'prompt', pictures: Map<string, Picture>): void => {
    edit((before) => ({
      ...before,
      entries: before.entries.map((entry) =>
        pictures.has(entry.id) ? { ...entry, [side]: { ...entry[side], picture: pictures.get(entry.id) } } : entry,
      ),
    }))
    setDialog(undefined)
  }
  const showColumns = useSteady((next: Column[]) => {
    setColumns(next)
    keepColumns(next)
  })
  const importNew = useSteady(() => taking.begin({ source: undefined, index: entries.length, column: 'answer' }))
  const takePaste = useSteady((pasted: Pasted, index: number, column: Column) =>
    taking.begin({ source: { pasted }, index, column }),
  )
  const dropFiles = useSteady((files: File[], row: number, column: Column) => void taking.drop(files, row, column))
  const swap = useSteady(() =>
    edit((before) => ({
      ...before,
      entries: swapSides(before.entries),
      answerLanguage: before.promptLanguage,
      promptLanguage: before.answerLanguage,
    })),
  )
  const bothSides = useSteady(() =>
    edit((before) => ({
      ...before,
      entries: answersOnBothSides(before.entries),
      promptLanguage: before.answerLanguage,
    })),
  )
  return (
    <div
      className={`grid items-start gap-6 ${columns.length > 2 ? 'lg:grid-cols-[minmax(0,1fr)_21rem]' : 'lg:grid-cols-[minmax(0,1.6fr)_minmax(0,1fr)]'}`}
    >
      <section aria-label={t('steps.words')} className="flex flex-col gap-2">
        <Toolbar
          columns={columns}
          canUndo={listDraft.canUndo}
          canRedo={listDraft.canRedo}
          onUndo={undo}
          onRedo={redo}
          onColumns={showColumns}
          onImport={importNew}
          onOpen={setDialog}
          onSwap={swap}
          onBothSides={bothSides}
        />
        <CheckCount notes={notes} entryCount={entries.length} onNext={nextNote} />
        <Notice error={problem} />
        <WordsTable
          ref={table}
          draft={draft}
          columns={columns}
          edit={edit}
          undo={undo}
          redo={redo}
          notes={byEntry}
          openId={openId}
          onOpen={setOpenId}
          onPaste={takePaste}
          onFiles={dropFiles}
        />
        <p className="quiet text-sm">{t('keysHelp')}</p>
      </section>
      {open ? (
        <EntryPanel
          key={open.id}
          entry={open}
          list={list}
          row={openRow}
          rows={entries.length}
          answerLanguage={draft.answerLanguage}
          promptLanguage={draft.promptLanguage}
          groups={groups}
          notes={byEntry.get(open.id) ?? []}
          onChange={(change, group) => changeEntry(open.id, change, group)}
          onMend={(note, mend) => edit((before) => ({ ...before, entries: mendEntries(before.entries, note, mend) }))}
          onGo={(row) => setOpenId(entries[row]!.id)}
          onClose={() => {
            setOpenId(undefined)
            table.current?.goTo(openRow)
          }}
        />
      ) : (
        <FitPanel listId={listId} list={list} fits={looked.fits} />
      )}
      {incoming && (
        <ImportDialog
          source={incoming.source}
          entryCount={entries.length}
          rowsBelow={incoming.source && 'pasted' in incoming.source ? entries.length - incoming.index : 0}
          busy={busy}
          problem={busy ? undefined : problem?.message}
          onKeep={(imported) => void taking.keep(imported)}
          onClose={taking.leave}
        />
      )}
      {dialog === 'pictures' && (
        <SuggestPictures
          entries={entries}
          answerLanguage={draft.answerLanguage}
          promptLanguage={draft.promptLanguage}
          onKeep={keepPictures}
          onClose={() => setDialog(undefined)}
        />
      )}
      {dialog === 'export' && (
        <ExportDialog
          details={detailsOf(draft)}
          entries={entries.map(({ position: _, ...entry }) => entry)}
          onClose={() => setDialog(undefined)}
        />
      )}
      {dialog === 'details' && (
        <DetailsDialog
          details={detailsOf(draft)}
          folders={folders}
          onChange={(change) => edit((before) => ({ ...before, ...change }), `details ${Object.keys(change).join()}`)}
          onClose={() => setDialog(undefined)}
        />
      )}
    </div>
  )
}

/** The names in use, each once, in order. */
function distinct(names: readonly string[]): string[] {
  return [...new Set(names.filter((name) => name !== ''))].sort()
}
