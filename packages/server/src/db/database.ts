import { Sequelize } from 'sequelize'
import { SequelizeStorage, Umzug } from 'umzug'
import { eighth } from './migrations/eighth.ts'
import { fifth } from './migrations/fifth.ts'
import { first } from './migrations/first.ts'
import { fourth } from './migrations/fourth.ts'
import { ninth } from './migrations/ninth.ts'
import { second } from './migrations/second.ts'
import { seventh } from './migrations/seventh.ts'
import { sixth } from './migrations/sixth.ts'
import { eleventh } from './migrations/eleventh.ts'
import { tenth } from './migrations/tenth.ts'
import { third } from './migrations/third.ts'
import { thirteenth } from './migrations/thirteenth.ts'
import { fourteenth } from './migrations/fourteenth.ts'
import { fifteenth } from './migrations/fifteenth.ts'
import { sixteenth } from './migrations/sixteenth.ts'
import { seventeenth } from './migrations/seventeenth.ts'
import { eighteenth } from './migrations/eighteenth.ts'
import { nineteenth } from './migrations/nineteenth.ts'
import { twentieth } from './migrations/twentieth.ts'
import { twentyFirst } from './migrations/twentyFirst.ts'
import { twentySecond } from './migrations/twentySecond.ts'
import { twentyThird } from './migrations/twentyThird.ts'
import { twelfth } from './migrations/twelfth.ts'
import { defineModels, type Models } from './models.ts'

const MIGRATIONS = [
  first,
  second,
  third,
  fourth,
  fifth,
  sixth,
  seventh,
  eighth,
  ninth,
  tenth,
  eleventh,
  twelfth,
  thirteenth,
  fourteenth,
  fifteenth,
  sixteenth,
  seventeenth,
  eighteenth,
  nineteenth,
  twentieth,
  twentyFirst,
  twentySecond,
  twentyThird,
]

/** A connected database: its tables and its connection pool. Services never see it: they get a scope. */
export interface Database extends Models {
  sequelize: Sequelize
  /** Is told each statement. */
  onQuery?: (sql: string) => void
}

export interface DatabaseSettings {
  /** Is told each statement. */
  onQuery?: (sql: string) => void
  /** Most connections at once. */
  connections?: number
}

/** Opens a database. */
export function openDatabase(url: string, { onQuery, connections = 10 }: DatabaseSettings = {}): Database {
  const sequelize = new Sequelize(url, {
    dialect: 'postgres',
    logging: onQuery ?? false,
    // A connection that is new plans every statement again.
    pool: { max: connections, idle: 300_000 },
    // Statements are planned once for a connection, often while the tables are nearly empty: a plan that reads a whole
    // table would stay, and get slower with each row. Short statements are never worth being compiled.
    dialectOptions: { options: '-c enable_seqscan=off -c jit=off' },
  })
  return { sequelize, onQuery, ...defineModels(sequelize) }
}

/** Key of the lock under which servers that start at the same time put one thing after the other. */
export const START_LOCK = 4780

/**
 * Brings the schema up to date: all of it or nothing. One connection holds the transaction throughout, and servers that
 * start at the same time wait for each other.
 */
export async function migrate(url: string, until = MIGRATIONS.length): Promise<void> {
  const sequelize = new Sequelize(url, {
    dialect: 'postgres',
    logging: false,
    pool: { max: 1, idle: 3600_000, evict: 3600_000 },
  })
  try {
    await sequelize.query('BEGIN')
    await sequelize.query(`SELECT pg_advisory_xact_lock(${START_LOCK})`)
    const umzug = new Umzug({
      migrations: MIGRATIONS.slice(0, until),
      context: sequelize.getQueryInterface(),
      storage: new SequelizeStorage({ sequelize }),
      logger: undefined,
    })
    await umzug.up()
    await sequelize.query('COMMIT')
  } finally {
    await sequelize.close()
  }
}
