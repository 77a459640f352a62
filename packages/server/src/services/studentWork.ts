import type { StudentWork } from '@otter/api'
import type { TeacherScope } from '../db/scope.ts'
import { notFound } from '../problem.ts'
import { readClass } from './classes.ts'
import { readOffer } from './offers.ts'
import { SAME_STUDENT } from './sameStudent.ts'

/**
 * Returns what a student of a class did at one piece of work of the teacher, the newest attempt first. Throws a Problem
 * where the student is in no such class, or the work is another's.
 */
export async function readStudentWork(
  scope: TeacherScope,
  { classId, studentId }: { classId: string; studentId: string },
  offerId: string,
): Promise<StudentWork> {
  const { roll } = await readClass(scope, classId)
  const student = roll.find(({ id }) => id === studentId)
  const { title, name, classId: setFor } = await readOffer(scope, offerId)
  if (!student || setFor !== classId) throw notFound()
  const attempts = await scope.query<StudentWork['attempts'][number]>(
    `SELECT y.started_at AS "startedAt", y.ended_at AS "endedAt", y."right", y.total, y.milliseconds,
        coalesce((SELECT jsonb_agg(jsonb_build_object('text', coalesce((SELECT q.text FROM questions q
          WHERE q.set_id = y.question_set_id AND q.entry_id = r.entry_id LIMIT 1), ''), 'given', r.given,
          'outcome', r.outcome, 'round', r.round, 'hints', r.hints) ORDER BY r.id)
          FROM responses r WHERE r.play_id = y.id AND r.withdrawn_at IS NULL), '[]') AS answers
      FROM participants w JOIN participants p ON p.id = w.id OR p.merged_into = w.id
        JOIN plays y ON y.participant_id = p.id AND y.given_back_at IS NULL
      WHERE w.offer_id = $offerId AND w.merged_into IS NULL AND w.student_id = ANY (${SAME_STUDENT})
      ORDER BY y.started_at DESC, y.id DESC LIMIT 50`,
    { offerId, studentId },
  )
  return { name: student.name, title: name || title, attempts }
}
