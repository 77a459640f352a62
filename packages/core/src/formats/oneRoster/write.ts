import { csvFile, packed, SCHOOL, schoolYearRow } from './archive.ts'
import { COLUMNS, NO_FAMILY_NAME, type RosterFile } from './columns.ts'
import { yearEndOf } from './schoolYear.ts'

/** A person of a class that is written. */
interface WrittenPerson {
  sourceId: string
  name: string
}

/** A class that is written, with its students and teachers. */
export interface WrittenClass {
  sourceId: string
  name: string
  grade: string
  year: string
  code: string
  students: readonly WrittenPerson[]
  teachers: readonly (WrittenPerson & { email: string; isOwner: boolean })[]
}

type Cells<File extends RosterFile> = Partial<Record<(typeof COLUMNS)[File][number], string>>

/** Writes classes as a OneRoster 1.2 archive (1EdTech, CSV binding, bulk). */
export function writeOneRoster(school: string, classes: readonly WrittenClass[], now: Date): Uint8Array {
  const years = [...new Set(classes.map(({ year }) => yearEndOf(year, now)))]
  const sessionOf = (year: string): string => `year-${yearEndOf(year, now)}`
  const people = new Map<string, WrittenPerson & { role: 'student' | 'teacher'; email: string; grade: string }>()
  for (const { students, teachers, grade } of classes) {
    for (const one of teachers) people.set(one.sourceId, { ...one, role: 'teacher', grade: '' })
    for (const one of students) people.set(one.sourceId, { ...one, role: 'student', email: '', grade })
  }
  const files: Record<RosterFile, string> = {
    academicSessions: csvFile(COLUMNS.academicSessions, years.map(schoolYearRow)),
    orgs: csvFile(COLUMNS.orgs, [{ sourcedId: SCHOOL, name: school, type: 'school' }]),
    courses: csvFile(
      COLUMNS.courses,
      classes.map(({ sourceId, name, grade, year }) => ({
        sourcedId: `course-${sourceId}`,
        schoolYearSourcedId: sessionOf(year),
        title: name,
        grades: grade,
        orgSourcedId: SCHOOL,
      })),
    ),
    classes: csvFile(
      COLUMNS.classes,
      classes.map(({ sourceId, name, grade, year, code }) => ({
        sourcedId: sourceId,
        title: name,
        grades: grade,
        courseSourcedId: `course-${sourceId}`,
        classCode: code,
        classType: 'scheduled',
        schoolSourcedId: SCHOOL,
        termSourcedIds: sessionOf(year),
      })),
    ),
    users: csvFile(
      COLUMNS.users,
      [...people.values()].map(({ sourceId, name, email, grade }) => ({
        sourcedId: sourceId,
        enabledUser: 'true',
        ...partsOf(name),
        email,
        grades: grade,
        primaryOrgSourcedId: SCHOOL,
      })),
    ),
    roles: csvFile(
      COLUMNS.roles,
      [...people.values()].map(({ sourceId, role }) => ({
        sourcedId: `role-${sourceId}`,
        userSourcedId: sourceId,
        roleType: 'primary',
        role,
        orgSourcedId: SCHOOL,
      })),
    ),
    enrollments: csvFile(COLUMNS.enrollments, classes.flatMap(enrollmentsOf)),
  }
  return packed(files)
}

function enrollmentsOf({ sourceId, students, teachers }: WrittenClass): Cells<'enrollments'>[] {
  const row = (person: WrittenPerson, role: string, primary: string): Cells<'enrollments'> => ({
    sourcedId: `enrollment-${sourceId}-${person.sourceId}`,
    classSourcedId: sourceId,
    schoolSourcedId: SCHOOL,
    userSourcedId: person.sourceId,
    role,
    primary,
  })
  return [
    ...teachers.map((one) => row(one, 'teacher', String(one.isOwner))),
    ...students.map((one) => row(one, 'student', '')),
  ]
}

/** Returns the given and the family name: the last word is taken for the family's. */
function partsOf(name: string): { givenName: string; familyName: string } {
  const [, givenName, familyName] = /^(.+) (\S+)$/u.exec(name) ?? []
  return { givenName: givenName ?? name, familyName: familyName ?? NO_FAMILY_NAME }
}
