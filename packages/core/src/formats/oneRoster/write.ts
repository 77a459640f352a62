import { strToU8, zipSync } from 'fflate'
import Papa from 'papaparse'
import { COLUMNS, MANIFEST_FILES, NO_FAMILY_NAME, type RosterFile } from './columns.ts'
import { namedYear, yearEndOf } from './schoolYear.ts'

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

const SCHOOL = 'school'

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
    academicSessions: csv(
      'academicSessions',
      years.map((year) => ({
        sourcedId: `year-${year}`,
        title: namedYear(year),
        type: 'schoolYear',
        startDate: `${year - 1}-08-01`,
        endDate: `${year}-07-31`,
        schoolYear: String(year),
      })),
    ),
    orgs: csv('orgs', [{ sourcedId: SCHOOL, name: school, type: 'school' }]),
    courses: csv(
      'courses',
      classes.map(({ sourceId, name, grade, year }) => ({
        sourcedId: `course-${sourceId}`,
        schoolYearSourcedId: sessionOf(year),
        title: name,
        grades: grade,
        orgSourcedId: SCHOOL,
      })),
    ),
    classes: csv(
      'classes',
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
    users: csv(
      'users',
      [...people.values()].map(({ sourceId, name, email, grade }) => ({
        sourcedId: sourceId,
        enabledUser: 'true',
        ...partsOf(name),
        email,
        grades: grade,
        primaryOrgSourcedId: SCHOOL,
      })),
    ),
    roles: csv(
      'roles',
      [...people.values()].map(({ sourceId, role }) => ({
        sourcedId: `role-${sourceId}`,
        userSourcedId: sourceId,
        roleType: 'primary',
        role,
        orgSourcedId: SCHOOL,
      })),
    ),
    enrollments: csv('enrollments', classes.flatMap(enrollmentsOf)),
  }
  return zipSync(
    Object.fromEntries([
      ['manifest.csv', strToU8(manifest())],
      ...Object.entries(files).map(([name, text]) => [`${name}.csv`, strToU8(text)]),
    ]),
  )
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

function manifest(): string {
  const rows = [
    ['manifest.version', '1.0'],
    ['oneroster.version', '1.2'],
    ...MANIFEST_FILES.map((name) => [`file.${name}`, name in COLUMNS ? 'bulk' : 'absent']),
    ['source.systemName', 'Jolly Otter'],
    ['source.systemCode', 'jolly-otter'],
  ]
  return Papa.unparse({ fields: ['propertyName', 'value'], data: rows })
}

function csv<File extends RosterFile>(file: File, rows: readonly Cells<File>[]): string {
  const columns: readonly string[] = COLUMNS[file]
  const data = rows.map((row: Readonly<Record<string, string | undefined>>) =>
    columns.map((column) => row[column] ?? ''),
  )
  return Papa.unparse({ fields: [...columns], data })
}
