import { cleanText } from '@otter/core'
import { z } from 'zod'
import { LANGUAGE_CODES } from './languages.ts'

const Email = z
  .email('not-an-email')
  .max(254)
  .transform((email) => email.toLowerCase())

export const SignIn = z.object({ email: Email, password: z.string().min(1, 'type-password').max(200) })
export type SignIn = z.infer<typeof SignIn>

export const SignUp = z.object({
  name: z
    .string()
    .transform((name) => cleanText(name).trim())
    .pipe(z.string().min(1, 'type-name').max(100)),
  email: Email,
  password: z.string().min(10, 'longer-password').max(200),
})
export type SignUp = z.infer<typeof SignUp>

/** Who is signed in. */
export const TeacherReply = z.object({
  id: z.uuid(),
  name: z.string(),
  email: z.string(),
  /** The language of the screens; null for the browser's. */
  language: z.enum(LANGUAGE_CODES).nullable(),
})
export type TeacherReply = z.infer<typeof TeacherReply>

/** Changes what a teacher has chosen for all screens. */
export const ChangeTeacher = z.object({ language: z.enum(LANGUAGE_CODES).nullable() })
export type ChangeTeacher = z.infer<typeof ChangeTeacher>

/** What anyone may know before signing in. */
export const SessionReply = z.object({
  teacher: TeacherReply.nullable(),
  /** Whether sample data is loaded and the sample teacher can be signed in with one press. */
  sample: z.boolean(),
})
export type SessionReply = z.infer<typeof SessionReply>
