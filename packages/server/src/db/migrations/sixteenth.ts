import type { QueryInterface } from 'sequelize'

/** Games that a student practises with: made for the one, of what that student has missed. */
export const sixteenth = {
  name: '016-practice',
  async up({ context }: { context: QueryInterface }): Promise<void> {
    for (const statement of STATEMENTS) await context.sequelize.query(statement)
  },
}

const STATEMENTS = [
  'ALTER TABLE offers ADD COLUMN practised_by uuid REFERENCES students (id) ON DELETE CASCADE',
  'CREATE INDEX offers_of_practice ON offers (practised_by) WHERE practised_by IS NOT NULL',
]
