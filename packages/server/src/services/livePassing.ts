import { dueOf, noticeAbsence, noticeCount, type Session } from '@otter/core'
import { sessionCount } from '../db/queries/live.ts'
import { inScope, reading, type Scope, type ScopeSource } from '../db/scope.ts'
import { holdSession, settingOf } from './storedSession.ts'
import { type LiveNow, lookAtSession, saveSession, dateOf } from './liveSessions.ts'

/** A session that runs stands still, or goes on, without a host for so long; and ends, as one in the lobby does. */
const SHORT_ABSENCE = "interval '1 minute'"
const LONG_ABSENCE = "interval '3 hours'"
const LONG_IN_LOBBY = "interval '14 days'"

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
