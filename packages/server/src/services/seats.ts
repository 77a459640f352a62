import type { Scope } from '../db/scope.ts'
import { Problem } from '../problem.ts'
import { SAME_STUDENT } from './sameStudent.ts'

/** Most students in one offer. */
const MAX_SEATS = 1000

/** Returns the next free seat of an offer. */
export async function takeSeat(scope: Scope, offerId: string): Promise<number> {
  const [offer] = await scope.query<{ seats: number }>(
    'UPDATE offers SET seats = seats + 1 WHERE id = $offerId AND seats < $most RETURNING seats',
    { offerId, most: MAX_SEATS },
  )
  if (!offer) throw new Problem(403, 'link-full')
  return offer.seats
}

/** Returns the participant that a student is in an offer; undefined where the student has not come. */
export async function participantOf(scope: Scope, offerId: string, studentId: string): Promise<string | undefined> {
  const [known] = await scope.query<{ id: string }>(
    `SELECT id FROM participants WHERE offer_id = $offerId AND merged_into IS NULL AND student_id = ANY (${SAME_STUDENT})
      ORDER BY student_id <> $studentId LIMIT 1`,
    { offerId, studentId },
  )
  return known?.id
}
