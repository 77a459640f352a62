import type { Request, Response } from 'express'
import { z } from 'zod'
import { inScope, type Scope, type ScopeSource, type TeacherScope } from '../db/scope.ts'
import type { LiveHub } from '../live/hub.ts'
import { Problem } from '../problem.ts'
import type { Limits } from '../services/limits.ts'
import type { JobRunner } from '../workers/jobRunner.ts'
import type { Mailer } from '../workers/mailer.ts'
import type { Workers } from '../workers/pool.ts'

/** What routes work with. */
export interface Context extends ScopeSource {
  workers: Workers
  jobs: JobRunner
  limits: Limits
  sessionSecret: string
  /** Cost of scrypt for new passwords, as its N. */
  passwordCost: number
  mailer: Mailer
  /** Where teachers find this server, for what stands in mails. */
  siteAddress: string
  /** Where all find this server, as it is set. */
  publicUrl: string | undefined
  live: LiveHub
  /** Whether mails are sent. */
  sendsMail: boolean
  /** What whoever runs the server shows; absent, nothing is shown. */
  operatorSecret: string | undefined
  /** E-mail address of the sample teacher, where sample data is loaded. */
  sampleTeacher: string | undefined
}

declare module 'express-session' {
  interface SessionData {
    teacherId?: string
  }
}

/** Returns the id of the teacher who is signed in. Throws a Problem where nobody is. */
export function teacherOf(request: Request): string {
  const { teacherId } = request.session
  if (teacherId === undefined) throw new Problem(401, 'not-signed-in')
  return teacherId
}

/** Works in a scope of the teacher who is signed in. Throws a Problem where nobody is. */
export async function asTeacher<Value>(
  context: ScopeSource,
  request: Request,
  work: (scope: TeacherScope) => Promise<Value>,
): Promise<Value> {
  return inScope(context, { teacherId: teacherOf(request) }, work)
}

/** Works in a scope of the teacher who is signed in, in which all that is read is of one moment. */
export async function asTeacherReading<Value>(
  context: ScopeSource,
  request: Request,
  work: (scope: TeacherScope) => Promise<Value>,
): Promise<Value> {
  return inScope(context, { teacherId: teacherOf(request), snapshot: true }, work)
}

/** Works in a scope in which no teacher acts. */
export function asAnyone<Value>(context: ScopeSource, work: (scope: Scope<null>) => Promise<Value>): Promise<Value> {
  return inScope(context, { teacherId: null }, work)
}

/** Returns a signal for the work on a request: it stops where the one who asked has left. */
export function whileWaiting(response: Response): AbortSignal {
  const left = new AbortController()
  response.once('close', () => {
    if (!response.writableEnded) left.abort(new Problem(499, 'gave-up'))
  })
  return left.signal
}

/** Parses an id in a path. Throws a ZodError, which becomes problem details. */
export function idOf(request: Request, name = 'id'): string {
  return z.uuid().parse(request.params[name])
}
