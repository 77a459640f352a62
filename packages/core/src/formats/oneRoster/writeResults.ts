import { csvFile, packed, SCHOOL, schoolYearRow } from './archive.ts'
import { COLUMNS as ROSTER_COLUMNS } from './columns.ts'
import { yearEndOf } from './schoolYear.ts'

/** Columns of the files of results of OneRoster 1.2 (1EdTech, CSV binding, gradebook), in the order of the standard. */
const COLUMNS = {
  academicSessions: ROSTER_COLUMNS.academicSessions,
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
    academicSessions: csvFile(COLUMNS.academicSessions, [schoolYearRow(year)]),
    categories: csvFile(COLUMNS.categories, [{ sourcedId: CATEGORY, title: 'Review games' }]),
    lineItems: csvFile(
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
    results: csvFile(
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
  return packed(files)
}
