import { randomUUID } from 'node:crypto'
import type { ClassReply, ComparedClasses, ImportClasses, ImportedClasses } from '@otter/api'
import type { WrittenClass } from '@otter/core/formats'
import type { z } from 'zod'
import type { TeacherScope } from '../db/scope.ts'
import { notFound } from '../problem.ts'
import { createClass, holdClass, readClasses } from './classes.ts'
import { addStudents, removeStudent } from './students.ts'

type Imported = z.output<typeof ImportedClasses>['classes'][number]
type Compared = ComparedClasses['classes'][number]

/** A student here who came from a school's system, or could be one of it. */
interface KnownStudent {
  id: string
  name: string
  sourceId: string | null
}

/** What is here of the classes that are brought in. */
interface Known {
  classes: Map<string, { id: string; name: string; roll: KnownStudent[] }>
  /** All students of the teacher's classes who came from a school's system, by its ids. */
  students: Map<string, KnownStudent>
}

/** Returns what bringing classes in would do, and changes nothing. */
export async function compareClasses(
  scope: TeacherScope,
  { classes }: z.output<typeof ImportedClasses>,
): Promise<ComparedClasses> {
  const known = await readKnown(scope)
  return { classes: classes.map((one) => comparedTo(known, one)) }
}

/**
 * Brings classes in: new ones are made, known ones are renamed and filled, and who is known is one student in all of
 * them. Nobody is taken out but who is named. Sent again, it changes nothing. Throws a Problem where something has no
 * room, and then nothing of it is kept.
 */
export async function importClasses(
  scope: TeacherScope,
  { classes, leave }: z.output<typeof ImportClasses>,
): Promise<ClassReply[]> {
  // Two imports at once would each make the classes.
  await scope.query('SELECT 1 FROM teachers WHERE id = $teacherId FOR UPDATE', { teacherId: scope.teacherId })
  const imported: string[] = []
  for (const one of classes) {
    const known = await readKnown(scope)
    const classId = await keepClass(scope, known.classes.get(one.sourceId)?.id, one)
    await keepStudents(scope, classId, one, known)
    imported.push(classId)
  }
  for (const { classId, studentId } of leave) {
    if (!imported.includes(classId)) throw notFound()
    await removeStudent(scope, { classId, studentId })
  }
  return (await readClasses(scope)).filter(({ id }) => imported.includes(id))
}

async function readKnown(scope: TeacherScope): Promise<Known> {
  const rows = await scope.query<{ id: string; sourceId: string; name: string; roll: KnownStudent[] }>(
    `SELECT c.id, c.source_id AS "sourceId", c.name, coalesce((SELECT jsonb_agg(jsonb_build_object('id', s.id,
        'name', s.name, 'sourceId', s.source_id) ORDER BY lower(s.name), s.id) FROM enrollments e
        JOIN students s ON s.id = e.student_id WHERE e.class_id = c.id AND e.state = 'in'), '[]') AS roll
      FROM class_teachers t JOIN classes c ON c.id = t.class_id WHERE t.teacher_id = $teacherId ORDER BY c.id`,
    { teacherId: scope.teacherId },
  )
  return {
    classes: new Map(rows.filter(({ sourceId }) => sourceId !== null).map((row) => [row.sourceId, row])),
    students: new Map(
      rows.flatMap(({ roll }) =>
        roll.flatMap((one): [string, KnownStudent][] => (one.sourceId === null ? [] : [[one.sourceId, one]])),
      ),
    ),
  }
}

function comparedTo(known: Known, { sourceId, students }: Imported): Compared {
  const here = known.classes.get(sourceId)
  const coming = new Set(students.map((one) => one.sourceId))
  const named = namesakesIn(here?.roll ?? [], students)
  return {
    sourceId,
    classId: here?.id ?? null,
    nameHere: here?.name ?? null,
    students: students.map((one) => {
      const student = known.students.get(one.sourceId) ?? named.get(one.sourceId)
      if (!student) return { sourceId: one.sourceId, becomes: 'new', nameHere: null }
      const isIn = here?.roll.some(({ id }) => id === student.id) ?? false
      const becomes = !isIn ? 'joins' : student.name === one.name ? 'same' : 'renamed'
      return { sourceId: one.sourceId, becomes, nameHere: student.name }
    }),
    missing: (here?.roll ?? [])
      .filter((one) => one.sourceId !== null && !coming.has(one.sourceId))
      .map(({ id, name }) => ({ studentId: id, name })),
  }
}

/** Returns who of a class was brought in by hand and has the name of one who comes, by the ids of those. */
function namesakesIn(roll: readonly KnownStudent[], students: Imported['students']): Map<string, KnownStudent> {
  const byName = new Map(roll.filter(({ sourceId }) => sourceId === null).map((one) => [one.name.toLowerCase(), one]))
  const found = new Map<string, KnownStudent>()
  for (const { sourceId, name } of students) {
    const namesake = byName.get(name.toLowerCase())
    if (!namesake) continue
    found.set(sourceId, namesake)
    // Of two with one name, the first is meant.
    byName.delete(name.toLowerCase())
  }
  return found
}

async function keepClass(
  scope: TeacherScope,
  knownId: string | undefined,
  { sourceId, name, grade, year }: Imported,
): Promise<string> {
  const id = knownId ?? randomUUID()
  if (knownId === undefined)
    await createClass(scope, { id, name, grade, year, language: '', secret: 'pictures', inviting: false })
  await holdClass(scope, id)
  // What the file leaves open stays as the teacher has set it.
  await scope.query(
    `UPDATE classes SET source_id = $sourceId, name = $name, grade = coalesce(nullif($grade, ''), grade),
      year = coalesce(nullif($year, ''), year) WHERE id = $id`,
    { id, sourceId, name, grade, year },
  )
  return id
}

async function keepStudents(
  scope: TeacherScope,
  classId: string,
  { sourceId, students }: Imported,
  known: Known,
): Promise<void> {
  const roll = known.classes.get(sourceId)?.roll ?? []
  const named = namesakesIn(roll, students)
  const rows = students.map((one) => {
    const student = known.students.get(one.sourceId) ?? named.get(one.sourceId)
    return { ...one, id: student?.id ?? randomUUID(), isNew: !student, isRenamed: student && student.name !== one.name }
  })
  const added = rows.filter(({ isNew }) => isNew).map(({ id, name }) => ({ id, name }))
  const ids = rows.map(({ id }) => id)
  await scope.query(
    `INSERT INTO enrollments (class_id, student_id, state) SELECT $classId, id, 'in' FROM unnest($ids::uuid[]) AS n (id)
      WHERE id IN (SELECT id FROM students) ON CONFLICT (class_id, student_id) DO UPDATE SET state = 'in'
        WHERE enrollments.state = 'asked'`,
    { classId, ids },
  )
  if (added.length > 0) await addStudents(scope, classId, { students: added })
  await scope.query(
    `UPDATE students s SET source_id = n."sourceId" FROM jsonb_to_recordset($rows::jsonb) AS n (id uuid, "sourceId" text)
      WHERE s.id = n.id`,
    { rows: JSON.stringify(rows.map(({ id, sourceId: source }) => ({ id, sourceId: source }))) },
  )
  const renamed = JSON.stringify(rows.filter(({ isRenamed }) => isRenamed).map(({ id, name }) => ({ id, name })))
  for (const [table, column] of [
    ['students', 'id'],
    // What a student plays as is the same name everywhere.
    ['participants', 'student_id'],
  ])
    await scope.query(
      `UPDATE ${table} t SET name = n.name FROM jsonb_to_recordset($renamed::jsonb) AS n (id uuid, name text)
        WHERE t.${column} = n.id`,
      { renamed },
    )
}

/** Returns the teacher's classes in use as a school's system takes them, with their students and teachers. */
export function classesToWrite(scope: TeacherScope): Promise<WrittenClass[]> {
  return scope.query<WrittenClass>(
    `SELECT coalesce(c.source_id, c.id::text) AS "sourceId", c.name, c.grade, c.year, c.code,
        coalesce((SELECT jsonb_agg(jsonb_build_object('sourceId', coalesce(s.source_id, s.id::text), 'name', s.name)
          ORDER BY lower(s.name), s.id) FROM enrollments e JOIN students s ON s.id = e.student_id
          WHERE e.class_id = c.id AND e.state = 'in'), '[]') AS students,
        (SELECT jsonb_agg(jsonb_build_object('sourceId', a.id::text, 'name', a.name, 'email', a.email,
          'isOwner', o.is_owner) ORDER BY a.id) FROM class_teachers o JOIN teachers a ON a.id = o.teacher_id
          WHERE o.class_id = c.id) AS teachers
      FROM class_teachers t JOIN classes c ON c.id = t.class_id
      WHERE t.teacher_id = $teacherId AND c.archived_at IS NULL ORDER BY lower(c.name), c.id`,
    { teacherId: scope.teacherId },
  )
}
