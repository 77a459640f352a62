import type { OfferReply } from '@otter/api'
import type { GameKind } from '@otter/core'
import { inScope, type TeacherScope } from '../db/scope.ts'
import { notFound, Problem } from '../problem.ts'
import { draftGame, findVersion, holdVersion, keepVersion, type GameDraft } from './games.ts'
import { type Making, readOffer, makePuzzle } from './offers.ts'

/** How often a list may change under a game that is being renewed before it is given up. */
const MAX_RENEWALS = 5

/**
 * Makes an offer's game anew from the words as they are now, with the same options and seed, under the same code. Who
 * is playing goes on with the version begun. Throws a Problem where it is another's, or the words no longer suffice.
 */
export async function renewOffer(
  making: Making,
  teacherId: string,
  offerId: string,
  signal?: AbortSignal,
): Promise<OfferReply> {
  const games = await inScope(making, { teacherId }, async (scope) => {
    await readOffer(scope, offerId)
    return scope.query<{ position: number }>(
      `SELECT m.position FROM offer_games m JOIN offers o ON o.id = m.offer_id WHERE o.id = $offerId
        AND (m.position = 0 OR o.rules ->> 'type' = 'link') ORDER BY m.position DESC`,
      { offerId },
    )
  })
  // The first comes last: once it is renewed, all are.
  for (const { position } of games.slice(0, -1)) await renewGame(making, teacherId, { offerId, position }, signal)
  return renewGame(making, teacherId, { offerId, position: 0 }, signal)
}

async function renewGame(
  making: Making,
  teacherId: string,
  { offerId, position }: { offerId: string; position: number },
  signal: AbortSignal | undefined,
): Promise<OfferReply> {
  for (let tries = 0; tries < MAX_RENEWALS; tries++) {
    const { draft, version } = await inScope(making, { teacherId, snapshot: true }, async (scope) => {
      const now = await draftOf(scope, offerId, position)
      return { draft: now, version: await findVersion(scope, now) }
    })
    const puzzle = version === undefined ? await makePuzzle(making.workers, teacherId, draft, signal) : undefined
    const renewed = await inScope(making, { teacherId }, async (scope) => {
      await scope.query('SELECT 1 FROM offer_games WHERE offer_id = $offerId FOR UPDATE', { offerId })
      // The list is held as it is until the new version stands; where it changed meanwhile, the puzzle is made again.
      const [list] = await scope.query<{ version: number }>(
        'SELECT version FROM lists WHERE id = $listId AND teacher_id = $teacherId FOR SHARE',
        { listId: draft.listId, teacherId },
      )
      if (!list) throw notFound()
      if (list.version !== draft.listVersion) return undefined
      // Its last link may have been deleted meanwhile, and the version with it.
      if (version !== undefined && !(await holdVersion(scope, version))) return undefined
      const versionId = await keepVersion(scope, draft, puzzle)
      // The same words under a newer number: the game is up to date with that one too.
      await scope.query(
        'UPDATE game_versions SET list_version = greatest(list_version, $version) WHERE id = $versionId',
        { versionId, version: list.version },
      )
      await scope.query(
        `UPDATE offer_games SET game_version_id = $versionId, calls = CASE WHEN game_version_id = $versionId THEN calls END
          WHERE offer_id = $offerId AND position = $position`,
        { versionId, offerId, position },
      )
      await scope.query('UPDATE offers SET changed_at = clock_timestamp() WHERE id = $offerId', { offerId })
      return readOffer(scope, offerId)
    })
    if (renewed) return renewed
  }
  throw new Problem(409, 'words-changing')
}

/** Reads the words of an offer's game as they are now. */
async function draftOf(scope: TeacherScope, offerId: string, position: number): Promise<GameDraft> {
  const { listId } = await readOffer(scope, offerId)
  if (listId === null) throw new Problem(409, 'list-gone')
  const { options, seed, kind } = (
    await scope.query<{ options: unknown; seed: string; kind: GameKind }>(
      `SELECT v.options, v.seed, g.kind FROM offer_games m JOIN game_versions v ON v.id = m.game_version_id
        JOIN games g ON g.id = v.game_id WHERE m.offer_id = $offerId AND m.position = $position`,
      { offerId, position },
    )
  )[0]!
  return draftGame(scope, listId, kind, options, seed)
}
