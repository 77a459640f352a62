import { createHash } from 'node:crypto'
import { OfferRules } from '@otter/api'
import type { Scope } from '../db/scope.ts'
import { Problem } from '../problem.ts'
import { storedSession, type StoredSession } from './storedSession.ts'

/** An offer as its students reach it: by its code. */
export interface OpenOffer {
  id: string
  code: string
  open: boolean
  /** The version of the game that a new play gets, and how often its key was corrected. */
  versionId: string
  correction: number
  rules: OfferRules
  /** The database's clock, in milliseconds since 1970. */
  now: number
  /** How long it has been paused in all, in milliseconds. */
  paused: number
  /** How many terms were called for all; null where nobody calls. */
  calls: number | null
  /** How its live session stands; null where each plays alone. */
  live: StoredSession | null
}

/** A person in an offer; several participants can be one person. */
export interface Person {
  /** The participant that the others were merged into. */
  id: string
  /** The one whose token it is. */
  participantId: string
  name: string
  seat: number
  removed: boolean
  /** By how much longer this student may take. */
  factor: number
  /** Whether it waits until the teacher says that it is who it says to be. */
  waits: boolean
  /** When the device was last known to be connected, in milliseconds since 1970; null or absent where it never was. */
  heardAt?: number | null
}

/** Who stands at a door: with an offer's code and perhaps a token, or as one who is known to be in. */
export type Caller = { code: string; token: string | undefined } | { offerId: string; participantId: string | null }

/** How long an offer has been paused in all, in milliseconds. */
export const PAUSED = `(o.paused_ms + coalesce(extract(epoch FROM clock_timestamp() - o.paused_at) * 1000, 0))::float8`
/** The database's clock, in milliseconds since 1970. */
export const NOW = 'floor(extract(epoch FROM clock_timestamp()) * 1000)::float8'

const DOOR = `SELECT o.id, o.code, o.open AND (o.opens_at IS NULL OR o.opens_at <= now()) AND (o.closes_at IS NULL
    OR o.closes_at > now()) AS open, v.id AS "versionId", v.correction, o.rules, m.calls, ${NOW} AS now, ${PAUSED} AS paused,
    s.state AS session, s.revision, s.version AS "sessionVersion", p.time_factor AS factor,
    p.id AS "personId", q.id AS "participantId", p.name, p.seat, p.removed_at IS NOT NULL OR q.removed_at IS NOT NULL AS removed,
    p.returns_to IS NOT NULL AS waits, (extract(epoch FROM q.here_at) * 1000)::float8 AS "heardAt"
  FROM offers o JOIN offer_games m ON m.offer_id = o.id AND m.position = 0 JOIN game_versions v
    ON v.id = m.game_version_id LEFT JOIN live_sessions s ON s.offer_id = o.id`
const PERSON = 'LEFT JOIN participants p ON p.id = coalesce(q.merged_into, q.id)'
const BY_CODE = `${DOOR} LEFT JOIN (devices d JOIN participants q ON q.id = d.participant_id) ON d.token_hash = $hash
  AND q.offer_id = o.id ${PERSON} WHERE o.code = $code`
const BY_ID = `${DOOR} LEFT JOIN participants q ON q.id = $participantId::uuid AND q.offer_id = o.id ${PERSON}
  WHERE o.id = $offerId`

/** Returns the offer of a caller, and who it is there. Throws a Problem where there is no such offer. */
export async function findDoor(
  scope: Scope,
  caller: Caller,
): Promise<{ offer: OpenOffer; person: Person | undefined }> {
  const [door] = await scope.query<
    Omit<OpenOffer, 'live'> &
      Omit<Person, 'id'> & { personId: string | null; session: unknown; revision: number; sessionVersion: number }
  >(
    'code' in caller ? BY_CODE : BY_ID,
    'code' in caller
      ? { code: caller.code, hash: caller.token === undefined ? null : hashOf(caller.token) }
      : { ...caller },
  )
  if (!door) throw new Problem(404, 'no-such-link')
  const {
    personId,
    participantId,
    name,
    seat,
    removed,
    factor,
    waits,
    heardAt,
    now,
    session,
    revision,
    sessionVersion,
    ...offer
  } = door
  return {
    offer: {
      ...offer,
      rules: OfferRules.parse(offer.rules),
      now: scope.moment ?? now,
      live: session === null ? null : storedSession(session, revision, sessionVersion),
    },
    person:
      personId === null ? undefined : { id: personId, participantId, name, seat, removed, factor, waits, heardAt },
  }
}

/** Returns what is kept of a token. */
export function hashOf(token: string): string {
  return createHash('sha256').update(token).digest('base64')
}

/**
 * Returns whose token it is, in an offer that is open. Throws a Problem where the offer is closed or the person may not
 * play.
 */
export async function enter(scope: Scope, caller: Caller): Promise<{ offer: OpenOffer; person: Person }> {
  const { offer, person } = await findDoor(scope, caller)
  if (!person) throw new Problem(401, 'who-are-you')
  if (person.removed) throw new Problem(403, 'taken-out')
  if (person.waits) throw new Problem(403, 'waits')
  if (!offer.open) throw new Problem(403, 'link-closed')
  return { offer, person }
}
