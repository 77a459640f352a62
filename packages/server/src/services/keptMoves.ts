import type { MoveFate, SendMove } from '@otter/api'
import { correctedOutcome, type Response } from '@otter/core'
import type { z } from 'zod'
import { marksIn } from '../db/queries/marks.ts'
import type { Reader } from '../db/scope.ts'
import { takenOutOf } from './corrections.ts'
import { dueMoment, type OpenPlay } from './storedPlays.ts'

/** A move that has an id of its own, and who makes it. */
export type IdentifiedMove = Pick<z.output<typeof SendMove>, 'for' | 'madeAt' | 'sentAt' | 'move'> & {
  id: string
  author: 'player' | 'clock' | 'teacher'
  /** For how long it is believed to have waited for a connection, in milliseconds. */
  delay: number
  /** Of the live session as it stood when the move was judged; null where there is none that could close meanwhile. */
  revision: number | null
}

/** What became of a move; overtaken: the play or its session has changed meanwhile, so that it is judged anew. */
export type Kept = MoveFate | 'overtaken'

interface KeptRow {
  held: boolean
  kept: boolean
}

function keptAs([row]: readonly KeptRow[], fate: MoveFate): Kept {
  return !row?.held ? 'overtaken' : row.kept ? fate : 'repeated'
}

/**
 * Holds a play for a move, where it still stands as it did when the move was judged. A live session is held first, with
 * others who answer in it, so that it can't close meanwhile.
 */
const HOLD = {
  alone: `held AS (SELECT id FROM plays WHERE id = $playId::uuid AND moves = $number::integer - 1
    AND corrected = $corrected::integer FOR UPDATE)`,
  live: `stands AS (SELECT s.offer_id FROM live_sessions s WHERE s.offer_id = $offerId::uuid
      AND s.revision = $revision::integer FOR SHARE),
    held AS (SELECT y.id FROM stands, plays y WHERE y.id = $playId::uuid AND y.moves = $number::integer - 1
      AND y.corrected = $corrected::integer FOR UPDATE OF y)`,
}
const BECAME = `SELECT EXISTS (SELECT 1 FROM held) AS held, EXISTS (SELECT 1 FROM kept) AS kept`

const KEEP = `INSERT INTO moves (play_id, number, id, move, made_for, made_at, at, clock, rules, fate, author, calls, shared, delay_ms)
  SELECT $playId::uuid, $number::integer, $id, $move::jsonb, $madeFor, $madeAt::timestamptz, $at::timestamptz,
    $clock::integer, $rules::integer, $fate, $author, $calls::integer, $shared::jsonb, $delay::integer FROM held ON CONFLICT (play_id, id) DO NOTHING RETURNING number`

/**
 * Keeps a move, the responses it made and the play's next state in one statement; nothing where the move is kept
 * already. A response with the key of another takes its place, and the verdict first given stays beside it. Totals are
 * those of the responses that hold.
 */
const take = (hold: string): string => `WITH ${hold}, kept AS (${KEEP}),
  made AS (
    SELECT (r ->> 'entryId')::uuid AS entry_id, r ->> 'round' AS round, (r ->> 'occasion')::int AS occasion,
      r ->> 'outcome' AS outcome, r ->> 'judged' AS judged, (r ->> 'counts')::boolean AS counts, r ->> 'given' AS given,
      r -> 'detail' AS detail,
      (r ->> 'points')::int AS points, (r ->> 'hints')::int AS hints, (r ->> 'milliseconds')::int AS milliseconds,
        (r ->> 'place')::int AS place, n, coalesce((r ->> 'reached')::boolean, true) AS reached
    FROM kept, jsonb_array_elements($responses::jsonb) WITH ORDINALITY AS a(r, n)),
  answered AS (
    INSERT INTO responses (play_id, entry_id, round, occasion, outcome, judged, first_outcome, counts, given, detail, points,
      hints, milliseconds, place, participant_id, move_number, made_at, at, reached, is_first)
    SELECT $playId::uuid, entry_id, round, occasion, outcome, judged, outcome, counts, given, detail, points, hints,
      milliseconds, place, $participantId::uuid, $number::integer, $madeAt::timestamptz, $at::timestamptz, reached,
      round = 'first' AND occasion = 0 AND reached AND NOT EXISTS (SELECT 1 FROM responses f
        WHERE f.participant_id = $participantId::uuid AND f.entry_id = made.entry_id AND f.is_first) FROM made
        ORDER BY n
    ON CONFLICT (play_id, entry_id, round, occasion) DO UPDATE SET outcome = excluded.outcome, judged = excluded.judged,
      counts = excluded.counts, given = excluded.given, detail = excluded.detail, points = excluded.points,
      hints = excluded.hints,
      milliseconds = excluded.milliseconds, move_number = excluded.move_number, made_at = excluded.made_at, at = excluded.at, withdrawn_at = NULL, reached = excluded.reached,
      is_first = responses.is_first OR excluded.is_first),
  holding AS (
    SELECT outcome, counts, points, round, entry_id, occasion, reached, entry_id = ANY ($takenOut::uuid[]) AS out FROM made
    UNION ALL SELECT r.outcome, r.counts, r.points, r.round, r.entry_id, r.occasion, r.reached,
      r.entry_id = ANY ($takenOut::uuid[]) FROM responses r
      WHERE r.play_id = $playId::uuid AND r.withdrawn_at IS NULL AND NOT EXISTS (SELECT 1 FROM made m
        WHERE m.entry_id = r.entry_id AND m.round = r.round AND m.occasion = r.occasion)),
  totals AS (
    SELECT count(*) FILTER (WHERE outcome = 'right' AND counts AND NOT out) AS right, coalesce(sum(points) FILTER (WHERE counts),
      0) AS points,
      count(*) FILTER (WHERE outcome = 'right' AND round = 'second') AS second_right,
        count(*) FILTER (WHERE round = 'second') AS second_total FROM holding),
  updated AS (
  UPDATE plays y SET state = $state::jsonb, rules = $rules::integer, moves = $number::integer,
    milliseconds = $clock::integer, moved_at = $movedAt::timestamptz, before_time_up = $beforeTimeUp::jsonb, at_end = $atEnd::jsonb, begun = y.begun OR $author = 'player', last_seen_at = greatest(y.last_seen_at,
    $seenAt::timestamptz), paused_ms = $paused::bigint, due_at = $dueAt::timestamptz,
    doing = $doing::jsonb, hints = $hints::integer, misses = $misses::integer, bonus = $bonus::integer,
    ended_at = CASE WHEN $finished::boolean THEN coalesce(y.ended_at, $at::timestamptz) END,
      question_set_id = coalesce($setId::uuid, y.question_set_id), total = coalesce($total::integer - (SELECT count(*) FROM questions
      WHERE set_id = $setId::uuid AND counts AND entry_id = ANY ($takenOut::uuid[]))::integer, y.total),
    "right" = t.right, points = t.points + $bonus::integer, second_right = t.second_right, second_total = t.second_total,
    marks = CASE WHEN $setId::uuid IS NULL AND NOT EXISTS (SELECT 1 FROM made) AND y.marks <> '' THEN y.marks
      ELSE ${marksIn('coalesce($setId::uuid, y.question_set_id)', 'holding')} END
  FROM kept, totals t WHERE y.id = $playId::uuid RETURNING y.id)
  ${BECAME}`
const TAKE = { alone: take(HOLD.alone), live: take(HOLD.live) }

function moveValues(
  play: Pick<OpenPlay, 'id' | 'offerId' | 'moves' | 'rules' | 'now' | 'context' | 'corrected'>,
  { id, move, for: madeFor, madeAt, author, delay, revision }: IdentifiedMove,
  fate: MoveFate,
  clock: number,
): Record<string, unknown> {
  return {
    playId: play.id,
    number: play.moves + 1,
    corrected: play.corrected,
    id,
    move: JSON.stringify(move),
    madeFor: madeFor ?? null,
    madeAt: madeAt === undefined ? null : new Date(madeAt),
    at: new Date(play.now),
    clock,
    rules: play.rules,
    fate,
    author,
    calls: play.context.shared?.calls ?? null,
    shared: play.context.shared && JSON.stringify(play.context.shared),
    delay: Math.round(delay),
    offerId: play.offerId,
    revision,
  }
}

/** Keeps a move that changes nothing else; returns what became of it. */
export async function keepMove(
  scope: Reader,
  play: Pick<OpenPlay, 'id' | 'offerId' | 'moves' | 'rules' | 'now' | 'context' | 'corrected'>,
  move: IdentifiedMove,
  fate: MoveFate,
  clock: number,
): Promise<Kept> {
  const rows = await scope.query<KeptRow>(
    move.revision === null ? KEEP_ALONE.alone : KEEP_ALONE.live,
    moveValues(play, move, fate, clock),
  )
  return keptAs(rows, fate)
}

const keepAlone = (hold: string): string => `WITH ${hold}, kept AS (${KEEP}),
  updated AS (UPDATE plays y SET moves = $number::integer, last_seen_at = greatest(y.last_seen_at, $at::timestamptz)
    FROM kept WHERE y.id = $playId::uuid RETURNING y.id)
  ${BECAME}`
const KEEP_ALONE = { alone: keepAlone(HOLD.alone), live: keepAlone(HOLD.live) }

/** A response that a move made; one that was left when its player stopped is not reached. */
export type CameResponse = Response & { reached?: false }

/** What came of a move: how the play stands then, the responses that were made, and what it asks from now on. */
export interface Came {
  next: OpenPlay
  responses: readonly CameResponse[]
  asked?: { setId: string; total: number } | null
}

/** Keeps a move that changed a play, with all that came of it; returns what became of it. */
export async function takeMove(
  scope: Reader,
  play: OpenPlay,
  move: IdentifiedMove,
  clock: number,
  { next, responses, asked }: Came,
): Promise<Kept> {
  const { made, state, beforeTimeUp, atEnd, participantId, movedAt, paused, doing } = next
  const { hints, misses, bonus, finished } = made.game.score(made.puzzle, state)
  const values = {
    ...moveValues(play, move, 'taken', clock),
    seenAt: move.author === 'teacher' ? null : new Date(play.now),
    movedAt: new Date(movedAt),
    beforeTimeUp: beforeTimeUp && JSON.stringify(beforeTimeUp),
    atEnd: atEnd && JSON.stringify(atEnd),
    state: JSON.stringify(state),
    responses: JSON.stringify(responses.map((response) => asCorrected(play, response))),
    takenOut: takenOutOf(play.corrections),
    participantId,
    hints,
    misses,
    bonus,
    finished,
    setId: asked?.setId ?? null,
    total: asked?.total ?? null,
    paused: Math.round(paused),
    dueAt: dueMoment(next),
    doing: JSON.stringify(doing),
  }
  return keptAs(await scope.query<KeptRow>(move.revision === null ? TAKE.alone : TAKE.live, values), 'taken')
}

/** Returns a response as it counts, with what the game said where a teacher has said otherwise. */
function asCorrected(
  { corrections }: OpenPlay,
  response: CameResponse,
): CameResponse & { judged?: Response['outcome'] } {
  const { outcome, given, entryId } = response
  const counted = correctedOutcome(
    outcome,
    given,
    corrections.find((one) => one.entryId === entryId),
  )
  return counted === outcome ? response : { ...response, outcome: counted, judged: outcome }
}
