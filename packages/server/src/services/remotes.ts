import { randomBytes, randomInt, randomUUID } from 'node:crypto'
import type { RemoteCodeReply } from '@otter/api'
import type { Scope, TeacherScope } from '../db/scope.ts'
import { notFound, Problem } from '../problem.ts'
import { hashOf } from './doors.ts'
import { CODE_LETTERS } from './offers.ts'

const CODE_LENGTH = 8
/** How long a code pairs a device, and how long a remote control steers. */
const CODE_HOLDS = "interval '10 minutes'"
const REMOTE_HOLDS = "interval '12 hours'"

/**
 * Makes a code by which one device becomes a remote control of a game on the wall; one made before holds no more. Throws
 * a Problem where the game is another's.
 */
export async function makeRemoteCode(scope: TeacherScope, offerId: string): Promise<RemoteCodeReply> {
  const code = Array.from({ length: CODE_LENGTH }, () => CODE_LETTERS[randomInt(CODE_LETTERS.length)]).join('')
  await scope.query('DELETE FROM remotes WHERE offer_id = $offerId AND token_hash IS NULL', { offerId })
  const [made] = await scope.query<{ until: Date }>(
    `INSERT INTO remotes (id, offer_id, code_hash, code_until) SELECT $id, o.id, $hash, now() + ${CODE_HOLDS}
      FROM offers o WHERE o.id = $offerId AND o.teacher_id = $teacherId AND o.rules ->> 'type' = 'wall'
      RETURNING code_until AS until`,
    { id: randomUUID(), offerId, teacherId: scope.teacherId, hash: hashOf(code) },
  )
  if (!made) throw notFound()
  return { code, until: made.until.toISOString() }
}

/** Pairs a device by a code, once; returns the token that it steers with. Throws a Problem where the code holds no more. */
export async function pairRemote(scope: Scope, code: string): Promise<{ token: string; offerId: string }> {
  const token = randomBytes(18).toString('base64url')
  const [paired] = await scope.query<{ offerId: string }>(
    `UPDATE remotes SET code_hash = NULL, token_hash = $tokenHash WHERE code_hash = $codeHash AND code_until > now()
      RETURNING offer_id AS "offerId"`,
    { tokenHash: hashOf(token), codeHash: hashOf(code.toUpperCase().replace(/[^A-Z0-9]/gu, '')) },
  )
  if (!paired) throw new Problem(404, 'no-remote-code')
  return { token, offerId: paired.offerId }
}

/** Returns what a remote control steers, and for which teacher. Throws a Problem where it was dropped. */
export async function findRemote(
  scope: Scope,
  token: string | undefined,
): Promise<{ offerId: string; teacherId: string }> {
  const [found] =
    token === undefined
      ? []
      : await scope.query<{ offerId: string; teacherId: string }>(
          `SELECT o.id AS "offerId", o.teacher_id AS "teacherId" FROM remotes r JOIN offers o ON o.id = r.offer_id
            WHERE r.token_hash = $hash AND r.created_at > now() - ${REMOTE_HOLDS}`,
          { hash: hashOf(token) },
        )
  if (!found) throw new Problem(401, 'remote-dropped')
  return found
}

/** Drops all remote controls of a game on the wall. Throws a Problem where it is another's. */
export async function dropRemotes(scope: TeacherScope, offerId: string): Promise<void> {
  const [owned] = await scope.query('SELECT 1 FROM offers WHERE id = $offerId AND teacher_id = $teacherId', {
    offerId,
    teacherId: scope.teacherId,
  })
  if (!owned) throw notFound()
  await scope.query('DELETE FROM remotes WHERE offer_id = $offerId', { offerId })
}
