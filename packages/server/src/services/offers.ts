import { randomInt, randomUUID } from 'node:crypto'
import { Board, type ChangeOffer, type CreateOffer, type OfferReply, type OfferRules } from '@otter/api'
import { gameOf } from '@otter/core'
import type { z } from 'zod'
import { inScope, type ScopeSource, type TeacherScope } from '../db/scope.ts'
import { notFound } from '../problem.ts'
import type { Workers } from '../workers/pool.ts'
import { draftGame, findVersion, holdVersion, keepVersion, type GameDraft } from './games.ts'
import { readVersion } from './lists.ts'
import { PAUSED } from './doors.ts'
import { reckonAgain } from './participantChanges.ts'

/** No vowels, so that no code is a word; none that look alike. */
export const CODE_LETTERS = 'BCDFGHJKMNPQRTVWXZ346789'

const CODE_LENGTH = 6

const OFFERS = `SELECT o.id, g.list_id AS "listId", o.name, v.title, g.kind, o.code, o.open, o.archived_at IS NOT NULL AS archived, v.seed, v.options,
  o.created_at AS "createdAt", (SELECT count(*)::int FROM participants p WHERE p.offer_id = o.id
  AND p.removed_at IS NULL AND p.merged_into IS NULL AND NOT p.is_board) AS players, coalesce(v.list_version < l.version,
  false) AS outdated, s.phase AS live,
  (o.rules ->> 'teams')::int AS teams, (SELECT name FROM classes WHERE id = o.class_id) AS "className",
  o.class_id AS "classId",
  o.due_at AS "dueAt", o.frames, o.rules -> 'board' AS board
  FROM offers o LEFT JOIN live_sessions s ON s.offer_id = o.id JOIN offer_games m ON m.offer_id = o.id AND m.position = 0 JOIN game_versions v
    ON v.id = m.game_version_id JOIN games g ON g.id = v.game_id LEFT JOIN lists l ON l.id = g.list_id
  WHERE o.teacher_id = $teacherId`

const NEWEST = 'ORDER BY o.created_at DESC, o.id'

/** Most offers that a screen shows. */
const MOST_SHOWN = 200

/** What it takes to make a puzzle between two scopes: no connection is held meanwhile. */
export interface Making extends ScopeSource {
  workers: Workers
}

/**
 * Returns the offers of a teacher, the newest first; those of one list where it is named. Throws a Problem where the
 * list is another's.
 *
 * @param most how many at most; null for all
 */
export async function readOffers(
  scope: TeacherScope,
  listId?: string,
  most: number | null = MOST_SHOWN,
): Promise<OfferReply[]> {
  if (listId !== undefined) await readVersion(scope, listId)
  const stored = await scope.query<StoredOffer>(
    `${OFFERS} AND o.practised_by IS NULL AND ($listId::uuid IS NULL OR g.list_id = $listId) ${NEWEST} LIMIT $most`,
    { teacherId: scope.teacherId, listId: listId ?? null, most },
  )
  return stored.map(replyOf)
}

type StoredOffer = Omit<OfferReply, 'led' | 'options' | 'board'> & { options: unknown; board: unknown }

function replyOf({ options: stored, board, ...offer }: StoredOffer): OfferReply {
  const game = gameOf(offer.kind)
  const chosen = game.options.safeParse(stored)
  const options = chosen.success ? { ...chosen.data } : {}
  return {
    ...offer,
    board: Board.nullish().parse(board) ?? null,
    options,
    led: chosen.success && (game.isLed?.(chosen.data) ?? false),
  }
}

/** Returns one of a teacher's offers. Throws a Problem where it is another's. */
export async function readOffer(scope: TeacherScope, offerId: string): Promise<OfferReply> {
  const [offer] = await scope.query<StoredOffer>(`${OFFERS} AND o.id = $offerId`, {
    teacherId: scope.teacherId,
    offerId,
  })
  if (!offer) throw notFound()
  return replyOf(offer)
}

/** How an offer is played, and what else is kept where it is opened. */
interface Opening {
  rules: OfferRules
  opened?: (scope: TeacherScope, offerId: string) => Promise<void>
}

/**
 * Shares a list with students as a game, under a new code; a request that comes twice makes one offer. Throws a Problem
 * where the list can't become the game.
 */
export async function createOffer(
  making: Making,
  teacherId: string,
  listId: string,
  { kind, options, seed, name, requestId }: Omit<z.output<typeof CreateOffer>, 'rules'>,
  { rules, opened }: Opening,
  signal?: AbortSignal,
): Promise<OfferReply> {
  const begun = await inScope(making, { teacherId, snapshot: true }, async (scope) => {
    const known = requestId === undefined ? undefined : await findRequest(scope, requestId)
    if (known) return { offer: await readOffer(scope, known) }
    const draft = await draftGame(scope, listId, kind, options, seed)
    return { draft, version: await findVersion(scope, draft) }
  })
  if (begun.offer) return begun.offer
  const open = async (scope: TeacherScope, version: string): Promise<OfferReply> => {
    const offerId = await openOffer(scope, version, { name, requestId, rules })
    await opened?.(scope, offerId)
    return readOffer(scope, offerId)
  }
  const { draft, version } = begun
  if (version !== undefined) {
    // The last link of a version may be deleted in this moment, and the version with it: then it is made again.
    const reopened = await inScope(making, { teacherId }, async (scope) =>
      (await holdVersion(scope, version)) ? open(scope, version) : undefined,
    )
    if (reopened) return reopened
  }
  const puzzle = await makePuzzle(making.workers, teacherId, draft, signal)
  return inScope(making, { teacherId }, async (scope) => open(scope, await keepVersion(scope, draft, puzzle)))
}

/** Makes the puzzle of a draft; a signal stops it, and is thrown. */
export function makePuzzle(
  workers: Workers,
  teacherId: string,
  { kind, list, options, seed }: GameDraft,
  signal?: AbortSignal,
): Promise<unknown> {
  return workers.make({ kind, list, options, seed }, teacherId, signal)
}

async function findRequest(scope: TeacherScope, requestId: string): Promise<string | undefined> {
  const [known] = await scope.query<{ id: string }>(
    'SELECT id FROM offers WHERE teacher_id = $teacherId AND request_id = $requestId',
    { teacherId: scope.teacherId, requestId },
  )
  return known?.id
}

/** Opens a version of a game to students; returns the offer's id. The same request gives the same offer. */
export async function openOffer(
  scope: TeacherScope,
  versionId: string,
  { name, requestId, rules }: { name: string; requestId?: string; rules: OfferRules },
): Promise<string> {
  for (;;) {
    const code = Array.from({ length: CODE_LENGTH }, () => CODE_LETTERS[randomInt(CODE_LETTERS.length)]).join('')
    const [offer] = await scope.query<{ id: string }>(
      `INSERT INTO offers (id, teacher_id, code, name, rules, request_id) VALUES ($id, $teacherId, $code, $name,
        $rules::jsonb, $requestId) ON CONFLICT DO NOTHING RETURNING id`,
      {
        id: randomUUID(),
        teacherId: scope.teacherId,
        code,
        name,
        rules: JSON.stringify(rules),
        requestId: requestId ?? null,
      },
    )
    if (offer) {
      await scope.query(
        'INSERT INTO offer_games (offer_id, position, game_version_id) VALUES ($offerId, 0, $versionId)',
        { offerId: offer.id, versionId },
      )
      return offer.id
    }
    // Either the request was here before, or the code is taken: then another one is drawn.
    const known = requestId === undefined ? undefined : await findRequest(scope, requestId)
    if (known !== undefined) return known
  }
}

/**
 * Closes an offer or opens it again, stops its clocks or lets them run, names it, archives it (then it is closed) or
 * restores it (as does opening it). Throws a Problem where it is another's.
 */
export async function changeOffer(
  scope: TeacherScope,
  offerId: string,
  { open, name, paused, archived, frames, board }: z.output<typeof ChangeOffer>,
): Promise<OfferReply> {
  await scope.query(
    `UPDATE offers o SET open = coalesce($open, open) AND NOT coalesce($archived, false), name = coalesce($name, name),
      frames = CASE WHEN $changesFrames THEN $frames::text[] ELSE frames END, changed_at = clock_timestamp(),
      rules = CASE WHEN $board::jsonb IS NULL OR rules ->> 'type' <> 'link' THEN rules
        ELSE jsonb_set(rules, '{board}', CASE WHEN $board::jsonb = 'null' THEN 'null' ELSE $board::jsonb || jsonb_build_object('since',
          CASE WHEN $again THEN to_jsonb(to_char(now() AT TIME ZONE 'UTC', 'YYYY-MM-DD"T"HH24:MI:SS.MS"Z"')) ELSE coalesce(rules #> '{board,since}', 'null') END) END) END,
      archived_at = CASE WHEN $archived::boolean THEN coalesce(archived_at, now())
        WHEN $archived::boolean IS NULL AND $open::boolean IS NOT TRUE THEN archived_at END,
      paused_ms = CASE WHEN $paused::boolean IS FALSE THEN ${PAUSED} ELSE paused_ms END,
      paused_at = CASE WHEN $paused::boolean THEN coalesce(paused_at, clock_timestamp())
        WHEN $paused::boolean IS NULL THEN paused_at END
      WHERE id = $offerId AND teacher_id = $teacherId`,
    {
      offerId,
      teacherId: scope.teacherId,
      open: open ?? null,
      name: name ?? null,
      paused: paused ?? null,
      changesFrames: frames !== undefined,
      frames: frames ?? null,
      archived: archived ?? null,
      // What is not changed is nothing to the database; no board is its null.
      board: board === undefined ? null : JSON.stringify(board && { by: board.by, span: board.span }),
      again: board?.again ?? false,
    },
  )
  if (paused === false) await reckonAgain(scope, offerId, null)
  return readOffer(scope, offerId)
}

/**
 * Deletes an offer with all that students did in it, and versions of games that nothing else needs. Throws a Problem
 * where it is another's.
 */
export async function deleteOffer(scope: TeacherScope, offerId: string): Promise<void> {
  const [gone] = await scope.query('DELETE FROM offers WHERE id = $offerId AND teacher_id = $teacherId RETURNING id', {
    offerId,
    teacherId: scope.teacherId,
  })
  if (!gone) throw notFound()
  await scope.query(
    `DELETE FROM games g WHERE g.teacher_id = $teacherId AND NOT EXISTS (
    SELECT 1 FROM game_versions v WHERE v.game_id = g.id AND (EXISTS (SELECT 1 FROM offer_games m
      WHERE m.game_version_id = v.id) OR EXISTS (SELECT 1 FROM plays y WHERE y.game_version_id = v.id)
      OR EXISTS (SELECT 1 FROM print_versions n WHERE n.game_version_id = v.id)))`,
    { teacherId: scope.teacherId },
  )
}
