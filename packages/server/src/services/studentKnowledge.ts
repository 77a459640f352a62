import type { StudentKnowledge } from '@otter/api'
import { gameOf, type GameKind } from '@otter/core'
import { rememberedOf, type Recall } from '@otter/core/results'
import type { TeacherScope } from '../db/scope.ts'
import { notFound } from '../problem.ts'
import { readClass } from './classes.ts'
import { SAME_STUDENT } from './sameStudent.ts'

/** Most answers of a student that are looked at: the newest. */
const MOST_ANSWERS = 20_000
/** Most pieces of work that are shown: the newest. */
const MOST_WORK = 200

interface WorkRow {
  offerId: string
  title: string
  kind: GameKind
  at: string
  right: number
  total: number
  attempts: number
  ended: boolean
}

/**
 * Attempts of a student in the teacher's games that a teacher gave, one student however many: `y`. What teams did, and
 * attempts given back, are none of it.
 */
const OWN = `FROM participants w JOIN participants p ON p.id = w.id OR p.merged_into = w.id
    JOIN offers o ON o.id = p.offer_id AND o.teacher_id = $teacherId AND o.rules ->> 'type' <> 'wall'
    JOIN plays y ON y.participant_id = p.id AND y.given_back_at IS NULL
    JOIN game_versions v ON v.id = y.game_version_id JOIN games g ON g.id = v.game_id
  WHERE w.merged_into IS NULL AND w.student_id = ANY (${SAME_STUDENT})`

/** Returns what a student of a class knows by now. Throws a Problem where the student is in no such class. */
export async function readStudentKnowledge(
  scope: TeacherScope,
  { classId, studentId }: { classId: string; studentId: string },
): Promise<StudentKnowledge> {
  const { name: className, language, roll } = await readClass(scope, classId)
  const student = roll.find(({ id }) => id === studentId)
  if (!student) throw notFound()
  const values = { teacherId: scope.teacherId, studentId }
  const work = await scope.query<WorkRow>(
    `SELECT o.id AS "offerId", coalesce(nullif(o.name, ''), (array_agg(v.title))[1]) AS title, (array_agg(g.kind))[1] AS kind,
       max(y.started_at) AS at, (array_agg(y."right" ORDER BY y."right"::float8 / greatest(1, y.total) DESC))[1] AS "right",
       (array_agg(y.total ORDER BY y."right"::float8 / greatest(1, y.total) DESC))[1] AS total,
       count(*)::int AS attempts, bool_or(y.ended_at IS NOT NULL) AS ended
     ${OWN} GROUP BY o.id ORDER BY max(y.started_at) DESC, o.id LIMIT ${MOST_WORK}`,
    values,
  )
  return {
    name: student.name,
    className,
    language,
    work: work.map(({ right, total, ...piece }) => ({
      ...piece,
      share: gameOf(piece.kind).isSelfJudged || total === 0 ? null : Math.min(1, right / total),
    })),
    entries: await rememberedBy(scope, studentId),
  }
}

/** Returns what a student remembers of each entry, the least likely recalled first. */
export async function rememberedBy(scope: TeacherScope, studentId: string): Promise<StudentKnowledge['entries']> {
  const recalls = await scope.query<Recall & { kind: GameKind; text: string; listId: string | null }>(
    `SELECT r.entry_id AS "entryId", r.outcome, r.hints, floor(extract(epoch FROM r.at) * 1000)::float8 AS at, g.kind,
       coalesce((SELECT q.text FROM questions q WHERE q.set_id = y.question_set_id AND q.entry_id = r.entry_id LIMIT 1), '') AS text,
       (SELECT n.list_id FROM entries n JOIN lists l ON l.id = n.list_id AND l.teacher_id = $teacherId
         WHERE n.id = r.entry_id) AS "listId"
     FROM (SELECT y.* ${OWN}) y JOIN game_versions v ON v.id = y.game_version_id JOIN games g ON g.id = v.game_id
       JOIN responses r ON r.play_id = y.id AND r.withdrawn_at IS NULL AND r.reached AND r.counts AND r.round = 'first'
         AND r.outcome IN ('right', 'wrong', 'passed')
     ORDER BY r.at DESC LIMIT ${MOST_ANSWERS}`,
    { teacherId: scope.teacherId, studentId },
  )
  // What students say of themselves is no sign of what they remember.
  const judged = recalls.filter(({ kind }) => !gameOf(kind).isSelfJudged)
  const newest = new Map([...judged].reverse().map((one) => [one.entryId, one]))
  return rememberedOf(judged, Date.now()).map(({ lastAt, ...one }) => ({
    ...one,
    listId: newest.get(one.entryId)?.listId ?? null,
    text: newest.get(one.entryId)?.text ?? '',
    lastAt: new Date(lastAt).toISOString(),
  }))
}
