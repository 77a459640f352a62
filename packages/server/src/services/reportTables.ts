import type { Language, ReportReply } from '@otter/api'
import type { WorkbookCell } from '@otter/core/formats'
import { attemptsByWork, bestOf, gradeOf, type GradeScale, type ReportAttempt } from '@otter/core/results'
import { sheetWord } from '../texts.ts'
import { counts, type GatheredReport } from './gatheredReport.ts'

/** A table, as a file has it. */
export interface Table {
  headings: string[]
  rows: WorkbookCell[][]
}

export type Words = (key: Parameters<typeof sheetWord>[1]) => string

/** Returns the words of files in a language. */
export const wordsOf =
  (language: Language): Words =>
  (key) =>
    sheetWord(language, key)
/** Returns a share in per cent, to one place. */
const percent = (share: number | null): number | null => (share === null ? null : Math.round(share * 1000) / 10)
/** Returns milliseconds in whole seconds. */
export const seconds = (milliseconds: number | null): number | null =>
  milliseconds === null ? null : Math.round(milliseconds / 1000)

/** Returns the students of a report with all that is told of them. */
export function studentsTable({ students, brief }: ReportReply, language: Language): Table {
  const word = wordsOf(language)
  const keys = [
    'student',
    'share',
    'firstShare',
    'right',
    'questions',
    'points',
    'seconds',
    'attempts',
    'games',
    'away',
    'reloads',
    'waited',
    'late',
  ] as const
  return {
    headings: keys.map((key) => word(`csv.${key}`)),
    rows: [
      ...students.map(({ name, share, firstShare, right, total, points, milliseconds, attempts, begun, trouble }) => [
        name,
        percent(share),
        percent(firstShare),
        right,
        total,
        points,
        seconds(milliseconds),
        attempts,
        begun,
        seconds(trouble?.gone ?? 0),
        trouble?.reloads ?? 0,
        trouble?.waited ?? 0,
        trouble?.late ?? 0,
      ]),
      ...brief.notBegun.map((name) => [name, ...keys.slice(1).map((key) => (key === 'games' ? 0 : null))]),
    ],
  }
}

/** Returns the entries of a report with all that is told of them. */
export function entriesTable({ entries }: ReportReply, language: Language): Table {
  const word = wordsOf(language)
  const keys = [
    'question',
    'outcome-right',
    'outcome-wrong',
    'outcome-passed',
    'notReached',
    'mended',
    'seconds',
    'hints',
    'standards',
    'difficulty',
    'telling',
  ] as const
  return {
    headings: keys.map((key) => word(`csv.${key}`)),
    rows: entries.map(
      ({ text, right, wrong, passed, notReached, mended, milliseconds, hints, standards, difficulty, telling }) => [
        text,
        right,
        wrong,
        passed,
        notReached,
        mended,
        seconds(milliseconds),
        hints,
        standards.join('; '),
        difficulty === null ? null : word(`csv.${difficulty}`),
        telling === null ? null : word(`csv.${telling}`),
      ],
    ),
  }
}

/** Returns the standards of a report with how sure it is that they are known. */
export function standardsTable({ standards }: ReportReply, language: Language): Table {
  const word = wordsOf(language)
  return {
    headings: (['standard', 'meaning', 'outcome-right', 'answers', 'shareFrom', 'shareTo'] as const).map((key) =>
      word(`csv.${key}`),
    ),
    rows: standards.map(({ code, label, right, answers, from, to }) => [
      code,
      label,
      right,
      answers,
      percent(from),
      percent(to),
    ]),
  }
}

/** Returns the table of students by pieces of work: of the best attempt, on a scale. */
export function gradebookTable(
  { works, persons, facts }: GatheredReport,
  scale: GradeScale,
  language: Language,
): Table {
  const word = wordsOf(language)
  const counting = works.flatMap((work, place) => (counts(work) ? [{ work, place }] : []))
  const tries = attemptsByWork(facts)
  return {
    headings: [word('csv.student'), ...counting.map(({ work }) => work.name || work.title)],
    rows: persons.map(({ name }, person) => [
      name,
      ...counting.map(({ place }) => {
        const attempts = tries.get(`${person} ${place}`)
        return attempts ? gradeOf(scale, scoreOf(bestOf(attempts))) : null
      }),
    ]),
  }
}

/** Returns what an attempt came to, as a scale takes it. */
export function scoreOf({ right, total, points }: ReportAttempt): { share: number; points: number } {
  return { share: total === 0 ? 0 : Math.min(1, right / total), points }
}
