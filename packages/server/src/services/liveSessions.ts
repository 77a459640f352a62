import type { CreateLive, SendCommand } from '@otter/api'
import {
  command,
  dueOf,
  noticeAbsence,
  noticeCount,
  openSession,
  wayOf,
  type LiveRules,
  type Session,
} from '@otter/core'
import { randomUUID } from 'node:crypto'
import type { z } from 'zod'
import { sessionCount } from '../db/queries/live.ts'
import { inScope, reading, type Reader, type Scope, type ScopeSource, type TeacherScope } from '../db/scope.ts'
import { notFound, Problem } from '../problem.ts'
import { findDoor, PAUSED, type OpenOffer } from './doors.ts'
import { readClass } from './classes.ts'
import { createOffer, type Making } from './offers.ts'
import { reckonAgain } from './participants.ts'
import type { MadeGame } from './puzzleCache.ts'
import { sessionAt } from './storedPlays.ts'
import { holdSession, liveRulesOf, SESSION_VERSION, settingOf } from './storedSession.ts'

/** A session that runs stands still, or goes on, without a host for so long; and ends, as one in the lobby does. */
const SHORT_ABSENCE = "interval '1 minute'"
const LONG_ABSENCE = "interval '3 hours'"
const LONG_IN_LOBBY = "interval '14 days'"

/** Says that a session is a class's; returns the names of those in it. Throws a Problem where it is not the teacher's. */
async function namesOfClass(scope: TeacherScope, offerId: string, classId: string): Promise<string[]> {
  const { roll } = await readClass(scope, classId)
  await scope.query('UPDATE offers SET class_id = $classId WHERE id = $offerId', { classId, offerId })
  return roll.filter(({ state }) => state === 'in').map(({ name }) => name)
}

/**
 * Opens a live session of a list as a game; returns the offer's id. A request that comes twice opens one. Throws a
 * Problem where the list can't become the game, or the game can't be played so.
 */
export async function createLive(
  making: Making,
  teacherId: string,
  listId: string,
  { live, roster: typed, classId, rules, ...wanted }: z.output<typeof CreateLive>,
  signal?: AbortSignal,
): Promise<string> {
  // All are asked the same: an order of one's own makes no sense there.
  const play = wayOf(live.way).inStep ? { ...rules, order: 'made' as const } : rules
  const offer = await createOffer(
    making,
    teacherId,
    listId,
    wanted,
    {
      rules: { type: 'live', play, live },
      opened: async (scope, offerId) => {
        const { made } = await readLive(scope, offerId)
        if (!wayOf(live.way).suits(settingOf(live, made).game))
          throw new Problem(400, 'not-in-step', { path: 'live.way' })
        const roster = classId === undefined ? typed : await namesOfClass(scope, offerId, classId)
        await scope.query(
          `INSERT INTO live_sessions (offer_id, state, version, phase, roster) VALUES ($offerId, $state::jsonb,
            ${SESSION_VERSION}, 'lobby', $roster::jsonb) ON CONFLICT (offer_id) DO NOTHING`,
          { offerId, state: JSON.stringify(openSession(live)), roster: JSON.stringify(roster) },
        )
        // In the lobby no clock runs.
        await scope.query('UPDATE offers SET paused_at = coalesce(paused_at, clock_timestamp()) WHERE id = $offerId', {
          offerId,
        })
        const names = live.teams.by === 'none' ? [] : live.teams.names
        for (const [position, name] of names.entries())
          await scope.query(
            `INSERT INTO teams (id, offer_id, position, name) VALUES ($id, $offerId, $position, $name)
              ON CONFLICT (offer_id, position) DO NOTHING`,
            { id: randomUUID(), offerId, position, name },
          )
      },
    },
    signal,
  )
  return offer.id
}

/** A live session with its offer, its game and how it stands now. */
export interface LiveNow {
  offer: OpenOffer
  made: MadeGame
  rules: LiveRules
  session: Session
}

/** Reads an offer of the teacher who acts, with its game. Throws a Problem where it is another's. */
async function readLive(scope: TeacherScope, offerId: string): Promise<{ offer: OpenOffer; made: MadeGame }> {
  const [owned] = await scope.query('SELECT 1 FROM offers WHERE id = $offerId AND teacher_id = $teacherId', {
    offerId,
    teacherId: scope.teacherId,
  })
  if (!owned) throw notFound()
  const { offer } = await findDoor(scope, { offerId, participantId: null })
  return { offer, made: await scope.puzzles.read(scope, offer.versionId, offer.correction) }
}

/** Returns a live session as it stands now. Throws a Problem where there is none of this teacher. */
export async function readSession(scope: TeacherScope, offerId: string): Promise<LiveNow> {
  return sessionOf(await readLive(scope, offerId))
}

/** Returns a live session as it stands now, whoever's it is. Throws a Problem where there is none. */
export async function lookAtSession(scope: Reader, offerId: string): Promise<LiveNow> {
  const { offer } = await findDoor(scope, { offerId, participantId: null })
  return sessionOf({ offer, made: await scope.puzzles.read(scope, offer.versionId, offer.correction) })
}

function sessionOf({ offer, made }: { offer: OpenOffer; made: MadeGame }): LiveNow {
  const session = sessionAt(offer, made, offer.now)
  const rules = liveRulesOf(offer.rules)
  if (!session || !rules) throw notFound()
  return { offer, made, rules, session }
}

/**
 * Does what a host wants, once: of two hosts who go on at the same time, one does. Throws a Problem where there is no
 * such session of this teacher.
 */
export async function sendCommand(
  scope: TeacherScope,
  offerId: string,
  { command: wanted, revision }: z.output<typeof SendCommand>,
): Promise<void> {
  await holdSession(scope, offerId)
  const now = sessionOf(await readLive(scope, offerId))
  const { offer, made, rules, session } = now
  const isStale = revision !== offer.live!.revision || session !== offer.live!.session
  // All other commands mean the same whatever the host has seen.
  const isOvertaken = isStale && (wanted.type === 'next' || wanted.type === 'pick')
  await saveSession(scope, now, isOvertaken ? session : command(session, wanted, settingOf(rules, made), offer.now))
}

/** Keeps how a session stands now, where that has changed. */
async function saveSession(scope: Scope, { offer, made, rules }: LiveNow, session: Session): Promise<boolean> {
  const before = offer.live!.session
  if (session === before) return false
  const due = dueOf(session, settingOf(rules, made))
  await scope.query(
    `UPDATE live_sessions SET state = $state::jsonb, revision = revision + 1, phase = $phase, due_at = $due::timestamptz,
      touched_at = clock_timestamp() WHERE offer_id = $offerId`,
    {
      offerId: offer.id,
      state: JSON.stringify(session),
      phase: session.phase,
      due: dateOf(due),
    },
  )
  if (session.phase !== before.phase) await turnClocks(scope, offer.id, session.phase)
  return true
}

function dateOf(moment: number | null): Date | null {
  return moment === null ? null : new Date(moment)
}

/** Lets the clocks of a session's plays run or stand still; what is over is ended in each of them. */
async function turnClocks(scope: Scope, offerId: string, phase: Session['phase']): Promise<void> {
  await scope.query(
    phase === 'paused' || phase === 'lobby'
      ? 'UPDATE offers SET paused_at = coalesce(paused_at, clock_timestamp()) WHERE id = $offerId'
      : `UPDATE offers o SET paused_ms = ${PAUSED}, paused_at = NULL, changed_at = clock_timestamp() WHERE id = $offerId`,
    { offerId },
  )
  if (phase === 'running') await reckonAgain(scope, offerId, null)
  if (phase === 'over')
    await scope.query(
      `UPDATE plays SET due_at = clock_timestamp() WHERE offer_id = $offerId AND ended_at IS NULL
        AND given_back_at IS NULL`,
      { offerId },
    )
}

/** Returns the session whose moment has passed longest; undefined where there is none. */
async function findDueSession({ query }: Pick<Scope, 'query'>): Promise<string | undefined> {
  const [due] = await query<{ offerId: string }>(
    `SELECT offer_id AS "offerId" FROM live_sessions WHERE due_at <= clock_timestamp() ORDER BY due_at LIMIT 1`,
  )
  return due?.offerId
}

/** Sees to a session whose moment has come. */
async function passSession(scope: Scope, offerId: string): Promise<void> {
  // Whoever answers in it is waited for; another server may have seen to it meanwhile.
  await holdSession(scope, offerId)
  const now = await lookAtSession(scope, offerId)
  if (!(await saveSession(scope, now, now.session)))
    // Nothing was to be done after all: it is looked at again when something is, and not at once.
    await scope.query(
      `UPDATE live_sessions SET due_at = CASE WHEN $due::timestamptz IS NOT NULL
        THEN greatest($due::timestamptz, clock_timestamp() + interval '100 milliseconds') END
        WHERE offer_id = $offerId`,
      { offerId, due: dateOf(dueOf(now.session, settingOf(now.rules, now.made))) },
    )
}

/** Ends a session whose end has come by what was done in it; returns whether it did. */
async function noticeProgress(scope: Scope, offerId: string): Promise<boolean> {
  const look = async (): Promise<{ now: LiveNow; next: Session } | undefined> => {
    const now = await lookAtSession(scope, offerId)
    const next = noticeCount(now.session, await sessionCount(scope, offerId), now.offer.now)
    return next === now.session ? undefined : { now, next }
  }
  if (!(await look())) return false
  await holdSession(scope, offerId)
  const held = await look()
  return held ? saveSession(scope, held.now, held.next) : false
}

interface Absence {
  offerId: string
  /** Whether it is so long that the session ends. */
  long: boolean
}

/** Returns sessions that no host has looked at for a while. */
async function findAbsences({ query }: Pick<Scope, 'query'>): Promise<Absence[]> {
  return query<Absence>(
    `SELECT s.offer_id AS "offerId", s.phase = 'lobby' OR greatest(s.host_at, s.touched_at, a.at)
       < clock_timestamp() - ${LONG_ABSENCE} AS long
     FROM live_sessions s JOIN offers o ON o.id = s.offer_id LEFT JOIN LATERAL (SELECT max(y.last_seen_at) AS at FROM plays y
       WHERE y.offer_id = s.offer_id) a ON true
     WHERE (s.phase = 'lobby' AND s.host_at < clock_timestamp() - ${LONG_IN_LOBBY})
       OR (s.phase = 'running' AND o.rules -> 'live' ->> 'hostAway' = 'pause'
         AND s.host_at < clock_timestamp() - ${SHORT_ABSENCE} AND s.touched_at < clock_timestamp() - ${SHORT_ABSENCE})
       OR (s.phase IN ('running', 'paused') AND s.host_at < clock_timestamp() - ${LONG_ABSENCE}
         AND s.touched_at < clock_timestamp() - ${LONG_ABSENCE}
         AND coalesce(a.at < clock_timestamp() - ${LONG_ABSENCE}, true))
     LIMIT 100`,
  )
}

/** Sees to a session that no host has looked at for a while; returns whether that changed it. */
async function passAbsence(scope: Scope, { offerId, long }: Absence): Promise<boolean> {
  await holdSession(scope, offerId)
  const now = await lookAtSession(scope, offerId)
  const next = noticeAbsence(now.session, long ? 'long' : 'short', settingOf(now.rules, now.made), now.offer.now)
  return saveSession(scope, now, next)
}

/** Returns how often each of some sessions has changed. */
export async function revisionsOf(
  scope: Reader,
  offerIds: readonly string[],
): Promise<{ offerId: string; revision: number }[]> {
  return scope.query(
    'SELECT offer_id AS "offerId", revision FROM live_sessions WHERE offer_id = ANY ($offerIds::uuid[])',
    { offerIds },
  )
}

/** Is told of each session that has changed, and why one could not be seen to. */
export interface SessionWatcher {
  onChange: (offerId: string) => void
  onFailure: (error: unknown) => void
}

/** Sees to all sessions whose moment has come. One that can't be read holds up no other: it is tried again in a minute. */
export async function passSessions(source: ScopeSource, watcher: SessionWatcher): Promise<void> {
  for (;;) {
    const offerId = await reading(source, null, findDueSession)
    if (offerId === undefined) return
    await seeTo(source, watcher, offerId, async (scope) => {
      await passSession(scope, offerId)
      return true
    })
  }
}

/** Sees to all sessions that end by what is done in them: whoever saw the last move may have been killed since. */
export async function passProgress(source: ScopeSource, watcher: SessionWatcher): Promise<void> {
  const going = await reading(source, null, ({ query }) =>
    query<{ offerId: string }>(
      `SELECT offer_id AS "offerId" FROM live_sessions WHERE phase = 'running'
        AND (state -> 'end' ->> 'points' IS NOT NULL OR (state -> 'end' ->> 'allDone')::boolean)`,
    ),
  )
  for (const { offerId } of going) await seeTo(source, watcher, offerId, (scope) => noticeProgress(scope, offerId))
}

/** Sees to all sessions that no host has looked at for a while. */
export async function passAbsences(source: ScopeSource, watcher: SessionWatcher): Promise<void> {
  for (const absence of await reading(source, null, findAbsences))
    await seeTo(source, watcher, absence.offerId, (scope) => passAbsence(scope, absence))
}

/** Sees to one session in a scope of its own; the work returns whether it has changed. */
async function seeTo(
  source: ScopeSource,
  { onChange, onFailure }: SessionWatcher,
  offerId: string,
  work: (scope: Scope<null>) => Promise<boolean>,
): Promise<void> {
  try {
    if (await inScope(source, { teacherId: null }, work)) onChange(offerId)
  } catch (error) {
    await reading(source, null, ({ query }) =>
      query(
        `UPDATE live_sessions SET due_at = clock_timestamp() + interval '1 minute' WHERE offer_id = $offerId
          AND due_at <= clock_timestamp()`,
        { offerId },
      ),
    )
    onFailure(error)
  }
}
