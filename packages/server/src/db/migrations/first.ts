import { DataTypes, literal, type ModelAttributeColumnOptions, type QueryInterface } from 'sequelize'

const id = { type: DataTypes.UUID, primaryKey: true, allowNull: false }
const text = { type: DataTypes.TEXT, allowNull: false }
const now = { type: DataTypes.DATE, allowNull: false, defaultValue: literal('CURRENT_TIMESTAMP') }
const whole = { type: DataTypes.INTEGER, allowNull: false }
const json = { type: DataTypes.JSONB, allowNull: false }
const owner = (model: string): ModelAttributeColumnOptions => ({
  type: DataTypes.UUID,
  allowNull: false,
  references: { model, key: 'id' },
  onDelete: 'CASCADE',
})

/** Teachers, lists and their entries, games, links, and what students do with them. */
export const first = {
  name: '001-first',
  async up({ context }: { context: QueryInterface }): Promise<void> {
    await context.createTable('teachers', {
      id,
      email: { ...text, unique: true },
      name: text,
      password_hash: text,
      created_at: now,
    })
    await context.createTable('sessions', {
      sid: { type: DataTypes.STRING, primaryKey: true },
      sess: { type: DataTypes.JSON, allowNull: false },
      expire: { type: DataTypes.DATE, allowNull: false },
    })
    await context.addIndex('sessions', ['expire'])

    await context.createTable('lists', {
      id,
      teacher_id: owner('teachers'),
      title: text,
      answer_language: text,
      prompt_language: text,
      version: { ...whole, defaultValue: 0 },
      created_at: now,
      updated_at: now,
    })
    await context.addIndex('lists', ['teacher_id', 'updated_at'])
    await context.createTable('entries', {
      id,
      list_id: owner('lists'),
      position: { type: DataTypes.DOUBLE, allowNull: false },
      answer: json,
      prompt: json,
    })
    await context.addIndex('entries', ['list_id', 'position'])

    await context.createTable('games', { id, list_id: owner('lists'), kind: text, created_at: now })
    await context.addIndex('games', ['list_id'])
    await context.createTable('game_versions', {
      id,
      game_id: owner('games'),
      number: whole,
      title: text,
      language: text,
      options: json,
      seed: text,
      // Of list, options and seed: equal ones are the same game.
      fingerprint: text,
      puzzle: json,
      created_at: now,
    })
    await context.addIndex('game_versions', ['game_id', 'number'], { unique: true })

    await context.createTable('links', {
      id,
      game_id: owner('games'),
      code: { ...text, unique: true },
      open: { type: DataTypes.BOOLEAN, allowNull: false, defaultValue: true },
      created_at: now,
    })
    await context.addIndex('links', ['game_id'])
    await context.createTable('players', {
      id,
      link_id: owner('links'),
      name: text,
      token_hash: { ...text, unique: true },
      created_at: now,
    })
    await context.addIndex('players', ['link_id'])
    await context.createTable('plays', {
      id,
      player_id: owner('players'),
      game_version_id: owner('game_versions'),
      attempt: whole,
      moves: { ...whole, defaultValue: 0 },
      state: json,
      started_at: now,
      last_seen_at: now,
    })
    await context.addIndex('plays', ['player_id', 'attempt'], { unique: true })
    await context.addIndex('plays', ['game_version_id'])
    await context.createTable('responses', {
      id: { type: DataTypes.BIGINT, primaryKey: true, autoIncrement: true },
      play_id: owner('plays'),
      // No foreign key: an entry may be deleted from its list, what students did with it stays.
      entry_id: { type: DataTypes.UUID, allowNull: false },
      outcome: { type: DataTypes.ENUM('right', 'wrong', 'passed', 'unscored'), allowNull: false },
      given: text,
      points: whole,
      milliseconds: whole,
      at: now,
    })
    await context.addIndex('responses', ['play_id', 'entry_id'])
  },
  async down({ context }: { context: QueryInterface }): Promise<void> {
    for (const table of [
      'responses',
      'plays',
      'players',
      'links',
      'game_versions',
      'games',
      'entries',
      'lists',
      'sessions',
      'teachers',
    ]) {
      await context.dropTable(table)
    }
  },
}
