import { z } from 'zod'
import { Email, NewPassword } from './session.ts'

const Password = z.string().min(1, 'type-password').max(200)

/** Gives an account another e-mail address. */
export const ChangeEmail = z.object({ email: Email, password: Password })
export type ChangeEmail = z.infer<typeof ChangeEmail>

/** Gives an account another password. */
export const ChangePassword = z.object({ password: Password, newPassword: NewPassword })
export type ChangePassword = z.infer<typeof ChangePassword>

/** Deletes an account with all that is in it. */
export const DeleteAccount = z.object({ password: Password })
export type DeleteAccount = z.infer<typeof DeleteAccount>

/** Asks for a mail by which a forgotten password is replaced. */
export const AskReset = z.object({ email: Email })
export type AskReset = z.infer<typeof AskReset>

/** Replaces a forgotten password, by what stood in the mail. */
export const ResetPassword = z.object({ token: z.string().min(1).max(100), password: NewPassword })
export type ResetPassword = z.infer<typeof ResetPassword>

/** For how long results are kept, and what is about to be deleted. */
export const KeepingReply = z.object({
  /** School years beside the one that runs. */
  years: z.number().int(),
  /** Results from before are deleted, a month after the teacher was told. */
  keptSince: z.iso.datetime(),
  /** What is deleted when; null where nothing is. */
  notice: z.object({ deletesAt: z.iso.datetime(), games: z.number().int() }).nullable(),
})
export type KeepingReply = z.infer<typeof KeepingReply>

/** A mail that was written, for whoever runs the server. */
export const MailReply = z.object({
  id: z.uuid(),
  to: z.string(),
  subject: z.string(),
  /** Empty once it was sent. */
  text: z.string(),
  createdAt: z.string(),
  /** When it was handed to the mail server; null where it was not. */
  sentAt: z.string().nullable(),
})
export type MailReply = z.infer<typeof MailReply>
