import type { GameKind } from '@otter/core'
import type problems from './texts/en/problems.json'

/** Names a problem; screens word it in their own language, by the message file of that name. */
export type ProblemCode = keyof typeof problems

/** What an error reply holds (RFC 9457, application/problem+json). */
export interface ProblemDetails {
  status: number
  /** A sentence for a person, in English; screens word the code. */
  title: string
  code?: ProblemCode
  /** What stands in the sentence, by name. */
  values?: Record<string, string | number>
  /** The field it is about, such as "put.3.answer.text"; absent where it is about none. */
  path?: string
  /** Why a list can't become a game, where that is the problem. */
  game?: { kind: GameKind; code: string; values: Record<string, string | number> }
}
