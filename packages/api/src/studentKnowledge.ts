import { GAME_KINDS } from '@otter/core'
import { z } from 'zod'

const share = z.number().min(0).max(1)

/** What one student knows, over all of the teacher's games. */
export const StudentKnowledge = z.object({
  name: z.string(),
  className: z.string(),
  /** The class's language as its code begins; empty where nobody said. */
  language: z.string(),
  work: z.array(
    z.object({
      offerId: z.uuid(),
      title: z.string(),
      kind: z.enum(GAME_KINDS),
      at: z.iso.datetime(),
      /** Of the best attempt; null where it counts for no score. */
      share: share.nullable(),
      attempts: z.number().int(),
      ended: z.boolean(),
    }),
  ),
  entries: z.array(
    z.object({
      entryId: z.uuid(),
      /** The teacher's list that it is in; null once that is gone. */
      listId: z.uuid().nullable(),
      text: z.string(),
      word: z.enum(['well', 'shaky', 'forgotten', 'not-yet']),
      /** How likely it is recalled now. */
      recall: share,
      answers: z.number().int(),
      right: z.number().int(),
      lastAt: z.iso.datetime(),
    }),
  ),
})
export type StudentKnowledge = z.infer<typeof StudentKnowledge>

/** Sets a student what is not known well, as practice: of one list, under an id that the screen has drawn. */
export const SetPractice = z.object({ requestId: z.uuid(), listId: z.uuid() })
export type SetPractice = z.input<typeof SetPractice>
