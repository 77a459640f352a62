import type { Entry, ListDetails } from '@otter/core'
import { notCarried, type ListFormat } from '@otter/core/formats'
import { Download } from 'lucide-react'
import { useState } from 'react'
import { saveFile } from '../../../ui/saveFile.ts'
import { Notice } from '../../../ui/Notice.tsx'
import type { ExportAnswer, ExportRequest } from '../../../workers/export.worker.ts'
import { commonTexts, listTexts } from '../../../texts/namespaces.ts'
import { useTexts, useWriting } from '../../../texts/texts.ts'
import { Dialog } from '../../../ui/Dialog.tsx'
import { openWorker } from '../../../ui/openWorker.ts'

const FORMATS = [
  { format: 'csv', name: 'CSV', end: 'csv' },
  { format: 'tsv', name: 'TSV', end: 'tsv' },
  { format: 'xlsx', name: 'XLSX', end: 'xlsx' },
  { format: 'archive', name: undefined, end: 'zip' },
] as const satisfies { format: ListFormat; name: string | undefined; end: string }[]

/** Writes the list as a file, and says beforehand what a format can't carry. */
export function ExportDialog({
  details,
  entries,
  onClose,
}: {
  details: ListDetails
  entries: Entry[]
  onClose: () => void
}) {
  const t = useTexts(listTexts)
  const common = useTexts(commonTexts)
  const { list } = useWriting()
  const [format, setFormat] = useState<ListFormat>('xlsx')
  const [state, setState] = useState<{ busy: boolean; error?: Error }>({ busy: false })
  const { pictures, sounds, entries: lost, details: more } = notCarried(format, details, entries)
  const parts = [
    ...(pictures > 0 ? [t('export.pictures', { count: pictures })] : []),
    ...(sounds > 0 ? [t('export.sounds', { count: sounds })] : []),
    ...more.map((name) => t(`export.detail.${name}`)),
  ]
  const write = (): void => {
    setState({ busy: true })
    const fail = (message: string): void => setState({ busy: false, error: new Error(message) })
    const worker = openWorker<ExportRequest, ExportAnswer>(
      () => new Worker(new URL('../../../workers/export.worker.ts', import.meta.url), { type: 'module' }),
      {
        onAnswer: (answer) => {
          worker.close()
          if ('missing' in answer) return fail(t('export.missing', { count: answer.missing }))
          const name = details.title.replace(/[\\/:*?"<>|]/gu, ' ').trim() || 'list'
          saveFile(answer.file, `${name}.${FORMATS.find((one) => one.format === format)?.end}`)
          onClose()
        },
        onDied: () => fail(t('export.failed')),
      },
    )
    worker.ask({ format, details, entries })
  }
  return (
    <Dialog title={t('export.title')} layout="flex flex-col gap-3" onClose={onClose}>
      <fieldset className="flex flex-col gap-1">
        <legend className="sr-only">{t('export.format')}</legend>
        {FORMATS.map(({ format: own, name }) => (
          <label key={own} className="flex items-baseline gap-2">
            <input
              type="radio"
              name="format"
              className="radio radio-sm self-center"
              checked={format === own}
              onChange={() => setFormat(own)}
            />
            <strong>{name ?? t('export.archiveName')}</strong>
            <span className="quiet">{t(`export.${own}`)}</span>
          </label>
        ))}
      </fieldset>
      <p role="status" className={parts.length > 0 || lost > 0 ? 'text-error' : 'text-success'}>
        {[
          parts.length > 0 ? t('export.cantCarry', { parts: list(parts) }) : lost === 0 && t('export.whole'),
          lost > 0 && t('export.lost', { count: lost }),
        ]
          .filter((sentence) => sentence !== false)
          .join(' ')}
      </p>
      <Notice error={state.error} />
      <div className="flex justify-end gap-2">
        <button type="button" className="btn" onClick={onClose}>
          {common('cancel')}
        </button>
        <button type="button" className="btn btn-primary" disabled={state.busy} onClick={write}>
          <Download size={18} aria-hidden="true" />
          {state.busy ? t('export.writing') : t('export.save')}
        </button>
      </div>
    </Dialog>
  )
}
