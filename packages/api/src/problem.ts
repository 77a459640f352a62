import { GAME_KINDS } from '@otter/core'
import { z } from 'zod'
import type problems from './texts/en/problems.json'

/** Names a problem; screens word it in their own language, by the message file of that name. */
export type ProblemCode = keyof typeof problems

const Values = z.record(z.string(), z.union([z.string(), z.number()]))

/** What an error reply holds (RFC 9457, application/problem+json). */
export const ProblemDetails = z.object({
  status: z.number().int(),
  /** A sentence for a person, in English; screens word the code. */
  title: z.string(),
  code: z.custom<ProblemCode>((code) => typeof code === 'string').optional(),
  /** What stands in the sentence, by name. */
  values: Values.optional(),
  /** The field it is about, such as "put.3.answer.text"; absent where it is about none. */
  path: z.string().optional(),
  /** Why a list can't become a game, where that is the problem. */
  game: z.object({ kind: z.enum(GAME_KINDS), code: z.string(), values: Values }).optional(),
})
export type ProblemDetails = z.infer<typeof ProblemDetails>
