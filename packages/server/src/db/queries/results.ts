import type { AnswersReply, ParticipantResult, QuestionResult, TeamResult } from '@otter/api'
import type { Reader, Scope } from '../scope.ts'

/** Attempts of an offer that count, with whose they are: participants merged into one are one person. */
const ATTEMPTS = `attempts AS (
  SELECT coalesce(p.merged_into, p.id) AS person, y.question_set_id FROM plays y JOIN participants p
    ON p.id = y.participant_id WHERE y.offer_id = $offerId AND y.given_back_at IS NULL)`

/**
 * Responses that a question is told by: of each person the first. Of participants who are one person, each has a first
 * one.
 */
const FIRST_MET = `met AS MATERIALIZED (
  SELECT DISTINCT ON (person, r.entry_id) coalesce(p.merged_into, p.id) AS person, r.entry_id, r.outcome, r.given,
    r.milliseconds
  FROM participants p JOIN responses r ON r.participant_id = p.id WHERE p.offer_id = $offerId AND r.is_first
    ORDER BY person, r.entry_id, r.id)`

/** An answer that waited so long for a connection is told as such, in milliseconds. */
const NOTED_DELAY = 5000

/** Most different answers that are told of one question. */
const MOST_WRONG = 3
const MOST_OPINIONS = 12

/**
 * Returns what changes whenever the results of a teacher's offer do, at the cost of one look at an index; undefined
 * where it is another's.
 */
export async function resultsState(scope: Reader<string>, offerId: string): Promise<string | undefined> {
  // A move that was made earlier may be stored later: so the last minute before the newest is looked at, not the newest
  // alone.
  const [state] = await scope.query<{ state: string }>(
    `SELECT concat_ws(' ', o.changed_at, o.seats, l.version, y.state) AS state
     FROM offers o JOIN offer_games m ON m.offer_id = o.id AND m.position = 0 JOIN game_versions v
       ON v.id = m.game_version_id JOIN games g ON g.id = v.game_id LEFT JOIN lists l ON l.id = g.list_id,
     LATERAL (SELECT concat_ws(' ', count(*), sum(moves), max(last_seen_at)) AS state FROM plays
       WHERE offer_id = o.id AND last_seen_at > (SELECT max(last_seen_at) FROM plays
         WHERE offer_id = $offerId) - interval '1 minute') y
     WHERE o.id = $offerId AND o.teacher_id = $teacherId`,
    { offerId, teacherId: scope.teacherId },
  )
  return state?.state
}

/** Returns the students of an offer in the order of their names, each with the best attempt: of equals the first. */
export async function participantResults(scope: Scope, offerId: string): Promise<ParticipantResult[]> {
  return scope.query<ParticipantResult>(
    `SELECT p.id AS "participantId", p.name, p.student_id AS "studentId", p.removed_at IS NOT NULL AS removed,
      p.returns_to IS NOT NULL AS "waits", coalesce(m.list, '[]') AS merged,
      coalesce(b."right", 0) AS "right", coalesce(t.first_right, 0) AS "firstRight", coalesce(b.total, 0) AS total,
       coalesce(b.points, 0) AS points, coalesce(b.hints, 0) AS hints, coalesce(b.misses, 0) AS misses,
         jsonb_build_object('right', coalesce(b.second_right, 0), 'total', coalesce(b.second_total, 0)) AS second,
       coalesce(b.milliseconds, 0) AS milliseconds, coalesce(t.attempts, 0) AS attempts, t.last_play AS "lastPlayId",
         t.doing, p.time_factor AS factor, coalesce(t.late, false) AS late,
         b.ended_at IS NOT NULL AS finished, coalesce(t.last_seen_at, p.created_at) AS "lastSeenAt"
     FROM participants p
     -- Participants merged into one are one person: their attempts are looked up by the index of each.
     LEFT JOIN LATERAL (SELECT array_agg(q.id) AS ids, jsonb_agg(jsonb_build_object('participantId', q.id, 'name',
       q.name) ORDER BY q.seat) AS list FROM participants q WHERE q.merged_into = p.id) m ON true
     LEFT JOIN LATERAL (
       SELECT y."right", y.total, y.points, y.hints, y.misses, y.second_right, y.second_total, y.milliseconds,
         y.ended_at FROM plays y
       WHERE y.participant_id = ANY (p.id || coalesce(m.ids, '{}')) AND y.given_back_at IS NULL
         ORDER BY y."right" DESC, y.started_at, y.id LIMIT 1) b ON true
     LEFT JOIN LATERAL (
       SELECT count(*)::int AS attempts, max(y.last_seen_at) AS last_seen_at, (array_agg(y."right"
         ORDER BY y.started_at, y.id))[1] AS first_right, (array_agg(y.id ORDER BY y.started_at DESC,
         y.id DESC))[1] AS last_play,
         bool_or(EXISTS (SELECT 1 FROM moves w WHERE w.play_id = y.id AND w.fate = 'late')) AS late,
         (array_agg(CASE WHEN y.ended_at IS NULL THEN y.doing END ORDER BY y.started_at DESC, y.id DESC))[1] AS doing
       FROM plays y WHERE y.participant_id = ANY (p.id || coalesce(m.ids, '{}')) AND y.given_back_at IS NULL) t ON true
     WHERE p.offer_id = $offerId AND p.merged_into IS NULL AND NOT p.is_board ORDER BY p.name, p.seat`,
    { offerId },
  )
}

/** Returns the teams at the wall in their order, with what they have and what their answers came to. */
export async function teamResults(scope: Scope, offerId: string): Promise<TeamResult[]> {
  return scope.query<TeamResult>(
    `SELECT t.id AS "teamId", t.name, t.emblem, t.members, t.points,
       count(r.id) FILTER (WHERE r.outcome = 'right')::int AS "right",
       count(r.id) FILTER (WHERE r.outcome = 'wrong')::int AS wrong,
       count(r.id) FILTER (WHERE r.outcome = 'passed')::int AS passed
     FROM teams t JOIN participants p ON p.team_id = t.id
       LEFT JOIN responses r ON r.participant_id = p.id AND r.withdrawn_at IS NULL
     WHERE t.offer_id = $offerId GROUP BY t.id ORDER BY t.position`,
    { offerId },
  )
}

/** Returns the questions that students of an offer were asked, in their order, with what was given to each. */
export async function questionResults(scope: Scope, offerId: string): Promise<QuestionResult[]> {
  return scope.query<QuestionResult>(
    `WITH ${ATTEMPTS}, ${FIRST_MET},
     sets AS (SELECT question_set_id AS set_id, person FROM attempts GROUP BY question_set_id, person),
     sizes AS (SELECT set_id, count(*)::int AS persons FROM sets GROUP BY set_id),
     -- A person who was asked by two versions of the game counts once; with one version there is nothing to look for.
     asked AS (
       SELECT q.entry_id, CASE WHEN (SELECT count(*) FROM sizes) = 1 THEN max(s.persons)
         ELSE (SELECT count(DISTINCT t.person)::int FROM sets t JOIN questions u ON u.set_id = t.set_id
         WHERE u.entry_id = q.entry_id) END AS persons,
         (array_agg(q.text ORDER BY v.number DESC))[1] AS text, bool_or(q.counts) AS counts, max(q.place) AS place
       FROM sizes s JOIN questions q ON q.set_id = s.set_id JOIN question_sets w ON w.id = s.set_id
         JOIN game_versions v ON v.id = w.game_version_id GROUP BY q.entry_id),
     outcomes AS (
       SELECT entry_id, count(*)::int AS met, count(*) FILTER (WHERE outcome = 'right')::int AS "right",
         count(*) FILTER (WHERE outcome = 'wrong')::int AS wrong,
         count(*) FILTER (WHERE outcome = 'passed')::int AS passed
       FROM met GROUP BY entry_id),
     answers AS (
       SELECT entry_id, given, count(*)::int AS count, sum(count(*)) OVER (PARTITION BY entry_id) AS all_given,
         row_number() OVER (PARTITION BY entry_id ORDER BY count(*) DESC, given) AS place,
         bool_and(outcome = 'opinion') AS opinion
       FROM met WHERE outcome IN ('wrong', 'opinion') AND given <> '' GROUP BY entry_id, given),
     given AS (
       SELECT entry_id, jsonb_agg(jsonb_build_object('given', given, 'count', count, 'share', count / all_given)
         ORDER BY place) AS list
       FROM answers WHERE place <= CASE WHEN opinion THEN ${MOST_OPINIONS} ELSE ${MOST_WRONG} END GROUP BY entry_id)
     SELECT a.entry_id AS "entryId", a.text, a.counts, coalesce(o."right", 0) AS "right", coalesce(o.wrong,
       0) AS wrong, coalesce(o.passed, 0) AS passed, greatest(0, a.persons - coalesce(o.met, 0)) AS "notReached", coalesce(g.list,
       '[]') AS given
     FROM asked a LEFT JOIN outcomes o ON o.entry_id = a.entry_id LEFT JOIN given g ON g.entry_id = a.entry_id
       ORDER BY a.place, a.text`,
    { offerId },
  )
}

/** Returns the names of students of the class that an offer is set for who have not come, of those whom it is for. */
export async function notBegun(scope: Scope, offerId: string): Promise<string[]> {
  const students = await scope.query<{ name: string }>(
    `SELECT s.name FROM offers o JOIN enrollments e ON e.class_id = o.class_id AND e.state = 'in'
        JOIN students s ON s.id = e.student_id
      WHERE o.id = $offerId AND (coalesce(jsonb_array_length(o.rules #> '{work,students}'), 0) = 0
          OR jsonb_exists(o.rules #> '{work,students}', s.id::text))
        AND NOT EXISTS (SELECT 1 FROM students a JOIN participants p ON p.student_id = a.id AND p.offer_id = o.id
          JOIN plays y ON y.participant_id IN (SELECT q.id FROM participants q WHERE q.id = p.id OR q.merged_into = p.id)
          WHERE a.id = s.id OR a.merged_into = s.id)
      ORDER BY lower(s.name), s.id`,
    { offerId },
  )
  return students.map(({ name }) => name)
}

/** Returns what came of each question with each student when it was met first: right, or not. */
export async function marksOf(
  scope: Scope,
  offerId: string,
): Promise<[person: string, entryId: string, right: boolean][]> {
  const [met] = await scope.query<{ marks: [string, string, boolean][] }>(
    // In one text: thousands of rows would each be read by themselves.
    `WITH met AS MATERIALIZED (
       SELECT DISTINCT ON (person, r.entry_id) coalesce(p.merged_into, p.id) AS person, r.entry_id, r.outcome
       FROM participants p JOIN responses r ON r.participant_id = p.id
       WHERE p.offer_id = $offerId AND r.is_first ORDER BY person, r.entry_id, r.id)
     SELECT coalesce(json_agg(json_build_array(person, entry_id, outcome = 'right')), '[]') AS marks
       FROM met WHERE outcome <> 'opinion'`,
    { offerId },
  )
  return met?.marks ?? []
}

/** Returns who gave which answer to one question, right ones last. */
export async function answersTo(scope: Scope, offerId: string, entryId: string): Promise<AnswersReply['answers']> {
  return scope.query<AnswersReply['answers'][number]>(
    `WITH met AS (
       SELECT DISTINCT ON (person) coalesce(p.merged_into, p.id) AS person, r.outcome, r.given, r.milliseconds,
         coalesce(w.delay_ms, 0) >= ${NOTED_DELAY} AS delayed, coalesce(w.author = 'teacher', false) AS late
       FROM participants p JOIN responses r ON r.participant_id = p.id
         LEFT JOIN moves w ON w.play_id = r.play_id AND w.number = r.move_number WHERE p.offer_id = $offerId
         AND r.entry_id = $entryId AND r.is_first ORDER BY person, r.id)
     SELECT p.id AS "participantId", p.name, m.outcome, m.given, m.milliseconds, m.delayed, m.late FROM met m JOIN participants p
       ON p.id = m.person
     ORDER BY m.outcome = 'right', m.given, p.name, p.seat LIMIT 2000`,
    { offerId, entryId },
  )
}

/** A response, with who gave it and to what. */
export interface GivenResponse {
  name: string
  attempt: number
  text: string
  given: string
  outcome: 'right' | 'wrong' | 'passed' | 'opinion'
  points: number
  milliseconds: number
  at: string
}

/** Returns all responses of an offer, by student, in the order in which they were given. */
export async function responsesTo(scope: Scope, offerId: string): Promise<GivenResponse[]> {
  return scope.query<GivenResponse>(
    `SELECT person.name, (dense_rank() OVER (PARTITION BY person.id ORDER BY y.started_at, y.id))::int AS attempt,
       coalesce((SELECT q.text FROM questions q WHERE q.set_id = y.question_set_id AND q.entry_id = r.entry_id LIMIT 1),
       '') AS text, r.given, r.outcome, r.points, r.milliseconds, r.at
     FROM plays y JOIN responses r ON r.play_id = y.id AND r.withdrawn_at IS NULL
       JOIN participants p ON p.id = r.participant_id
       JOIN participants person ON person.id = coalesce(p.merged_into, p.id)
     WHERE y.offer_id = $offerId ORDER BY person.name, person.seat, attempt, r.id`,
    { offerId },
  )
}
