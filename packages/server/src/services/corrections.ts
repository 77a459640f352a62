import { correctedOutcome, type Correction, type Outcome } from '@otter/core'
import { marksIn } from '../db/queries/marks.ts'
import type { TeacherScope } from '../db/scope.ts'
import { Problem } from '../problem.ts'
import { holdOffer } from './participantChanges.ts'

/** Most questions of one offer that are corrected. */
const MOST_CORRECTED = 200

/**
 * Says how answers to a question of an offer count: those given before are judged again, and so are all that come. The
 * game's own verdict is kept, so that a correction can be taken back. Throws a Problem where the offer is another's, or
 * has no such question.
 */
export async function correctQuestion(scope: TeacherScope, offerId: string, correction: Correction): Promise<void> {
  await holdOffer(scope, offerId)
  // Plays that begin wait for this: they are to begin with what is said here.
  await scope.query('SELECT 1 FROM offers WHERE id = $offerId FOR UPDATE', { offerId })
  const { entryId, takenOut, right, wrong } = correction
  const [offer] = await scope.query<{ corrections: Correction[]; isAsked: boolean }>(
    `SELECT o.corrections, o.rules ->> 'type' <> 'wall' AND EXISTS (SELECT 1 FROM plays y JOIN questions q
        ON q.set_id = y.question_set_id WHERE y.offer_id = o.id AND q.entry_id = $entryId AND q.counts) AS "isAsked"
      FROM offers o WHERE o.id = $offerId`,
    { offerId, entryId },
  )
  if (!offer?.isAsked) throw new Problem(404, 'no-such-question')
  const others = offer.corrections.filter((one) => one.entryId !== entryId)
  const isNothing = !takenOut && right.length === 0 && wrong.length === 0
  const corrections = isNothing ? others : [...others, correction]
  if (corrections.length > MOST_CORRECTED) throw new Problem(403, 'too-many-corrections')
  await scope.query('UPDATE offers SET corrections = $corrections::jsonb, changed_at = now() WHERE id = $offerId', {
    offerId,
    corrections: JSON.stringify(corrections),
  })
  // A move that is made meanwhile waits for this, and is judged anew.
  await scope.query('SELECT id FROM plays WHERE offer_id = $offerId ORDER BY id FOR UPDATE', { offerId })
  await judgeAgain(scope, offerId, correction)
  await countAgain(scope, offerId, corrections)
}

async function judgeAgain(scope: TeacherScope, offerId: string, correction: Correction): Promise<void> {
  const { entryId } = correction
  const given = await scope.query<{ given: string; judged: Outcome }>(
    `SELECT DISTINCT r.given, coalesce(r.judged, r.outcome) AS judged FROM plays y JOIN responses r ON r.play_id = y.id
      WHERE y.offer_id = $offerId AND r.entry_id = $entryId AND r.outcome IN ('right', 'wrong')`,
    { offerId, entryId },
  )
  const verdicts = given.map((one) => ({ ...one, outcome: correctedOutcome(one.judged, one.given, correction) }))
  await scope.query(
    `UPDATE responses r SET outcome = n.outcome, judged = nullif(n.judged, n.outcome)
      FROM plays y, jsonb_to_recordset($verdicts::jsonb) AS n (given text, judged text, outcome text)
      WHERE y.offer_id = $offerId AND r.play_id = y.id AND r.entry_id = $entryId AND r.given = n.given
        AND coalesce(r.judged, r.outcome) = n.judged AND r.outcome IN ('right', 'wrong')`,
    { offerId, entryId, verdicts: JSON.stringify(verdicts) },
  )
}

/** Brings the totals of all plays of an offer up to date. */
async function countAgain(scope: TeacherScope, offerId: string, corrections: readonly Correction[]): Promise<void> {
  await scope.query(
    `UPDATE plays y SET corrected = y.corrected + 1, total = q.total, "right" = t."right", second_right = t.second,
        marks = ${marksIn('z.question_set_id', '(SELECT * FROM responses WHERE play_id = z.id AND withdrawn_at IS NULL) h')}
      FROM plays z JOIN LATERAL (SELECT count(*)::int AS total FROM questions WHERE set_id = z.question_set_id
          AND counts AND entry_id <> ALL ($takenOut::uuid[])) q ON true
        JOIN LATERAL (SELECT count(*) FILTER (WHERE r.counts AND r.entry_id <> ALL ($takenOut::uuid[]))::int AS "right",
          count(*) FILTER (WHERE r.round = 'second')::int AS second FROM responses r
          WHERE r.play_id = z.id AND r.withdrawn_at IS NULL AND r.outcome = 'right') t ON true
      WHERE z.offer_id = $offerId AND y.id = z.id`,
    { offerId, takenOut: takenOutOf(corrections) },
  )
}

/** Returns the entries that are taken out of the scoring. */
export function takenOutOf(corrections: readonly Correction[]): string[] {
  return corrections.filter(({ takenOut }) => takenOut).map(({ entryId }) => entryId)
}

/** Returns what was said of the questions of an offer. */
export async function correctionsOf(scope: TeacherScope, offerId: string): Promise<Correction[]> {
  const [offer] = await scope.query<{ corrections: Correction[] }>(
    'SELECT corrections FROM offers WHERE id = $offerId',
    {
      offerId,
    },
  )
  return offer?.corrections ?? []
}
