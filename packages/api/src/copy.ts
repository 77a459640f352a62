import { z } from 'zod'

/** Lets colleagues take copies of a list, with its set work or without, by a link. */
export const GiveList = z.object({ withWork: z.boolean() })
export type GiveList = z.input<typeof GiveList>

/** How a list is given to colleagues, and where it comes from itself. */
export const GivingReply = z.object({
  /** By which colleagues take a copy; null where nobody can. */
  code: z.string().nullable(),
  withWork: z.boolean(),
  /** Whose list this one is a copy of, as they were called then; null where it is none. */
  origin: z.object({ title: z.string(), teacher: z.string() }).nullable(),
})
export type GivingReply = z.infer<typeof GivingReply>

/** A list that a colleague gives. */
export const GivenReply = z.object({
  title: z.string(),
  teacher: z.string(),
  entries: z.number().int(),
  /** Pieces of set work that come along. */
  work: z.number().int(),
})
export type GivenReply = z.infer<typeof GivenReply>

/** Takes a copy, under an id that the screen has drawn: sent again, it is taken once. */
export const TakeCopy = z.object({ id: z.uuid() })
export type TakeCopy = z.input<typeof TakeCopy>
