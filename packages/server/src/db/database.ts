import { Sequelize } from 'sequelize'
import { SequelizeStorage, Umzug } from 'umzug'
import { first } from './migrations/first.ts'
import { second } from './migrations/second.ts'
import { third } from './migrations/third.ts'
import { defineModels, type Models } from './models.ts'

/** A connected database: its tables and its connection pool. */
export interface Database extends Models {
  sequelize: Sequelize
}

/** Opens a database; `onQuery` is told each statement. */
export function openDatabase(url: string, onQuery: ((sql: string) => void) | false = false): Database {
  const sequelize = new Sequelize(url, { dialect: 'postgres', logging: onQuery, pool: { max: 10 } })
  return { sequelize, ...defineModels(sequelize) }
}

/** Brings the schema up to date. */
export async function migrate({ sequelize }: Database): Promise<void> {
  const umzug = new Umzug({ migrations: [first, second, third], context: sequelize.getQueryInterface(), storage: new SequelizeStorage({ sequelize }), logger: undefined })
  await umzug.up()
}
