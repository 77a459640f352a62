import type { ComponentProps } from 'react'
import { commonTexts, listTexts } from '../../../texts/namespaces.ts'
import { useTexts } from '../../../texts/texts.ts'
import { Dialog } from '../../../ui/Dialog.tsx'
import { Waterline } from '../../../ui/Waterline.tsx'
import type { Pasted } from '../table/pastedTable.ts'
import { ArchiveReview } from './ArchiveReview.tsx'
import { isTooLong, type Imported } from './importing.ts'
import { PasteField } from './PasteField.tsx'
import { TableChoices } from './TableChoices.tsx'
import { TableReview } from './TableReview.tsx'
import { useImport } from './useImport.ts'

export interface ImportDialogProps {
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
  const { state, send, stage, sheets, understood, archive, count, obstacle, imported } = useImport(source, entryCount)
  const { pasted, file, overwrite } = state
  const isAsking = source === undefined && !file
  const title = understood || archive ? 'import.understood' : isAsking ? 'import.add' : 'import.reading'
  const trouble = obstacle ?? problem
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
          text={isTooLong(state) ? '' : (pasted?.text ?? '')}
          onPaste={(next) => send({ type: 'paste', text: next })}
          onFile={(next) => send({ type: 'file', file: next })}
        />
      )}
      {file && stage !== 'done' && <Waterline filled={undefined} label={t(`import.${stage}`)} />}
      {understood && (
        <UnderstoodTable
          understood={understood}
          state={state}
          sheets={sheets}
          canOverwrite={rowsBelow > 0 && pasted !== undefined}
          send={send}
        />
      )}
      {archive && <ArchiveReview {...archive} />}
      {trouble !== undefined && (
        <p role="alert" className="text-error">
          {trouble}
        </p>
      )}
      <ImportActions
        isAsking={isAsking}
        busy={busy}
        disabled={busy || count === 0 || obstacle !== undefined}
        count={count}
        overwritten={overwrite ? Math.min(rowsBelow, understood?.table.rows.length ?? 0) : undefined}
        onKeep={() => onKeep(imported())}
        onClose={onClose}
      />
    </Dialog>
  )
}

/** What a table was taken for, and what becomes of its rows. */
function UnderstoodTable({ understood, ...choices }: ComponentProps<typeof TableChoices>) {
  const { table, fields, entries, left, joined } = understood
  const { overwrite } = choices.state
  return (
    <>
      <TableChoices understood={understood} {...choices} />
      <TableReview
        table={table}
        fields={fields}
        onFields={(next) => choices.send({ type: 'set', fields: next })}
        entries={entries}
        left={overwrite ? [] : left}
        joined={overwrite ? 0 : joined}
      />
    </>
  )
}

function ImportActions({
  isAsking,
  busy,
  disabled,
  count,
  overwritten,
  onKeep,
  onClose,
}: {
  isAsking: boolean
  busy: boolean
  disabled: boolean
  count: number
  /** Rows that are written over; undefined where they are put in. */
  overwritten: number | undefined
  onKeep: () => void
  onClose: () => void
}) {
  const t = useTexts(listTexts)
  const common = useTexts(commonTexts)
  const label =
    overwritten === undefined ? t('import.addRows', { count }) : t('import.overwriteRows', { count: overwritten })
  return (
    <div className="flex justify-end gap-2">
      <button type="button" className="btn" onClick={onClose}>
        {common('cancel')}
      </button>
      <button
        type="button"
        className="btn btn-primary"
        autoFocus={!isAsking}
        data-first={!isAsking || undefined}
        data-add
        disabled={disabled}
        onClick={onKeep}
      >
        {busy ? t('import.adding') : label}
      </button>
    </div>
  )
}
