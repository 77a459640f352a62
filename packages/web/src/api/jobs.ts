import type { JobReply } from '@otter/api'
import { ApiError, call } from './client.ts'

/** How often it is asked how far a job has come, in milliseconds. */
const ASK = 700

/**
 * Waits until a job is done. It goes on on the server whatever becomes of the connection; a signal stops it. Throws an
 * ApiError where it failed.
 */
export async function jobDone(id: string, onProgress: (progress: number) => void, signal?: AbortSignal): Promise<void> {
  signal?.addEventListener('abort', () => void call('DELETE', `/jobs/${id}`).catch(() => undefined), { once: true })
  for (;;) {
    signal?.throwIfAborted()
    const job = await call<JobReply>('GET', `/jobs/${id}`).catch((error: unknown) => {
      // A lost connection changes nothing of what is being made.
      if (error instanceof ApiError && (error.status === 0 || error.status >= 500)) return undefined
      throw error
    })
    if (job?.problem) throw new ApiError(job.problem)
    if (job?.state === 'done') return
    if (job) onProgress(job.progress)
    await new Promise((resolve) => setTimeout(resolve, ASK))
  }
}
