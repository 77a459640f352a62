import type { QueryInterface } from 'sequelize'

/** Teams play at one wall, steered from the teacher's screen or from a phone, and anything can be taken back. */
export const tenth = {
  name: '010-teams-at-the-wall',
  async up({ context }: { context: QueryInterface }): Promise<void> {
    for (const statement of STATEMENTS) await context.sequelize.query(statement)
  },
}

const STATEMENTS = [
  `ALTER TABLE teams ADD COLUMN emblem text, ADD COLUMN members jsonb NOT NULL DEFAULT '[]',
     ADD COLUMN points integer NOT NULL DEFAULT 0`,
  // Whose play a game on the wall is: the class as one, beside the participants who stand for its teams.
  'ALTER TABLE participants ADD COLUMN is_board boolean NOT NULL DEFAULT false',
  'CREATE UNIQUE INDEX participants_board ON participants (offer_id) WHERE is_board',
  `ALTER TABLE moves ADD COLUMN standing text NOT NULL DEFAULT 'done'
     CHECK (standing IN ('done', 'undone', 'dropped'))`,
  // A play that a teacher does not want to count is kept, and left out of what the class is said to know.
  'ALTER TABLE plays ADD COLUMN counts boolean NOT NULL DEFAULT true',
  'CREATE INDEX responses_first_of_entry ON responses (entry_id) WHERE is_first',
  `CREATE TABLE remotes (
     id uuid PRIMARY KEY, offer_id uuid NOT NULL REFERENCES offers (id) ON DELETE CASCADE, code_hash text UNIQUE,
     code_until timestamptz NOT NULL, token_hash text UNIQUE, created_at timestamptz NOT NULL DEFAULT now())`,
  'CREATE INDEX remotes_of_offer ON remotes (offer_id)',
  // Names that a teacher keeps, with who was drawn from lesson to lesson.
  `CREATE TABLE rosters (
     id uuid PRIMARY KEY, teacher_id uuid NOT NULL REFERENCES teachers (id) ON DELETE CASCADE, name text NOT NULL,
     students jsonb NOT NULL, wishes jsonb NOT NULL, drawn jsonb NOT NULL, last jsonb,
     created_at timestamptz NOT NULL DEFAULT now())`,
  'CREATE INDEX rosters_of_teacher ON rosters (teacher_id, name)',
]
