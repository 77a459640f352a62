import type { QueryInterface } from 'sequelize'

/** Older students may come in by an e-mail address and a password, beside their secret. */
export const nineteenth = {
  name: '019-student-accounts',
  async up({ context }: { context: QueryInterface }): Promise<void> {
    for (const statement of STATEMENTS) await context.sequelize.query(statement)
  },
}

const STATEMENTS = [
  `ALTER TABLE students ADD COLUMN email text, ADD COLUMN password_hash text,
     ADD CHECK ((email IS NULL) = (password_hash IS NULL))`,
  'CREATE UNIQUE INDEX students_by_email ON students (email) WHERE email IS NOT NULL',
]
