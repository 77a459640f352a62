import type { AnswersReply, Language, ParticipantResult, ResultsReply, TeamResult } from '@otter/api'
import {
  answersTo,
  participantResults,
  questionResults,
  responsesTo,
  resultsState,
  teamResults,
} from '../db/queries/results.ts'
import type { Reader, TeacherScope } from '../db/scope.ts'
import { notFound } from '../problem.ts'
import { sheetWord } from '../texts.ts'
import { csvOf } from './csv.ts'
import { correctionsOf } from './corrections.ts'
import { readFigures } from './figures.ts'
import { readOffer } from './offers.ts'

/** Returns a text that changes whenever the results of an offer do. Throws a Problem where it is another's. */
export async function resultsTag(scope: Reader<string>, offerId: string): Promise<string> {
  const state = await resultsState(scope, offerId)
  if (state === undefined) throw notFound()
  return state
}

/**
 * Returns what the students of one of a teacher's offers did: by student and by question. Throws a Problem where it is
 * another's.
 */
export async function readResults(scope: TeacherScope, offerId: string): Promise<ResultsReply> {
  const offer = await readOffer(scope, offerId)
  const isWall = offer.teams !== null
  const questions = await questionResults(scope, offerId)
  const corrections = await correctionsOf(scope, offerId)
  return {
    offer,
    // Teams at the wall stand for no students, and have a table of their own.
    participants: isWall ? [] : await participantResults(scope, offerId),
    teams: isWall ? await teamResults(scope, offerId) : [],
    questions,
    corrections,
    figures: isWall ? null : await readFigures(scope, offer, { questions, corrections }),
  }
}

/** Returns who gave which answer to a question. Throws a Problem where the offer is another's. */
export async function readAnswers(scope: TeacherScope, offerId: string, entryId: string): Promise<AnswersReply> {
  await readOffer(scope, offerId)
  return { answers: await answersTo(scope, offerId, entryId) }
}

/** Columns of the results as a file, each with its name's key and what stands in it. */
const CSV_COLUMNS = {
  student: ({ name }) => name,
  right: ({ right }) => right,
  first: ({ firstRight }) => firstRight,
  questions: ({ total }) => total,
  points: ({ points }) => points,
  secondRight: ({ second }) => second.right,
  secondAsked: ({ second }) => second.total,
  hints: ({ hints }) => hints,
  misses: ({ misses }) => misses,
  seconds: ({ milliseconds }) => Math.round(milliseconds / 1000),
  attempts: ({ attempts }) => attempts,
  finished: ({ finished }, language) => sheetWord(language, finished ? 'csv.yes' : 'csv.no'),
  seen: ({ lastSeenAt }) => new Date(lastSeenAt).toISOString(),
} satisfies Record<string, (student: ParticipantResult, language: Language) => string | number>

/**
 * Writes results as CSV (RFC 4180, UTF-8 with a byte order mark); cells that a spreadsheet would run are made harmless.
 */
export function resultsCsv({ participants, teams }: ResultsReply, language: Language): string {
  if (teams.length > 0) return teamsCsv(teams, language)
  const columns = Object.entries(CSV_COLUMNS).map(([key, cell]) => ({
    name: sheetWord(language, `csv.${key as keyof typeof CSV_COLUMNS}`),
    cell,
  }))
  const fields = columns.map(({ name }) => name)
  // Who says to be another has played nothing under this name.
  const counted = participants.filter(({ waits }) => !waits)
  const data = counted.map((student) => columns.map(({ cell }) => cell(student, language)))
  return csvOf(fields, data)
}

function teamsCsv(teams: readonly TeamResult[], language: Language): string {
  const word = (key: Parameters<typeof sheetWord>[1]): string => sheetWord(language, key)
  return csvOf(
    [
      word('csv.team'),
      word('csv.points'),
      word('csv.outcome-right'),
      word('csv.outcome-wrong'),
      word('csv.outcome-passed'),
      word('csv.members'),
    ],
    teams.map(({ name, points, right, wrong, passed, members }) => [
      name,
      points,
      right,
      wrong,
      passed,
      members.join(', '),
    ]),
  )
}

/**
 * Returns all that students of an offer gave, one response a line, as CSV like the results. Throws a Problem where the
 * offer is another's.
 */
export async function responsesCsv(scope: TeacherScope, offerId: string, language: Language): Promise<string> {
  await readOffer(scope, offerId)
  const word = (key: Parameters<typeof sheetWord>[1]): string => sheetWord(language, key)
  const given = await responsesTo(scope, offerId)
  return csvOf(
    [
      word('csv.student'),
      ...(['attempt', 'question', 'given', 'outcome', 'points', 'seconds', 'when'] as const).map((key) =>
        word(`csv.${key}`),
      ),
    ],
    given.map(({ name, attempt, text, given: answer, outcome, points, milliseconds, at }) => [
      name,
      attempt,
      text,
      answer,
      word(`csv.outcome-${outcome}`),
      points,
      Math.round(milliseconds / 1000),
      new Date(at).toISOString(),
    ]),
  )
}
