import type { PrintSheets, SheetLayout } from '@otter/api'
import type { z } from 'zod'
import { call } from '../../api/client.ts'
import { callForFile } from '../../api/files.ts'
import { jobDone } from '../../api/jobs.ts'

/** Sheets to be made as a PDF: of a list, or those of a print once more. */
export type PdfOrder =
  | { listId: string; sheets: z.input<typeof PrintSheets> }
  | { printId: string; sheets: z.input<typeof SheetLayout> }

/**
 * Has sheets made as a PDF; returns the file. It is queued on the server and goes on there whatever becomes of the
 * connection; a signal stops it. Throws an ApiError where it can't be made.
 */
export async function makePdf(
  order: PdfOrder,
  onProgress: (progress: number) => void,
  signal: AbortSignal,
): Promise<Blob> {
  const path = 'printId' in order ? `/prints/${order.printId}/sheets` : `/lists/${order.listId}/sheets`
  const { id } = await call<{ id: string }>('POST', path, order.sheets)
  await jobDone(id, onProgress, signal)
  return callForFile(`/jobs/${id}/file`)
}
