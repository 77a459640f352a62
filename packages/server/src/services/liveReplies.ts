import type { PlayReply } from '@otter/api'
import type { Scope } from '../db/scope.ts'
import { findDoor, type Person } from './doors.ts'
import { replies } from './playReplies.ts'
import { findPlays } from './storedPlays.ts'

/**
 * Returns what the devices of many students of one offer are told now, by participant. Who was taken out, or waits, is
 * not among them.
 */
export async function replyTo(
  scope: Scope,
  offerId: string,
  participantIds: readonly string[],
): Promise<Map<string, PlayReply>> {
  const { offer } = await findDoor(scope, { offerId, participantId: null })
  const persons = await scope.query<Person>(
    `SELECT p.id, q.id AS "participantId", p.name, p.seat, false AS removed, p.time_factor AS factor, false AS waits
     FROM participants q JOIN participants p ON p.id = coalesce(q.merged_into, q.id)
     WHERE q.offer_id = $offerId AND q.id = ANY ($participantIds::uuid[]) AND p.removed_at IS NULL
       AND q.removed_at IS NULL AND p.returns_to IS NULL`,
    { offerId, participantIds },
  )
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
