import type { ProblemDetails } from '@otter/api'

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
    return { status: this.status, title: this.message, ...(this.path === undefined ? {} : { path: this.path }), ...(this.code === undefined ? {} : { code: this.code }) }
  }
}

/** For a row that is not there, or is another's: the two are told apart to nobody. */
export function notFound(what: string): Problem {
  return new Problem(404, `There is no such ${what}, or it is not yours.`)
}
