import type { ReportReply, ReportScope } from '@otter/api'
import { difficultyWord, figuresOf, isPerhapsMiskeyed, tellingWord, toTeachAgain, type Mark } from '@otter/core'
import {
  attemptsByWork,
  distributionOf,
  entryCounts,
  mapOf,
  progressByAttempt,
  progressByWeek,
  scoresOf,
  standardRows,
  type EntryCount,
  type ReportFacts,
} from '@otter/core/results'
import {
  countPlays,
  leadingWrong,
  reportEfforts,
  reportWorks,
  type EntryEffort,
  type Missing,
  type ReportSpan,
} from '../db/queries/report.ts'
import { notBegun } from '../db/queries/results.ts'
import type { TeacherScope } from '../db/scope.ts'
import { readClass } from './classes.ts'
import { sumsOf } from './entrySums.ts'
import { counts, gatherFrom, MOST_PLAYS, spanOf, titleOf, type GatheredReport } from './gatheredReport.ts'
import { troublesOf } from './reportTroubles.ts'
import { labelsOf } from './standards.ts'
import type { ToldReport } from './toldReport.ts'

/** Most cells of a map, and of figures that are worked out while somebody waits. */
const MOST_CELLS = 60_000
/** Of more attempts, time and hints are told of each entry where it is looked at alone. */
const MOST_TIMED = 500
/** Entries to teach again that are told at the top. */
const MOST_TAUGHT = 3

/**
 * Returns a report. Where there are more attempts than are told one by one, it is made of sums: without students.
 *
 * @param offset of the teacher's time zone to UTC, in minutes
 */
export async function readReport(scope: TeacherScope, asked: ReportScope, offset: number): Promise<ReportReply> {
  const span = spanOf(asked)
  const works = await reportWorks(scope, span)
  const title = await titleOf(scope, span, works)
  const of = span.class !== null ? 'class' : span.list !== null ? 'list' : 'work'
  const offerIds = works.map(({ offerId }) => offerId)
  const isLarge = (await countPlays(scope, offerIds, span)) > MOST_PLAYS
  const told = isLarge
    ? await sumsOf(scope, works, span, offset * 60_000)
    : await toldOneByOne(scope, await gatherFrom(scope, { span, works, title }), offset * 60_000)
  const { missesOf: _, ...shown } = told
  return {
    title,
    of,
    works: works.map((work) => ({
      offerId: work.offerId,
      listId: work.listId,
      title: work.name || work.title,
      kind: work.kind,
      at: work.at,
      scores: counts(work),
    })),
    ...shown,
    standards: await standardsOf(scope, told.entries),
    brief: {
      teach: await teachOf(scope, told),
      notBegun: await notBegunIn(scope, span, told.students),
    },
  }
}

async function toldOneByOne(scope: TeacherScope, gathered: GatheredReport, offset: number): Promise<ToldReport> {
  const { facts, persons, plays, entries } = gathered
  const playIds = plays.map(({ id }) => id)
  const tries = attemptsByWork(facts)
  const scores = scoresOf(facts, tries)
  const map = mapOf(facts)
  const counted = entryCounts(facts, map)
  const troubles = await troublesOf(scope, gathered)
  const cells = persons.length * entries.length
  // What students say of themselves tells nothing of a question.
  const isJudged = facts.attempts.some(({ scores: isScored }) => isScored)
  const figures = cells > MOST_CELLS || !isJudged ? null : figuresOf(figureRows(facts), entries.length)
  const efforts = plays.length > MOST_TIMED ? undefined : await reportEfforts(scope, playIds)
  // A wrong answer that leads over the right one is looked for where that can be.
  const doubtful = new Set([...entries.keys()].filter((place) => counted[place]!.wrong > counted[place]!.right))
  const leading = await leadingWrong(scope, missesIn(gathered, doubtful))
  return {
    missesOf: (places) => missesIn(gathered, places),
    students: persons.map(({ id, name, isStudent }, place) => ({
      id,
      isStudent,
      name,
      ...scores[place]!,
      trouble: troubles.get(id) ?? null,
    })),
    entries: entries.map((entry, place) =>
      entryReply(gathered, { ...entry, place, counted: counted[place]! }, figures, leading, efforts),
    ),
    map: cells > MOST_CELLS ? null : map,
    reliability: gathered.works.length === 1 ? (figures?.reliability ?? null) : null,
    distribution: distributionOf(scores.flatMap(({ share }) => share ?? [])),
    byAttempt: progressByAttempt(facts, tries),
    byWeek: progressByWeek(facts, offset, tries),
  }
}

function entryReply(
  { others }: GatheredReport,
  {
    entryId,
    text,
    standards,
    place,
    counted,
  }: GatheredReport['entries'][number] & { place: number; counted: EntryCount },
  figures: ReturnType<typeof figuresOf> | null,
  leading: readonly { entryId: string; count: number }[],
  efforts: ReadonlyMap<string, EntryEffort> | undefined,
): ReportReply['entries'][number] {
  const { right, wrong, passed, notReached, mended } = counted
  const mostGiven = leading.find((one) => one.entryId === entryId)?.count ?? 0
  const more = others.get(entryId) ?? { right: 0, wrong: 0, passed: 0 }
  const effort = efforts?.get(entryId)
  const item = figures?.items[place]
  return {
    entryId,
    text,
    standards,
    right: right + more.right,
    wrong: wrong + more.wrong,
    passed: passed + more.passed,
    notReached,
    mended,
    milliseconds: effort?.milliseconds ?? null,
    hints: effort?.hints ?? null,
    difficulty: item ? difficultyWord(item) : null,
    telling: item ? tellingWord(item) : null,
    perhapsMiskeyed: item !== undefined && isPerhapsMiskeyed(item, { right, mostGiven }),
  }
}

/** Returns marks as figures take them: a row for each student, right or not, null where an entry was not met. */
function figureRows({ persons, entries, marks }: ReportFacts): Mark[][] {
  const rows = Array.from({ length: persons }, () => new Array<Mark>(entries).fill(null))
  for (const { person, entry, first } of marks) rows[person]![entry] = first === 'right'
  return rows.filter((row) => row.some((mark) => mark !== null))
}

/** Returns in which attempts entries were missed. */
function missesIn({ plays, entries, facts }: GatheredReport, places: ReadonlySet<number>): Missing[] {
  const missing: Missing[] = []
  if (places.size === 0) return missing
  for (const [index, { id: playId, marks }] of plays.entries()) {
    const asked = facts.asked[facts.attempts[index]!.set]!
    for (let at = 0; at < marks.length; at++) {
      const place = asked[at] ?? -1
      if ((marks[at] === 'w' || marks[at] === 'm') && places.has(place))
        missing.push({ playId, entryId: entries[place]!.entryId, person: facts.attempts[index]!.person })
    }
  }
  return missing
}

/** Returns the entries to teach again, with the wrong answers that lead. */
async function teachOf(
  scope: TeacherScope,
  { entries, missesOf }: Pick<ToldReport, 'entries' | 'missesOf'>,
): Promise<ReportReply['brief']['teach']> {
  const teach = toTeachAgain(
    entries.map((entry, place) => ({ ...entry, place, counts: true, given: [] })),
    MOST_TAUGHT,
  )
  const leading = await leadingWrong(scope, missesOf(new Set(teach.map(({ place }) => place))))
  return teach.map(({ entryId, text, right, answered }) => {
    const lead = leading.find((one) => one.entryId === entryId && one.count > 1)
    return { entryId, text, right, answered, leading: lead?.given ?? null, leads: lead?.count ?? 0 }
  })
}

/** Returns who of a class has not come, by name: to the work, or to any in the span. */
async function notBegunIn(
  scope: TeacherScope,
  span: ReportSpan,
  students: readonly { id: string }[],
): Promise<string[]> {
  if (span.work !== null) return notBegun(scope, span.work)
  if (span.class === null || students.length === 0) return []
  const begun = new Set(students.map(({ id }) => id))
  const { roll } = await readClass(scope, span.class)
  return roll.filter(({ id, state }) => state === 'in' && !begun.has(id)).map(({ name }) => name)
}

async function standardsOf(scope: TeacherScope, entries: ReportReply['entries']): Promise<ReportReply['standards']> {
  const rows = standardRows(entries)
  const labels = await labelsOf(
    scope,
    rows.map(({ code }) => code),
  )
  return rows.map(({ code, entries: places, right, answers, interval, word }) => ({
    code,
    label: labels.get(code) ?? '',
    entries: places.length,
    right,
    answers,
    from: interval?.from ?? null,
    to: interval?.to ?? null,
    word,
  }))
}
