import type { Reader } from '../db/scope.ts'

/** A page that is in view says so every twelve seconds: whoever was not heard of for so long was away, in milliseconds. */
const AWAY = 40_000
/** With a socket it is known at once: shorter gaps are the network's own. */
const AWAY_LIVE = 5000
/** Who comes back after that goes on another time: that is no trouble, in milliseconds. */
const ANOTHER_TIME = 3 * 3600_000
/** Most troubles that are kept of one play. */
const MOST = 100

/**
 * Statement that notes whose device comes back to a play under way after it was away, or to one that the clock has ended
 * meanwhile, and where in the play that was; `p` is the participant. It is read before the device is noted as here.
 */
const BACK = `INSERT INTO absences (play_id, kind, milliseconds, place)
  SELECT y.id, 'gone', extract(epoch FROM y.gap) * 1000,
    1 + (SELECT count(*) FROM responses r WHERE r.play_id = y.id AND r.round = 'first' AND r.reached AND r.withdrawn_at IS NULL)
  FROM participants p JOIN LATERAL (
      SELECT id, started_at, coalesce(ended_at, clock_timestamp()) - coalesce(p.gone_at, p.here_at) AS gap FROM plays
      WHERE participant_id IN (p.id, p.merged_into) AND begun AND given_back_at IS NULL
        AND (ended_at IS NULL OR at_end IS NOT NULL AND ended_at > coalesce(p.gone_at, p.here_at))
      ORDER BY started_at DESC LIMIT 1) y ON y.started_at <= p.here_at
  WHERE p.id = ANY ($here::uuid[])
    AND y.gap BETWEEN (CASE WHEN p.gone_at IS NULL THEN ${AWAY} ELSE ${AWAY_LIVE} END) * interval '1 millisecond'
      AND ${ANOTHER_TIME} * interval '1 millisecond'
    AND (SELECT count(*) FROM absences a WHERE a.play_id = y.id) < ${MOST}`

/** Notes that devices of these participants are here, and what they were away for. */
export async function noteHere(scope: Reader, participantIds: readonly string[]): Promise<void> {
  await scope.query(
    `WITH back AS (${BACK})
     UPDATE participants SET here_at = clock_timestamp(), gone_at = NULL WHERE id = ANY ($here::uuid[])`,
    { here: [...participantIds].sort() },
  )
}

/** Notes that the page of a play under way was loaded anew, though it had not been away. */
export async function noteReload(scope: Reader, playId: string, participantId: string): Promise<void> {
  await scope.query(
    `INSERT INTO absences (play_id, kind, place)
     SELECT y.id, 'reloaded', 1 + (SELECT count(*) FROM responses r WHERE r.play_id = y.id AND r.round = 'first'
       AND r.withdrawn_at IS NULL)
     FROM plays y JOIN participants p ON p.id = $participantId
     WHERE y.id = $playId AND y.ended_at IS NULL AND y.begun
       AND p.here_at > clock_timestamp() - ${AWAY} * interval '1 millisecond'
       AND (SELECT count(*) FROM absences a WHERE a.play_id = y.id) < ${MOST}
       AND NOT EXISTS (SELECT 1 FROM absences a WHERE a.play_id = y.id AND a.kind = 'reloaded'
         AND a.at > clock_timestamp() - interval '3 seconds')`,
    { playId, participantId },
  )
}
