import type { Request } from 'express'
import { z } from 'zod'
import type { Database } from '../db/database.ts'
import { Problem } from '../problem.ts'
import type { Workers } from '../workers/pool.ts'

/** What routes work with. */
export interface Context {
  database: Database
  workers: Workers
  /** E-mail address of the sample teacher, where sample data is loaded. */
  sampleTeacher: string | undefined
}

declare module 'express-session' {
  interface SessionData {
    teacherId?: string
  }
}

/** Gives the id of the teacher who is signed in. Throws a Problem where nobody is. */
export function teacherOf(request: Request): string {
  const { teacherId } = request.session
  if (teacherId === undefined) throw new Problem(401, 'You are not signed in, or have been for too long. Sign in again.')
  return teacherId
}

/** Parses an id in a path. Throws a ZodError, which becomes problem details. */
export function idOf(request: Request, name = 'id'): string {
  return z.uuid().parse(request.params[name])
}
