import type { Scope } from '../scope.ts'

/** A server says so often that it holds a socket; one that was killed says nothing: a lease lasts so long, as SQL. */
const LEASE = "interval '30 seconds'"

/** Writes down that a server holds sockets of these participants, and takes away the leases that have run out. */
export async function holdLeases(
  { query }: Pick<Scope<null>, 'query'>,
  serverId: string,
  participantIds: readonly string[],
): Promise<void> {
  // Who was deleted meanwhile has no lease.
  await query(
    `INSERT INTO leases (participant_id, server_id, until)
     SELECT id, $serverId, clock_timestamp() + ${LEASE} FROM participants WHERE id = ANY ($here::uuid[]) ORDER BY id
     ON CONFLICT (participant_id, server_id) DO UPDATE SET until = excluded.until`,
    { serverId, here: [...participantIds].sort() },
  )
  // After the database was away, all have run out and each server renews its own: none waits for another's.
  await query(
    `DELETE FROM leases WHERE (participant_id, server_id) IN (SELECT participant_id, server_id FROM leases
       WHERE until < clock_timestamp() FOR UPDATE SKIP LOCKED)`,
  )
}

/** Ends a server's leases of these participants, and notes who is gone with them: whom no other server holds. */
export async function endLeases(
  { query }: Pick<Scope<null>, 'query'>,
  serverId: string,
  participantIds: readonly string[],
): Promise<void> {
  const gone = [...participantIds].sort()
  // Of two servers that see them go at the same moment, the second one sees what the first has written.
  await query('SELECT id FROM participants WHERE id = ANY ($gone::uuid[]) ORDER BY id FOR UPDATE', { gone })
  await query('DELETE FROM leases WHERE server_id = $serverId AND participant_id = ANY ($gone::uuid[])', {
    serverId,
    gone,
  })
  await query(
    `UPDATE participants SET gone_at = clock_timestamp() WHERE id = ANY ($gone::uuid[])
       AND NOT EXISTS (SELECT 1 FROM leases l WHERE l.participant_id = participants.id AND l.until > clock_timestamp())`,
    { gone },
  )
}
