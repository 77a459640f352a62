import type { TeacherScope } from '../db/scope.ts'
import { Problem } from '../problem.ts'

/** An entry is missed by a class where so many of those who met it last did not know it. */
const SHARE = 1 / 3

/**
 * Returns the entries of a list that a class has missed in the teacher's games, by each student's last answer. Throws a
 * Problem where there are none.
 */
export async function missedBy(scope: TeacherScope, listId: string, classId: string): Promise<string[]> {
  const entries = await scope.query<{ entryId: string; met: number; missed: number }>(
    `WITH pupils AS (
       SELECT p.id, coalesce(s.merged_into, s.id) AS student FROM enrollments e JOIN students s ON s.id = e.student_id
         JOIN participants w ON w.student_id = s.id JOIN participants p ON p.id = w.id OR p.merged_into = w.id
         JOIN offers o ON o.id = p.offer_id AND o.teacher_id = $teacherId WHERE e.class_id = $classId),
     last AS (
       SELECT DISTINCT ON (u.student, r.entry_id) r.entry_id, r.outcome FROM pupils u
         JOIN responses r ON r.participant_id = u.id JOIN entries n ON n.id = r.entry_id AND n.list_id = $listId
       WHERE r.round = 'first' AND r.counts AND r.withdrawn_at IS NULL AND r.reached
       ORDER BY u.student, r.entry_id, r.at DESC, r.id DESC)
     SELECT entry_id AS "entryId", count(*)::int AS met, count(*) FILTER (WHERE outcome <> 'right')::int AS missed
     FROM last GROUP BY entry_id HAVING count(*) FILTER (WHERE outcome <> 'right') > 0`,
    { teacherId: scope.teacherId, classId, listId },
  )
  const often = entries.filter(({ met, missed }) => missed / met >= SHARE)
  const taken = often.length > 0 ? often : entries
  if (taken.length === 0) throw new Problem(409, 'nothing-missed')
  return taken.map(({ entryId }) => entryId)
}
