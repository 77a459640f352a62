import { randomBytes } from 'node:crypto'
import { LRUCache } from 'lru-cache'
import type { Reader, Scope } from '../db/scope.ts'
import { hashOf, type SignedIn } from './doors.ts'

/** How long a student stays signed in: on a device of the student's own, and on a shared one since it was last used. */
const OWN = '180 days'
const SHARED = '30 minutes'
/** How often a session's time begins anew while its student plays, and how many are remembered for that. */
const kept = new LRUCache<string, true>({ max: 10_000, ttl: 5 * 60_000 })

/** Signs a student in on a device; returns the token that it keeps. */
export async function openSession(scope: Scope, studentId: string, isOwn: boolean): Promise<string> {
  await scope.query('UPDATE students SET wrong_secrets = 0, seen_at = now() WHERE id = $studentId', { studentId })
  const token = randomBytes(18).toString('base64url')
  await scope.query(
    `INSERT INTO student_sessions (token_hash, student_id, is_own, expires_at)
      VALUES ($hash, $studentId, $isOwn, now() + CASE WHEN $isOwn THEN interval '${OWN}' ELSE interval '${SHARED}' END)`,
    { hash: hashOf(token), studentId, isOwn },
  )
  return token
}

/** Returns the student who is signed in by a token; undefined for nobody. A shared device's time begins anew. */
export async function studentOf(scope: Reader, token: string | undefined): Promise<SignedIn | undefined> {
  if (token === undefined) return undefined
  const sessionHash = hashOf(token)
  const [session] = await scope.query<{ studentId: string; name: string }>(
    `UPDATE student_sessions SET expires_at = CASE WHEN is_own THEN expires_at ELSE now() + interval '${SHARED}' END
      FROM students s
      WHERE token_hash = $sessionHash AND expires_at > now() AND s.id = student_id
      RETURNING student_id AS "studentId", s.name`,
    { sessionHash },
  )
  return session && { ...session, sessionHash }
}

/** Begins a shared device's time anew, as its student plays; asked for often, it is done now and then. */
export async function keepOpen(scope: Reader, token: string | undefined): Promise<void> {
  if (token === undefined || kept.has(token)) return
  kept.set(token, true)
  await studentOf(scope, token)
}

/** Signs out whoever is signed in by a token. */
export async function closeSession(scope: Scope, token: string | undefined): Promise<void> {
  if (token !== undefined)
    await scope.query('DELETE FROM student_sessions WHERE token_hash = $hash', { hash: hashOf(token) })
}

/** Deletes sessions that are over, and codes that are worth nothing any more. */
export async function dropOldSessions(scope: Scope): Promise<void> {
  await scope.query('DELETE FROM student_sessions WHERE expires_at < now()')
  await scope.query('DELETE FROM student_links WHERE expires_at < now()')
}
