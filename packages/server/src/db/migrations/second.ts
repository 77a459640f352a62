import { DataTypes, literal, type QueryInterface } from 'sequelize'

const text = { type: DataTypes.TEXT, allowNull: false, defaultValue: '' }
const array = { type: DataTypes.JSONB, allowNull: false, defaultValue: [] }
const ENTRY = {
  accepted: array,
  choices: array,
  hint: text,
  fact: text,
  group: text,
  standard: text,
  worth: { type: DataTypes.INTEGER },
  seconds: { type: DataTypes.INTEGER },
  scored: { type: DataTypes.BOOLEAN, allowNull: false, defaultValue: true },
}
const LIST = {
  description: text,
  cover: { type: DataTypes.JSONB },
  subject: text,
  grade: text,
  tags: array,
  folder: text,
  archived_at: { type: DataTypes.DATE },
}

/** All that an entry and a list can carry; pictures and sounds. */
export const second = {
  name: '002-entries-whole',
  async up({ context }: { context: QueryInterface }): Promise<void> {
    for (const [name, column] of Object.entries(ENTRY)) await context.addColumn('entries', name, column)
    for (const [name, column] of Object.entries(LIST)) await context.addColumn('lists', name, column)
    await context.createTable('media', {
      id: { type: DataTypes.UUID, primaryKey: true, allowNull: false },
      teacher_id: {
        type: DataTypes.UUID,
        allowNull: false,
        references: { model: 'teachers', key: 'id' },
        onDelete: 'CASCADE',
      },
      kind: { type: DataTypes.ENUM('picture', 'sound'), allowNull: false },
      // Media type, as its content says.
      type: { type: DataTypes.TEXT, allowNull: false },
      size: { type: DataTypes.INTEGER, allowNull: false },
      bytes: { type: DataTypes.BLOB },
      // A picture of the gallery has no bytes of its own.
      gallery: { type: DataTypes.TEXT },
      created_at: { type: DataTypes.DATE, allowNull: false, defaultValue: literal('CURRENT_TIMESTAMP') },
    })
    await context.addConstraint('media', {
      type: 'check',
      name: 'media_has_content',
      fields: ['bytes', 'gallery'],
      where: literal('(bytes IS NULL) <> (gallery IS NULL)') as never,
    })
    await context.addIndex('media', ['teacher_id'])
  },
  async down({ context }: { context: QueryInterface }): Promise<void> {
    await context.dropTable('media')
    for (const name of Object.keys(LIST)) await context.removeColumn('lists', name)
    for (const name of Object.keys(ENTRY)) await context.removeColumn('entries', name)
  },
}
