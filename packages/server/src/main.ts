import { availableParallelism } from 'node:os'
import { pino } from 'pino'
import { createApp } from './app.ts'
import { openDatabase } from './db/database.ts'
import { migrate, NewerDatabase } from './db/migrate.ts'
import { unreachable } from './db/unreachable.ts'
import { loadSample, SAMPLE_EMAIL } from './sample/load.ts'
import { readSettings, WrongSettings, type Settings } from './settings.ts'
import { startWorkers } from './workers/pool.ts'

/** What the program that starts the server always gives it. */
type ServerSettings = Settings & { DATABASE_URL: string; SESSION_SECRET: string }

/** Servers that end take at most so long, whatever they wait for; in milliseconds. */
const LONGEST_END = 1500

let end: () => Promise<unknown> = async () => undefined
let isStopping = false

/** Ends what was begun, and the process after it: at once where it hangs on a database that is gone. */
function stop(): void {
  if (isStopping) return
  isStopping = true
  setTimeout(() => process.exit(0), LONGEST_END)
  end().then(
    () => process.exit(0),
    (error: unknown) => {
      console.error(error)
      process.exit(1)
    },
  )
}
process.on('SIGTERM', stop)
process.on('SIGINT', stop)
// Who started it is gone: nobody else would ever end it.
process.on('disconnect', stop)

async function serve(settings: ServerSettings): Promise<void> {
  const { DATABASE_URL, PORT, SMTP_URL, OPERATOR_SECRET, PUBLIC_URL } = settings
  const logger = pino({ level: settings.LOG_LEVEL })
  await migrate(DATABASE_URL, { tell: (line) => process.stdout.write(`${line}\n`) })
  const database = openDatabase(DATABASE_URL)
  const workers = startWorkers({ threads: Math.max(2, Math.min(4, availableParallelism() - 1)) })
  const sampleTeacher = settings.SAMPLE_DATA === '1' ? SAMPLE_EMAIL : undefined
  if (sampleTeacher !== undefined) await loadSample(database, workers)
  const { app, attach, close } = createApp({
    database,
    workers,
    databaseUrl: DATABASE_URL,
    sessionSecret: settings.SESSION_SECRET,
    logger,
    webFolder: process.env.WEB_FOLDER,
    sampleTeacher,
    trustProxy: settings.TRUST_PROXY,
    siteAddress: PUBLIC_URL ?? settings.LOCAL_ADDRESS ?? `http://localhost:${PORT}`,
    ...(PUBLIC_URL !== undefined && { publicUrl: PUBLIC_URL }),
    ...(SMTP_URL !== undefined && { mail: { smtp: SMTP_URL, from: settings.MAIL_FROM } }),
    ...(OPERATOR_SECRET !== undefined && { operatorSecret: OPERATOR_SECRET }),
  })
  const server = app.listen(PORT, (error?: Error) => {
    if (error) {
      console.error(`Port ${PORT} can't be used: ${error.message}`)
      process.exit(1)
    }
    const address = server.address()
    if (process.connected) process.send?.({ ready: typeof address === 'object' && address ? address.port : PORT })
  })
  attach(server)
  end = async () => {
    server.close()
    server.closeAllConnections()
    await Promise.all([workers.close(), close()])
    await database.sequelize.close()
  }
}

/** Returns what a person can do about an error of the start, or nothing where it is a fault of the program. */
function adviceOn(error: unknown): string | undefined {
  if (error instanceof WrongSettings || error instanceof NewerDatabase) return error.message
  return unreachable(error, process.env.DATABASE_URL ?? '')
}

try {
  const settings = readSettings(process.env)
  const { DATABASE_URL, SESSION_SECRET } = settings
  if (DATABASE_URL === undefined || SESSION_SECRET === undefined)
    throw new WrongSettings('DATABASE_URL and SESSION_SECRET are needed: npm start sets both.')
  await serve({ ...settings, DATABASE_URL, SESSION_SECRET })
} catch (error) {
  console.error(adviceOn(error) ?? error)
  process.exit(1)
}
