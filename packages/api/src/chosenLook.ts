import { z } from 'zod'
import { LOOK_PARTS } from './look.ts'

/** How a student's otter looks: numbers of its parts, from 0. */
export const Look = z.strictObject({
  fur: z
    .number()
    .int()
    .min(0)
    .max(LOOK_PARTS.fur - 1),
  hat: z
    .number()
    .int()
    .min(0)
    .max(LOOK_PARTS.hat - 1),
  thing: z
    .number()
    .int()
    .min(0)
    .max(LOOK_PARTS.thing - 1),
})
export type Look = z.infer<typeof Look>
