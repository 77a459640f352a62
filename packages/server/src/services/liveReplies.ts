import type { LiveRank, PlayReply, Ranking } from '@otter/api'
import type { Reader } from '../db/scope.ts'
import { findDoor, PERSON, personOf, type PersonRow } from './doors.ts'
import { lookAtSession } from './liveSessions.ts'
import { rankIn, rankingNow, showsScores } from './liveViews.ts'
import { replies } from './playReplies.ts'
import { standingsOf } from './standings.ts'
import { findPlays } from './storedPlays.ts'

/** Where the students of a session stand, as far as they may know now; null where nothing is told. */
interface Ranks {
  ranking: Ranking | null
  rankOf: (personId: string) => LiveRank | null
}

/** Returns where the students of a session stand; null while that is told to nobody. */
export async function ranksOf(scope: Reader, offerId: string): Promise<Ranks | null> {
  const { offer, rules, session } = await lookAtSession(scope, offerId)
  if (!showsScores(session, rules)) return null
  const standings = await standingsOf(scope, offerId, rules, offer.live!.revision)
  return {
    ranking: rankingNow(session, rules, standings),
    rankOf: (personId) => rankIn(standings, personId),
  }
}

/**
 * Returns what the devices of many students of one offer are told now, by participant. Who was taken out, or waits, is
 * not among them.
 */
export async function replyTo(
  scope: Reader,
  offerId: string,
  participantIds: readonly string[],
): Promise<Map<string, PlayReply>> {
  const { offer } = await findDoor(scope, { offerId, participantId: null })
  const rows = await scope.query<PersonRow>(
    `SELECT ${PERSON} FROM participants q JOIN participants p ON p.id = coalesce(q.merged_into, q.id)
     WHERE q.offer_id = $offerId AND q.id = ANY ($participantIds::uuid[]) AND p.removed_at IS NULL
       AND q.removed_at IS NULL AND p.returns_to IS NULL`,
    { offerId, participantIds },
  )
  const persons = rows.map(personOf)
  const plays = await findPlays(
    scope,
    offer,
    persons.map(({ id }) => id),
  )
  const told = await replies(
    scope,
    offer,
    persons.map((person) => ({ person, play: plays.get(person.id) })),
  )
  return new Map(persons.map(({ participantId }, index) => [participantId, told[index]!]))
}
