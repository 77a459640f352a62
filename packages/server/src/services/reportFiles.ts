import type { Language, ReportScope } from '@otter/api'
import {
  writeOneRosterResults,
  workbookStream,
  type WorkbookCell,
  type WrittenResult,
  type WrittenWork,
} from '@otter/core/formats'
import { attemptsByWork, bestOf, type GradeScale } from '@otter/core/results'
import { reportedResponses, type ReportedResponse } from '../db/queries/reportedResponses.ts'
import { inScope, reading, type ScopeSource, type TeacherScope } from '../db/scope.ts'
import { Problem } from '../problem.ts'
import { csvOf } from './csv.ts'
import { counts, gatherReport, type GatheredReport } from './gatheredReport.ts'
import { readReport } from './report.ts'
import {
  entriesTable,
  gradebookTable,
  scoreOf,
  seconds,
  standardsTable,
  studentsTable,
  wordsOf,
  type Table,
  type Words,
} from './reportTables.ts'

/** Attempts whose responses are read at once. */
const BATCH = 150

const RESPONSE_KEYS = [
  'student',
  'work',
  'attempt',
  'question',
  'given',
  'outcome',
  'points',
  'seconds',
  'hints',
  'when',
] as const

function responseRow(
  { given, text, outcome, points, milliseconds, hints, at }: ReportedResponse,
  { name, work, attempt }: { name: string; work: string; attempt: number },
  word: Words,
): WorkbookCell[] {
  return [name, work, attempt, text, given, word(`csv.outcome-${outcome}`), points, seconds(milliseconds), hints, at]
}

/** What a report is written from, and for whom. */
export interface ReportFile {
  scope: ReportScope
  language: Language
  scale: GradeScale
}

/** Gathers what a report's files are made of. Throws a Problem where it is too much at once. */
async function gathered(source: ScopeSource, teacherId: string, scope: ReportScope): Promise<GatheredReport> {
  const found = await inScope(source, { teacherId }, (teacher) => gatherReport(teacher, scope))
  if (!found) throw new Problem(409, 'too-much-reported')
  return found
}

/** Reads the responses of a report piece by piece: no connection is held while a slow line takes them. */
async function* responsesOf(
  source: ScopeSource,
  teacherId: string,
  { persons, plays, works }: GatheredReport,
  word: Words,
): AsyncGenerator<WorkbookCell[][]> {
  const nameOf = new Map(persons.map(({ id, name }) => [id, name]))
  const numbers = new Map<string, number>()
  const told = new Map(
    plays.map(({ id, person, work }) => {
      const key = `${person} ${work}`
      const attempt = (numbers.get(key) ?? 0) + 1
      numbers.set(key, attempt)
      return [id, { name: nameOf.get(person) ?? '', work: works[work]!.name || works[work]!.title, attempt }] as const
    }),
  )
  const ids = [...told.keys()]
  for (let begin = 0; begin < ids.length; begin += BATCH) {
    const rows = await reading(source, teacherId, (reader) =>
      reportedResponses(reader, ids.slice(begin, begin + BATCH)),
    )
    yield rows.map((row) => responseRow(row, told.get(row.playId)!, word))
  }
}

/** Writes pieces of a file as they come; resolves when the line takes more. */
export type Give = (piece: Uint8Array | string) => Promise<void>

/** Writes a report as a workbook: a sheet for students, one for entries, one for each response, one as a gradebook. */
export async function writeWorkbookFile(
  source: ScopeSource,
  teacherId: string,
  { scope, language, scale }: ReportFile,
  give: Give,
): Promise<void> {
  const word = wordsOf(language)
  const report = await gathered(source, teacherId, scope)
  const told = await inScope(source, { teacherId }, (teacher) => readReport(teacher, scope, 0))
  let pieces: Uint8Array[] = []
  const book = workbookStream((piece) => pieces.push(piece))
  const flush = async (): Promise<void> => {
    const ready = pieces
    pieces = []
    for (const piece of ready) await give(piece)
  }
  const sheets: [title: string, table: Table][] = [
    [word('csv.sheetStudents'), studentsTable(told, language)],
    [word('csv.sheetEntries'), entriesTable(told, language)],
    [word('csv.sheetGradebook'), gradebookTable(report, scale, language)],
    ...(told.standards.length > 0
      ? [[word('csv.standards'), standardsTable(told, language)] satisfies [string, Table]]
      : []),
  ]
  for (const [title, { headings, rows }] of sheets) {
    book.sheet(title, headings)
    for (const row of rows) book.row(row)
    await flush()
  }
  book.sheet(
    word('csv.sheetResponses'),
    RESPONSE_KEYS.map((key) => word(`csv.${key}`)),
  )
  for await (const rows of responsesOf(source, teacherId, report, word)) {
    for (const row of rows) book.row(row)
    await flush()
  }
  book.end()
  await flush()
}

/** Writes one table of a report as CSV. */
export async function writeCsvFile(
  source: ScopeSource,
  teacherId: string,
  { scope, language, scale, what }: ReportFile & { what: 'students' | 'entries' | 'responses' | 'gradebook' },
  give: Give,
): Promise<void> {
  const word = wordsOf(language)
  if (what === 'responses') {
    // What fails here is told as a problem: nothing was written yet.
    const report = await gathered(source, teacherId, scope)
    await give(
      csvOf(
        RESPONSE_KEYS.map((key) => word(`csv.${key}`)),
        [],
      ),
    )
    for await (const rows of responsesOf(source, teacherId, report, word)) await give(csvOf(null, plain(rows)))
    return
  }
  const table =
    what === 'gradebook'
      ? gradebookTable(await gathered(source, teacherId, scope), scale, language)
      : await inScope(source, { teacherId }, async (teacher) => {
          const report = await readReport(teacher, scope, 0)
          return what === 'students' ? studentsTable(report, language) : entriesTable(report, language)
        })
  await give(csvOf(table.headings, plain(table.rows)))
}

const plain = (rows: readonly (readonly WorkbookCell[])[]): (string | number)[][] =>
  rows.map((row) => row.map((cell) => cell ?? ''))

/** Returns what students of classes came to as a OneRoster archive, with the ids of the school's system where they are known. */
export async function oneRosterResults(
  source: ScopeSource,
  teacherId: string,
  scope: ReportScope,
  now: Date,
): Promise<Uint8Array> {
  const report = await gathered(source, teacherId, scope)
  const { works, results } = await inScope(source, { teacherId }, (teacher) => rosterResults(teacher, report))
  return writeOneRosterResults(works, results, now)
}

const dayOf = (at: number | string): string => new Date(at).toISOString().slice(0, 10)

async function rosterResults(
  scope: TeacherScope,
  { works, persons, facts }: GatheredReport,
): Promise<{ works: WrittenWork[]; results: WrittenResult[] }> {
  const ids = await scope.query<{ id: string; sourceId: string }>(
    'SELECT id, coalesce(source_id, id::text) AS "sourceId" FROM students WHERE id = ANY ($ids::uuid[])',
    { ids: persons.filter(({ isStudent }) => isStudent).map(({ id }) => id) },
  )
  const dated = await scope.query<{ offerId: string; due: string | null; classId: string | null }>(
    `SELECT o.id AS "offerId", o.due_at AS due, coalesce(c.source_id, c.id::text) AS "classId" FROM offers o
      LEFT JOIN classes c ON c.id = o.class_id WHERE o.id = ANY ($offerIds::uuid[])`,
    { offerIds: works.map(({ offerId }) => offerId) },
  )
  const sourceOf = new Map(ids.map(({ id, sourceId }) => [id, sourceId]))
  const setFor = new Map(dated.map((one) => [one.offerId, one]))
  const tries = attemptsByWork(facts)
  const counting = works.flatMap((work, place) =>
    counts(work) && setFor.get(work.offerId)?.classId ? [{ work, place, set: setFor.get(work.offerId)! }] : [],
  )
  return {
    works: counting.map(({ work, set }) => ({
      id: work.offerId,
      title: work.name || work.title,
      classId: set.classId!,
      assigned: dayOf(work.at),
      due: dayOf(set.due ?? work.at),
    })),
    results: counting.flatMap(({ work, place }) =>
      persons.flatMap(({ id }, person) => {
        const studentId = sourceOf.get(id)
        const attempts = tries.get(`${person} ${place}`)
        if (studentId === undefined || !attempts) return []
        const best = bestOf(attempts)
        return [
          {
            workId: work.offerId,
            studentId,
            score: Math.round(scoreOf(best).share * 1000) / 10,
            isUnderWay: !best.ended,
            day: dayOf(best.startedAt),
          },
        ]
      }),
    ),
  }
}
