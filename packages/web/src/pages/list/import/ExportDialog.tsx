import type { Entry, ListDetails } from '@otter/core'
import { notCarried, type ListFormat } from '@otter/core/formats'
import { Download } from 'lucide-react'
import { useEffect, useRef, useState } from 'react'
import { saveFile } from '../../../ui/saveFile.ts'
import { Notice } from '../../../ui/Notice.tsx'
import type { ExportAnswer, ExportRequest } from '../../../workers/export.worker.ts'
import { commonTexts, listTexts } from '../../../texts/namespaces.ts'
import { useTexts, useWriting } from '../../../texts/texts.ts'

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
  const dialog = useRef<HTMLDialogElement>(null)
  const [format, setFormat] = useState<ListFormat>('xlsx')
  const [state, setState] = useState<{ busy: boolean; error?: Error }>({ busy: false })
  useEffect(() => dialog.current?.showModal(), [])
  const { pictures, sounds, entries: lost, details: more } = notCarried(format, details, entries)
  const parts = [
    ...(pictures > 0 ? [t('export.pictures', { count: pictures })] : []),
    ...(sounds > 0 ? [t('export.sounds', { count: sounds })] : []),
    ...more.map((name) => t(`export.detail.${name}`)),
  ]
  const write = (): void => {
    setState({ busy: true })
    const worker = new Worker(new URL('../../../workers/export.worker.ts', import.meta.url), { type: 'module' })
    worker.addEventListener('message', ({ data }: MessageEvent<ExportAnswer>) => {
      worker.terminate()
      if ('missing' in data)
        return setState({
          busy: false,
          error: new Error(t('export.missing', { count: data.missing })),
        })
      saveFile(
        data.file,
        `${details.title.replace(/[\\/:*?"<>|]/gu, ' ').trim() || 'list'}.${FORMATS.find((one) => one.format === format)?.end}`,
      )
      onClose()
    })
    worker.addEventListener('error', () => {
      worker.terminate()
      setState({
        busy: false,
        error: new Error(t('export.failed')),
      })
    })
    worker.postMessage({ format, details, entries } satisfies ExportRequest)
  }
  return (
    <dialog ref={dialog} className="modal" aria-labelledby="export-title" onClose={onClose}>
      <div className="modal-box flex flex-col gap-3">
        <h2 id="export-title" className="text-2xl">
          {t('export.title')}
        </h2>
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
      </div>
    </dialog>
  )
}
