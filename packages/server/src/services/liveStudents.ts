import type { StudentAnswers } from '@otter/api'
import type { TeacherScope } from '../db/scope.ts'
import { notFound } from '../problem.ts'
import { holdOffer } from './participantChanges.ts'
import { nameFor } from './participants.ts'
import { readOffer } from './offers.ts'

/**
 * Lets the name that a student typed in, or leaves the made-up one for good. Throws a Problem where the student is in
 * no session of the teacher, or no name is held.
 */
export async function answerName(
  scope: TeacherScope,
  offerId: string,
  participantId: string,
  allowed: boolean,
): Promise<void> {
  await holdOffer(scope, offerId)
  const [asking] = await scope.query<{ heldName: string }>(
    `SELECT held_name AS "heldName" FROM participants WHERE id = $participantId AND offer_id = $offerId
      AND held_name IS NOT NULL`,
    { participantId, offerId },
  )
  if (!asking) throw notFound()
  const name = allowed ? (await nameFor(scope, offerId, asking.heldName, 'other')).name : null
  await scope.query(
    'UPDATE participants SET held_name = NULL, name = coalesce($name, name) WHERE id = $participantId',
    { participantId, name },
  )
}

/** Returns what a student has answered so far, the newest first. Throws a Problem where the offer is another's. */
export async function answersOf(scope: TeacherScope, offerId: string, participantId: string): Promise<StudentAnswers> {
  await readOffer(scope, offerId)
  const answers = await scope.query<StudentAnswers['answers'][number]>(
    `SELECT coalesce(q.text, '') AS text, r.given, r.outcome, r.round, r.points, r.milliseconds, r.hints
     FROM responses r JOIN plays y ON y.id = r.play_id LEFT JOIN LATERAL (SELECT text FROM questions
       WHERE set_id = y.question_set_id AND entry_id = r.entry_id LIMIT 1) q ON true
     WHERE y.offer_id = $offerId AND y.given_back_at IS NULL AND r.withdrawn_at IS NULL
       AND y.participant_id IN (SELECT id FROM participants WHERE id = $participantId OR merged_into = $participantId)
     ORDER BY r.id DESC LIMIT 500`,
    { offerId, participantId },
  )
  return { answers }
}
