import { randomUUID } from 'node:crypto'
import type { MailReply, TeacherReply } from '@otter/api'
import type { Scope } from '../db/scope.ts'
import { mailWords, type MailKind } from '../texts.ts'

/** How long mails are kept. */
const KEPT = '7 days'
/** Most mails that are shown. */
const MOST_SHOWN = 100
/** How often a mail is tried; the wait doubles each time, from a minute on. */
const MOST_TRIES = 8
/** After this long a mail is sent no more: who sets up a mail server sends no old ones. */
const SENT_WITHIN = '1 day'

/** Writes a mail to a teacher, within the scope's transaction, in her language; it is sent afterwards, or read out. */
export async function writeMail(
  scope: Scope,
  { name, email, language }: Pick<TeacherReply, 'name' | 'email' | 'language'>,
  kind: MailKind,
  values: Record<string, string> = {},
): Promise<void> {
  const { subject, text } = mailWords(language ?? 'en', kind, { name, ...values })
  await scope.query('INSERT INTO mails (id, recipient, subject, text) VALUES ($id, $email, $subject, $text)', {
    id: randomUUID(),
    email,
    subject,
    text,
  })
}

/** Returns the mails of the last days, the newest first. */
export function readMails(scope: Scope): Promise<MailReply[]> {
  return scope.query<MailReply>(
    `SELECT id, recipient AS "to", subject, text, created_at AS "createdAt", sent_at AS "sentAt" FROM mails
      ORDER BY created_at DESC, id LIMIT ${MOST_SHOWN}`,
  )
}

/** A mail to be sent. */
export interface WaitingMail {
  id: string
  to: string
  subject: string
  text: string
}

/**
 * Returns a mail that waits, and puts off its next try, so that no other server sends it meanwhile; undefined where
 * none is due.
 */
export async function takeMail(scope: Scope): Promise<WaitingMail | undefined> {
  const [mail] = await scope.query<WaitingMail>(
    `UPDATE mails SET tries = tries + 1, try_after = now() + interval '1 minute' * power(2, tries) WHERE id = (
       SELECT id FROM mails WHERE sent_at IS NULL AND try_after <= now() AND tries < ${MOST_TRIES}
         AND created_at > now() - interval '${SENT_WITHIN}'
       ORDER BY try_after LIMIT 1 FOR UPDATE SKIP LOCKED)
     RETURNING id, recipient AS "to", subject, text`,
  )
  return mail
}

/** Notes that a mail was sent; its text, which may open an account, is kept no longer. */
export async function noteSent(scope: Scope, id: string): Promise<void> {
  await scope.query(`UPDATE mails SET sent_at = now(), text = '' WHERE id = $id`, { id })
}

/** Deletes mails that were kept long enough. */
export async function dropOldMails(scope: Scope): Promise<void> {
  await scope.query(`DELETE FROM mails WHERE created_at < now() - interval '${KEPT}'`)
}
