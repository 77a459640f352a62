import { randomUUID } from 'node:crypto'
import type { MoveFate, PlayReply, SendMove } from '@otter/api'
import { clockAt, delayOf } from '@otter/core'
import type { z } from 'zod'
import { Problem } from '../problem.ts'
import { isDoneAgain, type Scope } from '../db/scope.ts'
import { enter, type Caller, type OpenOffer, type Person } from './doors.ts'
import { reply } from './playReplies.ts'
import { clockOf, dueMoment, findDuePlay, findPlay, type BeforeTimeUp, type OpenPlay } from './storedPlays.ts'
import { holdSession } from './storedSession.ts'
import { questionSet } from './questionSets.ts'

/** The move by which every game ends. */
const FINISH = { type: 'finish' }
/** Most moves of one attempt. */
const MAX_MOVES = 20_000
/** How many of its last outcomes a play's line shows. */
const LAST_OUTCOMES = 8

/**
 * Applies a move, and keeps it with the responses it made. A move that came before changes nothing; one that was made
 * for what has passed is kept, and changes nothing else.
 *
 * @param connectedFor how long the device has been connected without a break, in milliseconds
 */
export async function sendMove(
  scope: Scope,
  caller: Caller,
  sent: z.output<typeof SendMove>,
  connectedFor = 0,
): Promise<PlayReply> {
  const { offer, person } = await enterHeld(scope, caller)
  const play = await findPlay(scope, offer, person.id, { hold: true })
  if (!play) throw new Problem(401, 'who-are-you')
  const move = play.made.game.moves.parse(sent.move)
  if (sent.attempt !== play.attempt)
    return reply(scope, offer, person, play, await keepForPast(scope, offer, person, sent, move))
  // Whoever gives no id says instead after how many moves it was made.
  if (sent.id === undefined && sent.after !== play.moves) return reply(scope, offer, person, play, 'repeated')
  if (play.moves >= MAX_MOVES) throw new Problem(403, 'link-full')
  const heard = offer.live ? (person.heardAt ?? 0) : 0
  const made = { ...sent, move, id: sent.id ?? randomUUID(), author: 'player' as const }
  const { next, fate } = await applyMove(scope, play, { ...made, delay: believed(sent, play.now, connectedFor, heard) })
  return reply(scope, offer, person, next, fate)
}

/** Enters an offer; a live session is held with others who answer in it, so that it can't close meanwhile. */
async function enterHeld(scope: Scope, caller: Caller): Promise<{ offer: OpenOffer; person: Person }> {
  if ('offerId' in caller) await holdSession(scope, caller.offerId, 'shared')
  const entered = await enter(scope, caller)
  if ('offerId' in caller || !entered.offer.live) return entered
  await holdSession(scope, entered.offer.id, 'shared')
  return enter(scope, caller)
}

type IdentifiedMove = Pick<z.output<typeof SendMove>, 'for' | 'madeAt' | 'sentAt' | 'move'> & {
  id: string
  author: 'player' | 'clock'
  /** For how long it is believed to have waited for a connection, in milliseconds. */
  delay: number
}

/**
 * Returns for how long a move is believed to have waited on its device: not where the device was connected then, nor
 * from before it was last heard of.
 */
function believed(sent: z.output<typeof SendMove>, now: number, connectedFor: number, heardAt: number): number {
  const delay = delayOf(sent)
  return delay <= connectedFor ? 0 : Math.min(delay, Math.max(0, now - heardAt))
}

/** A play whose time has passed. */
export interface PassedPlay {
  offerId: string
  participantId: string
}

/**
 * Makes the move that is due where the time of a play has passed: the one that has waited longest. Returns whose it was;
 * undefined where there was none. A play that can't be read holds up no other: `onFailure` is told why, and it is tried again in a minute.
 */
export async function passTime(scope: Scope, onFailure: (error: unknown) => void): Promise<PassedPlay | undefined> {
  const due = await findDuePlay(scope)
  if (!due) return undefined
  await scope.query('SAVEPOINT due_play')
  try {
    await passTimeOf(scope, await due.open())
  } catch (error) {
    if (isDoneAgain(error)) throw error
    await scope.query('ROLLBACK TO SAVEPOINT due_play')
    await scope.query("UPDATE plays SET due_at = clock_timestamp() + interval '1 minute' WHERE id = $id", {
      id: due.id,
    })
    onFailure(error)
  }
  return due
}

async function passTimeOf(scope: Scope, play: OpenPlay): Promise<void> {
  const due = dueMoment(play)
  const { timed } = play.made.game
  if (play.context.shared?.phase === 'over' && !play.ended) {
    const { fate } = await applyMove(scope, play, { id: randomUUID(), move: FINISH, author: 'clock', delay: 0 })
    if (fate === 'taken') return
  }
  if (!timed || due === null || due.getTime() > play.now) return setDue(scope, play, due)
  const { fate } = await applyMove(scope, play, { id: randomUUID(), move: timed.timeUp, author: 'clock', delay: 0 })
  // Where it changed nothing, it would be due at once again, and for ever.
  if (fate !== 'taken') await setDue(scope, play, null)
}

async function setDue(scope: Scope, { id }: OpenPlay, due: Date | null): Promise<void> {
  await scope.query('UPDATE plays SET due_at = $due::timestamptz WHERE id = $id', { id, due })
}

async function applyMove(
  scope: Scope,
  stored: OpenPlay,
  sent: IdentifiedMove,
): Promise<{ next: OpenPlay; fate: MoveFate }> {
  const { play, now, delay } = asMade(stored, sent)
  const { made, context, state } = play
  const { game, puzzle } = made
  const clock = play.ended
    ? play.milliseconds
    : clockAt(clockOf(play), now, game.timed?.deadline(puzzle, state, context) ?? null)
  const isPassed = isForPast(play, sent)
  const step = isPassed
    ? { play: state, responses: [] }
    : game.move(puzzle, state, sent.move, { ...context, clock, now })
  const responses = [...play.followed, ...step.responses]
  const fate = isPassed ? 'passed' : step.play === state ? 'void' : 'taken'
  const moves = play.moves + 1
  if (fate !== 'taken') {
    const isKept = await keepMove(scope, stored, sent, fate, clock)
    return isKept ? { next: { ...stored, moves }, fate } : { next: stored, fate: 'repeated' }
  }
  const score = game.score(puzzle, step.play)
  const outcomes = responses.map(({ outcome }) => outcome)
  const next: OpenPlay = {
    ...play,
    state: step.play,
    followed: [],
    moves,
    milliseconds: clock,
    movedAt: now,
    pausedBefore: play.paused,
    ended: score.finished,
    beforeTimeUp: sent.author === 'clock' ? (stored.beforeTimeUp ?? snapshotOf(stored)) : null,
    doing: {
      ...game.doing(puzzle, step.play),
      last: [...(play.doing?.last ?? []), ...outcomes].slice(-LAST_OUTCOMES),
    },
  }
  const isAskedOther =
    game.questionsKey !== undefined && game.questionsKey(puzzle, state) !== game.questionsKey(puzzle, step.play)
  const asked = isAskedOther ? await questionSet(scope, made, step.play) : null
  const [kept] = await scope.query(TAKE, {
    ...moveValues(play, sent, fate, clock),
    delay: Math.round(delay),
    movedAt: new Date(now),
    beforeTimeUp: next.beforeTimeUp && JSON.stringify(next.beforeTimeUp),
    state: JSON.stringify(step.play),
    responses: JSON.stringify(responses),
    participantId: play.participantId,
    hints: score.hints,
    misses: score.misses,
    bonus: score.bonus,
    finished: score.finished,
    setId: asked?.setId ?? null,
    total: asked?.total ?? null,
    paused: Math.round(play.paused),
    dueAt: dueMoment(next),
    doing: JSON.stringify(next.doing),
  })
  return kept ? { next, fate } : { next: stored, fate: 'repeated' }
}

/** Whether a move was made for what does not stand any more. */
function isForPast(
  { made: { game, puzzle }, state, context }: OpenPlay,
  { for: madeFor, author }: IdentifiedMove,
): boolean {
  if (author === 'player' && context.shared?.phase === 'over') return true
  return madeFor !== undefined && game.moment !== undefined && madeFor !== game.moment(puzzle, state)
}

/**
 * Returns the play that a move was made in, and when it was made by the server's clock. A move that had no connection
 * counts from when it was made: after the last one that was heard, and where the time for what it answers ran out
 * meanwhile with no word from its player, as if it had not.
 */
function asMade(play: OpenPlay, sent: IdentifiedMove): { play: OpenPlay; now: number; delay: number } {
  const { delay } = sent
  const { game, puzzle } = play.made
  const before = play.beforeTimeUp
  if (delay > 0 && before && sent.for !== undefined && sent.for === game.moment?.(puzzle, before.state)) {
    const earlier: OpenPlay = { ...play, ...before, ended: false }
    const now = Math.max(before.movedAt, play.now - delay)
    const deadline = game.timed?.deadline(puzzle, before.state, play.context) ?? null
    if (deadline !== null && clockAt(clockOf(earlier), now, deadline) < deadline) return { play: earlier, now, delay }
  }
  return { play, now: Math.max(play.movedAt, play.now - delay), delay }
}

function snapshotOf({ state, rules, milliseconds, movedAt, pausedBefore }: OpenPlay): BeforeTimeUp {
  return { state, rules, milliseconds, movedAt, pausedBefore }
}

const KEEP = `INSERT INTO moves (play_id, number, id, move, made_for, made_at, at, clock, rules, fate, author, calls, shared, delay_ms)
  VALUES ($playId::uuid, $number::integer, $id, $move::jsonb, $madeFor, $madeAt::timestamptz, $at::timestamptz,
    $clock::integer, $rules::integer, $fate, $author, $calls::integer, $shared::jsonb, $delay::integer) ON CONFLICT (play_id, id) DO NOTHING RETURNING number`

/**
 * Keeps a move, the responses it made and the play's next state in one statement; nothing where the move is kept
 * already. A response with the key of another takes its place, and the verdict first given stays beside it. Totals are
 * those of the responses that hold.
 */
const TAKE = `WITH kept AS (${KEEP}),
  made AS (
    SELECT (r ->> 'entryId')::uuid AS entry_id, r ->> 'round' AS round, (r ->> 'occasion')::int AS occasion,
      r ->> 'outcome' AS outcome, (r ->> 'counts')::boolean AS counts, r ->> 'given' AS given,
      r -> 'detail' AS detail,
      (r ->> 'points')::int AS points, (r ->> 'hints')::int AS hints, (r ->> 'milliseconds')::int AS milliseconds,
        (r ->> 'place')::int AS place, n
    FROM kept, jsonb_array_elements($responses::jsonb) WITH ORDINALITY AS a(r, n)),
  answered AS (
    INSERT INTO responses (play_id, entry_id, round, occasion, outcome, first_outcome, counts, given, detail, points,
      hints, milliseconds, place, participant_id, move_number, made_at, at, is_first)
    SELECT $playId::uuid, entry_id, round, occasion, outcome, outcome, counts, given, detail, points, hints,
      milliseconds, place, $participantId::uuid, $number::integer, $madeAt::timestamptz, $at::timestamptz,
      round = 'first' AND occasion = 0 AND NOT EXISTS (SELECT 1 FROM responses f
        WHERE f.participant_id = $participantId::uuid AND f.entry_id = made.entry_id AND f.is_first) FROM made
        ORDER BY n
    ON CONFLICT (play_id, entry_id, round, occasion) DO UPDATE SET outcome = excluded.outcome,
      counts = excluded.counts, given = excluded.given, detail = excluded.detail, points = excluded.points,
      hints = excluded.hints,
      milliseconds = excluded.milliseconds, move_number = excluded.move_number, made_at = excluded.made_at, at = excluded.at, withdrawn_at = NULL),
  holding AS (
    SELECT outcome, counts, points, round FROM made
    UNION ALL SELECT r.outcome, r.counts, r.points, r.round FROM responses r
      WHERE r.play_id = $playId::uuid AND r.withdrawn_at IS NULL AND NOT EXISTS (SELECT 1 FROM made m
        WHERE m.entry_id = r.entry_id AND m.round = r.round AND m.occasion = r.occasion)),
  totals AS (
    SELECT count(*) FILTER (WHERE outcome = 'right' AND counts) AS right, coalesce(sum(points) FILTER (WHERE counts),
      0) AS points,
      count(*) FILTER (WHERE outcome = 'right' AND round = 'second') AS second_right,
        count(*) FILTER (WHERE round = 'second') AS second_total FROM holding)
  UPDATE plays y SET state = $state::jsonb, rules = $rules::integer, moves = $number::integer,
    milliseconds = $clock::integer, moved_at = $movedAt::timestamptz, before_time_up = $beforeTimeUp::jsonb, last_seen_at = greatest(y.last_seen_at,
    $at::timestamptz), paused_ms = $paused::bigint, due_at = $dueAt::timestamptz,
    doing = $doing::jsonb, hints = $hints::integer, misses = $misses::integer, bonus = $bonus::integer,
    ended_at = CASE WHEN $finished::boolean THEN coalesce(y.ended_at, $at::timestamptz) END,
      question_set_id = coalesce($setId::uuid, y.question_set_id), total = coalesce($total::integer, y.total),
    "right" = t.right, points = t.points + $bonus::integer, second_right = t.second_right, second_total = t.second_total
  FROM kept, totals t WHERE y.id = $playId::uuid RETURNING y.id`

function moveValues(
  play: Pick<OpenPlay, 'id' | 'moves' | 'rules' | 'now' | 'context'>,
  { id, move, for: madeFor, madeAt, author }: IdentifiedMove,
  fate: MoveFate,
  clock: number,
): Record<string, unknown> {
  return {
    playId: play.id,
    number: play.moves + 1,
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
    delay: 0,
  }
}

/** Keeps a move that changes nothing else; returns false where one with its id is kept already. */
async function keepMove(
  scope: Scope,
  play: Pick<OpenPlay, 'id' | 'moves' | 'rules' | 'now' | 'context'>,
  move: IdentifiedMove,
  fate: MoveFate,
  clock: number,
): Promise<boolean> {
  const [kept] = await scope.query(
    `WITH kept AS (${KEEP}) UPDATE plays y SET moves = $number::integer, last_seen_at = greatest(y.last_seen_at,
      $at::timestamptz) FROM kept WHERE y.id = $playId::uuid RETURNING y.id`,
    moveValues(play, move, fate, clock),
  )
  return kept !== undefined
}

/** Keeps a move that was made for an earlier attempt: it has come too late. */
async function keepForPast(
  scope: Scope,
  offer: OpenOffer,
  person: Person,
  sent: z.output<typeof SendMove>,
  move: unknown,
): Promise<MoveFate> {
  const past = await findPlay(scope, offer, person.id, { hold: true, attempt: sent.attempt })
  if (!past || sent.id === undefined || past.moves >= MAX_MOVES) return 'repeated'
  const late: IdentifiedMove = { ...sent, move, id: sent.id, author: 'player', delay: 0 }
  return (await keepMove(scope, past, late, 'passed', past.milliseconds)) ? 'passed' : 'repeated'
}
