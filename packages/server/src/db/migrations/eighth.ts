import type { QueryInterface } from 'sequelize'

/** Offers can be played live: with a door, a clock and a way of playing. */
export const eighth = {
  name: '008-live-sessions',
  async up({ context }: { context: QueryInterface }): Promise<void> {
    for (const statement of STATEMENTS) await context.sequelize.query(statement)
  },
}

const STATEMENTS = [
  // What all who play share, as one small row; its revision counts the changes.
  `CREATE TABLE live_sessions (
     offer_id uuid PRIMARY KEY REFERENCES offers (id) ON DELETE CASCADE,
     state jsonb NOT NULL, version integer NOT NULL, revision integer NOT NULL DEFAULT 0,
     phase text NOT NULL CHECK (phase IN ('lobby', 'running', 'paused', 'over')),
     roster jsonb NOT NULL DEFAULT '[]',
     due_at timestamptz, host_at timestamptz NOT NULL DEFAULT now(), touched_at timestamptz NOT NULL DEFAULT now())`,
  'CREATE INDEX live_sessions_due ON live_sessions (due_at) WHERE due_at IS NOT NULL',
  `CREATE INDEX live_sessions_going ON live_sessions (host_at) WHERE phase <> 'over'`,
  // How a student's otter looks; what the student says of who it is, for the teacher alone; the name that waits for the
  // teacher's word; what brings the student back on another device; when its device was last known to be gone.
  `ALTER TABLE participants ADD COLUMN look jsonb, ADD COLUMN note text NOT NULL DEFAULT '',
    ADD COLUMN held_name text, ADD COLUMN return_code text, ADD COLUMN gone_at timestamptz`,
  'CREATE UNIQUE INDEX participants_return_code ON participants (offer_id, return_code)',
  // Messages between servers that are too long for a notification: the table of Socket.IO's adapter.
  `CREATE TABLE socket_io_attachments (
     id bigserial UNIQUE, created_at timestamptz DEFAULT now(), payload bytea)`,
  // What all shared when the move was made, so that the moves lead to the same state again.
  'ALTER TABLE moves ADD COLUMN shared jsonb',
]
