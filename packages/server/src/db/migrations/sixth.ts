import type { QueryInterface } from 'sequelize'

/** Terms can be called for all who play an offer, and claims are checked against the calls. */
export const sixth = {
  name: '006-calls',
  async up({ context }: { context: QueryInterface }): Promise<void> {
    for (const statement of STATEMENTS) await context.sequelize.query(statement)
  },
}

const STATEMENTS = [
  // Of the version that the offer has now; none where nobody calls with this house.
  'ALTER TABLE offer_games ADD COLUMN calls integer CHECK (calls >= 0)',
  // How many terms were called when the move was made, so that the moves lead to the same state again.
  'ALTER TABLE moves ADD COLUMN calls integer',
]
