import { createHash, randomUUID } from 'node:crypto'
import type { JoinOffer, MoveFate, PlayReply, SendMove } from '@otter/api'
import { clockAt, randomFrom, upgradedPlay, type Beginning, type Response } from '@otter/core'
import type { z } from 'zod'
import type { Scope } from '../db/scope.ts'
import { addParticipant, findOffer, findPerson, refusal, type OpenOffer, type Person } from './participants.ts'
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

const PLAY = `SELECT y.id, y.game_version_id AS "versionId", v.correction, y.rules, y.moves, y.state, y.milliseconds, (extract(epoch FROM y.moved_at) * 1000)::float8 AS "movedAt", y.ended_at IS NOT NULL AS ended,
  (SELECT count(*)::int FROM plays z JOIN participants q ON q.id = z.participant_id
    WHERE coalesce(q.merged_into, q.id) = $personId AND z.given_back_at IS NULL AND (z.started_at, z.id) <= (y.started_at, y.id)) AS attempt
  FROM plays y JOIN game_versions v ON v.id = y.game_version_id
  WHERE y.participant_id IN (SELECT id FROM participants WHERE id = $personId OR merged_into = $personId) AND y.given_back_at IS NULL`

/** Returns a person's play: the one last begun, or the one of a number; held for a change where it is said. */
async function findPlay(scope: Scope, personId: string, { hold = false, attempt }: { hold?: boolean; attempt?: number } = {}): Promise<OpenPlay | undefined> {
  const order = attempt === undefined ? 'ORDER BY y.started_at DESC, y.id DESC LIMIT 1' : `ORDER BY y.started_at, y.id LIMIT 1 OFFSET ${attempt - 1}`
  const [play] = await scope.query<StoredPlay>(`${PLAY} ${order} ${hold ? 'FOR UPDATE OF y' : ''}`, { personId })
  if (!play) return undefined
  const made = await scope.puzzles.read(scope, play.versionId, play.correction)
  return { ...play, made, rules: made.game.version, state: upgradedPlay(made.game, play.state, play.rules, made.puzzle) }
}

/** Begins a person's next attempt, on the version of the game that the offer has now. */
async function startPlay(scope: Scope, offer: OpenOffer, person: Person, before: OpenPlay | undefined, at: Date): Promise<OpenPlay> {
  const made = await scope.puzzles.read(scope, offer.versionId, offer.correction)
  const { game, kind, puzzle } = made
  const attempt = (before?.attempt ?? 0) + 1
  const memory = before?.made.kind === kind ? before.made.game.memory?.(before.state) : undefined
  const origin: Origin = { random: `${person.id} ${attempt}`, seat: person.seat, now: at.getTime(), memory, rules: game.version }
  const state = game.start(puzzle, { ...origin, random: randomFrom(origin.random) })
  const id = randomUUID()
  const { setId, total } = await questionSet(scope, made, state)
  await scope.query(
    `INSERT INTO plays (id, offer_id, participant_id, game_version_id, question_set_id, rules, origin, state, total, started_at, moved_at, last_seen_at)
     VALUES ($id, $offerId, $participantId, $versionId, $setId, $rules, $origin::jsonb, $state::jsonb, $total, $at, $at, $at)`,
    { id, offerId: offer.id, participantId: person.id, versionId: made.versionId, setId, rules: game.version, origin: JSON.stringify(origin), state: JSON.stringify(state), total, at })
  return { id, attempt, versionId: made.versionId, correction: offer.correction, rules: game.version, moves: 0, state, milliseconds: 0, movedAt: at.getTime(), ended: false, made }
}

/** Returns the set of questions that a play asks, and how many of them count; most plays of one version share theirs. */
async function questionSet(scope: Scope, { versionId, game, puzzle }: MadeGame, state: unknown): Promise<{ setId: string; total: number }> {
  const named = game.askedKey?.(puzzle, state) ?? ''
  const key = named.length > LONGEST_KEY ? createHash('sha256').update(named).digest('hex') : named
  const find = (): Promise<{ setId: string; total: number }[]> => scope.query('SELECT id AS "setId", total FROM question_sets WHERE game_version_id = $versionId AND key = $key', { versionId, key })
  const [known] = await find()
  if (known) return known
  const questions = game.asked(puzzle, state)
  const total = questions.filter(({ counts }) => counts).length
  const setId = randomUUID()
  const [added] = await scope.query('INSERT INTO question_sets (id, game_version_id, key, total) VALUES ($setId, $versionId, $key, $total) ON CONFLICT (game_version_id, key) DO NOTHING RETURNING id', { setId, versionId, key, total })
  // Another student's play has just made the same set.
  if (!added) return (await find())[0]
  await scope.query(
    `INSERT INTO questions (set_id, place, entry_id, text, counts)
     SELECT $setId, q.place - 1, (q.row ->> 'entryId')::uuid, q.row ->> 'text', (q.row ->> 'counts')::boolean FROM jsonb_array_elements($questions::jsonb) WITH ORDINALITY AS q(row, place)`,
    { setId, questions: JSON.stringify(questions) })
  return { setId, total }
}

async function reply(scope: Scope, offer: OpenOffer, person: Person | undefined, play: OpenPlay | undefined, fate: MoveFate | null = null): Promise<PlayReply> {
  const { kind, title, language, early } = play?.made ?? await scope.puzzles.read(scope, offer.versionId, offer.correction)
  return { kind, title, language, early, open: offer.open, fate, player: person ? { name: person.name } : null, ...(play ? await played(scope, offer, play) : { opinions: [], play: null }) }
}

async function played(scope: Scope, offer: OpenOffer, { made: { game, puzzle }, state, attempt, moves }: OpenPlay): Promise<Pick<PlayReply, 'opinions' | 'play'>> {
  const asked = game.opinions?.(puzzle, state) ?? []
  return {
    opinions: asked.length > 0 ? await opinionsOf(scope, offer.id, asked) : [],
    play: { attempt, moves, moment: game.moment?.(puzzle, state) ?? null, view: game.view(puzzle, state), score: game.score(puzzle, state) },
  }
}

/** Counts what the players of an offer gave, for entries without a right answer: each player's last word, the most frequent first. */
async function opinionsOf(scope: Scope, offerId: string, entryIds: string[]): Promise<PlayReply['opinions']> {
  return scope.query<PlayReply['opinions'][number]>(
    `SELECT o.entry_id AS "entryId", o.given, count(*)::int AS count
     FROM (SELECT DISTINCT ON (r.entry_id, r.participant_id) r.entry_id, r.given FROM responses r JOIN plays y ON y.id = r.play_id
           WHERE y.offer_id = $offerId AND y.given_back_at IS NULL AND r.entry_id = ANY ($entryIds::uuid[]) AND r.outcome = 'opinion' AND r.withdrawn_at IS NULL AND r.given <> ''
           ORDER BY r.entry_id, r.participant_id, r.id DESC) o
     GROUP BY o.entry_id, o.given ORDER BY o.entry_id, count DESC, o.given`, { offerId, entryIds })
}

/** Returns an offer as one device sees it: with the play that goes on, where its token has one. */
export async function openPlay(scope: Scope, code: string, token: string | undefined, at = new Date()): Promise<PlayReply> {
  const offer = await findOffer(scope, code)
  const person = await findPerson(scope, offer.id, token)
  if (!person) return reply(scope, offer, undefined, undefined)
  if (person.removed) throw refusal(403, 'taken-out')
  const play = await findPlay(scope, person.id)
  // An attempt that was given back is begun anew.
  if (!play && offer.open) return again(scope, offer, person, at)
  if (play) await scope.query('UPDATE plays SET last_seen_at = greatest(last_seen_at, $at) WHERE id = $id', { id: play.id, at })
  return reply(scope, offer, person, play)
}

/** Adds a student to an offer and starts the first attempt; returns the token that its device keeps. */
export async function joinOffer(scope: Scope, code: string, { name }: z.output<typeof JoinOffer>, browser?: string, at = new Date()): Promise<{ token: string; reply: PlayReply }> {
  const offer = await findOffer(scope, code)
  if (!offer.open) throw refusal(403, 'link-closed')
  const { person, token } = await addParticipant(scope, offer.id, name, browser)
  const play = await startPlay(scope, offer, person, undefined, at)
  return { token, reply: await reply(scope, offer, person, play) }
}

/** Returns whose token it is, in an offer that is open. Throws a Problem where the offer is closed or the person may not play. */
async function enter(scope: Scope, code: string, token: string | undefined): Promise<{ offer: OpenOffer; person: Person }> {
  const offer = await findOffer(scope, code)
  const person = await findPerson(scope, offer.id, token)
  if (!person) throw refusal(401, 'who-are-you')
  if (person.removed) throw refusal(403, 'taken-out')
  if (!offer.open) throw refusal(403, 'link-closed')
  return { offer, person }
}

/**
 * Applies a move, and keeps it with the responses it made. A move that came before changes nothing; one that was made for
 * what has passed is kept, and changes nothing else.
 */
export async function sendMove(scope: Scope, code: string, token: string | undefined, sent: z.output<typeof SendMove>, at = new Date()): Promise<PlayReply> {
  const { offer, person } = await enter(scope, code, token)
  const play = await findPlay(scope, person.id, { hold: true })
  if (!play) throw refusal(401, 'who-are-you')
  const move = play.made.game.moves.parse(sent.move)
  if (sent.attempt !== play.attempt) return reply(scope, offer, person, play, await keepForPast(scope, person, sent, move, at))
  // Whoever gives no id says instead after how many moves it was made.
  if (sent.id === undefined && sent.after !== play.moves) return reply(scope, offer, person, play, 'repeated')
  if (play.moves >= MAX_MOVES) throw refusal(403, 'link-full')
  const { next, fate } = await applyMove(scope, person, play, { ...sent, move, id: sent.id ?? randomUUID() }, at)
  return reply(scope, offer, person, next, fate)
}

type IdentifiedMove = Omit<z.output<typeof SendMove>, 'id'> & { id: string }

async function applyMove(scope: Scope, person: Person, play: OpenPlay, sent: IdentifiedMove, at: Date): Promise<{ next: OpenPlay; fate: MoveFate }> {
  const { made: { game, puzzle }, state } = play
  const clock = play.ended ? play.milliseconds : clockAt({ clock: play.milliseconds, movedAt: play.movedAt }, at.getTime(), game.deadline?.(puzzle, state) ?? null)
  const passed = sent.for !== undefined && game.moment !== undefined && sent.for !== game.moment(puzzle, state)
  const step = passed ? { play: state, responses: [] } : game.move(puzzle, state, sent.move, { clock, now: at.getTime() })
  const fate = passed ? 'passed' : step.play === state ? 'void' : 'taken'
  if (!await keepMove(scope, play, sent, fate, clock, at)) return { next: play, fate: 'repeated' }
  const next = { ...play, state: step.play, moves: play.moves + 1 }
  if (fate !== 'taken') {
    await scope.query('UPDATE plays SET moves = $moves, last_seen_at = greatest(last_seen_at, $at) WHERE id = $id', { id: play.id, moves: next.moves, at })
    return { next: { ...next, state }, fate }
  }
  if (step.responses.length > 0) await keepResponses(scope, play, person, step.responses, next.moves, sent.madeAt, at)
  const score = game.score(puzzle, step.play)
  const isAskedOther = game.askedKey !== undefined && game.askedKey(puzzle, state) !== game.askedKey(puzzle, step.play)
  const asked = isAskedOther ? await questionSet(scope, play.made, step.play) : null
  await scope.query(
    `UPDATE plays SET state = $state::jsonb, rules = $rules, moves = $moves, milliseconds = $clock, moved_at = $at, last_seen_at = greatest(last_seen_at, $at), hints = $hints, misses = $misses, bonus = $bonus,
       ended_at = CASE WHEN $finished THEN coalesce(ended_at, $at) END, question_set_id = coalesce($setId, question_set_id), total = coalesce($total, total) WHERE id = $id`,
    {
      id: play.id, state: JSON.stringify(step.play), rules: game.version, moves: next.moves, clock, at, hints: score.hints, misses: score.misses, bonus: score.bonus, finished: score.finished,
      setId: asked?.setId ?? null, total: asked?.total ?? null,
    })
  if (step.responses.length > 0 || score.bonus > 0) await countPlay(scope, play.id)
  return { next, fate }
}

/** Keeps a move; returns false where one with its id is kept already. */
async function keepMove(scope: Scope, play: Pick<OpenPlay, 'id' | 'moves' | 'rules'>, { id, move, for: madeFor, madeAt }: IdentifiedMove, fate: MoveFate, clock: number, at: Date): Promise<boolean> {
  const [kept] = await scope.query(
    `INSERT INTO moves (play_id, number, id, move, made_for, made_at, at, clock, rules, fate) VALUES ($playId, $number, $id, $move::jsonb, $madeFor, $madeAt, $at, $clock, $rules, $fate)
     ON CONFLICT (play_id, id) DO NOTHING RETURNING number`,
    { playId: play.id, number: play.moves + 1, id, move: JSON.stringify(move), madeFor: madeFor ?? null, madeAt: madeAt === undefined ? null : new Date(madeAt), at, clock, rules: play.rules, fate })
  return kept !== undefined
}

/** Keeps a move that was made for an earlier attempt: it has come too late. */
async function keepForPast(scope: Scope, person: Person, sent: z.output<typeof SendMove>, move: unknown, at: Date): Promise<MoveFate> {
  const past = await findPlay(scope, person.id, { hold: true, attempt: sent.attempt })
  if (!past || sent.id === undefined || past.moves >= MAX_MOVES) return 'repeated'
  if (!await keepMove(scope, past, { ...sent, move, id: sent.id }, 'passed', past.milliseconds, at)) return 'repeated'
  await scope.query('UPDATE plays SET moves = moves + 1 WHERE id = $id', { id: past.id })
  return 'passed'
}

/** Keeps responses. One with the key of another takes its place; the verdict first given stays beside it. */
async function keepResponses(scope: Scope, play: OpenPlay, person: Person, responses: readonly Response[], moveNumber: number, madeAt: number | undefined, at: Date): Promise<void> {
  await scope.query(
    `INSERT INTO responses (play_id, entry_id, round, occasion, outcome, first_outcome, counts, given, detail, points, hints, milliseconds, place, participant_id, move_number, made_at, at)
     SELECT $playId, (r ->> 'entryId')::uuid, r ->> 'round', (r ->> 'occasion')::int, r ->> 'outcome', r ->> 'outcome', (r ->> 'counts')::boolean, r ->> 'given', r -> 'detail', (r ->> 'points')::int,
       (r ->> 'hints')::int, (r ->> 'milliseconds')::int, (r ->> 'place')::int, $participantId, $moveNumber, $madeAt, $at
     FROM jsonb_array_elements($responses::jsonb) WITH ORDINALITY AS a(r, n) ORDER BY n
     ON CONFLICT (play_id, entry_id, round, occasion) DO UPDATE SET outcome = excluded.outcome, counts = excluded.counts, given = excluded.given, detail = excluded.detail, points = excluded.points, hints = excluded.hints,
       milliseconds = excluded.milliseconds, move_number = excluded.move_number, made_at = excluded.made_at, at = excluded.at, withdrawn_at = NULL`,
    { playId: play.id, participantId: person.id, moveNumber, madeAt: madeAt === undefined ? null : new Date(madeAt), at, responses: JSON.stringify(responses) })
}

/** Counts a play's totals from the responses that hold. */
async function countPlay(scope: Scope, playId: string): Promise<void> {
  await scope.query(
    `UPDATE plays y SET "right" = r.right, points = r.points + y.bonus, second_right = r.second_right, second_total = r.second_total FROM (
       SELECT count(*) FILTER (WHERE outcome = 'right' AND counts) AS right, coalesce(sum(points) FILTER (WHERE counts), 0) AS points,
         count(*) FILTER (WHERE outcome = 'right' AND round = 'second') AS second_right, count(*) FILTER (WHERE round = 'second') AS second_total
       FROM responses WHERE play_id = $playId AND withdrawn_at IS NULL) r WHERE y.id = $playId`, { playId })
}

/** Starts another attempt, on the newest version of the game, once the last one is finished. */
export async function playAgain(scope: Scope, code: string, token: string | undefined, at = new Date()): Promise<PlayReply> {
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
