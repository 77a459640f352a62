import { z } from 'zod'
import { ParticipantName } from './offer.ts'

/** Most students of one list of names, and most wishes about its teams. */
const MOST_STUDENTS = 300
const MOST_WISHES = 200

const Student = z.object({ id: z.uuid(), name: ParticipantName, absent: z.boolean().default(false) })
const Wish = z.object({ type: z.enum(['together', 'apart']), ids: z.tuple([z.uuid(), z.uuid()]) })

/** Names that a teacher keeps, and what is wished for when teams are made of them. */
export const SaveRoster = z.object({
  name: ParticipantName,
  students: z.array(Student).max(MOST_STUDENTS),
  wishes: z.array(Wish).max(MOST_WISHES).default([]),
})
export type SaveRoster = z.input<typeof SaveRoster>

/** Changes a list of names from the version that the screen had: another window's change is not overwritten. */
export const ChangeRoster = SaveRoster.extend({ version: z.number().int().min(0) })
export type ChangeRoster = z.input<typeof ChangeRoster>

/** A list of names as it is kept, with who was drawn from it so far. */
export const RosterReply = z.object({
  id: z.uuid(),
  name: z.string(),
  students: z.array(z.object({ id: z.uuid(), name: z.string(), absent: z.boolean() })),
  wishes: z.array(Wish),
  /** Counts its changes; draws are none. */
  version: z.number().int(),
  /** How often each was drawn, by id. */
  counts: z.record(z.string(), z.number().int()),
  /** Who was drawn last; null where nobody was, or it was taken back. */
  last: z.uuid().nullable(),
  /** How many of those here have not been drawn since all had been. */
  left: z.number().int(),
})
export type RosterReply = z.infer<typeof RosterReply>

/** Draws a student, once however often it is sent. */
export const DrawName = z.object({ requestId: z.uuid() })
export type DrawName = z.input<typeof DrawName>

/** How well each student of a list did in the teacher's games, by name, and which entries each missed. */
export const RosterKnowledge = z.object({
  students: z.array(z.object({ id: z.uuid(), strength: z.number().nullable(), missed: z.array(z.string()) })),
})
export type RosterKnowledge = z.infer<typeof RosterKnowledge>
