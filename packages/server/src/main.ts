import { availableParallelism } from 'node:os'
import { pino } from 'pino'
import { z } from 'zod'
import { createApp } from './app.ts'
import { migrate, openDatabase } from './db/database.ts'
import { loadSample, SAMPLE_EMAIL } from './sample/load.ts'
import { startWorkers } from './workers/pool.ts'

const Environment = z.object({
  DATABASE_URL: z.string(),
  PORT: z.coerce.number().int().min(0).max(65535).default(4780),
  SESSION_SECRET: z.string().min(16),
  WEB_FOLDER: z.string(),
  SAMPLE_DATA: z.enum(['0', '1']).default('1'),
  LOG_LEVEL: z.string().default('warn'),
  PUBLIC_URL: z.url().optional(),
  /** Where this machine finds the site, such as by a proxy; for mails where nothing else is set. */
  LOCAL_ADDRESS: z.url().optional(),
  TRUST_PROXY: z.string().default('loopback'),
  SMTP_URL: z.url().optional(),
  MAIL_FROM: z.string().default('Jolly Otter <otter@localhost>'),
  OPERATOR_SECRET: z.string().min(16).optional(),
})
const settings = Environment.parse(process.env)
const { DATABASE_URL, PORT, SESSION_SECRET, WEB_FOLDER, SAMPLE_DATA, LOG_LEVEL, SMTP_URL, OPERATOR_SECRET } = settings

const logger = pino({ level: LOG_LEVEL })
const database = openDatabase(DATABASE_URL)
await migrate(DATABASE_URL)
const workers = startWorkers({ threads: Math.max(2, Math.min(4, availableParallelism() - 1)) })
const sampleTeacher = SAMPLE_DATA === '1' ? SAMPLE_EMAIL : undefined
if (sampleTeacher !== undefined) await loadSample(database, workers)
const { app, attach, close } = createApp({
  database,
  workers,
  databaseUrl: DATABASE_URL,
  sessionSecret: SESSION_SECRET,
  logger,
  webFolder: WEB_FOLDER,
  sampleTeacher,
  trustProxy: /^\d+$/u.test(settings.TRUST_PROXY) ? Number(settings.TRUST_PROXY) : settings.TRUST_PROXY,
  siteAddress: (settings.PUBLIC_URL ?? settings.LOCAL_ADDRESS ?? `http://localhost:${PORT}`).replace(/\/+$/u, ''),
  ...(settings.PUBLIC_URL !== undefined && { publicUrl: settings.PUBLIC_URL }),
  ...(SMTP_URL !== undefined && { mail: { smtp: SMTP_URL, from: settings.MAIL_FROM } }),
  ...(OPERATOR_SECRET !== undefined && { operatorSecret: OPERATOR_SECRET }),
})
const server = app.listen(PORT, (error?: Error) => {
  if (error) {
    console.error(error.message)
    process.exit(1)
  }
  const address = server.address()
  if (process.connected) process.send?.({ ready: typeof address === 'object' && address ? address.port : PORT })
})
attach(server)

let isStopping = false
const stop = async (): Promise<void> => {
  if (isStopping) return
  isStopping = true
  server.close()
  server.closeAllConnections()
  await Promise.all([workers.close(), close()])
  await database.sequelize.close()
  process.exit(0)
}
process.on('SIGTERM', () => void stop())
process.on('SIGINT', () => void stop())
process.on('disconnect', () => void stop())
