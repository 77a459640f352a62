import type { ReteachList } from '@otter/api'
import { acceptedOf, Choice, type Entry } from '@otter/core'
import { entryCounts, type ReportFacts } from '@otter/core/results'
import type { z } from 'zod'
import type { TeacherScope } from '../db/scope.ts'
import { Problem } from '../problem.ts'
import { copyList, isListHere, readList } from './lists.ts'
import { gatherReport, type GatheredReport } from './gatheredReport.ts'
import { findTeacher } from './teachers.ts'

/** Most wrong choices of an entry: more are no help. */
const MOST_CHOICES = 5
/** Most lists whose entries come into one: those with most of what was missed. */
const MOST_LISTS = 30

/** What was missed of an entry, by those whom the list is for. */
interface Missed {
  entryId: string
  share: number
}

/**
 * Makes a list of what was missed in a report: the entries that fewer than a share knew of those who answered them first, the
 * least known first, with the wrong answers that were given as wrong choices. It knows the list that most of it comes from.
 * Sent again, it is made once. Throws a Problem where nothing was missed, or the lists are gone.
 */
export async function makeReteachList(
  scope: TeacherScope,
  { id, scope: asked, title, below, persons }: z.output<typeof ReteachList>,
): Promise<void> {
  const { teacherId } = scope
  await scope.query('SELECT 1 FROM teachers WHERE id = $teacherId FOR UPDATE', { teacherId })
  if (await isListHere(scope, id)) return
  const report = await gatherReport(scope, asked)
  if (!report) throw new Problem(409, 'too-much-reported')
  const missed = missedIn(report, persons, below)
  const lists = await listsOf(scope, missed)
  const [main] = lists
  if (missed.length > 0 && !main) throw new Problem(409, 'list-gone')
  if (!main) throw new Problem(409, 'nothing-missed')
  const entries = new Map<string, Entry>()
  for (const listId of lists) for (const entry of (await readList(scope, listId)).entries) entries.set(entry.id, entry)
  const given = await wrongAnswers(scope, report, missed)
  const taken = missed.flatMap(({ entryId }, place) => {
    const entry = entries.get(entryId)
    return entry ? [{ ...withGiven(entry, given.get(entryId) ?? []), position: place + 1 }] : []
  })
  const { entries: _entries, id: _, version: _version, ...details } = await readList(scope, main)
  await copyList(scope, id, { details: { ...details, title }, entries: taken })
  await scope.query('UPDATE lists SET origin_title = $origin, origin_teacher = $teacher WHERE id = $id', {
    id,
    origin: details.title,
    teacher: (await findTeacher(scope, teacherId))?.name ?? '',
  })
}

/** Returns what fewer than a share knew, the least known first: of some students, or of all. What was passed says nothing. */
function missedIn(
  { facts, persons, entries, others }: GatheredReport,
  whose: readonly string[],
  below: number,
): Missed[] {
  const own: ReportFacts =
    whose.length === 0
      ? facts
      : { ...facts, marks: facts.marks.filter(({ person }) => whose.includes(persons[person]!.id)) }
  return entryCounts(own)
    .map(({ right, wrong }, place) => {
      const { entryId } = entries[place]!
      const more = whose.length === 0 ? others.get(entryId) : undefined
      const [rights, wrongs] = [right + (more?.right ?? 0), wrong + (more?.wrong ?? 0)]
      return { entryId, answers: rights + wrongs, share: rights / (rights + wrongs) }
    })
    .filter(({ answers, share }) => answers > 0 && share < below)
    .sort((one, other) => one.share - other.share)
}

/** Returns the teacher's lists that missed entries are in, those with most of them first. */
async function listsOf(scope: TeacherScope, missed: readonly Missed[]): Promise<string[]> {
  const lists = await scope.query<{ id: string }>(
    `SELECT l.id FROM entries n JOIN lists l ON l.id = n.list_id AND l.teacher_id = $teacherId
      WHERE n.id = ANY ($entryIds::uuid[]) GROUP BY l.id ORDER BY count(*) DESC, l.id LIMIT ${MOST_LISTS}`,
    { teacherId: scope.teacherId, entryIds: missed.map(({ entryId }) => entryId) },
  )
  return lists.map(({ id }) => id)
}

/** Returns the wrong answers given to each entry, the most frequent first. */
async function wrongAnswers(
  scope: TeacherScope,
  { plays }: GatheredReport,
  missed: readonly Missed[],
): Promise<Map<string, string[]>> {
  const rows = await scope.query<{ entryId: string; given: string[] }>(
    `SELECT entry_id AS "entryId", jsonb_agg(given ORDER BY count DESC, given) AS given FROM (
       SELECT r.entry_id, r.given, count(*) FROM unnest($plays::uuid[]) AS t(play_id)
         JOIN responses r ON r.play_id = t.play_id AND r.entry_id = ANY ($entryIds::uuid[])
       WHERE r.outcome = 'wrong' AND r.round = 'first' AND r.withdrawn_at IS NULL AND r.given <> ''
       GROUP BY r.entry_id, r.given) g GROUP BY entry_id`,
    { plays: plays.map(({ id }) => id), entryIds: missed.map(({ entryId }) => entryId) },
  )
  return new Map(rows.map(({ entryId, given }) => [entryId, given]))
}

/** Returns an entry with the wrong answers that were given among its wrong choices; none that counts as right. */
function withGiven<Listed extends Entry>(entry: Listed, given: readonly string[]): Listed {
  const plain = (text: string): string => text.normalize('NFC').trim().toLowerCase()
  const known = new Set([...acceptedOf(entry), ...entry.choices.map(({ text }) => text)].map(plain))
  const more = given
    .map((one) => one.trim())
    .filter((text) => text !== '' && !known.has(plain(text)))
    .slice(0, Math.max(0, MOST_CHOICES - entry.choices.length))
    .map((text) => Choice.parse({ text, right: false }))
  return { ...entry, choices: [...entry.choices, ...more] }
}
