import type { QueryInterface } from 'sequelize'

/** A teacher gives a colleague a code by which a student of both is one. */
export const twentyFirst = {
  name: '021-student-links',
  async up({ context }: { context: QueryInterface }): Promise<void> {
    for (const statement of STATEMENTS) await context.sequelize.query(statement)
  },
}

const STATEMENTS = [
  `CREATE TABLE student_links (
     code text PRIMARY KEY, student_id uuid NOT NULL UNIQUE REFERENCES students (id) ON DELETE CASCADE,
     teacher_id uuid NOT NULL REFERENCES teachers (id) ON DELETE CASCADE, expires_at timestamptz NOT NULL)`,
  'CREATE INDEX student_links_of_teacher ON student_links (teacher_id)',
]
