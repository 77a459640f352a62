import { DataTypes, type QueryInterface } from 'sequelize'

/** The list's version that a game was made from, so that it can be said when the words have changed since. */
export const third = {
  name: '003-games-know-their-list',
  async up({ context }: { context: QueryInterface }): Promise<void> {
    await context.addColumn('game_versions', 'list_version', { type: DataTypes.INTEGER })
    // Prompts were texts once; they are faces now, so that they can hold pictures and sounds.
    await context.sequelize.query(`UPDATE game_versions v SET puzzle = jsonb_set(v.puzzle, '{words}', (
      SELECT coalesce(jsonb_agg(CASE WHEN jsonb_typeof(w -> 'prompt') = 'string' THEN jsonb_set(w, '{prompt}',
        jsonb_build_object('text', w -> 'prompt')) ELSE w END ORDER BY place), '[]')
      FROM jsonb_array_elements(v.puzzle -> 'words') WITH ORDINALITY AS words(w, place)))
      FROM games g WHERE g.id = v.game_id AND g.kind = 'wordsearch'`)
  },
}
