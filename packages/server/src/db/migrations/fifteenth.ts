import type { QueryInterface } from 'sequelize'

/** What a teacher says of a question after it was shared counts for answers given before and after. */
export const fifteenth = {
  name: '015-corrections',
  async up({ context }: { context: QueryInterface }): Promise<void> {
    for (const statement of STATEMENTS) await context.sequelize.query(statement)
  },
}

const STATEMENTS = [
  `ALTER TABLE offers ADD COLUMN corrections jsonb NOT NULL DEFAULT '[]'`,
  // How often it was judged anew: a move that was judged before that is judged once more.
  'ALTER TABLE plays ADD COLUMN corrected integer NOT NULL DEFAULT 0',
  // What the game itself said, where a teacher has said otherwise.
  `ALTER TABLE responses ADD COLUMN judged text CHECK (judged IN ('right', 'wrong'))`,
]
