import { randomBytes, randomUUID } from 'node:crypto'
import type { ChangeParticipant, JoinOffer } from '@otter/api'
import type { z } from 'zod'
import type { Scope, TeacherScope } from '../db/scope.ts'
import { notFound, Problem } from '../problem.ts'
import { SAME_STUDENT } from './sameStudent.ts'
import { hashOf, PERSON, personOf, type Person, type PersonRow } from './doors.ts'

/** Who wants to come in, under which name. */
type Joining = Pick<z.output<typeof JoinOffer>, 'same' | 'requestId'> & {
  name: string
  /** The student of the class whose name was tapped: told apart by that, not by the name. */
  studentId?: string
  /** By how much longer this student may take. */
  factor?: number
}

/** Most students in one offer, and most whom one browser can bring in. */
const MAX_SEATS = 1000
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

async function takeSeat(scope: Scope, offerId: string): Promise<number> {
  const [offer] = await scope.query<{ seats: number }>(
    'UPDATE offers SET seats = seats + 1 WHERE id = $offerId AND seats < $most RETURNING seats',
    { offerId, most: MAX_SEATS },
  )
  if (!offer) throw new Problem(403, 'link-full')
  return offer.seats
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

/** Returns the participant that a student is in an offer; undefined where the student has not come. */
async function participantOf(scope: Scope, offerId: string, studentId: string): Promise<string | undefined> {
  const [known] = await scope.query<{ id: string }>(
    `SELECT id FROM participants WHERE offer_id = $offerId AND merged_into IS NULL AND student_id = ANY (${SAME_STUDENT})
      ORDER BY student_id <> $studentId LIMIT 1`,
    { offerId, studentId },
  )
  return known?.id
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

/**
 * Holds a teacher's offer, and makes those who watch its results read them again. Throws a Problem where it is
 * another's.
 */
export async function holdOffer(scope: TeacherScope, offerId: string): Promise<void> {
  const [offer] = await scope.query(
    'UPDATE offers SET changed_at = clock_timestamp() WHERE id = $offerId AND teacher_id = $teacherId RETURNING id',
    { offerId, teacherId: scope.teacherId },
  )
  if (!offer) throw notFound()
}

/**
 * Renames a participant, takes one out or lets one back in. Throws a Problem where it is in no offer of the teacher.
 */
export async function changeParticipant(
  scope: TeacherScope,
  offerId: string,
  participantId: string,
  { name, removed, factor }: z.output<typeof ChangeParticipant>,
): Promise<void> {
  await holdOffer(scope, offerId)
  const [changed] = await scope.query(
    `UPDATE participants SET name = coalesce($name, name), removed_at = CASE WHEN $removed::boolean IS NULL
      THEN removed_at WHEN $removed::boolean THEN coalesce(removed_at, now()) END,
      time_factor = coalesce($factor, time_factor)
     WHERE id = $participantId AND offer_id = $offerId RETURNING id`,
    { participantId, offerId, name: name ?? null, removed: removed ?? null, factor: factor ?? null },
  )
  if (!changed) throw notFound()
  if (factor !== undefined) await reckonAgain(scope, offerId, participantId)
}

/**
 * Has the deadlines of an offer's plays worked out again, of one participant or of all: how their clocks run has changed.
 */
export async function reckonAgain(scope: Scope, offerId: string, participantId: string | null): Promise<void> {
  await scope.query(
    `UPDATE plays SET due_at = clock_timestamp() WHERE offer_id = $offerId AND due_at IS NOT NULL
      AND ($participantId::uuid IS NULL OR participant_id IN (SELECT id FROM participants
        WHERE id = $participantId OR merged_into = $participantId))`,
    { offerId, participantId },
  )
}

/**
 * Says that a participant is the same person as another, or takes that back: attempts are counted together, and nothing
 * is moved.
 */
export async function mergeParticipant(
  scope: TeacherScope,
  offerId: string,
  participantId: string,
  into: string | null,
): Promise<void> {
  await holdOffer(scope, offerId)
  const [target] =
    into === null
      ? [{ id: null }]
      : await scope.query<{ id: string | null }>(
          'SELECT coalesce(merged_into, id) AS id FROM participants WHERE id = $into AND offer_id = $offerId',
          { into, offerId },
        )
  if (!target) throw notFound()
  if (target.id === participantId) throw new Problem(409, 'same-student')
  // Who was put together with a student of the class is that student, and is not when the two are told apart again.
  if (target.id === null)
    await scope.query(
      `UPDATE participants w SET student_id = NULL FROM participants p WHERE p.id = $participantId
        AND w.id = p.merged_into AND w.student_id = p.student_id`,
      { participantId },
    )
  const [merged] = await scope.query(
    'UPDATE participants SET merged_into = $into WHERE id = $participantId AND offer_id = $offerId RETURNING id',
    { into: target.id, participantId, offerId },
  )
  if (!merged) throw notFound()
  // Who was merged into this one goes along: pointers are one step long.
  if (target.id !== null) {
    await scope.query('UPDATE participants SET merged_into = $into WHERE merged_into = $participantId', {
      into: target.id,
      participantId,
    })
    await scope.query(
      `UPDATE participants w SET student_id = p.student_id FROM participants p WHERE p.id = $participantId
        AND w.id = $into AND w.student_id IS NULL AND p.student_id IS NOT NULL`,
      { participantId, into: target.id },
    )
  }
}

/**
 * Says that a guest is a student of the class that the offer is set for, whether or not that student has come: their
 * attempts are counted together, and it can be taken back. Throws a Problem where either is not there.
 */
export async function guestIsStudent(
  scope: TeacherScope,
  offerId: string,
  participantId: string,
  studentId: string,
): Promise<void> {
  await holdOffer(scope, offerId)
  const [student] = await scope.query<{ name: string }>(
    `SELECT s.name FROM offers o JOIN enrollments e ON e.class_id = o.class_id AND e.state = 'in'
      JOIN students s ON s.id = e.student_id WHERE o.id = $offerId AND s.id = $studentId`,
    { offerId, studentId },
  )
  if (!student) throw notFound()
  const known = await participantOf(scope, offerId, studentId)
  const id = known ?? randomUUID()
  if (!known)
    await scope.query(
      'INSERT INTO participants (id, offer_id, seat, name, student_id) VALUES ($id, $offerId, $seat, $name, $studentId)',
      { id, offerId, seat: await takeSeat(scope, offerId), name: student.name, studentId },
    )
  await mergeParticipant(scope, offerId, participantId, id)
}

/**
 * Gives an attempt back: it no longer counts, and the student may begin it anew. Returns whose it was. Throws a Problem where it is in no
 * offer of the teacher.
 */
export async function giveAttemptBack(scope: TeacherScope, offerId: string, playId: string): Promise<string> {
  await holdOffer(scope, offerId)
  const [play] = await scope.query<{ participantId: string; personId: string }>(
    `UPDATE plays SET given_back_at = coalesce(given_back_at, now()) WHERE id = $playId AND offer_id = $offerId
      RETURNING participant_id AS "participantId", (SELECT coalesce(p.merged_into, p.id) FROM participants p
        WHERE p.id = participant_id) AS "personId"`,
    { playId, offerId },
  )
  if (!play) throw notFound()
  // Its answers were perhaps the first ones: then the next ones are now.
  await scope.query('UPDATE responses SET is_first = false WHERE play_id = $playId', { playId })
  await scope.query(
    `UPDATE responses r SET is_first = true FROM (
       SELECT DISTINCT ON (s.entry_id) s.id FROM responses s JOIN plays y ON y.id = s.play_id
       WHERE s.participant_id = $participantId AND s.round = 'first' AND s.reached AND s.withdrawn_at IS NULL
         AND y.given_back_at IS NULL
         AND NOT EXISTS (SELECT 1 FROM responses f WHERE f.participant_id = $participantId
           AND f.entry_id = s.entry_id AND f.is_first)
       ORDER BY s.entry_id, s.id) f WHERE f.id = r.id`,
    { participantId: play.participantId },
  )
  return play.personId
}

/** Deletes a participant with all that was done. Throws a Problem where it is in no offer of the teacher. */
export async function deleteParticipant(scope: TeacherScope, offerId: string, participantId: string): Promise<void> {
  await holdOffer(scope, offerId)
  const [gone] = await scope.query(
    'DELETE FROM participants WHERE id = $participantId AND offer_id = $offerId RETURNING id',
    { participantId, offerId },
  )
  if (!gone) throw notFound()
}
