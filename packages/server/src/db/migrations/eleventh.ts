import type { QueryInterface } from 'sequelize'

/** Lists of names count their changes, so that one window does not overwrite another. */
export const eleventh = {
  name: '011-versions-of-rosters',
  async up({ context }: { context: QueryInterface }): Promise<void> {
    await context.sequelize.query('ALTER TABLE rosters ADD COLUMN IF NOT EXISTS version integer NOT NULL DEFAULT 0')
  },
}
