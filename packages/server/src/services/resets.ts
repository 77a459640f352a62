import { createHash, randomBytes } from 'node:crypto'
import type { TeacherReply } from '@otter/api'
import type { Scope } from '../db/scope.ts'
import { Problem } from '../problem.ts'
import { endSessions } from './accounts.ts'
import { writeMail } from './mails.ts'
import { findTeacher, findTeacherByEmail } from './teachers.ts'

/** How long a mail opens an account. */
const KEPT = '1 hour'

/**
 * Writes a mail by which a teacher can choose a new password; nothing, and that is told to nobody, where there is no
 * such account, or where it is the one that everybody shares.
 */
export async function askReset(scope: Scope, email: string, siteAddress: string): Promise<void> {
  const teacher = await findTeacherByEmail(scope, email)
  if (!teacher || teacher.isSample) return
  const token = randomBytes(24).toString('base64url')
  await scope.query(
    `INSERT INTO password_resets (token_hash, teacher_id, expires_at)
      VALUES ($hash, $teacherId, now() + interval '${KEPT}')`,
    { hash: hashOf(token), teacherId: teacher.id },
  )
  // Behind the sign of a fragment, it stands in no server's log.
  await writeMail(scope, teacher, 'reset', { address: `${siteAddress}/new-password#${token}` })
}

/** Returns whose password a token may replace. Throws a Problem where it was used, or is too old. */
export async function findReset(scope: Scope, token: string): Promise<TeacherReply> {
  const [reset] = await scope.query<{ teacherId: string }>(
    `SELECT teacher_id AS "teacherId" FROM password_resets
      WHERE token_hash = $hash AND used_at IS NULL AND expires_at > now()`,
    { hash: hashOf(token) },
  )
  const teacher = reset && (await findTeacher(scope, reset.teacherId))
  if (!teacher) throw new Problem(410, 'old-reset')
  return teacher
}

/**
 * Replaces a password, once for each token, and ends all sessions and all other tokens of the account. Throws a Problem
 * where the token was used meanwhile.
 */
export async function useReset(scope: Scope, token: string, passwordHash: string): Promise<TeacherReply> {
  const teacher = await findReset(scope, token)
  const used = await scope.query(
    `UPDATE password_resets SET used_at = now() WHERE token_hash = $hash AND used_at IS NULL RETURNING token_hash`,
    { hash: hashOf(token) },
  )
  if (used.length === 0) throw new Problem(410, 'old-reset')
  await scope.query('UPDATE password_resets SET used_at = now() WHERE teacher_id = $id AND used_at IS NULL', {
    id: teacher.id,
  })
  await scope.tables.teachers.update({ passwordHash }, { where: { id: teacher.id } })
  await endSessions(scope, teacher.id)
  return teacher
}

/** Deletes tokens that open nothing any more. */
export async function dropOldResets(scope: Scope): Promise<void> {
  await scope.query('DELETE FROM password_resets WHERE expires_at < now()')
}

/** Who reads the database can open no account with it. */
function hashOf(token: string): string {
  return createHash('sha256').update(token).digest('base64url')
}
