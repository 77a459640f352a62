import type { Language } from '@otter/api'
import type { Entry, ListDetails } from '@otter/core'
import {
  DataTypes,
  type CreationOptional,
  type InferAttributes,
  type InferCreationAttributes,
  type Model,
  type ModelStatic,
  type Sequelize,
} from 'sequelize'

/** One row of a table; fields as in the migrations, in camel case. */
type Row<Fields extends Model> = Model<InferAttributes<Fields>, InferCreationAttributes<Fields>>

export interface TeacherRow extends Row<TeacherRow> {
  id: string
  email: string
  name: string
  passwordHash: string
  language: Language | null
  timeZone: CreationOptional<string | null>
  isSample: CreationOptional<boolean>
  keepYears: CreationOptional<number>
}
interface ListRow extends Row<ListRow>, ListDetails {
  id: string
  teacherId: string
  archivedAt: CreationOptional<Date | null>
  version: CreationOptional<number>
  createdAt: CreationOptional<Date>
  updatedAt: CreationOptional<Date>
}
interface EntryRow extends Row<EntryRow>, Entry {
  id: string
  listId: string
  position: number
}
export interface MediumRow extends Row<MediumRow> {
  id: string
  teacherId: string
  kind: 'picture' | 'sound'
  type: string
  size: number
  bytes: Buffer | null
  gallery: string | null
  createdAt: CreationOptional<Date>
}

/** The tables whose rows services read and write as they are; all others are spoken to in SQL. */
export interface Models {
  teachers: ModelStatic<TeacherRow>
  lists: ModelStatic<ListRow>
  entries: ModelStatic<EntryRow>
  media: ModelStatic<MediumRow>
}

const id = { type: DataTypes.UUID, primaryKey: true }
const { UUID, TEXT, INTEGER, JSONB, DATE, DOUBLE, BOOLEAN } = DataTypes

export function defineModels(sequelize: Sequelize): Models {
  const table = (tableName: string): { tableName: string; timestamps: false; underscored: true } => ({
    tableName,
    timestamps: false,
    underscored: true,
  })
  return {
    teachers: sequelize.define<TeacherRow>(
      'teacher',
      {
        id,
        email: TEXT,
        name: TEXT,
        passwordHash: TEXT,
        language: TEXT,
        timeZone: TEXT,
        isSample: BOOLEAN,
        keepYears: INTEGER,
      },
      table('teachers'),
    ),
    lists: sequelize.define<ListRow>(
      'list',
      {
        id,
        teacherId: UUID,
        title: TEXT,
        answerLanguage: TEXT,
        promptLanguage: TEXT,
        description: TEXT,
        cover: JSONB,
        subject: TEXT,
        grade: TEXT,
        tags: JSONB,
        folder: TEXT,
        archivedAt: DATE,
        version: INTEGER,
        createdAt: DATE,
        updatedAt: DATE,
      },
      table('lists'),
    ),
    entries: sequelize.define<EntryRow>(
      'entry',
      {
        id,
        listId: UUID,
        position: DOUBLE,
        answer: JSONB,
        prompt: JSONB,
        accepted: JSONB,
        choices: JSONB,
        hint: TEXT,
        fact: TEXT,
        groups: JSONB,
        worth: INTEGER,
        seconds: INTEGER,
        scored: BOOLEAN,
        standards: JSONB,
        originId: UUID,
      },
      table('entries'),
    ),
    media: sequelize.define<MediumRow>(
      'medium',
      {
        id,
        teacherId: UUID,
        kind: TEXT,
        type: TEXT,
        size: INTEGER,
        bytes: DataTypes.BLOB,
        gallery: TEXT,
        createdAt: DATE,
      },
      table('media'),
    ),
  }
}
