import { mediaPath } from '@otter/api'
import type { Entry, ListDetails } from '@otter/core'
import { mediaOf, writeArchive, writeDelimited, writeWorkbook, type ListFormat } from '@otter/core/formats'

export interface ExportRequest {
  format: ListFormat
  details: ListDetails
  entries: Entry[]
}

/** The file, or how many of its pictures and sounds could not be fetched. */
export type ExportAnswer = { file: Blob } | { missing: number }

const TYPES: Record<ListFormat, string> = {
  csv: 'text/csv;charset=utf-8',
  tsv: 'text/tab-separated-values;charset=utf-8',
  xlsx: 'application/vnd.openxmlformats-officedocument.spreadsheetml.sheet',
  archive: 'application/zip',
}

addEventListener('message', ({ data }: MessageEvent<ExportRequest>) => {
  void write(data).then(
    (answer) => postMessage(answer),
    (error: unknown) =>
      setTimeout(() => {
        throw error
      }),
  )
})

async function write({ format, details, entries }: ExportRequest): Promise<ExportAnswer> {
  const blob = (content: BlobPart): ExportAnswer => ({ file: new Blob([content], { type: TYPES[format] }) })
  if (format === 'csv') return blob(writeDelimited(entries, ','))
  if (format === 'tsv') return blob(writeDelimited(entries, '\t'))
  if (format === 'xlsx') return blob((await writeWorkbook(entries, details.title)) as Uint8Array<ArrayBuffer>)
  const media = new Map<string, Uint8Array>()
  let missing = 0
  for (const id of mediaOf({ details, entries })) {
    const response = await fetch(mediaPath(id)).catch(() => undefined)
    if (response?.ok) media.set(id, new Uint8Array(await response.arrayBuffer()))
    else missing++
  }
  return missing > 0 ? { missing } : blob(writeArchive(details, entries, media) as Uint8Array<ArrayBuffer>)
}
