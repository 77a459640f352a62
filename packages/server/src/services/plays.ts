import { createHash, randomUUID } from 'node:crypto'
import type { JoinOffer, MoveFate, PlayReply, SendMove } from '@otter/api'
import { clockAt, randomFrom, upgradedPlay, type Beginning } from '@otter/core'
import type { z } from 'zod'
import type { Scope } from '../db/scope.ts'
import { addParticipant, findDoor, refusal, type OpenOffer, type Person } from './participants.ts'
import type { MadeGame } from './puzzleCache.ts'

/** Most attempts of one person in an offer, and most moves of one attempt. */
const MAX_ATTEMPTS = 200
const MAX_MOVES = 20_000
/** Longest key of a set of questions that is kept as it is. */
const LONGEST_KEY = 200

/** What a play started from, so that its moves lead to the same state again. */
interface Origin extends Omit<Beginning, 'random'> {
  random: string
  rules: number
}

/** A play as it is stored. */
interface StoredPlay {
  id: string
  /** Whose play it is, of those who are one person. */
  participantId: string
  attempt: number
  versionId: string
  correction: number
  rules: number
  moves: number
  state: unknown
  /** What its clock shows, and when that was, in milliseconds since 1970. */
  milliseconds: number
  movedAt: number
  ended: boolean
}

/** A play under way, with its game; its state is as today's rules have it. */
interface OpenPlay extends StoredPlay {
  made: MadeGame
}

const PLAY = `SELECT y.id, y.participant_id AS "participantId", y.game_version_id AS "versionId", v.correction,
  y.rules, y.moves, y.state, y.milliseconds, (extract(epoch FROM y.moved_at) * 1000)::float8 AS "movedAt",
  y.ended_at IS NOT NULL AS ended,
  (SELECT count(*)::int FROM plays z JOIN participants q ON q.id = z.participant_id
    WHERE coalesce(q.merged_into, q.id) = $personId AND z.given_back_at IS NULL AND (z.started_at,
      z.id) <= (y.started_at, y.id)) AS attempt
  FROM plays y JOIN game_versions v ON v.id = y.game_version_id
  WHERE y.participant_id IN (SELECT id FROM participants WHERE id = $personId OR merged_into = $personId)
    AND y.given_back_at IS NULL`

/** Returns a person's play: the one last begun, or the one of a number; held for a change where it is said. */
async function findPlay(
  scope: Scope,
  personId: string,
  { hold = false, attempt }: { hold?: boolean; attempt?: number } = {},
): Promise<OpenPlay | undefined> {
  const order =
    attempt === undefined
      ? 'ORDER BY y.started_at DESC, y.id DESC LIMIT 1'
      : 'ORDER BY y.started_at, y.id LIMIT 1 OFFSET $attempt::integer - 1'
  const [play] = await scope.query<StoredPlay>(`${PLAY} ${order} ${hold ? 'FOR UPDATE OF y' : ''}`, {
    personId,
    attempt,
  })
  if (!play) return undefined
  const made = await scope.puzzles.read(scope, play.versionId, play.correction)
  return {
    ...play,
    made,
    rules: made.game.version,
    state: upgradedPlay(made.game, play.state, play.rules, made.puzzle),
  }
}

/** Begins a person's next attempt, on the version of the game that the offer has now. */
async function startPlay(
  scope: Scope,
  offer: OpenOffer,
  person: Person,
  before: OpenPlay | undefined,
  at: Date,
): Promise<OpenPlay> {
  const made = await scope.puzzles.read(scope, offer.versionId, offer.correction)
  const { game, kind, puzzle } = made
  const attempt = (before?.attempt ?? 0) + 1
  const memory = before?.made.kind === kind ? before.made.game.memory?.(before.state) : undefined
  const origin: Origin = {
    random: `${person.id} ${attempt}`,
    seat: person.seat,
    now: at.getTime(),
    memory,
    rules: game.version,
  }
  const state = game.start(puzzle, { ...origin, random: randomFrom(origin.random) })
  const id = randomUUID()
  const { setId, total } = await questionSet(scope, made, state)
  await scope.query(
    `INSERT INTO plays (id, offer_id, participant_id, game_version_id, question_set_id, rules, origin, state, total,
      started_at, moved_at, last_seen_at)
     VALUES ($id, $offerId, $participantId, $versionId, $setId, $rules, $origin::jsonb, $state::jsonb, $total, $at,
       $at, $at)`,
    {
      id,
      offerId: offer.id,
      participantId: person.participantId,
      versionId: made.versionId,
      setId,
      rules: game.version,
      origin: JSON.stringify(origin),
      state: JSON.stringify(state),
      total,
      at,
    },
  )
  return {
    id,
    participantId: person.participantId,
    attempt,
    versionId: made.versionId,
    correction: offer.correction,
    rules: game.version,
    moves: 0,
    state,
    milliseconds: 0,
    movedAt: at.getTime(),
    ended: false,
    made,
  }
}

/**
 * Returns the set of questions that a play asks, and how many of them count; most plays of one version share theirs.
 */
async function questionSet(
  scope: Scope,
  { versionId, game, puzzle }: MadeGame,
  state: unknown,
): Promise<{ setId: string; total: number }> {
  const named = game.askedKey?.(puzzle, state) ?? ''
  const key = named.length > LONGEST_KEY ? createHash('sha256').update(named).digest('hex') : named
  const find = (): Promise<{ setId: string; total: number }[]> =>
    scope.query('SELECT id AS "setId", total FROM question_sets WHERE game_version_id = $versionId AND key = $key', {
      versionId,
      key,
    })
  const [known] = await find()
  if (known) return known
  const questions = game.asked(puzzle, state)
  const total = questions.filter(({ counts }) => counts).length
  const setId = randomUUID()
  const [added] = await scope.query(
    `INSERT INTO question_sets (id, game_version_id, key, total) VALUES ($setId, $versionId, $key, $total)
      ON CONFLICT (game_version_id, key) DO NOTHING RETURNING id`,
    { setId, versionId, key, total },
  )
  // Another student's play has just made the same set.
  if (!added) return (await find())[0]
  await scope.query(
    `INSERT INTO questions (set_id, place, entry_id, text, counts)
     SELECT $setId, q.place - 1, (q.row ->> 'entryId')::uuid, q.row ->> 'text', (q.row ->> 'counts')::boolean
       FROM jsonb_array_elements($questions::jsonb) WITH ORDINALITY AS q(row, place)`,
    { setId, questions: JSON.stringify(questions) },
  )
  return { setId, total }
}

async function reply(
  scope: Scope,
  offer: OpenOffer,
  person: Person | undefined,
  play: OpenPlay | undefined,
  fate: MoveFate | null = null,
): Promise<PlayReply> {
  const { kind, title, language, early } =
    play?.made ?? (await scope.puzzles.read(scope, offer.versionId, offer.correction))
  return {
    kind,
    title,
    language,
    early,
    open: offer.open,
    fate,
    player: person ? { name: person.name } : null,
    ...(play ? await played(scope, offer, play) : { opinions: [], play: null }),
  }
}

async function played(
  scope: Scope,
  offer: OpenOffer,
  { made: { game, puzzle }, state, attempt, moves }: OpenPlay,
): Promise<Pick<PlayReply, 'opinions' | 'play'>> {
  const asked = game.opinions?.(puzzle, state) ?? []
  return {
    opinions: asked.length > 0 ? await opinionsOf(scope, offer.id, asked) : [],
    play: {
      attempt,
      moves,
      moment: game.moment?.(puzzle, state) ?? null,
      view: game.view(puzzle, state),
      score: game.score(puzzle, state),
    },
  }
}

/**
 * Counts what the players of an offer gave, for entries without a right answer: each player's last word, the most
 * frequent first.
 */
async function opinionsOf(scope: Scope, offerId: string, entryIds: string[]): Promise<PlayReply['opinions']> {
  return scope.query<PlayReply['opinions'][number]>(
    `SELECT o.entry_id AS "entryId", o.given, count(*)::int AS count
     FROM (SELECT DISTINCT ON (r.entry_id, r.participant_id) r.entry_id, r.given FROM responses r JOIN plays y
       ON y.id = r.play_id
           WHERE y.offer_id = $offerId AND y.given_back_at IS NULL AND r.entry_id = ANY ($entryIds::uuid[])
             AND r.outcome = 'opinion' AND r.withdrawn_at IS NULL AND r.given <> ''
           ORDER BY r.entry_id, r.participant_id, r.id DESC) o
     GROUP BY o.entry_id, o.given ORDER BY o.entry_id, count DESC, o.given`,
    { offerId, entryIds },
  )
}

/** Returns an offer as one device sees it: with the play that goes on, where its token has one. */
export async function openPlay(
  scope: Scope,
  code: string,
  token: string | undefined,
  at = new Date(),
): Promise<PlayReply> {
  const { offer, person } = await findDoor(scope, code, token)
  if (!person) return reply(scope, offer, undefined, undefined)
  if (person.removed) throw refusal(403, 'taken-out')
  const play = await findPlay(scope, person.id)
  // An attempt that was given back is begun anew.
  if (!play && offer.open) return again(scope, offer, person, at)
  if (play)
    await scope.query('UPDATE plays SET last_seen_at = greatest(last_seen_at, $at) WHERE id = $id', { id: play.id, at })
  return reply(scope, offer, person, play)
}

/** Adds a student to an offer and starts the first attempt; returns the token that its device keeps. */
export async function joinOffer(
  scope: Scope,
  code: string,
  { name }: z.output<typeof JoinOffer>,
  browser?: string,
  at = new Date(),
): Promise<{ token: string; reply: PlayReply }> {
  const { offer } = await findDoor(scope, code, undefined)
  if (!offer.open) throw refusal(403, 'link-closed')
  const { person, token } = await addParticipant(scope, offer.id, name, browser)
  const play = await startPlay(scope, offer, person, undefined, at)
  return { token, reply: await reply(scope, offer, person, play) }
}

/**
 * Returns whose token it is, in an offer that is open. Throws a Problem where the offer is closed or the person may not
 * play.
 */
async function enter(
  scope: Scope,
  code: string,
  token: string | undefined,
): Promise<{ offer: OpenOffer; person: Person }> {
  const { offer, person } = await findDoor(scope, code, token)
  if (!person) throw refusal(401, 'who-are-you')
  if (person.removed) throw refusal(403, 'taken-out')
  if (!offer.open) throw refusal(403, 'link-closed')
  return { offer, person }
}

/**
 * Applies a move, and keeps it with the responses it made. A move that came before changes nothing; one that was made
 * for
 * what has passed is kept, and changes nothing else.
 */
export async function sendMove(
  scope: Scope,
  code: string,
  token: string | undefined,
  sent: z.output<typeof SendMove>,
  at = new Date(),
): Promise<PlayReply> {
  const { offer, person } = await enter(scope, code, token)
  const play = await findPlay(scope, person.id, { hold: true })
  if (!play) throw refusal(401, 'who-are-you')
  const move = play.made.game.moves.parse(sent.move)
  if (sent.attempt !== play.attempt)
    return reply(scope, offer, person, play, await keepForPast(scope, person, sent, move, at))
  // Whoever gives no id says instead after how many moves it was made.
  if (sent.id === undefined && sent.after !== play.moves) return reply(scope, offer, person, play, 'repeated')
  if (play.moves >= MAX_MOVES) throw refusal(403, 'link-full')
  const { next, fate } = await applyMove(scope, play, { ...sent, move, id: sent.id ?? randomUUID() }, at)
  return reply(scope, offer, person, next, fate)
}

type IdentifiedMove = Omit<z.output<typeof SendMove>, 'id'> & { id: string }

async function applyMove(
  scope: Scope,
  play: OpenPlay,
  sent: IdentifiedMove,
  at: Date,
): Promise<{ next: OpenPlay; fate: MoveFate }> {
  const {
    made: { game, puzzle },
    state,
  } = play
  const clock = play.ended
    ? play.milliseconds
    : clockAt({ clock: play.milliseconds, movedAt: play.movedAt }, at.getTime(), game.deadline?.(puzzle, state) ?? null)
  const passed = sent.for !== undefined && game.moment !== undefined && sent.for !== game.moment(puzzle, state)
  const step = passed
    ? { play: state, responses: [] }
    : game.move(puzzle, state, sent.move, { clock, now: at.getTime() })
  const fate = passed ? 'passed' : step.play === state ? 'void' : 'taken'
  const next = { ...play, state: step.play, moves: play.moves + 1 }
  if (fate !== 'taken')
    return (await keepMove(scope, play, sent, fate, clock, at)) ? { next, fate } : { next: play, fate: 'repeated' }
  const score = game.score(puzzle, step.play)
  const isAskedOther = game.askedKey !== undefined && game.askedKey(puzzle, state) !== game.askedKey(puzzle, step.play)
  const asked = isAskedOther ? await questionSet(scope, play.made, step.play) : null
  const [kept] = await scope.query(TAKE, {
    ...moveValues(play, sent, fate, clock, at),
    state: JSON.stringify(step.play),
    responses: JSON.stringify(step.responses),
    participantId: play.participantId,
    hints: score.hints,
    misses: score.misses,
    bonus: score.bonus,
    finished: score.finished,
    setId: asked?.setId ?? null,
    total: asked?.total ?? null,
  })
  return kept ? { next, fate } : { next: play, fate: 'repeated' }
}

const KEEP = `INSERT INTO moves (play_id, number, id, move, made_for, made_at, at, clock, rules, fate)
  VALUES ($playId::uuid, $number::integer, $id, $move::jsonb, $madeFor, $madeAt::timestamptz, $at::timestamptz,
    $clock::integer, $rules::integer, $fate) ON CONFLICT (play_id, id) DO NOTHING RETURNING number`

/**
 * Keeps a move, the responses it made and the play's next state in one statement; nothing where the move is kept
 * already.
 * A response with the key of another takes its place, and the verdict first given stays beside it. Totals are those of
 * the
 * responses that hold.
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
    milliseconds = $clock::integer, moved_at = $at::timestamptz, last_seen_at = greatest(y.last_seen_at,
    $at::timestamptz), hints = $hints::integer, misses = $misses::integer, bonus = $bonus::integer,
    ended_at = CASE WHEN $finished::boolean THEN coalesce(y.ended_at, $at::timestamptz) END,
      question_set_id = coalesce($setId::uuid, y.question_set_id), total = coalesce($total::integer, y.total),
    "right" = t.right, points = t.points + $bonus::integer, second_right = t.second_right, second_total = t.second_total
  FROM kept, totals t WHERE y.id = $playId::uuid RETURNING y.id`

function moveValues(
  play: Pick<OpenPlay, 'id' | 'moves' | 'rules'>,
  { id, move, for: madeFor, madeAt }: IdentifiedMove,
  fate: MoveFate,
  clock: number,
  at: Date,
): Record<string, unknown> {
  return {
    playId: play.id,
    number: play.moves + 1,
    id,
    move: JSON.stringify(move),
    madeFor: madeFor ?? null,
    madeAt: madeAt === undefined ? null : new Date(madeAt),
    at,
    clock,
    rules: play.rules,
    fate,
  }
}

/** Keeps a move that changes nothing else; returns false where one with its id is kept already. */
async function keepMove(
  scope: Scope,
  play: Pick<OpenPlay, 'id' | 'moves' | 'rules'>,
  move: IdentifiedMove,
  fate: MoveFate,
  clock: number,
  at: Date,
): Promise<boolean> {
  const [kept] = await scope.query(
    `WITH kept AS (${KEEP}) UPDATE plays y SET moves = $number::integer, last_seen_at = greatest(y.last_seen_at,
      $at::timestamptz) FROM kept WHERE y.id = $playId::uuid RETURNING y.id`,
    moveValues(play, move, fate, clock, at),
  )
  return kept !== undefined
}

/** Keeps a move that was made for an earlier attempt: it has come too late. */
async function keepForPast(
  scope: Scope,
  person: Person,
  sent: z.output<typeof SendMove>,
  move: unknown,
  at: Date,
): Promise<MoveFate> {
  const past = await findPlay(scope, person.id, { hold: true, attempt: sent.attempt })
  if (!past || sent.id === undefined || past.moves >= MAX_MOVES) return 'repeated'
  return (await keepMove(scope, past, { ...sent, move, id: sent.id }, 'passed', past.milliseconds, at))
    ? 'passed'
    : 'repeated'
}

/** Starts another attempt, on the newest version of the game, once the last one is finished. */
export async function playAgain(
  scope: Scope,
  code: string,
  token: string | undefined,
  at = new Date(),
): Promise<PlayReply> {
  const { offer, person } = await enter(scope, code, token)
  return again(scope, offer, person, at)
}

async function again(scope: Scope, offer: OpenOffer, person: Person, at: Date): Promise<PlayReply> {
  // Two requests at once would both find the last attempt finished: one waits for the other here.
  await scope.query('SELECT 1 FROM participants WHERE id = $id FOR UPDATE', { id: person.id })
  const play = await findPlay(scope, person.id)
  if (play && !play.ended) return reply(scope, offer, person, play)
  if (play && play.attempt >= MAX_ATTEMPTS) throw refusal(403, 'link-full')
  return reply(scope, offer, person, await startPlay(scope, offer, person, play, at))
}
