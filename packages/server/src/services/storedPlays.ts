import {
  clockAt,
  endOfAttempt,
  momentOf,
  passTime,
  PlayRules,
  randomFrom,
  sharedOf,
  upgradedPlay,
  type Beginning,
  type Correction,
  type Doing,
  type Outcome,
  type PlayClock,
  type PlayContext,
  type Response,
  type Session,
  type Shared,
} from '@otter/core'
import type { z } from 'zod'
import type { Reader } from '../db/scope.ts'
import { serverKnowledge } from '../dictionary/knowledge.ts'
import { findDoor, findingDoorWith, letIn, NOW, type Caller, type OpenOffer, type Person } from './doors.ts'
import type { MadeGame } from './puzzleCache.ts'
import { liveRulesOf, settingOf } from './storedSession.ts'

/** So much later than it says an attempt is ended: for what a slow connection brings, in milliseconds. */
export const GRACE = 3000

/** What a play started from, so that its moves lead to the same state again. */
export interface Origin {
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
  /** What all shared when it began. */
  shared?: Shared | null
  /** How many teams play it at one wall. */
  teams?: number
  /** How long its offer had been paused in all when it began, in milliseconds. */
  paused?: number
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
  /** How long its offer was paused in all by the last move; in milliseconds. */
  pausedBefore: number
  /** The database's clock, in milliseconds since 1970. */
  now: number
  ended: boolean
  /** How it stood before its time ran out with no word from its player; null once there was one. */
  beforeTimeUp: BeforeTimeUp | null
  /** How it stood when its session ended it; null where it did not. */
  atEnd: { state: unknown; rules: number } | null
  doing: (Doing & { last: Outcome[] }) | null
  /** How often it was judged anew after a correction. */
  corrected: number
  /** Time that the teacher has given back, in milliseconds. */
  given: number
}
type PlayRow = StoredPlay & { origin: Origin | null }

/** A play under way, with its game; its state is as today's rules have it, and as what all share has it. */
export interface OpenPlay extends StoredPlay {
  /** How long its offer was paused in all by now; in milliseconds. */
  paused: number
  made: MadeGame
  context: PlayContext
  /** What came of it by what all share since its last move: kept with the next one. */
  followed: Response[]
  /** What the teacher has said of its questions meanwhile. */
  corrections: readonly Correction[]
  /** When it is over, whatever is left, in milliseconds since 1970; null where it may take as long as it takes. */
  endsAt: number | null
}

const PLAY = `y.id, y.offer_id AS "offerId", y.participant_id AS "participantId", y.game_version_id AS "versionId",
  v.correction, y.rules, y.moves, y.corrected, y.state, y.origin, y.milliseconds,
  (extract(epoch FROM y.moved_at) * 1000)::float8 AS "movedAt", y.ended_at IS NOT NULL AS ended, y.doing,
  y.before_time_up AS "beforeTimeUp", y.at_end AS "atEnd", y.paused_ms::float8 AS "pausedBefore", y.given_ms AS given, ${NOW} AS now,
  (SELECT w.time_factor FROM participants q JOIN participants w ON w.id = coalesce(q.merged_into, q.id)
    WHERE q.id = y.participant_id) AS factor`
const OF_PLAYS = 'FROM plays y JOIN game_versions v ON v.id = y.game_version_id'
/** Participants who are one person: each is looked up by an index. */
const mine = (person: string): string => `ARRAY(SELECT id FROM participants WHERE id = ${person} UNION ALL
    SELECT id FROM participants WHERE merged_into = ${person})`
const playsOf = (person: string): string => `SELECT ${PLAY}, (SELECT count(*)::int FROM plays z
      WHERE z.participant_id = ANY (${mine(person)}) AND z.given_back_at IS NULL
      AND (z.started_at, z.id) <= (y.started_at, y.id)) AS attempt
  ${OF_PLAYS} WHERE y.participant_id = ANY (${mine(person)}) AND y.given_back_at IS NULL`
const LAST = 'ORDER BY y.started_at DESC, y.id DESC LIMIT 1'
const findDoorWithPlay = findingDoorWith<{ play: PlayRow | null }>(
  `(SELECT to_jsonb(f) FROM (${playsOf('p.id')} ${LAST}) f) AS play`,
  ['play'],
)

/** Returns whose door it is and the play last begun there, read at once. Throws a Problem where nobody may play. */
export async function enterWithPlay(
  scope: Reader,
  caller: Caller,
): Promise<{ offer: OpenOffer; person: Person; play: OpenPlay | undefined }> {
  const found = await findDoorWithPlay(scope, caller)
  const { play } = found.more
  return { ...letIn(found), play: play ? await opened(scope, found.offer, play) : undefined }
}

/** Returns a person's play: the one last begun, or the one of a number. */
export async function findPlay(
  scope: Reader,
  offer: OpenOffer,
  personId: string,
  { attempt }: { attempt?: number } = {},
): Promise<OpenPlay | undefined> {
  const order = attempt === undefined ? LAST : 'ORDER BY y.started_at, y.id LIMIT 1 OFFSET $attempt::integer - 1'
  const [play] = await scope.query<PlayRow>(`${playsOf('$personId')} ${order}`, { personId, attempt })
  return play && opened(scope, offer, play)
}

/** Returns the plays last begun of many in one offer, by the participants whose persons they are. */
export async function findPlays(
  scope: Reader,
  offer: OpenOffer,
  personIds: readonly string[],
): Promise<Map<string, OpenPlay>> {
  const plays = await scope.query<PlayRow & { personId: string }>(
    `SELECT DISTINCT ON (person.id) person.id AS "personId", ${PLAY}, (count(*) OVER (PARTITION BY person.id))::int AS attempt
     ${OF_PLAYS} JOIN participants owner ON owner.id = y.participant_id
       JOIN participants person ON person.id = coalesce(owner.merged_into, owner.id)
     WHERE y.offer_id = $offerId AND person.id = ANY ($personIds::uuid[]) AND y.given_back_at IS NULL
     ORDER BY person.id, y.started_at DESC, y.id DESC`,
    { offerId: offer.id, personIds },
  )
  const opening = plays.map(async (play) => [play.personId, await opened(scope, offer, play)] as const)
  return new Map(await Promise.all(opening))
}

/** Returns a person's plays in which answers came too late and are not counted. */
export async function findLatePlays(scope: Reader, offer: OpenOffer, personId: string): Promise<OpenPlay[]> {
  const plays = await scope.query<PlayRow>(
    `${playsOf('$personId')} AND y.offer_id = $offerId
      AND EXISTS (SELECT 1 FROM moves w WHERE w.play_id = y.id AND w.fate = 'late') ORDER BY y.started_at, y.id`,
    { personId, offerId: offer.id },
  )
  return Promise.all(plays.map((play) => opened(scope, offer, play)))
}

/** A play whose time has passed, held for a change, and how to open it. Opening throws where it can't be read. */
interface DuePlay extends Pick<StoredPlay, 'offerId' | 'participantId'> {
  id: string
  open: () => Promise<OpenPlay>
}

/**
 * Returns the play whose time has passed longest; undefined where there is none. What another server holds is passed
 * over.
 */
export async function findDuePlay(scope: Reader): Promise<DuePlay | undefined> {
  const [play] = await scope.query<PlayRow>(
    `SELECT ${PLAY}, 0 AS attempt ${OF_PLAYS} JOIN offers o ON o.id = y.offer_id WHERE y.due_at <= clock_timestamp()
      AND o.paused_at IS NULL ORDER BY y.due_at LIMIT 1 FOR UPDATE OF y SKIP LOCKED`,
  )
  return (
    play && {
      id: play.id,
      offerId: play.offerId,
      participantId: play.participantId,
      open: async () =>
        opened(scope, (await findDoor(scope, { offerId: play.offerId, participantId: null })).offer, play),
    }
  )
}

async function opened(scope: Reader, offer: OpenOffer, { origin, ...play }: PlayRow): Promise<OpenPlay> {
  const made = await scope.puzzles.read(scope, play.versionId, play.correction)
  const { game, puzzle } = made
  const now = scope.moment ?? play.now
  const context: PlayContext = {
    seat: origin?.seat ?? 1,
    rules: PlayRules.parse(origin?.play ?? {}),
    shared: sharedBy(offer, made, now),
    knowledge: serverKnowledge,
    ...(origin?.teams !== undefined && { teams: origin.teams }),
  }
  const open: OpenPlay = {
    ...play,
    now,
    paused: offer.paused,
    corrections: offer.corrections,
    endsAt: laterBy(endOf(offer, play.factor, origin), play.given),
    made,
    context,
    rules: game.version,
    beforeTimeUp: play.beforeTimeUp && {
      ...play.beforeTimeUp,
      rules: game.version,
      state: upgradedPlay(game, play.beforeTimeUp.state, play.beforeTimeUp.rules, puzzle),
    },
    atEnd: play.atEnd && { rules: game.version, state: upgradedPlay(game, play.atEnd.state, play.atEnd.rules, puzzle) },
    state: upgradedPlay(game, play.state, play.rules, puzzle),
    followed: [],
  }
  if (!game.inStep || !context.shared?.inStep) return open
  const turn = { ...context, clock: clockAt(clockOf(open), now, null), now }
  const { play: state, responses } = game.inStep.follow(puzzle, open.state, turn)
  return { ...open, state, followed: responses }
}

/** Returns when an attempt is over, by the rules of set work. */
export function endOf(
  { rules, paused }: OpenOffer,
  factor: number,
  origin: Pick<Origin, 'now' | 'paused'> | null,
): number | null {
  if (rules.type !== 'link' || origin === null) return null
  return endOfAttempt(rules.work, { begunAt: origin.now, factor, paused: paused - (origin.paused ?? paused) })
}

function laterBy(end: number | null, given: number): number | null {
  return end === null ? null : end + given
}

/** Returns how an offer's session stands at a moment, whether or not a server has seen what is due by then. */
export function sessionAt({ live, rules }: OpenOffer, made: MadeGame, now: number): Session | null {
  const liveRules = liveRulesOf(rules)
  return live && liveRules ? passTime(live.session, settingOf(liveRules, made), now) : null
}

/** Returns what all who play a version share; null where each plays alone. */
export function sharedBy(offer: OpenOffer, made: MadeGame, now: number): Shared | null {
  const calls = offer.versionId === made.versionId ? offer.calls : null
  const session = sessionAt(offer, made, now)
  if (session) return sharedOf(session, liveRulesOf(offer.rules)!, calls)
  return calls === null ? null : { phase: 'open', calls }
}

/** Returns what a play began with, so that its moves lead to the same state again. */
export async function beginningOf(scope: Reader, { id, context }: OpenPlay): Promise<Beginning> {
  const [row] = await scope.query<{ origin: Origin }>('SELECT origin FROM plays WHERE id = $id', { id })
  const { random, now, memory } = row!.origin
  return { ...context, random: randomFrom(random), now, memory }
}

/** Returns how a play's clock runs. */
export function clockOf({ milliseconds, movedAt, factor, paused, pausedBefore }: OpenPlay): PlayClock {
  return { clock: milliseconds, movedAt, factor, paused: paused - pausedBefore }
}

/** Returns the moment at which what stands in a play is over; null where it has all the time. */
export function dueMoment(play: OpenPlay): Date | null {
  const { game, puzzle } = play.made
  if (play.ended) return null
  const deadline = game.timed?.deadline(puzzle, play.state, play.context) ?? null
  const moments = [
    ...(deadline === null ? [] : [momentOf(clockOf(play), deadline)]),
    // An answer that was given in time is still on its way.
    ...(play.endsAt === null ? [] : [play.endsAt + GRACE]),
  ]
  return moments.length === 0 ? null : new Date(Math.ceil(Math.min(...moments)))
}
