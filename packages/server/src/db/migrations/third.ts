import { DataTypes, type QueryInterface } from 'sequelize'

/** The list's version that a game was made from, so that it can be said when the words have changed since. */
export const third = {
  name: '003-games-know-their-list',
  async up({ context }: { context: QueryInterface }): Promise<void> {
    await context.addColumn('game_versions', 'list_version', { type: DataTypes.INTEGER })
  },
}
