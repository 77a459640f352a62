import { cleanText } from '@otter/core'
import { z } from 'zod'
import { ParticipantName } from './offer.ts'

/** Most students of one class, and most classes of one teacher. */
export const MOST_IN_CLASS = 300
export const MOST_CLASSES = 200

const Line = z
  .string()
  .max(200)
  .transform((text) => cleanText(text).replace(/\s+/gu, ' ').trim())
  .pipe(z.string().max(60))

const ClassFields = {
  name: ParticipantName,
  grade: Line,
  /** BCP 47 code of the language of its students' screens; empty for each device's own. */
  language: z.string().max(35),
  year: Line,
  /** What its students sign in with: pictures for the young, a word for the older. */
  secret: z.enum(['pictures', 'word']),
  /** Whether students may ask to come in, by the class's code. */
  inviting: z.boolean(),
}

/** What a teacher says of a class. */
export const SaveClass = z.object({
  /** Drawn by the screen: a request that is sent again, since its reply was lost, makes one class. */
  id: z.uuid().optional(),
  name: ClassFields.name,
  grade: ClassFields.grade.default(''),
  language: ClassFields.language.default(''),
  year: ClassFields.year.default(''),
  secret: ClassFields.secret.default('pictures'),
  inviting: ClassFields.inviting.default(false),
})
export type SaveClass = z.input<typeof SaveClass>

/** Changes what is named of a class, archives it or restores it. */
export const ChangeClass = z.object({ ...ClassFields, archived: z.boolean() }).partial()
export type ChangeClass = z.input<typeof ChangeClass>

/** A class as its teachers see it. */
export const ClassReply = z.object({
  id: z.uuid(),
  name: z.string(),
  grade: z.string(),
  language: z.string(),
  year: z.string(),
  secret: z.enum(['pictures', 'word']),
  inviting: z.boolean(),
  /** By which its students sign in. */
  code: z.string(),
  archived: z.boolean(),
  isOwner: z.boolean(),
  students: z.number().int(),
  /** How many wait to be let in. */
  asking: z.number().int(),
})
export type ClassReply = z.infer<typeof ClassReply>

/** A student of a class. */
export const ClassStudent = z.object({
  id: z.uuid(),
  name: z.string(),
  /** Whether the student is in, or waits to be let in. */
  state: z.enum(['in', 'asked']),
  hasSecret: z.boolean(),
  /** Wrong secrets since the last right one. */
  wrongSecrets: z.number().int(),
  /** Others who were put together with this one: they are one student. */
  merged: z.array(z.object({ id: z.uuid(), name: z.string() })),
  lastSeenAt: z.iso.datetime().nullable(),
})
export type ClassStudent = z.infer<typeof ClassStudent>

/** A class with its students and teachers. */
export const ClassDetails = ClassReply.extend({
  roll: z.array(ClassStudent),
  teachers: z.array(z.object({ id: z.uuid(), name: z.string(), isOwner: z.boolean() })),
})
export type ClassDetails = z.infer<typeof ClassDetails>

/** Brings students into a class; the same request brings them in once. */
export const AddStudents = z.object({
  students: z
    .array(z.object({ id: z.uuid(), name: ParticipantName }))
    .min(1)
    .max(MOST_IN_CLASS),
})
export type AddStudents = z.input<typeof AddStudents>

/** Renames a student, lets one in, or forgets a secret, so that a new one is chosen at the next sign-in. */
export const ChangeStudent = z
  .object({ name: ParticipantName, letIn: z.literal(true), forgetSecret: z.literal(true) })
  .partial()
export type ChangeStudent = z.input<typeof ChangeStudent>

/** Says that a student is the same as another of the class; null: is not. */
export const MergeStudent = z.object({ into: z.uuid().nullable() })
export type MergeStudent = z.input<typeof MergeStudent>

/** A code by which a colleague says that a student of hers is this one. */
export const StudentLink = z.object({ code: z.string(), expiresAt: z.iso.datetime() })
export type StudentLink = z.infer<typeof StudentLink>

/** Says that a student is the one of a colleague's code. */
export const JoinByLink = z.object({
  code: z
    .string()
    .max(40)
    .transform((code) => code.replace(/[^a-z0-9]/giu, '').toUpperCase()),
})
export type JoinByLink = z.input<typeof JoinByLink>

/** Says that a guest of an offer is a student of the class it is set for. */
export const GuestIsStudent = z.object({ studentId: z.uuid() })
export type GuestIsStudent = z.input<typeof GuestIsStudent>

/** Shares a class with a colleague, by e-mail address. */
export const ShareClass = z.object({ email: z.string().trim().toLowerCase().max(320) })
export type ShareClass = z.input<typeof ShareClass>
