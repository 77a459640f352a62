import { MAX_ENTRIES, MAX_PASTE } from '@otter/core'
import { useMemo, useReducer } from 'react'
import { commonTexts, listTexts } from '../../../texts/namespaces.ts'
import { useTexts } from '../../../texts/texts.ts'
import { Dialog } from '../../../ui/Dialog.tsx'
import { newId } from '../../../ui/newId.ts'
import { Waterline } from '../../../ui/Waterline.tsx'
import { useFile } from '../../../workers/readFile.ts'
import type { Pasted } from '../table/pastedTable.ts'
import { ArchiveReview } from './ArchiveReview.tsx'
import { beginImport, excess, importReducer, isTooLong, understand, type Imported } from './importing.ts'
import { PasteField } from './PasteField.tsx'
import { TableChoices } from './TableChoices.tsx'
import { TableReview } from './TableReview.tsx'

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

/** Takes words in from anywhere: shows what was understood and what was left out; nothing is kept before a yes. */
export function ImportDialog({ source, entryCount, rowsBelow, busy, problem, onKeep, onClose }: ImportDialogProps) {
  const t = useTexts(listTexts)
  const common = useTexts(commonTexts)
  const [state, send] = useReducer(importReducer, source, beginImport)
  const { pasted, file, separator, between, sheet, header, fields, overwrite } = state
  const { read, stage, refusal } = useFile(file)
  const understood = useMemo(
    () => understand({ pasted, file, separator, between, sheet, header, fields }, read, newId),
    [pasted, file, separator, between, sheet, header, fields, read],
  )
  const archive = file && read?.kind === 'archive' ? read : undefined
  const isAsking = source === undefined && !file
  const text = pasted?.text ?? ''
  const count = (archive?.list ?? understood)?.entries.length ?? 0

  const obstacle = (): string | undefined => {
    if (isTooLong(state)) return t('import.tooLong', { count: Math.round(text.length / 1e6), most: MAX_PASTE / 1e6 })
    if (refusal && file) return t(`import.refusal.${refusal}`)
    if (excess(count, entryCount, overwrite) > 0)
      return t('import.noRoom', { most: MAX_ENTRIES, room: MAX_ENTRIES - entryCount, count })
    return undefined
  }
  const keep = (): void => {
    if (archive) {
      const { details, entries } = archive.list
      onKeep({ how: 'archive', details, entries, media: archive.media })
    } else if (overwrite && understood)
      onKeep({ how: 'overwrite', cells: understood.table.rows.map(({ cells }) => cells) })
    else onKeep({ how: 'insert', entries: understood?.entries ?? [] })
  }
  const title = understood || archive ? 'import.understood' : isAsking ? 'import.add' : 'import.reading'
  const stopped = obstacle()
  return (
    <Dialog
      title={t(title)}
      layout="flex max-h-[92dvh] max-w-4xl flex-col gap-3"
      box={{
        onDragOver: (event) => event.preventDefault(),
        onDrop: (event) => {
          event.preventDefault()
          const [dropped] = event.dataTransfer.files
          if (dropped) send({ type: 'file', file: dropped })
        },
      }}
      onClose={onClose}
    >
      {isAsking && (
        <PasteField
          text={isTooLong(state) ? '' : text}
          onPaste={(next) => send({ type: 'paste', text: next })}
          onFile={(next) => send({ type: 'file', file: next })}
        />
      )}
      {file && stage !== 'done' && <Waterline filled={undefined} label={t(`import.${stage}`)} />}
      {understood && (
        <>
          <TableChoices
            state={state}
            understood={understood}
            sheets={file && read?.kind === 'tables' ? read.sheets.map(({ name }) => name) : []}
            canOverwrite={rowsBelow > 0 && pasted !== undefined}
            send={send}
          />
          <TableReview
            table={understood.table}
            fields={understood.fields}
            onFields={(next) => send({ type: 'set', fields: next })}
            entries={understood.entries}
            left={overwrite ? [] : understood.left}
            joined={overwrite ? 0 : understood.joined}
          />
        </>
      )}
      {archive && <ArchiveReview {...archive} />}
      {(stopped ?? problem) !== undefined && (
        <p role="alert" className="text-error">
          {stopped ?? problem}
        </p>
      )}
      <div className="flex justify-end gap-2">
        <button type="button" className="btn" onClick={onClose}>
          {common('cancel')}
        </button>
        <button
          type="button"
          className="btn btn-primary"
          autoFocus={!isAsking}
          disabled={busy || count === 0 || stopped !== undefined}
          onClick={keep}
        >
          {busy
            ? t('import.adding')
            : overwrite
              ? t('import.overwriteRows', { count: Math.min(rowsBelow, understood?.table.rows.length ?? 0) })
              : t('import.addRows', { count })}
        </button>
      </div>
    </Dialog>
  )
}
