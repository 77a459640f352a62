import { randomUUID } from 'node:crypto'
import type { ChangeParticipant } from '@otter/api'
import type { z } from 'zod'
import type { Scope, TeacherScope } from '../db/scope.ts'
import { notFound, Problem } from '../problem.ts'
import { takeSeat, participantOf } from './seats.ts'

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
