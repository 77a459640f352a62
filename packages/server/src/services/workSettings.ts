import { OfferRules, type WorkSetting } from '@otter/api'
import { factorFor } from '@otter/core'
import type { TeacherScope } from '../db/scope.ts'
import { notFound } from '../problem.ts'
import { holdOffer } from './participantChanges.ts'

/** Returns what holds for a teacher's set work. Throws a Problem where it is another's, or none that is set. */
export async function readWorkSetting(scope: TeacherScope, offerId: string): Promise<WorkSetting> {
  const [offer] = await scope.query<{
    note: string
    rules: unknown
    opensAt: Date | null
    dueAt: Date | null
    closesAt: Date | null
  }>(
    `SELECT note, rules, opens_at AS "opensAt", due_at AS "dueAt", closes_at AS "closesAt" FROM offers
      WHERE id = $offerId AND teacher_id = $teacherId`,
    { offerId, teacherId: scope.teacherId },
  )
  if (!offer) throw notFound()
  const rules = OfferRules.parse(offer.rules)
  if (rules.type !== 'link') throw notFound()
  const iso = (moment: Date | null): string | null => moment?.toISOString() ?? null
  return {
    note: offer.note,
    play: rules.play,
    work: rules.work,
    opensAt: iso(offer.opensAt),
    dueAt: iso(offer.dueAt),
    closesAt: iso(offer.closesAt),
  }
}

/**
 * Changes what holds for set work. How questions are asked holds for attempts that begin from now on; times, attempts and
 * more time for named students hold at once. Throws a Problem where it is another's.
 */
export async function changeWork(scope: TeacherScope, offerId: string, setting: WorkSetting): Promise<WorkSetting> {
  await holdOffer(scope, offerId)
  const before = await readWorkSetting(scope, offerId)
  const { note, play, work, opensAt, dueAt, closesAt } = setting
  // Of which games one is picked is fixed: each has been made.
  const rules = OfferRules.parse({ type: 'link', play, work: { ...work, kinds: before.work.kinds } })
  await scope.query(
    `UPDATE offers SET rules = $rules::jsonb, note = $note, opens_at = $opensAt, due_at = $dueAt, closes_at = $closesAt
      WHERE id = $offerId`,
    { offerId, rules: JSON.stringify(rules), note, opensAt, dueAt, closesAt },
  )
  const named = new Set([...Object.keys(before.work.factorOf), ...Object.keys(work.factorOf)])
  for (const studentId of named)
    if (factorFor(before.work, studentId) !== factorFor(work, studentId))
      await scope.query(
        'UPDATE participants SET time_factor = $factor WHERE offer_id = $offerId AND student_id = $studentId',
        { offerId, studentId, factor: factorFor(work, studentId) },
      )
  // When attempts under way are over is worked out anew.
  await scope.query('UPDATE plays SET due_at = clock_timestamp() WHERE offer_id = $offerId AND ended_at IS NULL', {
    offerId,
  })
  return readWorkSetting(scope, offerId)
}
