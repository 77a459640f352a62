import { cleanText } from '@otter/core'
import { z } from 'zod'
import { LANGUAGE_CODES } from './languages.ts'

/** An e-mail address, in small letters. */
export const Email = z
  .email('not-an-email')
  .max(254)
  .transform((email) => email.toLowerCase())

export const SignIn = z.object({ email: Email, password: z.string().min(1, 'type-password').max(200) })
export type SignIn = z.infer<typeof SignIn>

/** What a teacher is called. */
const TeacherName = z
  .string()
  .transform((name) => cleanText(name).trim())
  .pipe(z.string().min(1, 'type-name').max(100))
/** A password that is chosen. */
export const NewPassword = z.string().min(10, 'longer-password').max(200)
/** Name of a time zone of the IANA database, such as "Europe/Paris". */
const TimeZone = z.string().max(60).refine(isTimeZone)

export const SignUp = z.object({
  name: TeacherName,
  email: Email,
  password: NewPassword,
  /** Of the browser. */
  timeZone: TimeZone.optional(),
})
export type SignUp = z.infer<typeof SignUp>

/** Who is signed in. */
export const TeacherReply = z.object({
  id: z.uuid(),
  name: z.string(),
  email: z.string(),
  /** The language of the screens; null for the browser's. */
  language: z.enum(LANGUAGE_CODES).nullable(),
  /** The time zone in which moments are shown; null for the browser's. */
  timeZone: z.string().nullable(),
  /** Whether it is the account of the sample data, which everybody shares. */
  isSample: z.boolean(),
})
export type TeacherReply = z.infer<typeof TeacherReply>

/** Changes a teacher's name, and what she has chosen for all screens. */
export const ChangeTeacher = z.object({
  name: TeacherName.optional(),
  language: z.enum(LANGUAGE_CODES).nullable().optional(),
  timeZone: TimeZone.nullable().optional(),
  /** School years that results are kept, beside the one that runs. */
  keepYears: z.number().int().min(1).max(10).optional(),
})
export type ChangeTeacher = z.infer<typeof ChangeTeacher>

/** What anyone may know before signing in. */
export const SessionReply = z.object({
  teacher: TeacherReply.nullable(),
  /** Whether sample data is loaded and the sample teacher can be signed in with one press. */
  sample: z.boolean(),
  /** Whether mails are sent; where they are not, whoever runs the server reads them out. */
  sendsMail: z.boolean(),
})
export type SessionReply = z.infer<typeof SessionReply>

function isTimeZone(name: string): boolean {
  try {
    new Intl.DateTimeFormat('en', { timeZone: name })
    return true
  } catch {
    return false
  }
}
