import { cleanText } from '@otter/core'
import { z } from 'zod'

const Email = z
  .email('That is not an e-mail address')
  .max(254)
  .transform((email) => email.toLowerCase())

export const SignIn = z.object({ email: Email, password: z.string().min(1, 'Type your password').max(200) })
export type SignIn = z.infer<typeof SignIn>

export const SignUp = z.object({
  name: z
    .string()
    .transform((name) => cleanText(name).trim())
    .pipe(z.string().min(1, 'Type your name').max(100)),
  email: Email,
  password: z.string().min(10, 'Use at least 10 characters').max(200),
})
export type SignUp = z.infer<typeof SignUp>

/** Who is signed in. */
export interface TeacherReply {
  id: string
  name: string
  email: string
}

/** What anyone may know before signing in. */
export interface SessionReply {
  teacher: TeacherReply | null
  /** Whether sample data is loaded and the sample teacher can be signed in with one press. */
  sample: boolean
}
