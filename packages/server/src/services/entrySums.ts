import { GAME_KINDS, gameOf } from '@otter/core'
import { distributionOf } from '@otter/core/results'
import type { ReportSpan, ReportWork } from '../db/queries/report.ts'
import type { TeacherScope } from '../db/scope.ts'
import type { ToldReport } from './toldReport.ts'

/** Games in which students judge themselves. */
const SELF_JUDGED = GAME_KINDS.filter((kind) => gameOf(kind).isSelfJudged)

/** What an offer's plays stand at: the sums of one that stands as it stood need not be made again. */
const STATE = `(SELECT concat_ws(' ', o.changed_at, md5(o.corrections::text), count(*), sum(y.moves), max(y.last_seen_at),
  count(y.given_back_at)) FROM plays y WHERE y.offer_id = o.id)`

/**
 * Makes the sums of offers anew whose plays have changed: of each entry, what each student first gave, and how many of the
 * misses were mended. They are kept in the transaction of whoever looks, so that nothing is added to the students' own.
 */
async function renewSums(scope: TeacherScope, offerIds: readonly string[]): Promise<void> {
  const stale = await scope.query<{ id: string; state: string }>(
    `SELECT o.id, s.state FROM offers o, LATERAL (SELECT ${STATE} AS state) s
     WHERE o.id = ANY ($offerIds::uuid[]) AND o.summed IS DISTINCT FROM s.state ORDER BY o.id`,
    { offerIds },
  )
  for (const { id, state } of stale) {
    // Two who look at once would both write: one waits for the other here.
    await scope.query('SELECT 1 FROM offers WHERE id = $id FOR NO KEY UPDATE', { id })
    await scope.query('DELETE FROM entry_sums WHERE offer_id = $id', { id })
    await scope.query(SUM, { id })
    await scope.query('UPDATE offers SET summed = $state WHERE id = $id', { id, state })
  }
}

const SUM = `WITH tries AS MATERIALIZED (
    SELECT y.id, coalesce(p.merged_into, p.id) AS person, y.question_set_id FROM plays y
      JOIN participants p ON p.id = y.participant_id
      JOIN participants w ON w.id = coalesce(p.merged_into, p.id) AND w.removed_at IS NULL AND w.returns_to IS NULL
    WHERE y.offer_id = $id AND y.given_back_at IS NULL),
  out AS (SELECT (c ->> 'entryId')::uuid AS entry_id FROM offers o, jsonb_array_elements(o.corrections) c
    WHERE o.id = $id AND (c ->> 'takenOut')::boolean),
  met AS (
    -- At a wall each team stands for itself.
    SELECT coalesce(r.team_id, t.person) AS person, r.entry_id,
      min(r.id * 4 + CASE r.outcome WHEN 'right' THEN 0 WHEN 'wrong' THEN 1 ELSE 2 END) FILTER (WHERE r.round = 'first') & 3 AS first,
      max(r.id * 4 + CASE r.outcome WHEN 'right' THEN 0 WHEN 'wrong' THEN 1 ELSE 2 END) & 3 AS last,
      sum(r.milliseconds) FILTER (WHERE r.round = 'first') AS milliseconds, sum(r.hints) AS hints
    FROM tries t JOIN responses r ON r.play_id = t.id AND r.withdrawn_at IS NULL
    WHERE r.reached AND r.outcome <> 'opinion' AND (r.counts OR r.round <> 'first') AND r.entry_id NOT IN (SELECT entry_id FROM out)
    GROUP BY 1, r.entry_id),
  asked AS (
    SELECT q.entry_id, max(q.text) AS text, count(DISTINCT t.person)::int AS persons
    FROM (SELECT DISTINCT person, question_set_id FROM tries) t JOIN questions q ON q.set_id = t.question_set_id AND q.counts
    WHERE q.entry_id NOT IN (SELECT entry_id FROM out) GROUP BY q.entry_id)
  INSERT INTO entry_sums (offer_id, entry_id, text, persons, "right", wrong, passed, mended, milliseconds, hints)
  SELECT $id::uuid, a.entry_id, a.text, a.persons, count(*) FILTER (WHERE m.first = 0), count(*) FILTER (WHERE m.first = 1),
    count(*) FILTER (WHERE m.first = 2), count(*) FILTER (WHERE m.first > 0 AND m.last = 0),
    coalesce(sum(m.milliseconds), 0), coalesce(sum(m.hints), 0)
  FROM asked a LEFT JOIN met m ON m.entry_id = a.entry_id GROUP BY a.entry_id, a.text, a.persons`

/** Returns a report over so much work that its attempts are not told one by one: from the sums of each offer. */
export async function sumsOf(
  scope: TeacherScope,
  works: readonly ReportWork[],
  { from, to }: ReportSpan,
  offset: number,
): Promise<ToldReport> {
  const offerIds = works.map(({ offerId }) => offerId)
  await renewSums(scope, offerIds)
  const entries = await scope.query<{
    entryId: string
    text: string
    standards: string[]
    persons: number
    right: number
    wrong: number
    passed: number
    mended: number
    milliseconds: number
    hints: number
  }>(
    `SELECT e.entry_id AS "entryId", e.text, coalesce(n.standards, '[]') AS standards, e.persons, e."right", e.wrong, e.passed,
       e.mended, e.milliseconds, e.hints
     FROM (SELECT entry_id, max(text) AS text, sum(persons)::int AS persons, sum("right")::int AS "right",
         sum(wrong)::int AS wrong, sum(passed)::int AS passed, sum(mended)::int AS mended,
         sum(milliseconds)::float8 AS milliseconds, sum(hints)::int AS hints
       FROM entry_sums WHERE offer_id = ANY ($offerIds::uuid[]) GROUP BY entry_id) e
       LEFT JOIN entries n ON n.id = e.entry_id ORDER BY e.text, e.entry_id`,
    { offerIds },
  )
  const shares = await scope.query<{ week: number; share: number; count: number }>(
    `SELECT floor((extract(epoch FROM y.started_at) * 1000 + $offset - 345600000) / 604800000)::int AS week,
       round(y."right"::numeric / y.total, 2)::float8 AS share, count(*)::int AS count
     FROM plays y JOIN game_versions v ON v.id = y.game_version_id JOIN games g ON g.id = v.game_id
     WHERE y.offer_id = ANY ($scored::uuid[]) AND g.kind <> ALL ($selfJudged) AND y.given_back_at IS NULL AND y.total > 0
       AND y.started_at >= coalesce($from::timestamptz, '-infinity') AND y.started_at < coalesce($to::timestamptz, 'infinity')
     GROUP BY 1, 2 ORDER BY 1, 2`,
    {
      scored: works.filter(({ isWall }) => !isWall).map(({ offerId }) => offerId),
      selfJudged: SELF_JUDGED,
      offset,
      from,
      to,
    },
  )
  const weeks = [...new Set(shares.map(({ week }) => week))]
  return {
    missesOf: () => [],
    students: [],
    entries: entries.map(({ persons, milliseconds, ...entry }) => {
      const answers = entry.right + entry.wrong + entry.passed
      return {
        ...entry,
        notReached: Math.max(0, persons - answers),
        milliseconds: answers === 0 ? null : Math.round(milliseconds / answers),
        difficulty: null,
        telling: null,
        perhapsMiskeyed: false,
      }
    }),
    map: null,
    reliability: null,
    distribution: distributionOf(
      shares.flatMap(({ share, count }) => new Array<number>(count).fill(Math.min(1, share))),
    ),
    byAttempt: [],
    byWeek: weeks.map((week) => {
      const own = shares.filter((one) => one.week === week)
      const count = own.reduce((sum, one) => sum + one.count, 0)
      return {
        at: week * 604_800_000 + 345_600_000 - offset,
        share: Math.min(1, own.reduce((sum, one) => sum + one.share * one.count, 0) / count),
        count,
      }
    }),
  }
}
