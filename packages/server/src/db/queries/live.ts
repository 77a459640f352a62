import type { HostStudent, Look, Split } from '@otter/api'
import type { Outcome } from '@otter/core'
import type { Reader } from '../scope.ts'

/** So recently a student's device must have been heard of to be connected, as PostgreSQL writes it. */
const CONNECTED = `coalesce(p.here_at > clock_timestamp() - interval '30 seconds' AND (p.gone_at IS NULL
  OR p.gone_at < p.here_at), false)`

/** Everybody who is in a session, and plays. */
const PLAYING = `p.offer_id = $offerId AND p.removed_at IS NULL AND p.merged_into IS NULL AND p.returns_to IS NULL`
/** Participants who are one person: each is looked up by an index. */
const ONE_PERSON = `ARRAY(SELECT p.id UNION ALL SELECT q.id FROM participants q WHERE q.merged_into = p.id)`
/** Of a person's plays the first, and points of the later ones. */
const FIRST_PLAY = `LEFT JOIN LATERAL (SELECT y.*, count(*) OVER () AS rounds, sum(y.points) OVER () - y.points AS effort
  FROM plays y WHERE y.given_back_at IS NULL AND y.participant_id = ANY (${ONE_PERSON}) ORDER BY y.started_at,
    y.id LIMIT 1) f ON true`
const MILLISECONDS = (moment: string): string => `(extract(epoch FROM ${moment}) * 1000)::float8`

/** A student's part in a session, as rankings need it. */
export interface ScoreRow {
  participantId: string
  seat: number
  name: string
  look: Look | null
  teamId: string | null
  right: number
  total: number
  points: number
  effort: number
  begun: boolean
  connected: boolean
  done: boolean
}

/** Returns how far each student of a session has come, in the order in which they came. */
export async function scoreRows(scope: Reader, offerId: string): Promise<ScoreRow[]> {
  return scope.query<ScoreRow>(
    `SELECT p.id AS "participantId", p.seat, p.name, p.look, p.team_id AS "teamId", coalesce(f."right", 0) AS "right",
       coalesce(f.total, 0) AS total, coalesce(f.points, 0) AS points, coalesce(f.effort, 0)::int AS effort,
       coalesce(f.begun, false) AS begun, ${CONNECTED} AS connected, f.ended_at IS NOT NULL AS done
     FROM participants p ${FIRST_PLAY} WHERE ${PLAYING} ORDER BY p.seat`,
    { offerId },
  )
}

/**
 * Returns how many are in a session, connected or done already, how many of these are done, and the most points of
 * anyone.
 */
export async function sessionCount(
  scope: Reader,
  offerId: string,
): Promise<{ here: number; done: number; points: number }> {
  const [count] = await scope.query<{ here: number; done: number; points: number }>(
    `SELECT count(*) FILTER (WHERE ${CONNECTED} OR f.ended_at IS NOT NULL)::int AS here,
       count(*) FILTER (WHERE f.ended_at IS NOT NULL)::int AS done, coalesce(max(f.points), 0) AS points
     FROM participants p ${FIRST_PLAY} WHERE ${PLAYING}`,
    { offerId },
  )
  return count!
}

/** Which students are read: all of one session, or some, in whichever sessions they are. */
export type Which = { offerId: string } | { personIds: readonly string[] }

const ALL = 'p.offer_id = $offerId'
const SOME = `p.id = ANY (ARRAY(SELECT unnest($personIds::uuid[]) UNION SELECT merged_into FROM participants
  WHERE id = ANY ($personIds::uuid[]) AND merged_into IS NOT NULL))`

const hostRows = (which: string): string => `SELECT p.offer_id AS "offerId", p.id AS "participantId", p.seat, p.name,
    p.held_name AS "heldName", p.note, p.look, p.team_id AS "teamId",
    p.returns_to IS NOT NULL AS waits, p.removed_at IS NOT NULL AS removed, ${CONNECTED} AS connected,
    ${MILLISECONDS('coalesce(p.gone_at, p.here_at)')} AS "goneAt", ${MILLISECONDS('p.created_at')} AS "joinedAt",
    coalesce(n.moves, 0) AS moves, coalesce(f.begun, false) AS begun,
    (SELECT count(DISTINCT r.entry_id)::int FROM responses r WHERE r.play_id = f.id) AS met,
    coalesce(f."right", 0) AS "right", coalesce(f.total, 0) AS total, coalesce(f.points, 0) AS points,
    coalesce(f.effort, 0)::int AS effort, coalesce(f.rounds, 0)::int AS rounds,
    n.doing - 'last' AS doing, coalesce(n.doing -> 'last', '[]') AS last,
    ${MILLISECONDS('coalesce(n.moved_at, p.created_at)')} AS "lastAt", n.ended_at IS NOT NULL AS done,
    EXISTS (SELECT 1 FROM plays l JOIN moves w ON w.play_id = l.id AND w.fate = 'late'
      WHERE l.given_back_at IS NULL AND l.participant_id = ANY (${ONE_PERSON})) AS late
  FROM participants p ${FIRST_PLAY}
  LEFT JOIN LATERAL (SELECT y.moves, y.doing, y.moved_at, y.ended_at FROM plays y
    WHERE y.given_back_at IS NULL AND y.participant_id = ANY (${ONE_PERSON})
    ORDER BY y.started_at DESC, y.id DESC LIMIT 1) n ON true
  WHERE ${which} AND p.merged_into IS NULL ORDER BY p.seat`
const HOST_ROWS = { all: hostRows(ALL), some: hostRows(SOME) }

/** A student as the teacher sees it, with the session it is in. */
export type HostRow = HostStudent & { offerId: string }

/** Returns students as the teacher sees them; those who were taken out too. */
export async function hostStudents(scope: Reader, which: Which): Promise<HostRow[]> {
  return scope.query<HostRow>('offerId' in which ? HOST_ROWS.all : HOST_ROWS.some, { ...which })
}

/** What a student first gave to an entry. */
export interface FirstAnswer {
  personId: string
  entryId: string
  outcome: Outcome
  given: string
}

const firstGiven = (which: string): string => `SELECT p.id AS "personId", r.entry_id AS "entryId", r.outcome, r.given
  FROM participants p JOIN responses r ON r.participant_id = ANY (${ONE_PERSON})
  WHERE ${which} AND r.is_first AND p.removed_at IS NULL AND p.merged_into IS NULL ORDER BY r.id`
const FIRST_GIVEN = { all: firstGiven(ALL), some: firstGiven(SOME) }

/** Returns what students first gave to each entry. */
export async function firstAnswers(scope: Reader, which: Which): Promise<FirstAnswer[]> {
  return scope.query<FirstAnswer>('offerId' in which ? FIRST_GIVEN.all : FIRST_GIVEN.some, { ...which })
}

/** Returns how many gave each answer to an entry in their first plays, the most frequent first, and who was first to be right. */
export async function splitOf(scope: Reader, offerId: string, entryId: string): Promise<Split> {
  const answers = await scope.query<{ given: string; right: boolean; count: number; first: string | null }>(
    `WITH given AS (
       SELECT DISTINCT ON (p.id) p.name, r.given, r.outcome = 'right' AS "right", r.milliseconds, r.id
       FROM plays y JOIN responses r ON r.play_id = y.id AND r.entry_id = $entryId AND r.round = 'first'
         JOIN participants o ON o.id = y.participant_id JOIN participants p ON p.id = coalesce(o.merged_into, o.id)
       WHERE y.offer_id = $offerId AND y.given_back_at IS NULL AND p.removed_at IS NULL AND r.withdrawn_at IS NULL
         AND r.outcome <> 'passed' ORDER BY p.id, r.id)
     SELECT given, "right", count(*)::int AS count,
       (SELECT name FROM given f WHERE f."right" ORDER BY milliseconds, id LIMIT 1) AS first
     FROM given GROUP BY given, "right" ORDER BY count DESC, given LIMIT 40`,
    { offerId, entryId },
  )
  return {
    answers: answers.map(({ given, right, count }) => ({ given, right, count })),
    first: answers[0]?.first ?? null,
    teams: await scope.query(
      `SELECT t.name, count(*) FILTER (WHERE g.is_right)::int AS "right",
         count(*) FILTER (WHERE f.begun OR ${CONNECTED})::int AS of
       FROM teams t LEFT JOIN participants p ON p.team_id = t.id AND ${PLAYING} ${FIRST_PLAY}
         LEFT JOIN LATERAL (SELECT r.outcome = 'right' AS is_right FROM responses r WHERE r.play_id = f.id
           AND r.entry_id = $entryId AND r.round = 'first' AND r.withdrawn_at IS NULL ORDER BY r.id DESC LIMIT 1) g ON true
       WHERE t.offer_id = $offerId GROUP BY t.id ORDER BY t.position`,
      { offerId, entryId },
    ),
  }
}
