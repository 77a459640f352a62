import { randomInt } from 'node:crypto'
import type { ClassDetails, StudentLink } from '@otter/api'
import type { TeacherScope } from '../db/scope.ts'
import { Problem } from '../problem.ts'
import { readClass } from './classes.ts'
import { CODE_LETTERS } from './offers.ts'
import { holdStudent, mergeStudent } from './students.ts'

const CODE_LENGTH = 10
/** How long a code is worth something. */
const VALID = '14 days'

/** A student of a class, as routes name one. */
interface InClass {
  classId: string
  studentId: string
}

/**
 * Makes a code by which a colleague says that a student of hers is this one; an older one is worth nothing then. Throws a
 * Problem where the student is in no such class.
 */
export async function makeLink(scope: TeacherScope, { classId, studentId }: InClass): Promise<StudentLink> {
  await holdStudent(scope, classId, studentId)
  const code = Array.from({ length: CODE_LENGTH }, () => CODE_LETTERS[randomInt(CODE_LETTERS.length)]).join('')
  const [link] = await scope.query<{ code: string; expiresAt: Date }>(
    `INSERT INTO student_links (code, student_id, teacher_id, expires_at)
      VALUES ($code, $studentId, $teacherId, now() + interval '${VALID}')
      ON CONFLICT (student_id) DO UPDATE SET code = excluded.code, teacher_id = excluded.teacher_id,
        expires_at = excluded.expires_at RETURNING code, expires_at AS "expiresAt"`,
    { code, studentId, teacherId: scope.teacherId },
  )
  return { code: link!.code, expiresAt: link!.expiresAt.toISOString() }
}

/**
 * Says that a student of the teacher's class is the one of a colleague's code: that one is in this class from now on, and
 * both are one student. It can be taken back as others that were put together. Throws a Problem where the code is worth
 * nothing.
 */
export async function joinByLink(
  scope: TeacherScope,
  { classId, studentId }: InClass,
  code: string,
): Promise<ClassDetails> {
  await holdStudent(scope, classId, studentId)
  const [link] = await scope.query<{ studentId: string }>(
    'DELETE FROM student_links WHERE code = $code AND expires_at > now() RETURNING student_id AS "studentId"',
    { code },
  )
  if (!link) throw new Problem(404, 'no-student-code', { path: 'code' })
  if (link.studentId === studentId) return readClass(scope, classId)
  await scope.query(
    `INSERT INTO enrollments (class_id, student_id, state) VALUES ($classId, $studentId, 'in')
      ON CONFLICT (class_id, student_id) DO UPDATE SET state = 'in'`,
    { classId, studentId: link.studentId },
  )
  return mergeStudent(scope, { classId, studentId }, link.studentId)
}
