import type { ProblemDetails } from './problem.ts'

/** Long work, such as a PDF: how it stands, and how far it has come, from 0 to 1. */
export interface JobReply {
  id: string
  state: 'waiting' | 'running' | 'done' | 'failed' | 'stopped'
  progress: number
  /** Why it failed. */
  problem: ProblemDetails | null
}
