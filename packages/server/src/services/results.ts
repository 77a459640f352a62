import type { AnswersReply, ResultsReply } from '@otter/api'
import Papa from 'papaparse'
import { answersTo, participantResults, questionResults, resultsState } from '../db/queries/results.ts'
import type { Reader, TeacherScope } from '../db/scope.ts'
import { notFound } from '../problem.ts'
import { readOffer } from './offers.ts'

/** Returns a text that changes whenever the results of an offer do. Throws a Problem where it is another's. */
export async function resultsTag(scope: Reader<string>, offerId: string): Promise<string> {
  const state = await resultsState(scope, offerId)
  if (state === undefined) throw notFound('link')
  return state
}

/**
 * Returns what the students of one of a teacher's offers did: by student and by question. Throws a Problem where it is
 * another's.
 */
export async function readResults(scope: TeacherScope, offerId: string): Promise<ResultsReply> {
  const offer = await readOffer(scope, offerId)
  return {
    offer,
    participants: await participantResults(scope, offerId),
    questions: await questionResults(scope, offerId),
  }
}

/** Returns who gave which answer to a question. Throws a Problem where the offer is another's. */
export async function readAnswers(scope: TeacherScope, offerId: string, entryId: string): Promise<AnswersReply> {
  await readOffer(scope, offerId)
  return { answers: await answersTo(scope, offerId, entryId) }
}

/**
 * Writes results as CSV (RFC 4180, UTF-8 with a byte order mark); cells that a spreadsheet would run are made harmless.
 */
export function resultsCsv({ participants }: ResultsReply): string {
  const rows = participants.map(
    ({
      name,
      right,
      firstRight,
      total,
      points,
      hints,
      misses,
      second,
      milliseconds,
      attempts,
      finished,
      lastSeenAt,
    }) => ({
      Student: name,
      'Right (best attempt)': right,
      'Right (first attempt)': firstRight,
      Questions: total,
      Points: points,
      'Second try right': second.right,
      'Second try asked': second.total,
      Hints: hints,
      Misses: misses,
      Seconds: Math.round(milliseconds / 1000),
      Attempts: attempts,
      Finished: finished ? 'yes' : 'no',
      'Last seen': new Date(lastSeenAt).toISOString(),
    }),
  )
  const columns = [
    'Student',
    'Right (best attempt)',
    'Right (first attempt)',
    'Questions',
    'Points',
    'Second try right',
    'Second try asked',
    'Hints',
    'Misses',
    'Seconds',
    'Attempts',
    'Finished',
    'Last seen',
  ]
  return `\ufeff${Papa.unparse(rows, { columns, escapeFormulae: FORMULA, newline: '\r\n' })}\r\n`
}

/** What a spreadsheet might run: also full-width signs, and signs behind characters that nobody sees. */
const FORMULA = /^[\s\p{Cf}\p{Cc}\p{Z}]*[=+\-@\t\r＝＋－＠]/u
