/** What an error reply holds (RFC 9457, application/problem+json). */
export interface ProblemDetails {
  status: number
  /** A sentence for the person. */
  title: string
  /** The field it is about, such as "put.3.answer.text"; absent where it is about none. */
  path?: string
  /** Names the problem where a screen words it itself, in the student's language. */
  code?: string
}
