import type { QueryInterface } from 'sequelize'

/** Plays have a clock that pauses and that gives some students more time, deadlines that servers see to, and a line on what they are doing. */
export const fifth = {
  name: '005-clocks-and-deadlines',
  async up({ context }: { context: QueryInterface }): Promise<void> {
    for (const statement of STATEMENTS) await context.sequelize.query(statement)
  },
}

const STATEMENTS = [
  // The language of a teacher's screens; none: the browser's.
  `ALTER TABLE teachers ADD COLUMN language text CHECK (language IN ('en', 'es', 'fr', 'he'))`,
  `ALTER TABLE offers ADD COLUMN paused_at timestamptz, ADD COLUMN paused_ms bigint NOT NULL DEFAULT 0
    CHECK (paused_ms >= 0)`,
  `ALTER TABLE participants ADD COLUMN time_factor double precision NOT NULL DEFAULT 1
    CHECK (time_factor BETWEEN 1 AND 4)`,
  // How long the offer had been paused by the play's last move; when what stands is over; what it is doing.
  `ALTER TABLE plays ADD COLUMN paused_ms bigint NOT NULL DEFAULT 0, ADD COLUMN due_at timestamptz,
    ADD COLUMN doing jsonb`,
  'CREATE INDEX plays_due ON plays (due_at) WHERE due_at IS NOT NULL',
  `ALTER TABLE moves ADD COLUMN author text NOT NULL DEFAULT 'player'
    CHECK (author IN ('player', 'clock', 'teacher'))`,
  // Questions that stand when this comes: the next server that looks works out when they are over.
  `UPDATE plays y SET due_at = now() FROM game_versions v JOIN games g ON g.id = v.game_id
    WHERE v.id = y.game_version_id AND g.kind = 'quiz' AND y.ended_at IS NULL AND y.given_back_at IS NULL`,
]
