import type { PlayReply } from '@otter/api'
import { type GameKind } from '@otter/core'
import { inScope, type Scope } from '../db/scope.ts'
import { Problem } from '../problem.ts'
import { enter, type Caller } from './doors.ts'
import { draftGame, keepVersion, type GameDraft } from './games.ts'
import { makePuzzle, type Making } from './offers.ts'
import { playAgain } from './plays.ts'
import { offersRounds } from './liveViews.ts'
import { liveRulesOf } from './storedSession.ts'
import { findPlay } from './storedPlays.ts'

/** What a further round is made from. */
interface RoundPlan {
  offerId: string
  teacherId: string
  position: number
  listId: string | null
  kind: GameKind
  options: unknown
  seed: string
}

/**
 * Starts another attempt once the last one is finished. In a live session it is another round: on other entries, or in
 * an order drawn anew, the same for all who are in that round.
 */
export async function playNext(
  making: Making,
  caller: Caller,
  { game, signal }: { game: number | undefined; signal: AbortSignal },
): Promise<PlayReply> {
  const plan = await inScope(making, { teacherId: null }, (scope) => planRound(scope, caller))
  if (plan) await makeRound(making, plan, signal)
  return inScope(making, { teacherId: null }, (scope) => playAgain(scope, caller, game))
}

/** Returns what the next round of a student is made from; undefined where it is there, or there is none. */
async function planRound(scope: Scope, caller: Caller): Promise<RoundPlan | undefined> {
  const { offer, person } = await enter(scope, caller)
  const rules = liveRulesOf(offer.rules)
  if (!rules) return undefined
  if (!offersRounds(offer, rules)) throw new Problem(403, 'link-closed')
  const play = await findPlay(scope, offer, person.id)
  if (!play?.ended) return undefined
  const position = play.attempt
  const [known] = await scope.query('SELECT 1 FROM offer_games WHERE offer_id = $offerId AND position = $position', {
    offerId: offer.id,
    position,
  })
  if (known) return undefined
  const [first] = await scope.query<Omit<RoundPlan, 'offerId' | 'position'>>(
    `SELECT o.teacher_id AS "teacherId", g.list_id AS "listId", g.kind, v.options, v.seed FROM offers o
      JOIN game_versions v ON v.id = $versionId JOIN games g ON g.id = v.game_id WHERE o.id = $offerId`,
    { offerId: offer.id, versionId: offer.versionId },
  )
  return first && { ...first, offerId: offer.id, position }
}

async function makeRound(making: Making, plan: RoundPlan, signal: AbortSignal | undefined): Promise<void> {
  const { teacherId, listId, kind, options, offerId, position } = plan
  // Where the list is gone, or can't become the game any more, the next round is the same game once more.
  if (listId === null) return
  const seed = `${plan.seed.slice(0, 32)} ${position + 1}`
  let made: { draft: GameDraft; puzzle: unknown }
  try {
    const draft = await inScope(making, { teacherId, snapshot: true }, (scope) =>
      draftGame(scope, listId, kind, options, seed),
    )
    made = { draft, puzzle: await makePuzzle(making.workers, teacherId, draft, signal) }
  } catch (error) {
    if (error instanceof Problem && error.code === 'no-puzzle') return
    throw error
  }
  await inScope(making, { teacherId }, async (scope) => {
    const versionId = await keepVersion(scope, made.draft, made.puzzle)
    await scope.query(
      `INSERT INTO offer_games (offer_id, position, game_version_id) VALUES ($offerId, $position, $versionId)
        ON CONFLICT (offer_id, position) DO NOTHING`,
      { offerId, position, versionId },
    )
  })
}
