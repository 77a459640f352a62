import { cleanText, MAX_STANDARD } from '@otter/core'
import { z } from 'zod'

/** A code of a curriculum standard, with what it means. */
const Standard = z.object({
  code: z
    .string()
    .max(MAX_STANDARD * 2)
    .transform((code) => cleanText(code).trim())
    .pipe(z.string().min(1).max(MAX_STANDARD)),
  label: z
    .string()
    .max(1000)
    .transform((label) => cleanText(label).replace(/\s+/gu, ' ').trim().slice(0, 500)),
})
/** All standards whose meaning a teacher has said. */
export const StandardsReply = z.object({ standards: z.array(z.object({ code: z.string(), label: z.string() })) })
export type StandardsReply = z.infer<typeof StandardsReply>
/** Says what standards mean; an empty label forgets one. */
export const SaveStandards = z.object({ standards: z.array(Standard).min(1).max(5000) })
export type SaveStandards = z.input<typeof SaveStandards>
