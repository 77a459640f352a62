import { strToU8, zipSync } from 'fflate'
import Papa from 'papaparse'
import { MANIFEST_FILES } from './columns.ts'
import { namedYear, yearEndOf } from './schoolYear.ts'

/** Columns of the files of results of OneRoster 1.2 (1EdTech, CSV binding, gradebook), in the order of the standard. */
const COLUMNS = {
  academicSessions: [
    'sourcedId',
    'status',
    'dateLastModified',
    'title',
    'type',
    'startDate',
    'endDate',
    'parentSourcedId',
    'schoolYear',
  ],
  categories: ['sourcedId', 'status', 'dateLastModified', 'title', 'weight'],
  lineItems: [
    'sourcedId',
    'status',
    'dateLastModified',
    'title',
    'description',
    'assignDate',
    'dueDate',
    'classSourcedId',
    'categorySourcedId',
    'gradingPeriodSourcedId',
    'academicSessionSourcedId',
    'schoolSourcedId',
    'resultValueMin',
    'resultValueMax',
  ],
  results: [
    'sourcedId',
    'status',
    'dateLastModified',
    'lineItemSourcedId',
    'studentSourcedId',
    'scoreStatus',
    'score',
    'textScore',
    'scoreDate',
    'comment',
    'classSourcedId',
    'inProgress',
    'incomplete',
    'late',
    'missing',
  ],
} as const

/** A piece of work as a gradebook has it. */
export interface WrittenWork {
  id: string
  title: string
  classId: string
  /** The day on which it was set, and the last one for it; as YYYY-MM-DD. */
  assigned: string
  due: string
}

/** What a student's work at one piece came to. */
export interface WrittenResult {
  workId: string
  studentId: string
  /** Per cent right, from 0 to 100; null where it was not begun. */
  score: number | null
  /** Whether the attempt goes on. */
  isUnderWay: boolean
  /** Day of the attempt, as YYYY-MM-DD. */
  day: string
}

const SCHOOL = 'school'
const CATEGORY = 'review-games'

/** Writes what students' work came to as a OneRoster 1.2 archive (1EdTech, CSV binding, bulk): per cent from 0 to 100. */
export function writeOneRosterResults(
  works: readonly WrittenWork[],
  results: readonly WrittenResult[],
  now: Date,
): Uint8Array {
  const year = yearEndOf('', now)
  const session = `year-${year}`
  const classOf = new Map(works.map(({ id, classId }) => [id, classId]))
  const files: Record<keyof typeof COLUMNS, string> = {
    academicSessions: csv(COLUMNS.academicSessions, [
      {
        sourcedId: session,
        title: namedYear(year),
        type: 'schoolYear',
        startDate: `${year - 1}-08-01`,
        endDate: `${year}-07-31`,
        schoolYear: String(year),
      },
    ]),
    categories: csv(COLUMNS.categories, [{ sourcedId: CATEGORY, title: 'Review games' }]),
    lineItems: csv(
      COLUMNS.lineItems,
      works.map(({ id, title, classId, assigned, due }) => ({
        sourcedId: id,
        title,
        assignDate: assigned,
        dueDate: due,
        classSourcedId: classId,
        categorySourcedId: CATEGORY,
        gradingPeriodSourcedId: session,
        academicSessionSourcedId: session,
        schoolSourcedId: SCHOOL,
        resultValueMin: '0',
        resultValueMax: '100',
      })),
    ),
    results: csv(
      COLUMNS.results,
      results.map(({ workId, studentId, score, isUnderWay, day }) => ({
        sourcedId: `${workId}-${studentId}`,
        lineItemSourcedId: workId,
        studentSourcedId: studentId,
        scoreStatus: score === null ? 'not submitted' : isUnderWay ? 'partially graded' : 'fully graded',
        score: score === null ? '' : String(score),
        scoreDate: day,
        classSourcedId: classOf.get(workId) ?? '',
        inProgress: String(isUnderWay),
        missing: String(score === null),
      })),
    ),
  }
  return zipSync(
    Object.fromEntries([
      ['manifest.csv', strToU8(manifest(Object.keys(COLUMNS)))],
      ...Object.entries(files).map(([name, text]) => [`${name}.csv`, strToU8(text)]),
    ]),
  )
}

function manifest(written: readonly string[]): string {
  return Papa.unparse({
    fields: ['propertyName', 'value'],
    data: [
      ['manifest.version', '1.0'],
      ['oneroster.version', '1.2'],
      ...MANIFEST_FILES.map((name) => [`file.${name}`, written.includes(name) ? 'bulk' : 'absent']),
      ['source.systemName', 'Jolly Otter'],
      ['source.systemCode', 'jolly-otter'],
    ],
  })
}

function csv(columns: readonly string[], rows: readonly Readonly<Record<string, string>>[]): string {
  return Papa.unparse({
    fields: [...columns],
    data: rows.map((row) => columns.map((column) => row[column] ?? '')),
  })
}
