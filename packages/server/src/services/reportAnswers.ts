import type { EntryAnswers, GivenAnswer, RefusedReply, ReportScope } from '@otter/api'
import { refusedGroups } from '@otter/core/results'
import { reportPlays, reportWorks, type ReportPerson, type ReportPlay, type ReportWork } from '../db/queries/report.ts'
import type { TeacherScope } from '../db/scope.ts'
import { notFound, Problem } from '../problem.ts'
import { correctionsOf, correctQuestion } from './corrections.ts'
import { spanOf, titleOf } from './gatheredReport.ts'

/** Most answers of one student, or to one entry, that are told. */
const MOST_ANSWERS = 5000
/** Most refused answers that are looked through, and most groups of them that are told. */
const MOST_REFUSED = 20_000
const MOST_GROUPS = 60
/** As many other spellings as an entry takes. */
const MOST_ACCEPTED = 30

/** The attempts of a report, with whose they are and of which work. */
interface ReportedPlays {
  works: ReportWork[]
  persons: ReportPerson[]
  plays: ReportPlay[]
}

/** Returns the attempts of a report. Throws a Problem where it is another's. */
async function playsIn(scope: TeacherScope, asked: ReportScope): Promise<ReportedPlays> {
  const span = spanOf(asked)
  const all = await reportWorks(scope, span)
  await titleOf(scope, span, all)
  const works = all.filter(({ isWall }) => !isWall)
  const offerIds = works.map(({ offerId }) => offerId)
  return { works, ...(await reportPlays(scope, offerIds, span)) }
}

const ANSWER = `r.entry_id AS "entryId", t.offer_id AS "offerId", r.given, r.outcome, r.round, r.hints, r.milliseconds, r.at`
const OF_PLAYS = `FROM unnest($plays::uuid[], $offers::uuid[]) AS t(play_id, offer_id)
  JOIN responses r ON r.play_id = t.play_id AND r.withdrawn_at IS NULL AND r.reached`

/** Returns all that one student answered within a report, in the order in which it was given. Throws a Problem where there is none. */
export async function readStudentAnswers(
  scope: TeacherScope,
  asked: ReportScope,
  personId: string,
): Promise<GivenAnswer[]> {
  const { works, plays } = await playsIn(scope, asked)
  const own = plays.filter(({ person }) => person === personId)
  if (own.length === 0) throw notFound()
  return scope.query<GivenAnswer>(`SELECT ${ANSWER} ${OF_PLAYS} ORDER BY r.id LIMIT ${MOST_ANSWERS}`, {
    plays: own.map(({ id }) => id),
    offers: own.map(({ work }) => works[work]!.offerId),
  })
}

/** Returns who gave what to an entry in all games of a report, and how it went when it was met next. */
export async function readEntryAnswers(
  scope: TeacherScope,
  asked: ReportScope,
  entryId: string,
): Promise<EntryAnswers> {
  const { works, persons, plays } = await playsIn(scope, asked)
  const given = await scope.query<GivenAnswer & { playId: string }>(
    `SELECT ${ANSWER}, t.play_id AS "playId" ${OF_PLAYS} WHERE r.entry_id = $entryId AND r.outcome <> 'opinion'
      ORDER BY r.id LIMIT ${MOST_ANSWERS}`,
    { plays: plays.map(({ id }) => id), offers: plays.map(({ work }) => works[work]!.offerId), entryId },
  )
  const personOf = new Map(plays.map(({ id, person }) => [id, person]))
  const byPerson = new Map<string, GivenAnswer[]>(persons.map(({ id }) => [id, []]))
  for (const one of given) byPerson.get(personOf.get(one.playId)!)!.push(one)
  const firsts = persons.flatMap(({ id, name }) => {
    const [first, next] = byPerson.get(id) ?? []
    return first ? [{ personId: id, name, first, next }] : []
  })
  return {
    games: works.flatMap(({ offerId, title, name, kind }) => {
      const here = given.filter((one) => one.offerId === offerId && one.round === 'first')
      const count = (outcome: string): number => here.filter((one) => one.outcome === outcome).length
      const told = {
        offerId,
        title: name || title,
        kind,
        right: count('right'),
        wrong: count('wrong'),
        passed: count('passed'),
      }
      return here.length === 0 ? [] : [told]
    }),
    answers: firsts.map(({ personId, name, first, next }) => ({
      personId,
      name,
      outcome: first.outcome,
      given: first.given,
      hints: first.hints,
      milliseconds: first.milliseconds,
      next: next?.outcome ?? null,
    })),
  }
}

/** Returns typed answers that did not count, put together by what they were, those of most students first. */
export async function readRefused(scope: TeacherScope, asked: ReportScope): Promise<RefusedReply['groups']> {
  const { persons, plays } = await playsIn(scope, asked)
  const rows = await scope.query<{ playId: string; entryId: string; given: string; text: string }>(
    `SELECT t.play_id AS "playId", r.entry_id AS "entryId", r.given, coalesce((SELECT q.text FROM questions q
       WHERE q.set_id = t.set_id AND q.entry_id = r.entry_id LIMIT 1), '') AS text
     FROM unnest($plays::uuid[], $sets::uuid[]) AS t(play_id, set_id)
       JOIN responses r ON r.play_id = t.play_id AND r.withdrawn_at IS NULL
     WHERE r.outcome = 'wrong' AND r.detail ->> 'type' = 'typed' AND r.given <> '' LIMIT ${MOST_REFUSED}`,
    { plays: plays.map(({ id }) => id), sets: plays.map(({ setId }) => setId) },
  )
  const personOf = new Map(plays.map(({ id, person }) => [id, person]))
  const nameOf = new Map(persons.map(({ id, name }) => [id, name]))
  const textOf = new Map(rows.map(({ entryId, text }) => [entryId, text]))
  const groups = refusedGroups(rows.map((row) => ({ ...row, person: personOf.get(row.playId)! })))
  return groups.slice(0, MOST_GROUPS).map(({ persons: givers, ...group }) => ({
    ...group,
    text: textOf.get(group.entryId) ?? '',
    names: givers.map((id) => nameOf.get(id) ?? '').sort((one, other) => one.localeCompare(other)),
  }))
}

/**
 * Accepts a typed answer: the entry takes it from now on, and it counts for those who gave it in all games of the report.
 * Throws a Problem where none of them asked the entry.
 */
export async function acceptRefused(
  scope: TeacherScope,
  asked: ReportScope,
  { entryId, written }: { entryId: string; written: readonly string[] },
): Promise<string[]> {
  const works = (await reportWorks(scope, spanOf(asked))).filter(({ isWall }) => !isWall)
  const asking = await scope.query<{ offerId: string }>(
    `SELECT o.id AS "offerId" FROM unnest($offerIds::uuid[]) AS o(id) WHERE EXISTS (SELECT 1 FROM plays y JOIN questions q
       ON q.set_id = y.question_set_id WHERE y.offer_id = o.id AND q.entry_id = $entryId AND q.counts) ORDER BY o.id`,
    { offerIds: works.map(({ offerId }) => offerId), entryId },
  )
  if (asking.length === 0) throw new Problem(404, 'no-such-question')
  for (const { offerId } of asking) {
    const known = (await correctionsOf(scope, offerId)).find((one) => one.entryId === entryId)
    const { takenOut = false, right = [], wrong = [] } = known ?? {}
    await correctQuestion(scope, offerId, {
      entryId,
      takenOut,
      right: [...new Set([...right, ...written])],
      wrong: wrong.filter((one) => !written.includes(one)),
    })
  }
  await acceptInList(scope, entryId, written[0]!)
  return asking.map(({ offerId }) => offerId)
}

/** Adds a spelling to what an entry of the teacher's accepts; nothing where the entry is gone, or has it already. */
async function acceptInList(scope: TeacherScope, entryId: string, spelling: string): Promise<void> {
  const [entry] = await scope.query<{ listId: string; accepted: string[] }>(
    `SELECT n.list_id AS "listId", n.accepted FROM entries n JOIN lists l ON l.id = n.list_id
      WHERE n.id = $entryId AND l.teacher_id = $teacherId FOR UPDATE OF l`,
    { entryId, teacherId: scope.teacherId },
  )
  if (!entry || entry.accepted.includes(spelling) || entry.accepted.length >= MOST_ACCEPTED) return
  await scope.query(
    'UPDATE entries SET accepted = accepted || jsonb_build_array($spelling::text) WHERE id = $entryId',
    {
      entryId,
      spelling,
    },
  )
  await scope.query('UPDATE lists SET version = version + 1, updated_at = now() WHERE id = $listId', {
    listId: entry.listId,
  })
}
