import type { Outcome } from '@otter/core'
import type { Reader } from '../scope.ts'

/** A response as a file has it. */
export interface ReportedResponse {
  playId: string
  text: string
  given: string
  outcome: Outcome
  points: number
  milliseconds: number
  hints: number
  at: string
}

/** Returns the responses of attempts, in the order of the attempts and as they were given. */
export async function reportedResponses(scope: Reader, playIds: readonly string[]): Promise<ReportedResponse[]> {
  const rows = await scope.query<Omit<ReportedResponse, 'at'> & { at: Date }>(
    `SELECT t.play_id AS "playId", coalesce(q.text, '') AS text, r.given, r.outcome, r.points, r.milliseconds, r.hints, r.at
     FROM unnest($playIds::uuid[]) WITH ORDINALITY AS t(play_id, n) JOIN plays y ON y.id = t.play_id
       JOIN responses r ON r.play_id = t.play_id AND r.withdrawn_at IS NULL
       LEFT JOIN LATERAL (SELECT text FROM questions WHERE set_id = y.question_set_id AND entry_id = r.entry_id
         LIMIT 1) q ON true
     ORDER BY t.n, r.id`,
    { playIds },
    'each-time',
  )
  return rows.map((row) => ({ ...row, at: new Date(row.at).toISOString() }))
}
