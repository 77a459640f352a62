import type { QueryInterface } from 'sequelize'

/** Sites that may show an offer in a frame: null for none, an empty list for all. */
export const seventeenth = {
  name: '017-frames',
  async up({ context }: { context: QueryInterface }): Promise<void> {
    await context.sequelize.query('ALTER TABLE offers ADD COLUMN frames text[]')
  },
}
