import type { QueryInterface } from 'sequelize'

/** Classes and students who come from a school's system keep its ids: they are known when they come again. */
export const fourteenth = {
  name: '014-source-ids',
  async up({ context }: { context: QueryInterface }): Promise<void> {
    for (const statement of STATEMENTS) await context.sequelize.query(statement)
  },
}

const STATEMENTS = [
  'ALTER TABLE classes ADD COLUMN source_id text',
  'CREATE INDEX classes_by_source ON classes (source_id) WHERE source_id IS NOT NULL',
  'ALTER TABLE students ADD COLUMN source_id text',
  'CREATE INDEX students_by_source ON students (source_id) WHERE source_id IS NOT NULL',
]
