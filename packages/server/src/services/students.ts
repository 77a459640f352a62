import type { AddStudents, ChangeStudent, ClassDetails } from '@otter/api'
import { MOST_IN_CLASS } from '@otter/api'
import type { z } from 'zod'
import type { TeacherScope } from '../db/scope.ts'
import { notFound, Problem } from '../problem.ts'
import { dropStrays, holdClass, readClass } from './classes.ts'
import { SAME_STUDENT } from './sameStudent.ts'

/**
 * Brings students into a class, each under an id that the screen has drawn: sent again, it brings nobody in twice. Throws
 * a Problem where there is no room, or an id is another's student.
 */
export async function addStudents(
  scope: TeacherScope,
  classId: string,
  { students }: z.output<typeof AddStudents>,
): Promise<ClassDetails> {
  await holdClass(scope, classId)
  const added = await scope.query<{ id: string }>(
    `INSERT INTO students (id, name) SELECT id, name FROM jsonb_to_recordset($students::jsonb) AS n (id uuid, name text)
      ON CONFLICT DO NOTHING RETURNING id`,
    { students: JSON.stringify(students) },
  )
  await scope.query(
    `INSERT INTO enrollments (class_id, student_id, state) SELECT $classId, id, 'in' FROM unnest($ids::uuid[]) AS n (id)`,
    { classId, ids: added.map(({ id }) => id) },
  )
  const details = await readClass(scope, classId)
  if (details.students > MOST_IN_CLASS) throw new Problem(403, 'class-full', { values: { most: MOST_IN_CLASS } })
  const known = new Set(details.roll.map(({ id }) => id))
  if (students.some(({ id }) => !known.has(id))) throw notFound()
  return details
}

/** Renames a student, lets one in, or forgets a secret. Throws a Problem where the student is in no such class. */
export async function changeStudent(
  scope: TeacherScope,
  { classId, studentId }: { classId: string; studentId: string },
  { name, letIn, forgetSecret }: z.output<typeof ChangeStudent>,
): Promise<ClassDetails> {
  await holdStudent(scope, classId, studentId)
  if (name !== undefined) {
    await scope.query('UPDATE students SET name = $name WHERE id = $studentId', { name, studentId })
    // What the student plays as is the same name everywhere.
    await scope.query('UPDATE participants SET name = $name WHERE student_id = $studentId', { name, studentId })
  }
  if (letIn)
    await scope.query(`UPDATE enrollments SET state = 'in' WHERE class_id = $classId AND student_id = $studentId`, {
      classId,
      studentId,
    })
  if (forgetSecret) {
    await scope.query(
      `UPDATE students SET secret_hash = NULL, secret_kind = NULL, wrong_secrets = 0, email = NULL,
        password_hash = NULL WHERE id = $studentId`,
      { studentId },
    )
    await scope.query('DELETE FROM student_sessions WHERE student_id = $studentId', { studentId })
  }
  return readClass(scope, classId)
}

/** Brings a student into another class of the teacher, and out of this one. Throws where either is not the teacher's. */
export async function moveStudent(
  scope: TeacherScope,
  { classId, studentId }: { classId: string; studentId: string },
  into: string,
): Promise<ClassDetails> {
  await holdStudent(scope, classId, studentId)
  await holdClass(scope, into)
  await scope.query(
    `INSERT INTO enrollments (class_id, student_id, state) VALUES ($into, $studentId, 'in')
      ON CONFLICT (class_id, student_id) DO UPDATE SET state = 'in'`,
    { into, studentId },
  )
  if (into !== classId) await leave(scope, { classId, studentId })
  return readClass(scope, classId)
}

/**
 * Takes a student out of a class; who is in no other one is deleted with all that was done. Throws a Problem where the
 * student is in no such class.
 */
export async function removeStudent(
  scope: TeacherScope,
  { classId, studentId }: { classId: string; studentId: string },
): Promise<void> {
  await holdStudent(scope, classId, studentId)
  await leave(scope, { classId, studentId })
  await dropStrays(scope, [studentId])
}

/** Takes a student out of a class, with those who are one with the student. */
async function leave(
  scope: TeacherScope,
  { classId, studentId }: { classId: string; studentId: string },
): Promise<void> {
  await scope.query(`DELETE FROM enrollments WHERE class_id = $classId AND student_id = ANY (${SAME_STUDENT})`, {
    classId,
    studentId,
  })
}

/**
 * Says that a student is the same as another of the class: what both did counts as one student's, and nothing is moved.
 * With null they are told apart again. Throws a Problem where either is not of the class.
 */
export async function mergeStudent(
  scope: TeacherScope,
  { classId, studentId }: { classId: string; studentId: string },
  into: string | null,
): Promise<ClassDetails> {
  await holdStudent(scope, classId, studentId)
  if (into === null) await tellApart(scope, classId, studentId)
  else await putTogether(scope, { classId, studentId }, into)
  return readClass(scope, classId)
}

async function putTogether(
  scope: TeacherScope,
  { classId, studentId }: { classId: string; studentId: string },
  into: string,
): Promise<void> {
  await holdStudent(scope, classId, into)
  const [target] = await scope.query('SELECT 1 FROM students WHERE id = $into AND merged_into IS NULL', { into })
  if (!target || into === studentId) throw new Problem(409, 'same-student')
  // There the other name would stand for somebody whom that class does not know.
  const [elsewhere] = await scope.query(
    'SELECT 1 FROM enrollments WHERE student_id = $studentId AND class_id <> $classId LIMIT 1',
    { studentId, classId },
  )
  if (elsewhere) throw new Problem(409, 'in-other-class')
  // Who was put together with this one goes along: pointers are one step long.
  await scope.query('UPDATE students SET merged_into = $into WHERE id = $studentId OR merged_into = $studentId', {
    studentId,
    into,
  })
  await scope.query(`UPDATE enrollments SET state = 'merged' WHERE student_id = $studentId`, { studentId })
  await scope.query('DELETE FROM student_sessions WHERE student_id = $studentId', { studentId })
  // Where both took part, their attempts are counted together; and who was put together with this one goes along there too.
  await scope.query(
    `UPDATE participants g SET merged_into = w.id FROM participants p, participants w WHERE p.student_id = $studentId
      AND g.merged_into = p.id AND w.offer_id = p.offer_id AND w.student_id = $into AND w.merged_into IS NULL`,
    { studentId, into },
  )
  await scope.query(
    `UPDATE participants p SET merged_into = w.id FROM participants w WHERE p.student_id = $studentId
      AND p.merged_into IS NULL AND w.offer_id = p.offer_id AND w.student_id = $into AND w.merged_into IS NULL`,
    { studentId, into },
  )
}

async function tellApart(scope: TeacherScope, classId: string, studentId: string): Promise<void> {
  await scope.query(
    `UPDATE participants p SET merged_into = NULL FROM participants w, students s WHERE s.id = $studentId
      AND p.student_id = s.id AND w.id = p.merged_into AND w.student_id = s.merged_into`,
    { studentId },
  )
  const [apart] = await scope.query(
    'UPDATE students SET merged_into = NULL WHERE id = $studentId AND merged_into IS NOT NULL RETURNING id',
    { studentId },
  )
  if (!apart) return
  await scope.query(
    `INSERT INTO enrollments (class_id, student_id, state) VALUES ($classId, $studentId, 'in')
      ON CONFLICT (class_id, student_id) DO UPDATE SET state = 'in'`,
    { classId, studentId },
  )
}

/** Holds a student until the scope ends. Throws a Problem where the student is in no such class of the teacher. */
export async function holdStudent(scope: TeacherScope, classId: string, studentId: string): Promise<void> {
  await holdClass(scope, classId)
  const [student] = await scope.query(
    `SELECT 1 FROM students s WHERE s.id = $studentId AND EXISTS (SELECT 1 FROM enrollments e
      WHERE e.class_id = $classId AND e.student_id IN (s.id, s.merged_into)) FOR UPDATE OF s`,
    { classId, studentId },
  )
  if (!student) throw notFound()
}
