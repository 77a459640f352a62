import type { GameKind } from '@otter/core'
import type { ReportAttempt, Trouble } from '@otter/core/results'
import type { Reader } from '../scope.ts'

/** A piece of work of a report. */
export interface ReportWork {
  offerId: string
  listId: string | null
  title: string
  name: string
  kind: GameKind
  at: string
  isWall: boolean
  /** Whether an attempt has so many minutes. */
  isLimited: boolean
  /** Entries that are taken out of the scoring. */
  out: string[]
}

/** What a report is of, and from when to when. */
export interface ReportSpan {
  work: string | null
  list: string | null
  class: string | null
  from: string | null
  to: string | null
}

/**
 * Returns the condition that a play `y` began within a span. It is written so that no index by age is gone through: the
 * plays of some offers are few, those of a year are all there are.
 */
function within({ from, to }: ReportSpan): string {
  return [
    ...(from === null ? [] : [`AND y.started_at + interval '0' >= $from::timestamptz`]),
    ...(to === null ? [] : [`AND y.started_at + interval '0' < $to::timestamptz`]),
  ].join(' ')
}

/** Most pieces of work of a report: the newest. */
const MOST_WORKS = 400

/** Returns the work of a report that is the teacher's, the oldest first. Practice that students chose is none of it. */
export async function reportWorks(scope: Reader<string>, span: ReportSpan): Promise<ReportWork[]> {
  const works = await scope.query<ReportWork>(
    `SELECT o.id AS "offerId", g.list_id AS "listId", v.title, o.name, g.kind, o.created_at AS at,
       o.rules ->> 'type' = 'wall' AS "isWall",
       o.rules #>> '{work,minutes}' IS NOT NULL AS "isLimited",
       coalesce((SELECT jsonb_agg(c ->> 'entryId') FROM jsonb_array_elements(o.corrections) c
         WHERE (c ->> 'takenOut')::boolean), '[]') AS out
     FROM offers o JOIN offer_games m ON m.offer_id = o.id AND m.position = 0
       JOIN game_versions v ON v.id = m.game_version_id JOIN games g ON g.id = v.game_id
     WHERE o.teacher_id = $teacherId AND o.practised_by IS NULL
       AND ($work::uuid IS NULL OR o.id = $work) AND ($list::uuid IS NULL OR g.list_id = $list)
       AND ($class::uuid IS NULL OR o.class_id = $class)
       AND (${span.from === null && span.to === null} OR EXISTS (SELECT 1 FROM plays y
         WHERE y.offer_id = o.id ${within(span)})
         OR o.created_at >= coalesce($from::timestamptz, '-infinity') AND o.created_at < coalesce($to::timestamptz, 'infinity'))
     ORDER BY o.created_at DESC, o.id LIMIT ${MOST_WORKS}`,
    { teacherId: scope.teacherId, ...span },
  )
  return works.reverse()
}

/** A student of a report, who may have taken part in several pieces of work. */
export interface ReportPerson {
  id: string
  name: string
  isStudent: boolean
}

/** One attempt, with whose it is: places of the person and of the work. */
export interface ReportPlay extends Omit<ReportAttempt, 'person' | 'set' | 'scores'> {
  id: string
  person: string
  setId: string
  /** What came of its questions, a letter each. */
  marks: string
}

/** Whose a play is: a student of a class, or whoever takes part; `p` is the play's participant. */
const PERSON = `JOIN participants p ON p.id = y.participant_id
  JOIN participants w ON w.id = coalesce(p.merged_into, p.id) AND w.removed_at IS NULL AND w.returns_to IS NULL
  LEFT JOIN students s ON s.id = w.student_id`

/** Returns how many attempts a report would be of. */
export async function countPlays(scope: Reader, offerIds: readonly string[], span: ReportSpan): Promise<number> {
  const [row] = await scope.query<{ count: number }>(
    `SELECT count(*)::int AS count FROM plays y WHERE y.offer_id = ANY ($offerIds::uuid[])
       ${within(span)}`,
    { offerIds, ...span },
    'each-time',
  )
  return row?.count ?? 0
}

/** Returns the attempts of a report that count, in the order in which they began, and who made them, by name. */
export async function reportPlays(
  scope: Reader,
  offerIds: readonly string[],
  span: ReportSpan,
): Promise<{ persons: ReportPerson[]; plays: ReportPlay[] }> {
  // In one text: thousands of rows would each be read by themselves.
  const [row] = await scope.query<{ persons: ReportPerson[]; plays: (string | number | boolean)[][] }>(
    `WITH tries AS MATERIALIZED (
       SELECT y.id, a.n - 1 AS work, coalesce(s.merged_into, s.id, w.id) AS person, w.name,
         w.student_id IS NOT NULL AS is_student, y."right", y.total, y.points, y.milliseconds,
         floor(extract(epoch FROM y.started_at) * 1000) AS started_at, y.ended_at IS NOT NULL AS ended, y.question_set_id,
         y.marks
       FROM unnest($offerIds::uuid[]) WITH ORDINALITY AS a(offer_id, n)
         JOIN plays y ON y.offer_id = a.offer_id AND y.given_back_at IS NULL
           ${within(span)}
         ${PERSON}
       WHERE NOT p.is_board)
     SELECT coalesce((SELECT json_agg(json_build_object('id', person, 'name', coalesce(t.name, u.name),
         'isStudent', is_student) ORDER BY lower(coalesce(t.name, u.name)), person)
       FROM (SELECT person, min(name) AS name, bool_or(is_student) AS is_student FROM tries GROUP BY person) u
         LEFT JOIN students t ON t.id = u.person), '[]') AS persons,
       coalesce((SELECT json_agg(json_build_array(id, person, work, "right", total, points, milliseconds, started_at, ended,
         question_set_id, marks) ORDER BY started_at, id) FROM tries), '[]') AS plays`,
    { offerIds, ...span },
    'each-time',
  )
  return {
    persons: row?.persons ?? [],
    plays: (row?.plays ?? []).map((one) => {
      const [id, person, work, right, total, points, milliseconds, startedAt, ended, setId, marks] = one as [
        string,
        string,
        number,
        number,
        number,
        number,
        number,
        number,
        boolean,
        string,
        string,
      ]
      return { id, person, work, right, total, points, milliseconds, startedAt, ended, setId, marks }
    }),
  }
}

/** An entry that was asked, as it was asked last. */
export interface AskedEntry {
  entryId: string
  text: string
  standards: string[]
}

/** What one set of questions asks, of which game: entries by place, null for what does not count. */
export interface AskedSet {
  kind: GameKind
  entryIds: (string | null)[]
}

/** Returns what sets of questions ask, by place, null where it does not count; and the entries that count, as they were asked. */
export async function reportQuestions(
  scope: Reader,
  setIds: readonly string[],
): Promise<{ sets: Map<string, AskedSet>; entries: AskedEntry[] }> {
  const [row] = await scope.query<{ sets: [string, GameKind, (string | null)[]][]; entries: AskedEntry[] }>(
    `WITH asked AS MATERIALIZED (
       SELECT q.set_id, q.entry_id, q.text, q.place, q.counts, v.created_at, g.kind FROM questions q
         JOIN question_sets s ON s.id = q.set_id JOIN game_versions v ON v.id = s.game_version_id
         JOIN games g ON g.id = v.game_id
       WHERE q.set_id = ANY ($setIds::uuid[]))
     SELECT coalesce((SELECT json_agg(json_build_array(set_id, kind, list)) FROM (
         SELECT set_id, min(kind) AS kind, json_agg(CASE WHEN counts THEN entry_id END ORDER BY place) AS list
         FROM asked GROUP BY set_id) a), '[]') AS sets,
       coalesce((SELECT json_agg(json_build_object('entryId', e.entry_id, 'text', e.text, 'standards',
         coalesce(n.standards, '[]')) ORDER BY e.created_at, e.place, e.text) FROM (
         SELECT entry_id, (array_agg(text ORDER BY created_at DESC))[1] AS text, min(created_at) AS created_at,
           min(place) AS place FROM asked WHERE counts GROUP BY entry_id) e LEFT JOIN entries n ON n.id = e.entry_id), '[]') AS entries`,
    { setIds },
    'each-time',
  )
  return {
    sets: new Map((row?.sets ?? []).map(([id, kind, entryIds]) => [id, { kind, entryIds }])),
    entries: row?.entries ?? [],
  }
}

/** What an entry took at the first answers: how long in the mean, in milliseconds, and hints in all. */
export interface EntryEffort {
  milliseconds: number
  hints: number
}

/** Returns what entries took in so many attempts. */
export async function reportEfforts(scope: Reader, playIds: readonly string[]): Promise<Map<string, EntryEffort>> {
  const rows = await scope.query<EntryEffort & { entryId: string }>(
    `SELECT r.entry_id AS "entryId", round(avg(r.milliseconds))::int AS milliseconds, sum(r.hints)::int AS hints
     FROM unnest($playIds::uuid[]) AS t(play_id) JOIN responses r ON r.play_id = t.play_id
     WHERE r.withdrawn_at IS NULL AND r.reached AND r.counts AND r.round = 'first' GROUP BY r.entry_id`,
    { playIds },
    'each-time',
  )
  return new Map(rows.map(({ entryId, ...effort }) => [entryId, effort]))
}

/**
 * Returns what teams at walls, and students who judge themselves in some attempts, gave first: towards what to teach again,
 * for no score.
 */
export async function otherMarks(
  scope: Reader,
  { walls, plays }: { walls: readonly string[]; plays: readonly string[] },
  span: ReportSpan,
): Promise<{ entryId: string; right: number; wrong: number; passed: number }[]> {
  if (walls.length + plays.length === 0) return []
  return scope.query(
    `SELECT r.entry_id AS "entryId", count(*) FILTER (WHERE r.outcome = 'right')::int AS "right",
       count(*) FILTER (WHERE r.outcome = 'wrong')::int AS wrong, count(*) FILTER (WHERE r.outcome = 'passed')::int AS passed
     FROM plays y JOIN responses r ON r.play_id = y.id AND r.is_first AND r.withdrawn_at IS NULL
     WHERE (y.id = ANY ($plays::uuid[]) OR y.id = ANY (ARRAY(SELECT id FROM plays WHERE offer_id = ANY ($walls::uuid[]))))
       AND y.given_back_at IS NULL AND r.outcome <> 'opinion' ${within(span)}
     GROUP BY r.entry_id`,
    { walls, plays, ...span },
    'each-time',
  )
}

/** An entry that an attempt missed, and whose attempt that was. */
export interface Missing {
  playId: string
  entryId: string
  person: number
}

/** Returns the wrong answers that lead, by entry, with how many students gave each. */
export async function leadingWrong(
  scope: Reader,
  missed: readonly Missing[],
): Promise<{ entryId: string; given: string; count: number }[]> {
  if (missed.length === 0) return []
  return scope.query(
    `SELECT DISTINCT ON (r.entry_id) r.entry_id AS "entryId", r.given, count(DISTINCT t.person)::int AS count
     FROM unnest($playIds::uuid[], $entryIds::uuid[], $persons::int[]) AS t(play_id, entry_id, person) JOIN responses r ON r.play_id = t.play_id
       AND r.entry_id = t.entry_id AND r.round = 'first' AND r.occasion = 0
     WHERE r.outcome = 'wrong' AND r.given <> '' AND r.withdrawn_at IS NULL
     GROUP BY r.entry_id, r.given ORDER BY r.entry_id, count(DISTINCT t.person) DESC, r.given`,
    {
      playIds: missed.map(({ playId }) => playId),
      entryIds: missed.map(({ entryId }) => entryId),
      persons: missed.map(({ person }) => person),
    },
    'each-time',
  )
}

/** What came between attempts and their students. */
export interface PlayTrouble extends Trouble {
  playId: string
}

/** Returns what came between, of those attempts alone where something did. */
export async function reportTroubles(scope: Reader, playIds: readonly string[]): Promise<PlayTrouble[]> {
  return scope.query<PlayTrouble>(
    `WITH away AS (
       SELECT play_id, sum(milliseconds)::int AS gone, (array_agg(place ORDER BY milliseconds DESC)
         FILTER (WHERE kind = 'gone'))[1] AS place, (count(*) FILTER (WHERE kind = 'reloaded'))::int AS reloads
       FROM absences WHERE play_id = ANY ($playIds::uuid[]) GROUP BY play_id),
     waits AS (
       SELECT play_id, count(*)::int AS waited, max(delay_ms)::int AS longest FROM moves
       WHERE play_id = ANY ($playIds::uuid[]) AND delay_ms >= 5000 AND author = 'player' GROUP BY play_id),
     lates AS (
       SELECT play_id, count(*)::int AS late FROM moves WHERE play_id = ANY ($playIds::uuid[]) AND fate = 'late'
       GROUP BY play_id)
     SELECT play_id AS "playId", coalesce(gone, 0) AS gone, place, coalesce(reloads, 0) AS reloads,
       coalesce(waited, 0) AS waited, coalesce(longest, 0) AS "longestWait", coalesce(late, 0) AS late
     FROM away FULL JOIN waits USING (play_id) FULL JOIN lates USING (play_id)`,
    { playIds },
    'each-time',
  )
}
