import type { CreateLive, SendCommand } from '@otter/api'
import { command, dueOf, openSession, wayOf, type LiveRules, type Session } from '@otter/core'
import { randomUUID } from 'node:crypto'
import type { z } from 'zod'
import type { Reader, Scope, TeacherScope } from '../db/scope.ts'
import { notFound, Problem } from '../problem.ts'
import { findDoor, PAUSED, type OpenOffer } from './doors.ts'
import { readClass } from './classes.ts'
import { createOffer, type Making } from './offers.ts'
import { reckonAgain } from './participantChanges.ts'
import type { MadeGame } from './puzzleCache.ts'
import { sessionAt } from './storedPlays.ts'
import { holdSession, liveRulesOf, SESSION_VERSION, settingOf } from './storedSession.ts'

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
export async function saveSession(scope: Scope, { offer, made, rules }: LiveNow, session: Session): Promise<boolean> {
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

/** Returns a moment as the database takes it. */
export function dateOf(moment: number | null): Date | null {
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
