import type { QueryInterface } from 'sequelize'

/** Results are kept for so many school years, and are deleted a month after their teacher was told. */
export const eighteenth = {
  name: '018-keeping',
  async up({ context }: { context: QueryInterface }): Promise<void> {
    for (const statement of STATEMENTS) await context.sequelize.query(statement)
  },
}

const STATEMENTS = [
  `ALTER TABLE teachers ADD COLUMN keep_years integer NOT NULL DEFAULT 2 CHECK (keep_years BETWEEN 1 AND 10),
     ADD COLUMN notice_for date, ADD COLUMN notice_at timestamptz`,
  'CREATE INDEX plays_by_age ON plays (started_at)',
]
