import type { ProvedReply } from '@otter/api'
import type { TeacherScope } from '../db/scope.ts'
import { readVersion } from './lists.ts'

/**
 * Returns what became of a list's entries with the students of its teacher: of each student, or team, the first answer to
 * each in each of the games that count. Throws a Problem where the list is another's.
 */
export async function readProved(scope: TeacherScope, listId: string): Promise<ProvedReply['proved']> {
  await readVersion(scope, listId)
  const rows = await scope.query<{ id: string; met: number; right: number }>(
    `SELECT r.entry_id AS id, count(*)::int AS met, count(*) FILTER (WHERE r.outcome = 'right')::int AS "right"
     FROM entries e JOIN responses r ON r.entry_id = e.id AND r.is_first AND r.outcome <> 'opinion'
       JOIN plays y ON y.id = r.play_id AND y.counts AND y.given_back_at IS NULL
       JOIN offers o ON o.id = y.offer_id AND o.teacher_id = $teacherId
     WHERE e.list_id = $listId GROUP BY r.entry_id`,
    { listId, teacherId: scope.teacherId },
  )
  return Object.fromEntries(rows.map(({ id, met, right }) => [id, { met, right }]))
}
