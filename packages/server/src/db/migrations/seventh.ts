import type { QueryInterface } from 'sequelize'

/** Accounts have a time zone and can be taken back by mail; mails are written down before they are sent. */
export const seventh = {
  name: '007-accounts-and-mails',
  async up({ context }: { context: QueryInterface }): Promise<void> {
    for (const statement of STATEMENTS) await context.sequelize.query(statement)
  },
}

const STATEMENTS = [
  // Name of the IANA database; none for the browser's.
  'ALTER TABLE teachers ADD COLUMN time_zone text',
  // Everybody who looks around shares this account.
  'ALTER TABLE teachers ADD COLUMN is_sample boolean NOT NULL DEFAULT false',
  `UPDATE teachers SET is_sample = true WHERE email = 'ines@harlowquay.example'`,
  // All sessions of a teacher are ended at once.
  `CREATE INDEX sessions_teacher ON sessions ((sess ->> 'teacherId'))`,
  `CREATE TABLE password_resets (
     token_hash text PRIMARY KEY, teacher_id uuid NOT NULL REFERENCES teachers (id) ON DELETE CASCADE,
     expires_at timestamptz NOT NULL, used_at timestamptz)`,
  'CREATE INDEX password_resets_teacher ON password_resets (teacher_id)',
  `CREATE TABLE mails (
     id uuid PRIMARY KEY, recipient text NOT NULL, subject text NOT NULL, text text NOT NULL,
     created_at timestamptz NOT NULL DEFAULT now(), tries integer NOT NULL DEFAULT 0,
     try_after timestamptz NOT NULL DEFAULT now(), sent_at timestamptz)`,
  'CREATE INDEX mails_created ON mails (created_at)',
  'CREATE INDEX mails_waiting ON mails (try_after) WHERE sent_at IS NULL',
]
