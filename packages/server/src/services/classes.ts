import { randomInt, randomUUID } from 'node:crypto'
import { MOST_CLASSES, type ChangeClass, type ClassDetails, type ClassReply, type SaveClass } from '@otter/api'
import type { z } from 'zod'
import type { Scope, TeacherScope } from '../db/scope.ts'
import { notFound, Problem } from '../problem.ts'
import { CODE_LETTERS } from './offers.ts'

/** Letters of a class's code: one more than a game's, so that neither is taken for the other. */
const CODE_LENGTH = 7
/** Most teachers who share a class. */
const MOST_TEACHERS = 10

const CLASSES = `SELECT c.id, c.name, c.grade, c.language, c.year, c.secret, c.inviting, c.code,
    c.archived_at IS NOT NULL AS archived, t.is_owner AS "isOwner",
    (SELECT count(*)::int FROM enrollments e WHERE e.class_id = c.id AND e.state = 'in') AS students,
    (SELECT count(*)::int FROM enrollments e WHERE e.class_id = c.id AND e.state = 'asked') AS asking
  FROM class_teachers t JOIN classes c ON c.id = t.class_id WHERE t.teacher_id = $teacherId`

/** Returns the classes of a teacher, those in use first, by name. */
export function readClasses(scope: TeacherScope): Promise<ClassReply[]> {
  return scope.query<ClassReply>(`${CLASSES} ORDER BY c.archived_at IS NOT NULL, lower(c.name), c.id`, {
    teacherId: scope.teacherId,
  })
}

/** Returns a class with its students and teachers. Throws a Problem where the teacher has no part in it. */
export async function readClass(scope: TeacherScope, classId: string): Promise<ClassDetails> {
  const [found] = await scope.query<ClassReply>(`${CLASSES} AND c.id = $classId`, {
    teacherId: scope.teacherId,
    classId,
  })
  if (!found) throw notFound()
  const roll = await scope.query<ClassDetails['roll'][number]>(
    `SELECT s.id, s.name, e.state, s.secret_hash IS NOT NULL AS "hasSecret",
      s.wrong_secrets AS "wrongSecrets", s.seen_at AS "lastSeenAt",
      coalesce((SELECT jsonb_agg(jsonb_build_object('id', m.id, 'name', m.name) ORDER BY lower(m.name), m.id)
        FROM students m WHERE m.merged_into = s.id), '[]') AS merged
      FROM enrollments e JOIN students s ON s.id = e.student_id WHERE e.class_id = $classId AND e.state <> 'merged'
      ORDER BY e.state DESC, lower(s.name), s.id`,
    { classId },
  )
  const teachers = await scope.query<ClassDetails['teachers'][number]>(
    `SELECT a.id, a.name, t.is_owner AS "isOwner" FROM class_teachers t JOIN teachers a ON a.id = t.teacher_id
      WHERE t.class_id = $classId ORDER BY t.is_owner DESC, lower(a.name), a.id`,
    { classId },
  )
  return { ...found, roll, teachers }
}

/** Holds a class until the scope ends. Throws a Problem where the teacher has no part in it. */
export async function holdClass(scope: TeacherScope, classId: string): Promise<void> {
  const [held] = await scope.query(
    `SELECT 1 FROM classes c WHERE c.id = $classId AND EXISTS (SELECT 1 FROM class_teachers t
      WHERE t.class_id = c.id AND t.teacher_id = $teacherId) FOR UPDATE OF c`,
    { classId, teacherId: scope.teacherId },
  )
  if (!held) throw notFound()
}

/** Makes a class of the teacher who acts, once however often it is sent. Throws a Problem where there are too many. */
export async function createClass(
  scope: TeacherScope,
  { id = randomUUID(), ...saved }: z.output<typeof SaveClass>,
): Promise<ClassDetails> {
  const { teacherId } = scope
  // Requests at once would each find room: one waits for the other here.
  await scope.query('SELECT 1 FROM teachers WHERE id = $teacherId FOR UPDATE', { teacherId })
  const [known] = await scope.query('SELECT 1 FROM classes WHERE id = $id', { id })
  if (known) return readClass(scope, id)
  const [{ count } = { count: 0 }] = await scope.query<{ count: number }>(
    'SELECT count(*)::int AS count FROM class_teachers WHERE teacher_id = $teacherId',
    { teacherId },
  )
  if (count >= MOST_CLASSES) throw new Problem(403, 'too-many-classes')
  for (;;) {
    const code = Array.from({ length: CODE_LENGTH }, () => CODE_LETTERS[randomInt(CODE_LETTERS.length)]).join('')
    const [made] = await scope.query<{ id: string }>(
      `INSERT INTO classes (id, name, grade, language, year, secret, inviting, code)
        VALUES ($id, $name, $grade, $language, $year, $secret, $inviting, $code)
        ON CONFLICT (code) DO NOTHING RETURNING id`,
      { id, code, ...saved },
    )
    if (!made) continue
    await addTeacher(scope, made.id, teacherId, true)
    return readClass(scope, made.id)
  }
}

/** Changes a class. Throws a Problem where the teacher has no part in it. */
export async function changeClass(
  scope: TeacherScope,
  classId: string,
  change: z.output<typeof ChangeClass>,
): Promise<ClassDetails> {
  await holdClass(scope, classId)
  const { name, grade, language, year, secret, inviting, archived } = change
  await scope.query(
    `UPDATE classes SET name = coalesce($name, name), grade = coalesce($grade, grade),
      language = coalesce($language, language), year = coalesce($year, year), secret = coalesce($secret, secret),
      inviting = coalesce($inviting, inviting) AND NOT coalesce($archived, false),
      archived_at = CASE WHEN $archived::boolean IS NULL THEN archived_at
        WHEN $archived::boolean THEN coalesce(archived_at, now()) END WHERE id = $classId`,
    {
      classId,
      name: name ?? null,
      grade: grade ?? null,
      language: language ?? null,
      year: year ?? null,
      secret: secret ?? null,
      inviting: inviting ?? null,
      archived: archived ?? null,
    },
  )
  return readClass(scope, classId)
}

/** Deletes a class. Students who are in no other one go with it, with all they did. Throws where it is not the owner's. */
export async function deleteClass(scope: TeacherScope, classId: string): Promise<void> {
  await holdClass(scope, classId)
  const [owner] = await scope.query(
    'SELECT 1 FROM class_teachers WHERE class_id = $classId AND teacher_id = $teacherId AND is_owner',
    { classId, teacherId: scope.teacherId },
  )
  if (!owner) throw new Problem(403, 'not-class-owner')
  await dropClass(scope, classId)
}

/** Shares a class with a colleague; the same once more changes nothing. Throws a Problem where there is no such account. */
export async function shareClass(scope: TeacherScope, classId: string, email: string): Promise<ClassDetails> {
  await holdClass(scope, classId)
  const colleague = await scope.tables.teachers.findOne({ where: { email } })
  if (!colleague || colleague.isSample) throw new Problem(404, 'no-colleague', { path: 'email' })
  const { teachers } = await readClass(scope, classId)
  if (teachers.length >= MOST_TEACHERS) throw new Problem(403, 'too-many-teachers')
  await addTeacher(scope, classId, colleague.id, false)
  return readClass(scope, classId)
}

/**
 * Takes a teacher out of a class: the one who acts, or a colleague where the owner says so. The last one can't leave; an
 * owner who leaves hands it on. Throws a Problem where that may not be.
 */
export async function leaveClass(scope: TeacherScope, classId: string, teacherId: string): Promise<void> {
  await holdClass(scope, classId)
  const { teachers, isOwner } = await readClass(scope, classId)
  if (teacherId !== scope.teacherId && !isOwner) throw new Problem(403, 'not-class-owner')
  if (!teachers.some(({ id }) => id === teacherId)) throw notFound()
  if (teachers.length === 1) throw new Problem(409, 'last-teacher')
  await scope.query('DELETE FROM class_teachers WHERE class_id = $classId AND teacher_id = $teacherId', {
    classId,
    teacherId,
  })
  await handOn(scope, classId)
}

/** Leaves the classes of a teacher whose account is deleted to colleagues; those without one go. */
export async function leaveAllClasses(scope: TeacherScope): Promise<void> {
  const { teacherId } = scope
  const classes = await scope.query<{ id: string; others: number }>(
    `SELECT t.class_id AS id, (SELECT count(*)::int FROM class_teachers o WHERE o.class_id = t.class_id
      AND o.teacher_id <> $teacherId) AS others FROM class_teachers t WHERE t.teacher_id = $teacherId`,
    { teacherId },
  )
  for (const { id, others } of classes) {
    if (others === 0) await dropClass(scope, id)
    else {
      await scope.query('DELETE FROM class_teachers WHERE class_id = $id AND teacher_id = $teacherId', {
        id,
        teacherId,
      })
      await handOn(scope, id)
    }
  }
}

async function addTeacher(scope: Scope, classId: string, teacherId: string, isOwner: boolean): Promise<void> {
  await scope.query(
    `INSERT INTO class_teachers (class_id, teacher_id, is_owner) VALUES ($classId, $teacherId, $isOwner)
      ON CONFLICT DO NOTHING`,
    { classId, teacherId, isOwner },
  )
}

/** Makes sure that a class has an owner. */
async function handOn(scope: Scope, classId: string): Promise<void> {
  await scope.query(
    `UPDATE class_teachers SET is_owner = true WHERE class_id = $classId AND teacher_id = (
       SELECT teacher_id FROM class_teachers WHERE class_id = $classId ORDER BY is_owner DESC, teacher_id LIMIT 1)`,
    { classId },
  )
}

async function dropClass(scope: Scope, classId: string): Promise<void> {
  const gone = await scope.query<{ id: string }>(
    'DELETE FROM enrollments WHERE class_id = $classId RETURNING student_id AS id',
    { classId },
  )
  await scope.query('DELETE FROM classes WHERE id = $classId', { classId })
  await dropStrays(
    scope,
    gone.map(({ id }) => id),
  )
}

/** Deletes those of some students who are in no class any more, nor one with somebody who is, with all they did. */
export async function dropStrays(scope: Scope, studentIds: readonly string[]): Promise<void> {
  await scope.query(
    `DELETE FROM students s WHERE s.id = ANY ($studentIds::uuid[])
      AND NOT EXISTS (SELECT 1 FROM enrollments e WHERE e.student_id = s.id)
      AND NOT EXISTS (SELECT 1 FROM enrollments e WHERE e.student_id = s.merged_into)`,
    { studentIds },
  )
}
