import { Sequelize, type QueryInterface } from 'sequelize'
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
import { twentyFourth } from './migrations/twentyFourth.ts'
import { twentyThird } from './migrations/twentyThird.ts'
import { twelfth } from './migrations/twelfth.ts'

/** One step of the schema. Its name begins with its number. */
interface Migration {
  name: string
  up(parameters: { context: QueryInterface }): Promise<void>
}

const MIGRATIONS: readonly Migration[] = [
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
  twentyFourth,
]

/** Version of the program: its second number is that of the schema it works on. */
export const VERSION = versionOf(MIGRATIONS.length)

/** Key of the lock under which servers that start at the same time put one thing after the other. */
export const START_LOCK = 4780
/** How long a database may take to let a program in, in milliseconds. */
const LONGEST_CONNECT = 10_000

/** A database that knows more than this program: `message` says which version fits. */
export class NewerDatabase extends Error {
  constructor(known: number, wanted: number) {
    super(
      `This database is one of Jolly Otter ${versionOf(wanted)}, and this is ${versionOf(known)}, which would write to it what is wrong: start ${versionOf(wanted)} or newer, or choose another database.`,
    )
  }
}

function versionOf(steps: number): string {
  return `0.${steps}`
}

interface MigrateSettings {
  /** How many steps are known; all, but in tests. */
  until?: number
  /** Is told a line for each step of an upgrade. */
  tell?: (line: string) => void
}

/**
 * Brings the schema up to date: all of it or nothing. One connection holds the transaction throughout, and servers that
 * start at the same time wait for each other. Throws NewerDatabase where the database has steps that are not known here.
 */
export async function migrate(
  url: string,
  { until = MIGRATIONS.length, tell = () => undefined }: MigrateSettings = {},
): Promise<void> {
  const sequelize = new Sequelize(url, {
    dialect: 'postgres',
    logging: false,
    pool: { max: 1, idle: 3600_000, evict: 3600_000 },
    dialectOptions: { connectionTimeoutMillis: LONGEST_CONNECT },
  })
  const known = MIGRATIONS.slice(0, until)
  try {
    await sequelize.query('BEGIN')
    await sequelize.query(`SELECT pg_advisory_xact_lock(${START_LOCK})`)
    const storage = new SequelizeStorage({ sequelize })
    const done = await storage.executed()
    const beyond = done.filter((name) => !known.some((migration) => migration.name === name))
    if (beyond.length > 0)
      throw new NewerDatabase(until, Math.max(...beyond.map((name) => Number.parseInt(name, 10) || until + 1)))
    const isUpgrade = done.length > 0
    const step = (migration: Migration): Migration => ({
      name: migration.name,
      up: async (parameters) => {
        const began = Date.now()
        // What was never looked at, or was changed by the step before, would be planned as if it were empty.
        if (isUpgrade) await sequelize.query('ANALYZE')
        await migration.up(parameters)
        if (!isUpgrade) return
        const seconds = ((Date.now() - began) / 1000).toFixed(1)
        tell(`Upgrading the database: step ${migration.name} of ${until} is done, in ${seconds} s.`)
      },
    })
    if (isUpgrade && done.length < until)
      tell(`Upgrading the database from ${versionOf(done.length)} to ${versionOf(until)} …`)
    const umzug = new Umzug({
      migrations: known.map(step),
      context: sequelize.getQueryInterface(),
      storage,
      logger: undefined,
    })
    await umzug.up()
    await sequelize.query('COMMIT')
  } finally {
    await sequelize.close()
  }
}
