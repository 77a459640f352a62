import { z } from 'zod'
import { ProblemDetails } from './problem.ts'

/** Long work, such as a PDF: how it stands, and how far it has come, from 0 to 1. */
export const JobReply = z.object({
  id: z.uuid(),
  state: z.enum(['waiting', 'running', 'done', 'failed', 'stopped']),
  progress: z.number().min(0).max(1),
  /** Why it failed. */
  problem: ProblemDetails.nullable(),
})
export type JobReply = z.infer<typeof JobReply>
