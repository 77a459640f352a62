import type { ProblemDetails } from '@otter/api'
import { ZodError } from 'zod'

/** An error that a person caused and can mend: it becomes problem details. */
export class Problem extends Error {
  readonly status: number
  readonly path: string | undefined
  /** Names the problem where a screen words it itself, in the student's language. */
  readonly code: string | undefined

  /** @param title a sentence that says what happened and what to do */
  constructor(status: number, title: string, path?: string, code?: string) {
    super(title)
    this.name = 'Problem'
    this.status = status
    this.path = path
    this.code = code
  }

  details(): ProblemDetails {
    return {
      status: this.status,
      title: this.message,
      ...(this.path === undefined ? {} : { path: this.path }),
      ...(this.code === undefined ? {} : { code: this.code }),
    }
  }
}

/** For a row that is not there, or is another's: the two are told apart to nobody. */
export function notFound(what: string): Problem {
  return new Problem(404, `There is no such ${what}, or it is not yours.`)
}

/**
 * Names of the errors by which the database says that it can't be reached, and the codes (SQLSTATE) of a full disk and
 * of a shutdown.
 */
const UNREACHABLE = /^Sequelize(Connection|HostNotReachable|AccessDenied)/u
const FULL = new Set(['53100', 'ENOSPC'])
const ENDING = new Set(['57P01', '57P02', '57P03', 'ECONNREFUSED', 'ECONNRESET', 'EPIPE'])

/** Returns any error as a problem that can be told. */
export function problemFrom(error: unknown): Problem {
  if (error instanceof Problem) return error
  if (error instanceof ZodError) {
    const [issue] = error.issues
    const path = issue.code === 'unrecognized_keys' ? [...issue.path, ...issue.keys.slice(0, 1)] : issue.path
    return new Problem(400, issue.message, path.join('.'))
  }
  const { status, name } = error as { status?: unknown; name?: unknown }
  const code = codeOf(error)
  if (FULL.has(code))
    return new Problem(
      507,
      'The disk of the server is full, so nothing can be saved. What you typed is safe on your screen. Tell whoever runs the server to make room.',
    )
  if (ENDING.has(code) || (typeof name === 'string' && UNREACHABLE.test(name)))
    return new Problem(
      503,
      'The database can’t be reached just now. What you typed is safe on your screen; it is tried again.',
    )
  if (status === 413) return new Problem(413, 'That is more than can be taken at once. Send it in smaller parts.')
  if (typeof status === 'number' && status >= 400 && status < 500)
    return new Problem(status, 'That request could not be read.')
  return new Problem(500, 'Something went wrong here. What you typed is safe on your screen; try again in a moment.')
}

/** Returns the code of a database's or system's error; empty where it has none. */
export function codeOf(error: unknown): string {
  const { code, parent } = (error ?? {}) as { code?: unknown; parent?: { code?: unknown } }
  return String(parent?.code ?? code ?? '')
}

/**
 * Returns what of an error may be logged: a statement's values, and the database's details, carry names and words of
 * people.
 */
export function loggable(error: unknown): { name: string; code: string; reason: string } {
  const { name = '', stack, message } = error instanceof Error ? error : { message: String(error), stack: undefined }
  return { name, code: codeOf(error), reason: stack ?? message }
}
