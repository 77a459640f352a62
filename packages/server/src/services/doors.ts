import { createHash } from 'node:crypto'
import { OfferRules, type Look } from '@otter/api'
import type { Correction, WorkTimes } from '@otter/core'
import type { Reader } from '../db/scope.ts'
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
  /** The class that it is set for; null where it is for none. */
  classId: string | null
  times: WorkTimes
  /** What the teacher has said of its questions since it was shared. */
  corrections: readonly Correction[]
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
  /** When the device was last known to be connected, in milliseconds since 1970; null where it never was. */
  heardAt: number | null
  look: Look | null
  /** What the student says of who it is, for the teacher alone. */
  note: string
  /** The name that waits for the teacher's word. */
  heldName: string | null
  /** What brings the student back on another device; null in a link. */
  returnCode: string | null
  teamId: string | null
  /** Which student of the teacher's classes it is; null for a guest. */
  studentId: string | null
}

/** A person as its row has it: `p`, reached by a participant `q`. */
export const PERSON = `p.id AS "personId", q.id AS "participantId", p.name, p.seat, p.removed_at IS NOT NULL
    OR q.removed_at IS NOT NULL AS removed, p.time_factor AS factor, p.returns_to IS NOT NULL OR q.returns_to IS NOT NULL
    AS waits, (extract(epoch FROM q.here_at) * 1000)::float8 AS "heardAt", p.look, p.note, p.held_name AS "heldName",
    p.return_code AS "returnCode", p.team_id AS "teamId",
    p.student_id AS "studentId"`
/** A person's row. */
export type PersonRow = Omit<Person, 'id'> & { personId: string }

/** Returns the person of a row. */
export function personOf(row: PersonRow): Person {
  const { personId, participantId, name, seat, removed, factor, waits, heardAt } = row
  const { look, note, heldName, returnCode, teamId, studentId } = row
  return {
    id: personId,
    participantId,
    name,
    seat,
    removed,
    factor,
    waits,
    heardAt,
    look,
    note,
    heldName,
    returnCode,
    teamId,
    studentId,
  }
}

/** A student who is signed in on a device. */
export interface SignedIn {
  studentId: string
  name: string
  sessionHash: string
}

/** Who stands at a door: with an offer's code and perhaps a token, or as one who is known to be in. */
export type Caller =
  | { code: string; token: string | undefined; signedIn?: SignedIn }
  | { offerId: string; participantId: string | null }

/** How long an offer has been paused in all, in milliseconds. */
export const PAUSED = `(o.paused_ms + coalesce(extract(epoch FROM clock_timestamp() - o.paused_at) * 1000, 0))::float8`
/** The database's clock, in milliseconds since 1970. */
export const NOW = 'floor(extract(epoch FROM clock_timestamp()) * 1000)::float8'
const inMilliseconds = (moment: string): string => `floor(extract(epoch FROM ${moment}) * 1000)::float8`

const FIELDS = `o.id, o.code, o.open AND (o.opens_at IS NULL OR o.opens_at <= now()) AND (o.closes_at IS NULL
    OR o.closes_at > now()) AS open, v.id AS "versionId", v.correction, o.rules, m.calls, ${NOW} AS now, ${PAUSED} AS paused,
    o.class_id AS "classId", o.corrections,
    ${inMilliseconds('o.opens_at')} AS "opensAt", ${inMilliseconds('o.due_at')} AS "dueAt", ${inMilliseconds('o.closes_at')} AS "closesAt",
    s.state AS session, s.revision, s.version AS "sessionVersion", ${PERSON}`
const TABLES = `offers o JOIN offer_games m ON m.offer_id = o.id AND m.position = 0 JOIN game_versions v
    ON v.id = m.game_version_id LEFT JOIN live_sessions s ON s.offer_id = o.id`
const OF_PERSON = 'LEFT JOIN participants p ON p.id = coalesce(q.merged_into, q.id)'

/** Returns the statements that find a door, by code or by id, with more columns about the person `p`. */
function doorStatements(more: string): { byCode: string; byId: string } {
  return {
    byCode: `SELECT ${FIELDS}${more} FROM ${TABLES} LEFT JOIN (devices d JOIN participants q ON q.id = d.participant_id)
      ON d.token_hash = $hash AND q.offer_id = o.id AND (d.session_hash IS NULL OR EXISTS (SELECT 1
        FROM student_sessions z WHERE z.token_hash = d.session_hash AND z.expires_at > now())) ${OF_PERSON} WHERE o.code = $code
      AND o.rules ->> 'type' IS DISTINCT FROM 'wall'`,
    byId: `SELECT ${FIELDS}${more} FROM ${TABLES} LEFT JOIN participants q ON q.id = $participantId::uuid
      AND q.offer_id = o.id ${OF_PERSON} WHERE o.id = $offerId`,
  }
}

const DOOR = doorStatements('')

/** The door of a caller, and what else was asked of the person there. */
interface Found<More> {
  offer: OpenOffer
  person: Person | undefined
  more: More
}

/** Returns the offer of a caller, and who it is there. Throws a Problem where there is no such offer. */
export async function findDoor(
  scope: Reader,
  caller: Caller,
): Promise<{ offer: OpenOffer; person: Person | undefined }> {
  return findDoorBy(scope, caller, DOOR)
}

/** Returns how a door is found together with more about the person `p` there: columns in parentheses, with their names. */
export function findingDoorWith<More extends object>(
  columns: string,
  names: readonly (keyof More & string)[],
): (scope: Reader, caller: Caller) => Promise<Found<More>> {
  const statements = doorStatements(`, ${columns}`)
  return (scope, caller) => findDoorBy<More>(scope, caller, statements, names)
}

async function findDoorBy<More extends object>(
  scope: Reader,
  caller: Caller,
  { byCode, byId }: ReturnType<typeof doorStatements>,
  names: readonly (keyof More & string)[] = [],
): Promise<Found<More>> {
  const [door] = await scope.query<DoorRow & { [Field in keyof PersonRow]: PersonRow[Field] | null } & More>(
    'code' in caller ? byCode : byId,
    'code' in caller
      ? { code: caller.code, hash: caller.token === undefined ? null : hashOf(caller.token) }
      : { ...caller },
  )
  if (!door) throw new Problem(404, 'no-such-link')
  const {
    id,
    code,
    open,
    versionId,
    correction,
    rules,
    now,
    paused,
    calls,
    classId,
    opensAt,
    dueAt,
    closesAt,
    session,
    revision,
    sessionVersion,
    corrections,
    ...rest
  } = door
  return {
    offer: {
      id,
      code,
      open,
      versionId,
      correction,
      rules: OfferRules.parse(rules),
      now: scope.moment ?? now,
      paused,
      calls,
      classId,
      times: { opensAt, dueAt, closesAt },
      corrections,
      live: session === null ? null : storedSession(session, revision, sessionVersion),
    },
    person: rest.personId === null ? undefined : personOf(rest as unknown as PersonRow),
    more: Object.fromEntries(names.map((name) => [name, door[name]])) as More,
  }
}

type DoorRow = Omit<OpenOffer, 'live' | 'times'> &
  WorkTimes & {
    session: unknown
    revision: number
    sessionVersion: number
  }

/** Returns what is kept of a token. */
export function hashOf(token: string): string {
  return createHash('sha256').update(token).digest('base64')
}

/**
 * Returns whose token it is, in an offer that is open. Throws a Problem where the offer is closed or the person may not
 * play.
 */
export async function enter(scope: Reader, caller: Caller): Promise<{ offer: OpenOffer; person: Person }> {
  return letIn(await findDoor(scope, caller))
}

/** Returns why nobody can play now: the offer is not open yet, or is closed. */
export function closedOffer({ times, now }: OpenOffer): Problem {
  return new Problem(403, times.opensAt !== null && now < times.opensAt ? 'not-yet' : 'link-closed')
}

/** Returns who may play. Throws a Problem where the offer is closed or the person may not play. */
export function letIn({ offer, person }: { offer: OpenOffer; person: Person | undefined }): {
  offer: OpenOffer
  person: Person
} {
  if (!person) throw new Problem(401, 'who-are-you')
  if (person.removed) throw new Problem(403, 'taken-out')
  if (person.waits) throw new Problem(403, 'waits')
  if (!offer.open) throw closedOffer(offer)
  return { offer, person }
}
