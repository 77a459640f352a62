import type { ProblemCode, ProblemDetails } from '@otter/api'
import { ZodError, type core } from 'zod'
import { isProblemCode, problemTitle } from './texts.ts'

/** An error that a person caused and can mend: it becomes problem details. */
export class Problem extends Error {
  readonly status: number
  readonly code: ProblemCode
  readonly values: Record<string, string | number>
  readonly path: string | undefined
  readonly game: ProblemDetails['game']

  /** @param about what stands in the sentence, which field it is about, and why a game can't be made */
  constructor(status: number, code: ProblemCode, about: Pick<ProblemDetails, 'values' | 'path' | 'game'> = {}) {
    super(problemTitle(code, about.values))
    this.name = 'Problem'
    this.status = status
    this.code = code
    this.values = about.values ?? {}
    this.path = about.path
    this.game = about.game
  }

  details(): ProblemDetails {
    const { status, code, values, path, game } = this
    return {
      status,
      title: this.message,
      code,
      ...(Object.keys(values).length === 0 ? {} : { values }),
      ...(path === undefined ? {} : { path }),
      ...(game === undefined ? {} : { game }),
    }
  }
}

/** Returns a problem for a row that is not there, or is another's: the two are told apart to nobody. */
export function notFound(): Problem {
  return new Problem(404, 'not-found')
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
  if (error instanceof ZodError) return problemOfIssue(error.issues[0]!)
  const { status, name } = error as { status?: unknown; name?: unknown }
  const code = codeOf(error)
  if (FULL.has(code)) return new Problem(507, 'disk-full')
  if (ENDING.has(code) || (typeof name === 'string' && UNREACHABLE.test(name))) return new Problem(503, 'no-database')
  if (status === 413) return new Problem(413, 'too-big')
  if (typeof status === 'number' && status >= 400 && status < 500) return new Problem(status, 'unreadable')
  return new Problem(500, 'failed')
}

/** Returns what a schema found wrong: by the code that it names, or by the kind of fault. */
function problemOfIssue(issue: core.$ZodIssue): Problem {
  const path = issue.path.join('.')
  if (isProblemCode(issue.message)) return new Problem(400, issue.message, { path })
  if (issue.code === 'too_big') return new Problem(400, 'too-much', { path, values: { most: Number(issue.maximum) } })
  if (issue.code === 'too_small')
    return new Problem(400, 'too-little', { path, values: { least: Number(issue.minimum) } })
  if (issue.code === 'unrecognized_keys')
    return new Problem(400, 'unknown-field', {
      path: [...issue.path, ...issue.keys.slice(0, 1)].join('.'),
      values: { name: issue.keys[0]! },
    })
  return new Problem(400, 'invalid', { path })
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
