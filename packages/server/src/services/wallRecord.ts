import type { WallPlayReply } from '@otter/api'
import type { Response } from '@otter/core'
import type { RecordedMove } from '@otter/core/wall/history'
import type { TeacherScope } from '../db/scope.ts'
import type { OpenPlay } from './storedPlays.ts'

/** A team at the wall, and the participant who stands for it in results. */
export interface WallTeamRow {
  teamId: string
  participantId: string
  name: string
  emblem: WallPlayReply['teams'][number]['emblem']
  members: string[]
}

/** A move as the record of a play at the wall has it. */
export interface StoredMove extends RecordedMove {
  id: string
  number: number
}

/** Returns all that was done in a play at the wall, in its order. */
export async function readRecord(scope: TeacherScope, playId: string): Promise<StoredMove[]> {
  return scope.query<StoredMove>(
    `SELECT id, number, move, clock, round(extract(epoch FROM at) * 1000)::float8 AS now, standing FROM moves
      WHERE play_id = $playId ORDER BY number`,
    { playId },
  )
}

/** What is kept of something that was done. */
interface Kept {
  before: readonly StoredMove[]
  record: readonly StoredMove[]
  responses: readonly Response[]
  /** Whether these are all responses that hold: others are withdrawn then. */
  isWhole: boolean
  teams: readonly WallTeamRow[]
}

/**
 * Keeps a play after something was done in it: its record and its state, the responses that hold now, with whose they
 * are, and what teams have. Responses that hold no more are withdrawn.
 */
export async function keepActs(
  scope: TeacherScope,
  next: OpenPlay,
  { before, record, responses, isWhole, teams }: Kept,
): Promise<void> {
  const known = new Map(before.map(({ id, standing }) => [id, standing]))
  await scope.query(
    `INSERT INTO moves (play_id, number, id, move, at, clock, rules, fate, author, standing)
     SELECT $playId::uuid, (m ->> 'number')::int, (m ->> 'id')::uuid, m -> 'move',
       to_timestamp((m ->> 'now')::float8 / 1000), (m ->> 'clock')::int, $rules::int, 'taken', 'teacher',
       m ->> 'standing' FROM jsonb_array_elements($moves::jsonb) AS a(m)
     ON CONFLICT (play_id, number) DO UPDATE SET standing = excluded.standing`,
    {
      playId: next.id,
      rules: next.rules,
      moves: JSON.stringify(record.filter(({ id, standing }) => known.get(id) !== standing)),
    },
  )
  if (isWhole) await withdrawAll(scope, next.id)
  await keepResponses(scope, next, responses, teams)
  const { game, puzzle } = next.made
  const { right, points, hints, misses, bonus, finished } = game.score(puzzle, next.state)
  await scope.query(
    `UPDATE plays SET state = $state::jsonb, rules = $rules, moves = $moves, milliseconds = $milliseconds,
       moved_at = $at, last_seen_at = $at, paused_ms = $paused, begun = true, doing = $doing::jsonb, "right" = $right,
       points = $points, hints = $hints, misses = $misses, bonus = $bonus,
       ended_at = CASE WHEN $finished THEN coalesce(ended_at, $at) END WHERE id = $id`,
    {
      id: next.id,
      state: JSON.stringify(next.state),
      rules: next.rules,
      moves: next.moves,
      milliseconds: next.milliseconds,
      at: new Date(next.movedAt),
      paused: Math.round(next.paused),
      doing: JSON.stringify(next.doing),
      right,
      points,
      hints,
      misses,
      bonus,
      finished,
    },
  )
  await scope.query(
    `UPDATE teams t SET points = (p.points #>> '{}')::int FROM jsonb_array_elements($points::jsonb) WITH ORDINALITY
       AS p(points, n) WHERE t.offer_id = $offerId AND t.position = n - 1`,
    { offerId: next.offerId, points: JSON.stringify(game.teams!(next.state).points) },
  )
}

/** Withdraws all responses of a play: those that hold are kept anew. */
async function withdrawAll(scope: TeacherScope, playId: string): Promise<void> {
  await scope.query(
    `UPDATE responses SET is_first = false, withdrawn_at = coalesce(withdrawn_at, clock_timestamp())
      WHERE play_id = $playId`,
    { playId },
  )
}

/** Keeps the responses of a play that hold, each as its team's; the first of a team to an entry is told as such. */
async function keepResponses(
  scope: TeacherScope,
  { id: playId, participantId, moves, movedAt }: OpenPlay,
  responses: readonly Response[],
  teams: readonly WallTeamRow[],
): Promise<void> {
  const met = new Set<string>()
  const rows = responses.map((response) => {
    const team = response.team === undefined ? undefined : teams[response.team]
    const owner = team?.participantId ?? participantId
    const key = `${owner} ${response.entryId}`
    const isFirst = response.round === 'first' && !met.has(key)
    if (isFirst) met.add(key)
    return { ...response, participantId: owner, teamId: team?.teamId ?? null, isFirst }
  })
  if (rows.length === 0) return
  await scope.query(
    `INSERT INTO responses (play_id, entry_id, round, occasion, outcome, first_outcome, counts, given, detail, points,
       hints, milliseconds, place, participant_id, team_id, move_number, at, is_first)
     SELECT $playId::uuid, (r ->> 'entryId')::uuid, r ->> 'round', (r ->> 'occasion')::int, r ->> 'outcome',
       r ->> 'outcome', (r ->> 'counts')::boolean, r ->> 'given', r -> 'detail', (r ->> 'points')::int,
       (r ->> 'hints')::int, (r ->> 'milliseconds')::int, (r ->> 'place')::int, (r ->> 'participantId')::uuid,
       (r ->> 'teamId')::uuid, $number, $at, (r ->> 'isFirst')::boolean AND NOT EXISTS (SELECT 1 FROM responses f
         WHERE f.participant_id = (r ->> 'participantId')::uuid AND f.entry_id = (r ->> 'entryId')::uuid AND f.is_first)
     FROM jsonb_array_elements($responses::jsonb) WITH ORDINALITY AS a(r, n) ORDER BY n
     ON CONFLICT (play_id, entry_id, round, occasion) DO UPDATE SET outcome = excluded.outcome,
       counts = excluded.counts, given = excluded.given, detail = excluded.detail, points = excluded.points,
       hints = excluded.hints, milliseconds = excluded.milliseconds, place = excluded.place,
       participant_id = excluded.participant_id, team_id = excluded.team_id, is_first = excluded.is_first
         OR (responses.is_first AND responses.participant_id = excluded.participant_id), withdrawn_at = NULL`,
    { playId, number: moves, at: new Date(movedAt), responses: JSON.stringify(rows) },
  )
}
