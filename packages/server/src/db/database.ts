import { Sequelize } from 'sequelize'
import { defineModels, type Models } from './models.ts'

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
