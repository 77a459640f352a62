import type { Entry, ListDetails } from '@otter/core'
import { notCarried, type ListFormat } from '@otter/core/formats'
import { Download } from 'lucide-react'
import { useEffect, useRef, useState } from 'react'
import { saveFile } from '../../../ui/saveFile.ts'
import { Notice } from '../../../ui/Notice.tsx'
import type { ExportAnswer, ExportRequest } from '../../../workers/export.worker.ts'

const FORMATS: { format: ListFormat; name: string; end: string; note: string }[] = [
  { format: 'csv', name: 'CSV', end: 'csv', note: 'text, for any program' },
  { format: 'tsv', name: 'TSV', end: 'tsv', note: 'text with tabs' },
  { format: 'xlsx', name: 'XLSX', end: 'xlsx', note: 'a spreadsheet' },
  { format: 'archive', name: 'Archive', end: 'zip', note: 'everything, with pictures and sounds' },
]

const DETAIL_NAMES = {
  description: 'description',
  subject: 'subject',
  grade: 'grade',
  folder: 'folder',
  tags: 'tags',
  answerLanguage: 'language of the answers',
  promptLanguage: 'language of the prompts',
}

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
  const dialog = useRef<HTMLDialogElement>(null)
  const [format, setFormat] = useState<ListFormat>('xlsx')
  const [state, setState] = useState<{ busy: boolean; error?: Error }>({ busy: false })
  useEffect(() => dialog.current?.showModal(), [])
  const { pictures, sounds, entries: lost, details: more } = notCarried(format, details, entries)
  const counted = (count: number, name: string): string[] =>
    count === 0 ? [] : [`${count} ${name}${count === 1 ? '' : 's'}`]
  const parts = [
    ...counted(pictures, 'picture'),
    ...counted(sounds, 'sound'),
    ...more.map((name) => `the ${DETAIL_NAMES[name]}`),
  ]
  const write = (): void => {
    setState({ busy: true })
    const worker = new Worker(new URL('../../../workers/export.worker.ts', import.meta.url), { type: 'module' })
    worker.addEventListener('message', ({ data }: MessageEvent<ExportAnswer>) => {
      worker.terminate()
      if ('missing' in data)
        return setState({
          busy: false,
          error: new Error(
            `${data.missing} pictures or sounds could not be fetched, so no file was written. Try again when the connection is back.`,
          ),
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
        error: new Error('The file could not be written. The list is safe; try again, or try another format.'),
      })
    })
    worker.postMessage({ format, details, entries } satisfies ExportRequest)
  }
  return (
    <dialog ref={dialog} className="modal" aria-labelledby="export-title" onClose={onClose}>
      <div className="modal-box flex flex-col gap-3">
        <h2 id="export-title" className="text-2xl">
          Save as a file
        </h2>
        <fieldset className="flex flex-col gap-1">
          <legend className="sr-only">Format</legend>
          {FORMATS.map(({ format: own, name, note }) => (
            <label key={own} className="flex items-baseline gap-2">
              <input
                type="radio"
                name="format"
                className="radio radio-sm self-center"
                checked={format === own}
                onChange={() => setFormat(own)}
              />
              <strong>{name}</strong>
              <span className="quiet">{note}</span>
            </label>
          ))}
        </fieldset>
        <p role="status" className={parts.length > 0 || lost > 0 ? 'text-error' : 'text-success'}>
          {parts.length > 0
            ? `This format can’t carry ${parts.join(', ')}. `
            : lost === 0 && 'This carries the whole list. '}
          {lost > 0 && `${lost} ${lost === 1 ? 'entry has' : 'entries have'} no text at all and won’t be in it.`}
        </p>
        <Notice error={state.error} />
        <div className="flex justify-end gap-2">
          <button type="button" className="btn" onClick={onClose}>
            Cancel
          </button>
          <button type="button" className="btn btn-primary" disabled={state.busy} onClick={write}>
            <Download size={18} aria-hidden="true" />
            {state.busy ? 'Writing …' : 'Save the file'}
          </button>
        </div>
      </div>
    </dialog>
  )
}
