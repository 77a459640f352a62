import type { JobReply, PrintSheets } from '@otter/api'
import type { z } from 'zod'
import { ApiError, call } from '../../api/client.ts'
import { callForFile } from '../../api/files.ts'

/** How often it is asked how far the file has come, in milliseconds. */
const ASK = 700

/**
 * Has a list's sheets made as a PDF; returns the file. It is queued on the server and goes on there whatever becomes of
 * the connection; a signal stops it. Throws an ApiError where it can't be made.
 */
export async function makePdf(
  listId: string,
  sheets: z.input<typeof PrintSheets>,
  onProgress: (progress: number) => void,
  signal: AbortSignal,
): Promise<Blob> {
  const { id } = await call<{ id: string }>('POST', `/lists/${listId}/sheets`, sheets)
  signal.addEventListener('abort', () => void call('DELETE', `/jobs/${id}`).catch(() => undefined), { once: true })
  for (;;) {
    signal.throwIfAborted()
    const job = await call<JobReply>('GET', `/jobs/${id}`).catch((error: unknown) => {
      // A lost connection changes nothing of the file that is being made.
      if (error instanceof ApiError && (error.status === 0 || error.status >= 500)) return undefined
      throw error
    })
    if (job?.problem) throw new ApiError(job.problem)
    if (job?.state === 'done') return callForFile(`/jobs/${id}/file`)
    if (job) onProgress(job.progress)
    await new Promise((resolve) => setTimeout(resolve, ASK))
  }
}
