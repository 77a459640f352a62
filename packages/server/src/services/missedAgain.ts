import { randomInt } from 'node:crypto'
import { CreateLive, OfferRules, type LiveAgain } from '@otter/api'
import { wayOf, type GameKind } from '@otter/core'
import type { z } from 'zod'
import { inScope, type TeacherScope } from '../db/scope.ts'
import { notFound, Problem } from '../problem.ts'
import { duplicateList } from './lists.ts'
import { createLive } from './liveSessions.ts'
import type { Making } from './offers.ts'

/** A game needs so many entries to draw wrong choices from: fewer that were missed are filled up with the least known. */
const LEAST = 4

/**
 * Opens a session of what a class missed in another one, played the same way: of a new list with these entries. Returns
 * the new offer's id. Throws a Problem where nothing was missed, or the list is gone.
 */
export async function playMissed(
  making: Making,
  teacherId: string,
  offerId: string,
  { title, requestId }: z.output<typeof LiveAgain>,
  signal?: AbortSignal,
): Promise<string> {
  const planned = await inScope(making, { teacherId }, async (scope) => {
    // A request that comes twice makes one list.
    const [known] = await scope.query<{ id: string }>(
      'SELECT id FROM offers WHERE teacher_id = $teacherId AND request_id = $requestId',
      { teacherId, requestId },
    )
    return known ? { offerId: known.id } : planAgain(scope, offerId, title)
  })
  if ('offerId' in planned) return planned.offerId
  const { listId, kind, options, rules } = planned
  const wanted = CreateLive.parse({
    kind,
    options: { ...options, take: 'all' },
    seed: String(randomInt(1_000_000)),
    requestId,
    rules: rules.play,
    live: rules.type === 'live' ? rules.live : undefined,
  })
  return createLive(making, teacherId, listId, wanted, signal)
}

async function planAgain(
  scope: TeacherScope,
  offerId: string,
  title: string,
): Promise<{ listId: string; kind: GameKind; options: object; rules: OfferRules }> {
  const [offer] = await scope.query<{ listId: string | null; kind: GameKind; options: object; rules: unknown }>(
    `SELECT g.list_id AS "listId", g.kind, v.options, o.rules FROM offers o JOIN offer_games m ON m.offer_id = o.id
       AND m.position = 0 JOIN game_versions v ON v.id = m.game_version_id JOIN games g ON g.id = v.game_id
     WHERE o.id = $offerId AND o.teacher_id = $teacherId`,
    { offerId, teacherId: scope.teacherId },
  )
  if (!offer) throw notFound()
  if (offer.listId === null) throw new Problem(409, 'list-gone')
  const rules = OfferRules.parse(offer.rules)
  // What all are asked at once can end before everything was: what was not asked is not missed.
  const isInStep = rules.type === 'wall' || (rules.type === 'live' && wayOf(rules.live.way).inStep)
  const isWall = rules.type === 'wall'
  const entries = await scope.query<{ entryId: string; missed: number }>(
    `WITH mine AS (SELECT id, question_set_id FROM plays WHERE offer_id = $offerId AND given_back_at IS NULL AND begun)
     SELECT e.id AS "entryId", k.asked - k."right" AS missed
     FROM entries e CROSS JOIN LATERAL (
       SELECT count(*) FILTER (WHERE f.outcome IS NOT NULL OR NOT $isInStep)::int AS asked,
         count(*) FILTER (WHERE f.outcome = 'right')::int AS "right"
       FROM mine y JOIN questions q ON q.set_id = y.question_set_id AND q.entry_id = e.id AND q.counts
         LEFT JOIN LATERAL (SELECT r.outcome FROM responses r WHERE r.play_id = y.id AND r.entry_id = e.id
           AND r.round = 'first' AND r.withdrawn_at IS NULL 
           -- What one team missed is missed, whichever other knew it.
           ORDER BY $isWall AND r.outcome = 'right', r.occasion LIMIT 1) f ON true) k
     WHERE e.list_id = $listId
     ORDER BY coalesce(k."right"::float8 / nullif(k.asked, 0), 1), e.position`,
    { offerId, listId: offer.listId, isInStep, isWall },
  )
  const missed = entries.filter((entry) => entry.missed > 0)
  if (missed.length === 0) throw new Problem(409, 'nothing-missed')
  const taken = missed.length >= LEAST ? missed : entries.slice(0, LEAST)
  const { id } = await duplicateList(scope, offer.listId, { title, entryIds: taken.map(({ entryId }) => entryId) })
  return { ...offer, listId: id, rules }
}
