import type { QueryInterface } from 'sequelize'

/** Which servers hold a socket of a participant: what one of them sees close is no absence while another holds one. */
export const twentyFourth = {
  name: '024-leases',
  async up({ context }: { context: QueryInterface }): Promise<void> {
    for (const statement of LEASES) await context.sequelize.query(statement)
  },
}

const LEASES = [
  // Of no worth after a crash, and written every few seconds.
  `CREATE UNLOGGED TABLE leases (
     participant_id uuid NOT NULL REFERENCES participants (id) ON DELETE CASCADE, server_id uuid NOT NULL,
     until timestamptz NOT NULL, PRIMARY KEY (participant_id, server_id))`,
  'CREATE INDEX leases_by_end ON leases (until)',
]
