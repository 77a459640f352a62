import type { QueryInterface } from 'sequelize'

/**
 * Terms can be called for all who play an offer; who lost a device asks to come back by name; an answer that was made in
 * time counts, though it had no connection.
 */
export const sixth = {
  name: '006-calls-returns-and-delays',
  async up({ context }: { context: QueryInterface }): Promise<void> {
    for (const statement of STATEMENTS) await context.sequelize.query(statement)
  },
}

const STATEMENTS = [
  // Of the version that the offer has now; none where nobody calls with this house.
  'ALTER TABLE offer_games ADD COLUMN calls integer CHECK (calls >= 0)',
  // How many terms were called when the move was made, so that the moves lead to the same state again.
  'ALTER TABLE moves ADD COLUMN calls integer',
  // How long a move waited on its device for a connection; how a play stood before its time ran out unanswered.
  'ALTER TABLE moves ADD COLUMN delay_ms integer NOT NULL DEFAULT 0 CHECK (delay_ms >= 0)',
  'ALTER TABLE plays ADD COLUMN before_time_up jsonb',
  // Offers that a teacher no longer wants among the others.
  'ALTER TABLE offers ADD COLUMN archived_at timestamptz',
  // When a student's page was last open, for who is in the room now.
  'ALTER TABLE participants ADD COLUMN here_at timestamptz',
  // The participant that this one says to be: it waits for the teacher's word.
  `ALTER TABLE participants ADD COLUMN returns_to uuid REFERENCES participants ON DELETE SET NULL
    CHECK (returns_to <> id)`,
  'CREATE INDEX participants_returns_to ON participants (returns_to) WHERE returns_to IS NOT NULL',
  // A request to join that comes twice, since its reply was lost, brings in one student.
  'ALTER TABLE participants ADD COLUMN request_id uuid',
  'CREATE UNIQUE INDEX participants_request ON participants (offer_id, request_id)',
  'CREATE INDEX participants_name ON participants (offer_id, lower(name))',
]
