import type { Entry, GameKind, ListDetails, Outcome } from '@otter/core'
import { DataTypes, type CreationOptional, type InferAttributes, type InferCreationAttributes, type Model, type ModelStatic, type Sequelize } from 'sequelize'

/** One row of a table; fields as in the migrations, in camel case. */
type Row<Fields extends Model> = Model<InferAttributes<Fields>, InferCreationAttributes<Fields>>

export interface TeacherRow extends Row<TeacherRow> { id: string; email: string; name: string; passwordHash: string }
export interface ListRow extends Row<ListRow>, ListDetails {
  id: string; teacherId: string; archivedAt: Date | null
  version: CreationOptional<number>; createdAt: CreationOptional<Date>; updatedAt: CreationOptional<Date>
}
interface EntryRow extends Row<EntryRow>, Entry { id: string; listId: string; position: number }
export interface MediumRow extends Row<MediumRow> {
  id: string; teacherId: string; kind: 'picture' | 'sound'; type: string; size: number; bytes: Buffer | null; gallery: string | null; createdAt: CreationOptional<Date>
}
interface GameRow extends Row<GameRow> { id: string; listId: string; kind: GameKind }
export interface GameVersionRow extends Row<GameVersionRow> {
  id: string; gameId: string; number: number; title: string; language: string; options: unknown; seed: string; fingerprint: string; puzzle: unknown
  /** The list's version that it was made from; null where that is not known. */
  listVersion: number | null
}
interface LinkRow extends Row<LinkRow> { id: string; gameId: string; code: string; open: CreationOptional<boolean>; createdAt: CreationOptional<Date> }
export interface PlayerRow extends Row<PlayerRow> { id: string; linkId: string; name: string; tokenHash: string }
export interface PlayRow extends Row<PlayRow> {
  id: string; playerId: string; gameVersionId: string; attempt: number; moves: CreationOptional<number>; state: unknown
  startedAt: CreationOptional<Date>; lastSeenAt: CreationOptional<Date>
}
interface ResponseRow extends Row<ResponseRow> {
  id: CreationOptional<string>; playId: string; entryId: string; outcome: Outcome; given: string; points: number; milliseconds: number; at: Date
}

/** All tables of one database. */
export interface Models {
  teachers: ModelStatic<TeacherRow>
  lists: ModelStatic<ListRow>
  entries: ModelStatic<EntryRow>
  media: ModelStatic<MediumRow>
  games: ModelStatic<GameRow>
  gameVersions: ModelStatic<GameVersionRow>
  links: ModelStatic<LinkRow>
  players: ModelStatic<PlayerRow>
  plays: ModelStatic<PlayRow>
  responses: ModelStatic<ResponseRow>
}

const id = { type: DataTypes.UUID, primaryKey: true }
const { UUID, TEXT, INTEGER, JSONB, DATE, DOUBLE, BOOLEAN } = DataTypes

export function defineModels(sequelize: Sequelize): Models {
  const table = (tableName: string): { tableName: string; timestamps: false; underscored: true } => ({ tableName, timestamps: false, underscored: true })
  return {
    teachers: sequelize.define<TeacherRow>('teacher', { id, email: TEXT, name: TEXT, passwordHash: TEXT }, table('teachers')),
    lists: sequelize.define<ListRow>('list', {
      id, teacherId: UUID, title: TEXT, answerLanguage: TEXT, promptLanguage: TEXT, description: TEXT, cover: JSONB, subject: TEXT, grade: TEXT, tags: JSONB, folder: TEXT,
      archivedAt: DATE, version: INTEGER, createdAt: DATE, updatedAt: DATE,
    }, table('lists')),
    entries: sequelize.define<EntryRow>('entry', {
      id, listId: UUID, position: DOUBLE, answer: JSONB, prompt: JSONB, accepted: JSONB, choices: JSONB, hint: TEXT, fact: TEXT, group: TEXT,
      worth: INTEGER, seconds: INTEGER, scored: BOOLEAN, standard: TEXT,
    }, table('entries')),
    media: sequelize.define<MediumRow>('medium', { id, teacherId: UUID, kind: TEXT, type: TEXT, size: INTEGER, bytes: DataTypes.BLOB, gallery: TEXT, createdAt: DATE }, table('media')),
    games: sequelize.define<GameRow>('game', { id, listId: UUID, kind: TEXT }, table('games')),
    gameVersions: sequelize.define<GameVersionRow>('gameVersion', { id, gameId: UUID, number: INTEGER, title: TEXT, language: TEXT, options: JSONB, seed: TEXT, fingerprint: TEXT, puzzle: JSONB, listVersion: INTEGER }, table('game_versions')),
    links: sequelize.define<LinkRow>('link', { id, gameId: UUID, code: TEXT, open: BOOLEAN, createdAt: DATE }, table('links')),
    players: sequelize.define<PlayerRow>('player', { id, linkId: UUID, name: TEXT, tokenHash: TEXT }, table('players')),
    plays: sequelize.define<PlayRow>('play', { id, playerId: UUID, gameVersionId: UUID, attempt: INTEGER, moves: INTEGER, state: JSONB, startedAt: DATE, lastSeenAt: DATE }, table('plays')),
    responses: sequelize.define<ResponseRow>('response', { id: { type: DataTypes.BIGINT, primaryKey: true, autoIncrement: true }, playId: UUID, entryId: UUID, outcome: TEXT, given: TEXT, points: INTEGER, milliseconds: INTEGER, at: DATE }, table('responses')),
  }
}
