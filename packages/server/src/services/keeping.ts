import type { KeepingReply, Language } from '@otter/api'
import { inScope, type Scope, type ScopeSource, type TeacherScope } from '../db/scope.ts'
import { dropStrays } from './classes.ts'
import { writeMail } from './mails.ts'

/** Between the notice and the deletion, in days. */
const NOTICE_DAYS = 30
/** Plays that are deleted in one transaction: nobody waits for a large one. */
const SLICE = 500

/** The day from which on a teacher `t` keeps results: the first of the school years that are kept, in August. */
const KEPT_SINCE = `make_date((extract(year FROM now()) - CASE WHEN extract(month FROM now()) < 8 THEN 1 ELSE 0 END
  - t.keep_years)::int, 8, 1)`
/** Plays of a teacher `t` that are older; none is younger than a year, which an index tells. */
const OLD_PLAYS = `plays y JOIN offers o ON o.id = y.offer_id WHERE o.teacher_id = t.id
  AND y.started_at < now() - interval '1 year' AND y.started_at < ${KEPT_SINCE} AND y.last_seen_at < ${KEPT_SINCE}`

/** Returns for how long a teacher's results are kept, and what is about to be deleted. */
export async function readKeeping(scope: TeacherScope): Promise<KeepingReply> {
  const [kept] = await scope.query<{ years: number; keptSince: Date; deletesAt: Date | null; games: number }>(
    `SELECT t.keep_years AS years, ${KEPT_SINCE}::timestamptz AS "keptSince",
        CASE WHEN t.notice_for = ${KEPT_SINCE} THEN t.notice_at + interval '${NOTICE_DAYS} days' END AS "deletesAt",
        (SELECT count(*)::int FROM ${OLD_PLAYS}) AS games
      FROM teachers t WHERE t.id = $teacherId`,
    { teacherId: scope.teacherId },
  )
  const { years, keptSince, deletesAt, games } = kept!
  return {
    years,
    keptSince: keptSince.toISOString(),
    notice: deletesAt !== null && games > 0 ? { deletesAt: deletesAt.toISOString(), games } : null,
  }
}

/** A teacher with results that are older than they are kept. */
interface Keeper {
  id: string
  name: string
  email: string
  language: Language | null
  keptSince: string
  isTold: boolean
}

/**
 * Tells teachers whose results are older than they are kept, and deletes what they were told of a month ago, slice by
 * slice. Servers on one database share the work.
 */
export async function keepWithin(source: ScopeSource): Promise<void> {
  const program = <Value>(work: (scope: Scope<null>) => Promise<Value>): Promise<Value> =>
    inScope(source, { teacherId: null }, work)
  const keepers = await program((scope) =>
    scope.query<Keeper>(
      `SELECT t.id, t.name, t.email, t.language, ${KEPT_SINCE}::text AS "keptSince",
          t.notice_for IS NOT DISTINCT FROM ${KEPT_SINCE} AS "isTold" FROM teachers t
        WHERE NOT t.is_sample AND (t.notice_for IS DISTINCT FROM ${KEPT_SINCE}
          OR t.notice_at < now() - interval '${NOTICE_DAYS} days') AND EXISTS (SELECT 1 FROM ${OLD_PLAYS})`,
    ),
  )
  for (const keeper of keepers) {
    if (!keeper.isTold) await program((scope) => tell(scope, keeper))
    else {
      while ((await program((scope) => dropSlice(scope, keeper.id))) === SLICE);
      await program((scope) => dropPeople(scope, keeper.id))
    }
  }
}

async function tell(scope: Scope, { id, keptSince, ...teacher }: Keeper): Promise<void> {
  const [told] = await scope.query<{ deletesAt: Date }>(
    `UPDATE teachers SET notice_for = $keptSince, notice_at = now() WHERE id = $id
      AND notice_for IS DISTINCT FROM $keptSince RETURNING now() + interval '${NOTICE_DAYS} days' AS "deletesAt"`,
    { id, keptSince },
  )
  // Another server has told it in this moment.
  if (!told) return
  const day = (moment: Date): string =>
    new Intl.DateTimeFormat(teacher.language ?? 'en', { dateStyle: 'long', timeZone: 'UTC' }).format(moment)
  await writeMail(scope, teacher, 'resultsEnd', {
    before: day(new Date(`${keptSince}T00:00:00Z`)),
    date: day(told.deletesAt),
  })
}

async function dropSlice(scope: Scope, teacherId: string): Promise<number> {
  const gone = await scope.query(
    `DELETE FROM plays WHERE id IN (SELECT y.id FROM teachers t, ${OLD_PLAYS} AND t.id = $teacherId LIMIT ${SLICE})
      RETURNING id`,
    { teacherId },
  )
  return gone.length
}

/** Deletes who has nothing left there: participants, and students of classes that are in the archive. */
async function dropPeople(scope: Scope, teacherId: string): Promise<void> {
  await scope.query(
    `DELETE FROM participants p USING offers o, teachers t WHERE t.id = $teacherId AND o.teacher_id = t.id
      AND o.id = p.offer_id AND p.created_at < ${KEPT_SINCE} AND NOT p.is_board
      AND NOT EXISTS (SELECT 1 FROM plays y WHERE y.participant_id = p.id)`,
    { teacherId },
  )
  const left = await scope.query<{ id: string }>(
    `DELETE FROM enrollments e USING teachers t, classes c, class_teachers h, students s WHERE t.id = $teacherId
      AND h.teacher_id = t.id AND h.is_owner AND c.id = h.class_id AND c.archived_at < ${KEPT_SINCE}
      AND e.class_id = c.id AND s.id = e.student_id AND coalesce(s.seen_at, s.created_at) < ${KEPT_SINCE}
      RETURNING e.student_id AS id`,
    { teacherId },
  )
  await dropStrays(
    scope,
    left.map(({ id }) => id),
  )
}
