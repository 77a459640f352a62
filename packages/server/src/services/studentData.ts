import type { Language, StudentData } from '@otter/api'
import type { TeacherScope } from '../db/scope.ts'
import { notFound } from '../problem.ts'
import { sheetWord } from '../texts.ts'
import { SAME_STUDENT } from './sameStudent.ts'
import { csvOf } from './csv.ts'
import { readClass } from './classes.ts'

type Work = StudentData['work'][number]
type Answer = Work['answers'][number]

/**
 * Returns all that is kept of a student in the teacher's own games and in the classes the teacher has a part in. Throws a
 * Problem where the student is in no such class.
 */
export async function readStudentData(scope: TeacherScope, classId: string, studentId: string): Promise<StudentData> {
  const { teacherId } = scope
  const { roll } = await readClass(scope, classId)
  if (!roll.some(({ id }) => id === studentId)) throw notFound()
  const [student] = await scope.query<StudentData['student']>(
    `SELECT name, created_at AS "createdAt", seen_at AS "lastSeenAt", secret_kind AS "secret",
      email FROM students
      WHERE id = $studentId`,
    { studentId },
  )
  const classes = await scope.query<{ name: string }>(
    `SELECT c.name FROM enrollments e JOIN classes c ON c.id = e.class_id
      JOIN class_teachers t ON t.class_id = c.id AND t.teacher_id = $teacherId
      WHERE e.student_id = $studentId ORDER BY lower(c.name), c.id`,
    { studentId, teacherId },
  )
  const work = await scope.query<Work>(
    `SELECT v.title, o.name, g.kind, o.code, y.started_at AS "startedAt", y.ended_at AS "endedAt", y."right", y.total,
        y.points, y.milliseconds, y.given_back_at IS NOT NULL AS "givenBack",
        coalesce((SELECT jsonb_agg(jsonb_build_object('question', coalesce((SELECT q.text FROM questions q
          WHERE q.set_id = y.question_set_id AND q.entry_id = r.entry_id LIMIT 1), ''), 'given', r.given,
          'outcome', r.outcome, 'round', r.round, 'points', r.points, 'milliseconds', r.milliseconds, 'at', r.at)
          ORDER BY r.id) FROM responses r WHERE r.play_id = y.id AND r.withdrawn_at IS NULL), '[]') AS answers
      FROM participants w JOIN participants p ON p.id = w.id OR p.merged_into = w.id
        JOIN plays y ON y.participant_id = p.id JOIN offers o ON o.id = y.offer_id
        JOIN game_versions v ON v.id = y.game_version_id JOIN games g ON g.id = v.game_id
      WHERE w.merged_into IS NULL AND w.student_id = ANY (${SAME_STUDENT}) AND (o.teacher_id = $teacherId OR o.class_id IN (SELECT class_id
        FROM class_teachers WHERE teacher_id = $teacherId)) ORDER BY y.started_at, y.id`,
    { studentId, teacherId },
  )
  return {
    student: student!,
    classes: classes.map(({ name }) => name),
    work: work.map((play) => ({ ...play, answers: play.answers.map(withMoment) })),
  }
}

/** Moments within JSON come as the database writes them. */
function withMoment(answer: Answer): Answer {
  return { ...answer, at: new Date(answer.at).toISOString() }
}

/** Writes what is kept of a student as CSV, one answer a line. */
export function studentCsv({ student, work }: StudentData, language: Language): string {
  const word = (key: Parameters<typeof sheetWord>[1]): string => sheetWord(language, key)
  return csvOf(
    [
      word('csv.student'),
      word('csv.work'),
      ...(['attempt', 'question', 'given', 'outcome', 'points', 'seconds', 'when'] as const).map((key) =>
        word(`csv.${key}`),
      ),
    ],
    work.flatMap(({ title, name, code, answers }, place) =>
      answers.map(({ question, given, outcome, points, milliseconds, at }) => [
        student.name,
        name || title,
        work.slice(0, place + 1).filter((one) => one.code === code).length,
        question,
        given,
        word(`csv.outcome-${outcome}`),
        points,
        Math.round(milliseconds / 1000),
        at,
      ]),
    ),
  )
}
