import type { QueryInterface } from 'sequelize'

/** Moves that waited for a connection are few, and told on every look at results. */
export const twentySecond = {
  name: '022-waited-moves',
  async up({ context }: { context: QueryInterface }): Promise<void> {
    await context.sequelize.query('CREATE INDEX moves_waited ON moves (play_id) WHERE delay_ms >= 5000')
  },
}
