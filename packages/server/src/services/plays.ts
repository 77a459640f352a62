import { randomUUID } from 'node:crypto'
import type { JoinOffer, MoveFate, PlayReply } from '@otter/api'
import {
  clockAt,
  momentOf,
  PlayRules,
  randomFrom,
  upgradedPlay,
  type Doing,
  type Outcome,
  type PlayClock,
  type PlayContext,
  type Shared,
} from '@otter/core'
import { isUnkindName } from '@otter/core/names'
import type { z } from 'zod'
import { Problem } from '../problem.ts'
import type { Scope } from '../db/scope.ts'
import { serverKnowledge } from '../dictionary/knowledge.ts'
import { addParticipant, findDoor, NOW, PAUSED, type OpenOffer, type Person } from './participants.ts'
import type { MadeGame } from './puzzleCache.ts'
import { questionSet } from './questionSets.ts'

/** Most attempts of one person in an offer. */
const MAX_ATTEMPTS = 200

/** What a play started from, so that its moves lead to the same state again. */
interface Origin {
  random: string
  seat: number
  /** Milliseconds since 1970. */
  now: number
  memory?: unknown
  /** Version of the game's rules. */
  rules: number
  /** What the offer said of how to play. */
  play?: z.input<typeof PlayRules>
  /** Version of what was known beside the list. */
  knowledge?: string
}

/** How a play stood before its time ran out; as the play itself has it. */
export interface BeforeTimeUp extends Pick<PlayClock, 'movedAt'> {
  state: unknown
  rules: number
  milliseconds: number
  pausedBefore: number
}

/** A play as it is stored. */
interface StoredPlay {
  id: string
  offerId: string
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
  /** By how much longer its player may take. */
  factor: number
  /** How long its offer was paused in all by the last move, and by now; in milliseconds. */
  pausedBefore: number
  paused: number
  /** The database's clock, in milliseconds since 1970. */
  now: number
  ended: boolean
  /** How it stood before its time ran out with no word from its player; null once there was one. */
  beforeTimeUp: BeforeTimeUp | null
  /** How many terms were called for all who play this version; null where nobody calls. */
  calls: number | null
  doing: (Doing & { last: Outcome[] }) | null
}

/** A play under way, with its game; its state is as today's rules have it. */
export interface OpenPlay extends StoredPlay {
  made: MadeGame
  context: PlayContext
}

const PLAY = `y.id, y.offer_id AS "offerId", y.participant_id AS "participantId", y.game_version_id AS "versionId",
  v.correction, y.rules, y.moves, y.state, y.origin, y.milliseconds,
  (extract(epoch FROM y.moved_at) * 1000)::float8 AS "movedAt", y.ended_at IS NOT NULL AS ended, y.doing,
  y.before_time_up AS "beforeTimeUp",
  (SELECT m.calls FROM offer_games m WHERE m.offer_id = y.offer_id AND m.position = 0
    AND m.game_version_id = y.game_version_id) AS calls,
  y.paused_ms::float8 AS "pausedBefore", ${PAUSED} AS paused, ${NOW} AS now,
  (SELECT w.time_factor FROM participants q JOIN participants w ON w.id = coalesce(q.merged_into, q.id)
    WHERE q.id = y.participant_id) AS factor`
const OF_PLAYS = 'FROM plays y JOIN game_versions v ON v.id = y.game_version_id JOIN offers o ON o.id = y.offer_id'
const OF_PERSON = `y.participant_id IN (SELECT id FROM participants WHERE id = $personId OR merged_into = $personId)
    AND y.given_back_at IS NULL`
const ATTEMPT = `(SELECT count(*)::int FROM plays z JOIN participants q ON q.id = z.participant_id
    WHERE coalesce(q.merged_into, q.id) = $personId AND z.given_back_at IS NULL AND (z.started_at,
      z.id) <= (y.started_at, y.id))`

/** Returns a person's play: the one last begun, or the one of a number; held for a change where it is said. */
export async function findPlay(
  scope: Scope,
  personId: string,
  { hold = false, attempt }: { hold?: boolean; attempt?: number } = {},
): Promise<OpenPlay | undefined> {
  const order =
    attempt === undefined
      ? 'ORDER BY y.started_at DESC, y.id DESC LIMIT 1'
      : 'ORDER BY y.started_at, y.id LIMIT 1 OFFSET $attempt::integer - 1'
  const [play] = await scope.query<StoredPlay & { origin: Origin | null }>(
    `SELECT ${PLAY}, ${ATTEMPT} AS attempt ${OF_PLAYS} WHERE ${OF_PERSON} ${order} ${hold ? 'FOR UPDATE OF y' : ''}`,
    { personId, attempt },
  )
  return play && opened(scope, play)
}

/** A play whose time has passed, held for a change, and how to open it. Opening throws where it can't be read. */
interface DuePlay {
  id: string
  open: () => Promise<OpenPlay>
}

/**
 * Returns the play whose time has passed longest; undefined where there is none. What another server holds is passed
 * over.
 */
export async function findDuePlay(scope: Scope): Promise<DuePlay | undefined> {
  const [play] = await scope.query<StoredPlay & { origin: Origin | null }>(
    `SELECT ${PLAY}, 0 AS attempt ${OF_PLAYS} WHERE y.due_at <= clock_timestamp() AND o.paused_at IS NULL
      ORDER BY y.due_at LIMIT 1 FOR UPDATE OF y SKIP LOCKED`,
  )
  return play && { id: play.id, open: () => opened(scope, play) }
}

async function opened(scope: Scope, { origin, ...play }: StoredPlay & { origin: Origin | null }): Promise<OpenPlay> {
  const made = await scope.puzzles.read(scope, play.versionId, play.correction)
  return {
    ...play,
    now: scope.moment ?? play.now,
    made,
    context: {
      seat: origin?.seat ?? 1,
      rules: PlayRules.parse(origin?.play ?? {}),
      shared: sharedOf(play.calls),
      knowledge: serverKnowledge,
    },
    rules: made.game.version,
    beforeTimeUp: play.beforeTimeUp && {
      ...play.beforeTimeUp,
      rules: made.game.version,
      state: upgradedPlay(made.game, play.beforeTimeUp.state, play.beforeTimeUp.rules, made.puzzle),
    },
    state: upgradedPlay(made.game, play.state, play.rules, made.puzzle),
  }
}

function sharedOf(calls: number | null): Shared | null {
  return calls === null ? null : { phase: 'open', calls }
}

/** Returns how a play's clock runs. */
export function clockOf({ milliseconds, movedAt, factor, paused, pausedBefore }: OpenPlay): PlayClock {
  return { clock: milliseconds, movedAt, factor, paused: paused - pausedBefore }
}

/** Returns the moment at which what stands in a play is over; null where it has all the time. */
export function dueMoment(play: OpenPlay): Date | null {
  const { game, puzzle } = play.made
  const deadline = play.ended ? null : (game.timed?.deadline(puzzle, play.state, play.context) ?? null)
  return deadline === null ? null : new Date(Math.ceil(momentOf(clockOf(play), deadline)))
}

/** Begins a person's next attempt, on the version of the game that the offer has now. */
async function startPlay(
  scope: Scope,
  offer: OpenOffer,
  person: Person,
  before: OpenPlay | undefined,
): Promise<OpenPlay> {
  const made = await scope.puzzles.read(scope, offer.versionId, offer.correction)
  const { game, kind, puzzle } = made
  const attempt = (before?.attempt ?? 0) + 1
  const memory = before?.made.kind === kind ? before.made.game.memory?.(before.state) : undefined
  const context: PlayContext = {
    seat: person.seat,
    rules: offer.rules.play,
    shared: sharedOf(offer.calls),
    knowledge: serverKnowledge,
  }
  const origin: Origin = {
    random: `${person.id} ${attempt}`,
    seat: person.seat,
    now: offer.now,
    memory,
    rules: game.version,
    play: context.rules,
    knowledge: serverKnowledge.version,
  }
  const state = game.start(puzzle, { ...context, random: randomFrom(origin.random), now: offer.now, memory })
  const play: OpenPlay = {
    id: randomUUID(),
    offerId: offer.id,
    participantId: person.participantId,
    attempt,
    versionId: made.versionId,
    correction: offer.correction,
    rules: game.version,
    moves: 0,
    state,
    milliseconds: 0,
    movedAt: offer.now,
    factor: person.factor,
    pausedBefore: offer.paused,
    paused: offer.paused,
    now: offer.now,
    ended: false,
    beforeTimeUp: null,
    calls: offer.calls,
    doing: { ...game.doing(puzzle, state), last: [] },
    made,
    context,
  }
  const { setId, total } = await questionSet(scope, made, state)
  await scope.query(
    `INSERT INTO plays (id, offer_id, participant_id, game_version_id, question_set_id, rules, origin, state, total,
      started_at, moved_at, last_seen_at, paused_ms, due_at, doing)
     VALUES ($id, $offerId, $participantId, $versionId, $setId, $rules, $origin::jsonb, $state::jsonb, $total, $at,
       $at, $at, $paused, $dueAt, $doing::jsonb)`,
    {
      id: play.id,
      offerId: offer.id,
      participantId: person.participantId,
      versionId: made.versionId,
      setId,
      rules: game.version,
      origin: JSON.stringify(origin),
      state: JSON.stringify(state),
      total,
      at: new Date(offer.now),
      paused: Math.round(offer.paused),
      dueAt: dueMoment(play),
      doing: JSON.stringify(play.doing),
    },
  )
  return play
}

/** Returns what a device is told of an offer, of who plays there, and of the play. */
export async function reply(
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
    player: person ? { name: person.name, waits: person.waits } : null,
    ...(play ? await played(scope, offer, play) : { opinions: [], play: null }),
  }
}

async function played(scope: Scope, offer: OpenOffer, play: OpenPlay): Promise<Pick<PlayReply, 'opinions' | 'play'>> {
  const { state, attempt, moves, context } = play
  const { game, puzzle } = play.made
  // Who is shown how it stands, and the answer with it, can't answer any more as if the time had not run out.
  if (play.beforeTimeUp) await scope.query('UPDATE plays SET before_time_up = NULL WHERE id = $id', { id: play.id })
  const asked = game.opinions?.(puzzle, state) ?? []
  const score = game.score(puzzle, state)
  return {
    opinions: asked.length > 0 ? await opinionsOf(scope, offer.id, asked) : [],
    play: {
      attempt,
      moves,
      moment: game.moment?.(puzzle, state) ?? null,
      left: timeLeft(play),
      view: game.view(puzzle, state, { ...context, audience: 'player' }),
      missed: score.finished ? await missedIn(scope, play) : null,
      score,
    },
  }
}

/** Returns the answers of what a play asked, counts and was not right, each once. */
async function missedIn(scope: Scope, { id, state, made: { game, puzzle } }: OpenPlay): Promise<string[]> {
  const right = await scope.query<{ entryId: string }>(
    `SELECT DISTINCT entry_id AS "entryId" FROM responses WHERE play_id = $id AND counts AND outcome = 'right'
      AND withdrawn_at IS NULL`,
    { id },
  )
  const known = new Set(right.map(({ entryId }) => entryId))
  const missed = game.questions(puzzle, state).filter(({ entryId, counts }) => counts && !known.has(entryId))
  return [...new Set(missed.map(({ text }) => text).filter((text) => text !== ''))]
}

/** Returns the milliseconds until what stands in a play is over, as its player is told; null where it has all the time. */
function timeLeft(play: OpenPlay): number | null {
  const { game, puzzle } = play.made
  const deadline = play.ended ? null : (game.timed?.deadline(puzzle, play.state, play.context) ?? null)
  if (!game.timed || deadline === null) return null
  const left = deadline - game.timed.grace - clockAt(clockOf(play), play.now, deadline)
  return Math.max(0, Math.round(left * play.factor))
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
export async function openPlay(scope: Scope, code: string, token: string | undefined): Promise<PlayReply> {
  const { offer, person } = await findDoor(scope, code, token)
  if (!person) return reply(scope, offer, undefined, undefined)
  if (person.removed) throw new Problem(403, 'taken-out')
  if (person.waits) return reply(scope, offer, person, undefined)
  const play = await findPlay(scope, person.id)
  // An attempt that was given back is begun anew.
  if (!play && offer.open) return again(scope, offer, person)
  if (play)
    await scope.query('UPDATE plays SET last_seen_at = greatest(last_seen_at, clock_timestamp()) WHERE id = $id', {
      id: play.id,
    })
  return reply(scope, offer, person, play)
}

/** Adds a student to an offer and starts the first attempt; returns the token that its device keeps. */
export async function joinOffer(
  scope: Scope,
  code: string,
  { name, same, requestId }: z.output<typeof JoinOffer>,
  browser?: string,
): Promise<{ token: string; reply: PlayReply }> {
  const { offer } = await findDoor(scope, code, undefined)
  if (!offer.open) throw new Problem(403, 'link-closed')
  const { language } = await scope.puzzles.read(scope, offer.versionId, offer.correction)
  if (isUnkindName(name, language)) throw new Problem(400, 'unkind-name', { path: 'name' })
  const { person, token } = await addParticipant(scope, offer.id, { name, same, requestId }, browser)
  if (person.waits) return { token, reply: await reply(scope, offer, person, undefined) }
  return { token, reply: await again(scope, offer, person, { goesOn: true }) }
}

/**
 * Returns whose token it is, in an offer that is open. Throws a Problem where the offer is closed or the person may not
 * play.
 */
export async function enter(
  scope: Scope,
  code: string,
  token: string | undefined,
): Promise<{ offer: OpenOffer; person: Person }> {
  const { offer, person } = await findDoor(scope, code, token)
  if (!person) throw new Problem(401, 'who-are-you')
  if (person.removed) throw new Problem(403, 'taken-out')
  if (person.waits) throw new Problem(403, 'waits')
  if (!offer.open) throw new Problem(403, 'link-closed')
  return { offer, person }
}

/** Notes that a student has the page open. */
export async function stayHere(scope: Scope, code: string, token: string | undefined): Promise<void> {
  const { person } = await findDoor(scope, code, token)
  if (!person) throw new Problem(401, 'who-are-you')
  await scope.query('UPDATE participants SET here_at = clock_timestamp() WHERE id = $id', { id: person.participantId })
}

/** Starts another attempt, on the newest version of the game, once the last one is finished. */
export async function playAgain(scope: Scope, code: string, token: string | undefined): Promise<PlayReply> {
  const { offer, person } = await enter(scope, code, token)
  return again(scope, offer, person)
}

/** Returns the play under way; begins the next attempt where there is none, or, where it only goes on, the first. */
async function again(
  scope: Scope,
  offer: OpenOffer,
  person: Person,
  { goesOn = false }: { goesOn?: boolean } = {},
): Promise<PlayReply> {
  // Two requests at once would both find the last attempt finished: one waits for the other here.
  await scope.query('SELECT 1 FROM participants WHERE id = $id FOR UPDATE', { id: person.id })
  const play = await findPlay(scope, person.id)
  if (play && (goesOn || !play.ended)) return reply(scope, offer, person, play)
  if (play && play.attempt >= MAX_ATTEMPTS) throw new Problem(403, 'link-full')
  return reply(scope, offer, person, await startPlay(scope, offer, person, play))
}
