import type { TeacherScope } from '../db/scope.ts'
import { marksIn } from '../db/queries/marks.ts'
import { notFound, Problem } from '../problem.ts'
import { findDoor } from './doors.ts'
import { holdOffer } from './participantChanges.ts'
import { findPlay, dueMoment } from './storedPlays.ts'

/**
 * Gives a student back the time for which the device was away in an attempt that has a limit: it goes on, also where the
 * clock has ended it meanwhile, and ends so much later. Returns whose it is. Throws a Problem where nothing is to be given
 * back, or the offer is another's.
 */
export async function giveTimeBack(scope: TeacherScope, offerId: string, playId: string): Promise<string> {
  await holdOffer(scope, offerId)
  const [held] = await scope.query<{ personId: string }>(
    `SELECT coalesce(p.merged_into, p.id) AS "personId" FROM plays y JOIN participants p ON p.id = y.participant_id
      WHERE y.id = $playId AND y.offer_id = $offerId AND y.given_back_at IS NULL FOR UPDATE OF y`,
    { playId, offerId },
  )
  if (!held) throw notFound()
  const { offer } = await findDoor(scope, { offerId, participantId: null })
  const play = await findPlay(scope, offer, held.personId)
  const gone = await takeAbsences(scope, playId)
  // An attempt that was begun since has its own time.
  if (play?.id !== playId || play.endsAt === null || gone === 0) throw new Problem(409, 'no-time-back')
  const { now, endsAt, atEnd } = play
  await scope.query('UPDATE plays SET given_ms = given_ms + $more::integer WHERE id = $playId', {
    playId,
    // What has passed since it ended is no time to play in.
    more: Math.round(gone + Math.max(0, now - endsAt)),
  })
  if (play.ended && atEnd) await goOn(scope, playId, atEnd)
  const again = (await findPlay(scope, offer, held.personId))!
  await scope.query('UPDATE plays SET due_at = $due::timestamptz WHERE id = $playId', { playId, due: dueMoment(again) })
  return held.personId
}

/** Returns for how long a device was away that was not given back yet, in milliseconds; now it is. */
async function takeAbsences(scope: TeacherScope, playId: string): Promise<number> {
  const taken = await scope.query<{ milliseconds: number }>(
    `UPDATE absences SET is_given_back = true WHERE play_id = $playId AND kind = 'gone' AND NOT is_given_back
      RETURNING milliseconds`,
    { playId },
  )
  return taken.reduce((sum, { milliseconds }) => sum + milliseconds, 0)
}

/** Takes back that the clock has ended an attempt: it stands as it stood before. */
async function goOn(scope: TeacherScope, playId: string, before: { state: unknown; rules: number }): Promise<void> {
  await scope.query(
    `WITH ended AS (UPDATE moves SET fate = 'void' WHERE play_id = $playId AND author = 'clock' AND fate = 'taken'
        AND move ->> 'type' = 'finish' RETURNING number)
     UPDATE responses SET withdrawn_at = clock_timestamp() WHERE play_id = $playId AND NOT reached
       AND move_number IN (SELECT number FROM ended)`,
    { playId },
  )
  await scope.query(
    `UPDATE plays y SET state = $state::jsonb, rules = $rules::integer, ended_at = NULL, at_end = NULL, before_time_up = NULL,
       doing = NULL, moved_at = clock_timestamp(),
       marks = ${marksIn('y.question_set_id', '(SELECT * FROM responses WHERE play_id = y.id AND withdrawn_at IS NULL) h')}
     WHERE y.id = $playId`,
    { playId, state: JSON.stringify(before.state), rules: before.rules },
  )
}
