import {
  Transaction,
  type Attributes,
  type CreationAttributes,
  type DestroyOptions,
  type FindOptions,
  type Model,
  type ModelStatic,
  type UpdateOptions,
  type WhereOptions,
} from 'sequelize'
import type { PuzzleCache } from '../services/puzzleCache.ts'
import { codeOf } from '../problem.ts'
import type { Database } from './database.ts'
import type { Models } from './models.ts'
import { queryOn, type Connection, type Query } from './query.ts'

/** One table, within the scope's transaction. Rows are plain values. */
interface Table<Row extends Model> {
  findOne(options: FindOptions<Attributes<Row>>): Promise<Attributes<Row> | null>
  findAll(options: FindOptions<Attributes<Row>>): Promise<Attributes<Row>[]>
  create(row: CreationAttributes<Row>): Promise<Attributes<Row>>
  update(values: Partial<Attributes<Row>>, options: Omit<UpdateOptions<Attributes<Row>>, 'transaction'>): Promise<void>
  destroy(options: Omit<DestroyOptions<Attributes<Row>>, 'transaction'>): Promise<void>
  count(where: WhereOptions<Attributes<Row>>): Promise<number>
}

type Tables = { [Name in keyof Models]: Models[Name] extends ModelStatic<infer Row> ? Table<Row> : never }

/**
 * What a service works with: who acts, and the one connection and transaction of a request. There is no other way to
 * the database, so a request never waits for a second connection while it holds one.
 */
export interface Scope<Teacher extends string | null = string | null> {
  /** The teacher who acts; null where a student does, or the program. */
  teacherId: Teacher
  tables: Tables
  query: Query
  puzzles: PuzzleCache
  /** The moment at which all is done, in milliseconds since 1970; absent, it is what the database's clock shows. */
  moment?: number
}

/** A connection on which each statement stands alone, without a transaction around them. */
export type Reader<Teacher extends string | null = string | null> = Omit<Scope<Teacher>, 'tables'>

/** A scope in which a teacher acts. */
export type TeacherScope = Scope<string>

/** What scopes are opened on. */
export interface ScopeSource {
  database: Database
  puzzles: PuzzleCache
}

interface ScopeOptions<Teacher> {
  teacherId: Teacher
  /** Whether all that is read is of one moment. */
  snapshot?: boolean
}

/**
 * Codes (SQLSTATE) by which PostgreSQL says that two transactions stood in each other's way: done again, each succeeds.
 * The last one: what a row was to refer to was deleted meanwhile, or has been referred to since.
 */
const TRY_AGAIN = new Set(['40001', '40P01', '23503'])
const MOST_TRIES = 5

/** Tells whether a scope that failed so is opened again and its work done once more. */
export function isDoneAgain(error: unknown): boolean {
  return TRY_AGAIN.has(codeOf(error))
}

/**
 * Runs work in a scope of its own: all of it is kept, or nothing where it throws. Work that met another's is done
 * again, so it changes nothing but the database. Returns what the work returns.
 */
export async function inScope<Value, Teacher extends string | null>(
  source: ScopeSource,
  options: ScopeOptions<Teacher>,
  work: (scope: Scope<Teacher>) => Promise<Value>,
): Promise<Value> {
  for (let tries = 1; ; tries++) {
    try {
      return await once(source, options, work)
    } catch (error) {
      if (!isDoneAgain(error) || tries === MOST_TRIES) throw error
    }
  }
}

/**
 * Works with one statement at a time, on one connection: what is asked often and only reads, or changes all it changes
 * in one statement, needs no transaction. Returns what the work returns.
 */
export async function reading<Value, Teacher extends string | null>(
  { database: { sequelize, onQuery }, puzzles }: ScopeSource,
  teacherId: Teacher,
  work: (reader: Reader<Teacher>) => Promise<Value>,
): Promise<Value> {
  const { connectionManager } = sequelize as unknown as {
    connectionManager: {
      getConnection(options: object): Promise<Connection>
      releaseConnection(connection: Connection): void
    }
  }
  const connection = await connectionManager.getConnection({ type: 'SELECT', useMaster: true })
  try {
    return await work({ teacherId, puzzles, query: queryOn(connection, onQuery) })
  } finally {
    connectionManager.releaseConnection(connection)
  }
}

function once<Value, Teacher extends string | null>(
  { database, puzzles }: ScopeSource,
  { teacherId, snapshot = false }: ScopeOptions<Teacher>,
  work: (scope: Scope<Teacher>) => Promise<Value>,
): Promise<Value> {
  // The database's own level needs no statement to be set.
  return database.sequelize.transaction(
    snapshot ? { isolationLevel: Transaction.ISOLATION_LEVELS.REPEATABLE_READ } : {},
    (transaction) =>
      work({
        teacherId,
        puzzles,
        tables: {
          teachers: tableOf(database.teachers, transaction),
          lists: tableOf(database.lists, transaction),
          entries: tableOf(database.entries, transaction),
          media: tableOf(database.media, transaction),
        },
        query: queryOn((transaction as unknown as { connection: Connection }).connection, database.onQuery),
      }),
  )
}

function tableOf<Row extends Model>(model: ModelStatic<Row>, transaction: Transaction): Table<Row> {
  return {
    findOne: async (options) => (await model.findOne({ ...options, raw: true, transaction })) as Attributes<Row> | null,
    findAll: async (options) => await model.findAll({ ...options, raw: true, transaction }),
    create: async (row) => (await model.create(row, { transaction })).get({ plain: true }) as Attributes<Row>,
    update: async (values, options) => {
      await model.update(values, { ...options, transaction } as UpdateOptions<Attributes<Row>>)
    },
    destroy: async (options) => {
      await model.destroy({ ...options, transaction })
    },
    count: (where) => model.count({ where, transaction }),
  }
}
