import { randomBytes, randomUUID } from 'node:crypto'
import type { JoinOffer } from '@otter/api'
import type { z } from 'zod'
import type { Scope, TeacherScope } from '../db/scope.ts'
import { notFound, Problem } from '../problem.ts'
import { hashOf, PERSON, personOf, type Person, type PersonRow } from './doors.ts'
import { holdOffer, mergeParticipant } from './participantChanges.ts'
import { takeSeat, participantOf } from './seats.ts'

/** Who wants to come in, under which name. */
type Joining = Pick<z.output<typeof JoinOffer>, 'same' | 'requestId'> & {
  name: string
  /** The student of the class whose name was tapped: told apart by that, not by the name. */
  studentId?: string
  /** By how much longer this student may take. */
  factor?: number
}

/** Most students whom one browser can bring into an offer. */
const MAX_OF_BROWSER = 8

/**
 * Adds a student to an offer; returns the person and the token that the device keeps. Throws a Problem where there is
 * no room, or where somebody has the name already and it is not said who this is: the same student, who then waits for
 * the teacher's word, or another one, who is told apart by a number.
 */
export async function addParticipant(
  scope: Scope,
  offerId: string,
  { name: typed, same, requestId, studentId, factor = 1 }: Joining,
  browser: string | undefined,
): Promise<{ person: Person; token: string }> {
  const browserHash = browser === undefined ? null : hashOf(browser)
  // The offer's row is held: two who come at once with one name, or one request that comes twice, see each other.
  await scope.query('SELECT 1 FROM offers WHERE id = $offerId FOR NO KEY UPDATE', { offerId })
  const known = await knownHere(scope, offerId, { name: typed, same, requestId, studentId, browserHash })
  if (known) return { person: known, token: await addDevice(scope, known.participantId, browserHash) }
  const { count } = (
    await scope.query<{ count: number }>(
      `SELECT count(DISTINCT p.id)::int AS count FROM devices d JOIN participants p ON p.id = d.participant_id
      WHERE d.browser_hash = $browserHash AND p.offer_id = $offerId`,
      { browserHash, offerId },
    )
  )[0]!
  if (count >= MAX_OF_BROWSER) throw new Problem(403, 'link-full')
  const seat = await takeSeat(scope, offerId)
  const { name, returnsTo } =
    studentId === undefined
      ? await nameFor(scope, offerId, typed, same)
      : { name: typed, returnsTo: (await participantOf(scope, offerId, studentId)) ?? null }
  const id = randomUUID()
  const waits = returnsTo !== null
  const student = waits ? null : (studentId ?? null)
  const person: Person = { ...NEWCOMER, id, participantId: id, name, seat, waits, factor, studentId: student }
  await scope.query(
    `INSERT INTO participants (id, offer_id, seat, name, returns_to, request_id, student_id, time_factor) VALUES ($id,
      $offerId, $seat, $name, $returnsTo::uuid, $requestId::uuid, $studentId::uuid, $factor)`,
    { id, offerId, seat, name, factor, returnsTo, requestId: requestId ?? null, studentId: student },
  )
  return { person, token: await addDevice(scope, person.participantId, browserHash) }
}

/**
 * Brings a student who has signed in into an offer, on any device as the same person; returns the token that this one
 * keeps, which is worth nothing once the student is signed out there.
 */
export async function enterStudent(
  scope: Scope,
  offerId: string,
  { studentId, name, sessionHash, factor }: { studentId: string; name: string; sessionHash: string; factor: number },
): Promise<{ participantId: string; token: string }> {
  await scope.query('SELECT 1 FROM offers WHERE id = $offerId FOR NO KEY UPDATE', { offerId })
  const known = await participantOf(scope, offerId, studentId)
  const participantId = known ?? randomUUID()
  if (!known)
    await scope.query(
      `INSERT INTO participants (id, offer_id, seat, name, student_id, time_factor) VALUES ($participantId, $offerId,
        $seat, $name, $studentId, $factor)`,
      { participantId, offerId, seat: await takeSeat(scope, offerId), name, studentId, factor },
    )
  return { participantId, token: await addDevice(scope, participantId, null, sessionHash) }
}

/** What a person is at first. */
const NEWCOMER = {
  removed: false,
  factor: 1,
  heardAt: null,
  look: null,
  note: '',
  heldName: null,
  returnCode: null,
  teamId: null,
  studentId: null,
}

/** Gives a participant one more device, perhaps for as long as a student is signed in there; returns the token that it keeps. */
export async function addDevice(
  scope: Scope,
  participantId: string,
  browserHash: string | null,
  sessionHash: string | null = null,
): Promise<string> {
  const token = randomBytes(18).toString('base64url')
  await scope.query(
    `INSERT INTO devices (id, participant_id, token_hash, browser_hash, session_hash) VALUES ($id, $participantId, $hash,
      $browserHash, $sessionHash)`,
    { id: randomUUID(), participantId, hash: hashOf(token), browserHash, sessionHash },
  )
  return token
}

/**
 * Returns the student whom a request has brought in before, or who played in this very browser under this name and says
 * nothing of being another one.
 */
async function knownHere(
  scope: Scope,
  offerId: string,
  { name, same, requestId, studentId, browserHash }: Joining & { browserHash: string | null },
): Promise<Person | undefined> {
  const [known] = await scope.query<PersonRow>(
    `SELECT ${PERSON} FROM participants q JOIN participants p ON p.id = coalesce(q.merged_into, q.id)
      WHERE q.offer_id = $offerId AND p.removed_at IS NULL AND (q.request_id = $requestId::uuid
        OR ($named AND CASE WHEN $studentId::uuid IS NULL THEN lower(q.name) = lower($name)
          ELSE p.student_id = $studentId END AND q.returns_to IS NULL AND EXISTS (SELECT 1 FROM devices d
          WHERE d.participant_id = q.id AND d.browser_hash = $browserHash)))
      ORDER BY q.request_id IS NOT DISTINCT FROM $requestId::uuid DESC, q.seat LIMIT 1`,
    { offerId, name, named: same !== 'other', requestId: requestId ?? null, studentId: studentId ?? null, browserHash },
  )
  return known && personOf(known)
}

/** Returns the name that a student gets, and the participant that it is said to be. */
export async function nameFor(
  scope: Scope,
  offerId: string,
  name: string,
  same: 'back' | 'other' | undefined,
): Promise<{ name: string; returnsTo: string | null }> {
  const named = async (wanted: string): Promise<string | undefined> => {
    const [known] = await scope.query<{ id: string }>(
      `SELECT coalesce(merged_into, id) AS id FROM participants WHERE offer_id = $offerId AND lower(name) = lower($wanted)
        AND removed_at IS NULL AND returns_to IS NULL ORDER BY merged_into IS NOT NULL, seat LIMIT 1`,
      { offerId, wanted },
    )
    return known?.id
  }
  const known = await named(name)
  if (known === undefined) return { name, returnsTo: null }
  if (same === undefined) throw new Problem(409, 'name-here', { path: 'name' })
  if (same === 'back') return { name, returnsTo: known }
  for (let number = 2; ; number++) {
    const told = `${name} ${number}`
    if ((await named(told)) === undefined) return { name: told, returnsTo: null }
  }
}

/**
 * Answers a participant who says to be another: the two become one person, or this one is a student of its own, told
 * apart by a number. Throws a Problem where it is in no offer of the teacher, or asks nothing.
 */
export async function answerReturn(
  scope: TeacherScope,
  offerId: string,
  participantId: string,
  isSame: boolean,
): Promise<void> {
  await holdOffer(scope, offerId)
  const [asking] = await scope.query<{ name: string; into: string }>(
    `SELECT name, returns_to AS into FROM participants WHERE id = $participantId AND offer_id = $offerId
      AND returns_to IS NOT NULL`,
    { participantId, offerId },
  )
  if (!asking) throw notFound()
  const { name } = isSame ? asking : await nameFor(scope, offerId, asking.name, 'other')
  await scope.query('UPDATE participants SET returns_to = NULL, name = $name WHERE id = $participantId', {
    participantId,
    name,
  })
  if (isSame) await mergeParticipant(scope, offerId, participantId, asking.into)
}
