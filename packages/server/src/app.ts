import { existsSync } from 'node:fs'
import type { Server as HttpServer } from 'node:http'
import { join } from 'node:path'
import { OPEN_PAGES, SIGNED_IN_PAGES, STUDENT_PAGES } from '@otter/api'
import { routeOf } from '@otter/api/description'
import compression from 'compression'
import connectPgSimple from 'connect-pg-simple'
import express, { type ErrorRequestHandler, type Express, type RequestHandler } from 'express'
import session from 'express-session'
import staticPacked from 'express-static-gzip'
import helmet from 'helmet'
import pg from 'pg'
import type { Logger } from 'pino'
import { pinoHttp } from 'pino-http'
import type { Database } from './db/database.ts'
import { reading, type ScopeSource } from './db/scope.ts'
import { LiveHub } from './live/hub.ts'
import { loggable, Problem, problemFrom } from './problem.ts'
import accountRoutes from './routes/account.ts'
import dictionaryRoutes, { kindRoutes } from './routes/dictionary.ts'
import healthRoutes from './routes/health.ts'
import jobRoutes from './routes/jobs.ts'
import classRoutes from './routes/classes.ts'
import studentRoutes from './routes/students.ts'
import printRoutes from './routes/prints.ts'
import liveRoutes from './routes/live.ts'
import listRoutes from './routes/lists.ts'
import mediaRoutes, { mediaFileRoutes } from './routes/media.ts'
import offerRoutes from './routes/offers.ts'
import operatorRoutes from './routes/operator.ts'
import playRoutes from './routes/play.ts'
import reportRoutes from './routes/reports.ts'
import rosterRoutes from './routes/rosters.ts'
import sessionRoutes from './routes/session.ts'
import wallRoutes, { remoteRoutes } from './routes/wall.ts'
import { teacherOf } from './routes/context.ts'
import { frameAncestors } from './services/frames.ts'
import { openLimits } from './services/limits.ts'
import { PASSWORD_COST } from './services/passwords.ts'
import { PuzzleCache } from './services/puzzleCache.ts'
import { startHousekeeping } from './workers/housekeeping.ts'
import { startJobs } from './workers/jobRunner.ts'
import { startMailer, type MailSettings } from './workers/mailer.ts'
import { startTimekeeper } from './workers/timekeeper.ts'
import type { Workers } from './workers/pool.ts'

/** What a server is put together from. */
export interface Parts {
  database: Database
  workers: Workers
  databaseUrl: string
  sessionSecret: string
  logger: Logger
  /** Folder with the built web pages; absent in tests of the API alone. */
  webFolder?: string
  sampleTeacher?: string
  /** Where teachers find this server, for what stands in mails. */
  siteAddress?: string
  /** Where all find this server, as it is set; absent, students get the address by which their teacher came. */
  publicUrl?: string
  /** Proxies whose word on addresses is believed, as Express takes it. */
  trustProxy?: string | number
  /** Where mails are sent from; absent, they are only kept. */
  mail?: MailSettings
  /** What opens the mails that were kept; absent, nothing does. */
  operatorSecret?: string
  /** Cost of scrypt for new passwords; lower in tests that sign many up. */
  passwordCost?: number
  /** Most connections that sessions and limits hold, beside those of the database. */
  connections?: number
  /** How often long jobs of other servers are looked for, in milliseconds. */
  lookForJobs?: number
}

/** Smaller replies are sent as they are, in bytes: packing them would take longer than sending. */
const PACKED_FROM = 1400
/** Largest request body. */
const BODY_LIMIT = '4mb'
const SESSION_AGE = 14 * 24 * 3600_000

/** Refuses what is a teacher's to whoever is none, before anything of it is read: no route can forget to ask. */
const teachersOnly: RequestHandler = (request, _response, next) => {
  if (routeOf(request.method, request.path)?.asker === 'teacher') teacherOf(request)
  next()
}

/** Puts the server together, and starts taking up long jobs; `attach` takes up sockets on what it listens with; `close` ends all. */
export function createApp({
  database,
  workers,
  databaseUrl,
  sessionSecret,
  logger,
  webFolder,
  sampleTeacher,
  siteAddress = 'http://localhost',
  publicUrl,
  trustProxy = 'loopback',
  mail,
  operatorSecret,
  passwordCost = PASSWORD_COST,
  connections = 4,
  lookForJobs,
}: Parts): { app: Express; attach: (server: HttpServer) => void; close: () => Promise<void> } {
  const app = express()
  const sessions = new pg.Pool({ connectionString: databaseUrl, max: connections })
  sessions.on('error', (error) => logger.error(loggable(error), 'session store'))
  const Store = connectPgSimple(session)
  app.set('trust proxy', trustProxy)
  app.disable('x-powered-by')
  app.use(
    pinoHttp({ logger, autoLogging: { ignore: (request) => !request.url?.startsWith('/api') }, quietReqLogger: true }),
  )
  app.use(
    helmet({
      contentSecurityPolicy: {
        useDefaults: false,
        directives: {
          defaultSrc: ["'self'"],
          scriptSrc: ["'self'"],
          workerSrc: ["'self'"],
          styleSrc: ["'self'"],
          styleSrcAttr: ["'unsafe-inline'"],
          imgSrc: ["'self'", 'data:', 'blob:'],
          mediaSrc: ["'self'", 'blob:'],
          fontSrc: ["'self'", 'data:'],
          connectSrc: ["'self'"],
          objectSrc: ["'none'"],
          frameAncestors: ["'self'"],
          frameSrc: ["'self'", 'blob:'],
          baseUri: ["'self'"],
          formAction: ["'self'"],
        },
      },
      strictTransportSecurity: false,
    }),
  )
  app.use('/api', compression({ threshold: PACKED_FROM }))
  app.use(
    '/api',
    sameOriginOnly,
    (_request, response, next) => {
      response.set('Cache-Control', 'no-store')
      next()
    },
    express.json({
      limit: BODY_LIMIT,
      reviver: (_key, value: unknown) => (typeof value === 'string' ? storable(value) : value),
    }),
  )
  const source = { database, puzzles: new PuzzleCache() }
  const stopHousekeeping = startHousekeeping(source, logger)
  const jobs = startJobs(source, workers, logger, lookForJobs)
  const limits = openLimits(sessions)
  const live = new LiveHub({ source, databaseUrl, secret: sessionSecret, logger })
  const stopTimekeeper = startTimekeeper(source, logger, ({ offerId, participantId }) =>
    live.moved(offerId, participantId),
  )
  const mailer = startMailer(source, mail, logger)
  const context = {
    ...source,
    workers,
    jobs,
    limits,
    sessionSecret,
    passwordCost,
    sampleTeacher,
    mailer,
    siteAddress,
    publicUrl,
    live,
    sendsMail: mail !== undefined,
    operatorSecret,
  }
  app.use(
    '/api',
    mediaFileRoutes(context),
    dictionaryRoutes(),
    playRoutes(context),
    studentRoutes(context),
    remoteRoutes(context),
    operatorRoutes(context),
  )
  app.use(
    '/api',
    session({
      name: 'otter_session',
      secret: sessionSecret,
      resave: false,
      saveUninitialized: false,
      rolling: false,
      cookie: { httpOnly: true, sameSite: 'lax', secure: 'auto', maxAge: SESSION_AGE },
      store: new Store({ pool: sessions, tableName: 'sessions', pruneSessionInterval: 3600, disableTouch: true }),
    }),
    teachersOnly,
    sessionRoutes(context),
    accountRoutes(context),
    listRoutes(context),
    offerRoutes(context),
    liveRoutes(context),
    wallRoutes(context),
    reportRoutes(context),
    rosterRoutes(context),
    classRoutes(context),
    kindRoutes(context),
    jobRoutes(context),
    printRoutes(context),
    mediaRoutes(context),
  )
  app.use('/api', () => {
    throw new Problem(404, 'nothing-here')
  })
  app.use(healthRoutes(source))
  if (webFolder !== undefined) servePages(app, webFolder, source)
  app.use(problems(logger))
  return {
    app,
    attach: (server) => live.attach(server),
    close: async () => {
      await live.close()
      stopHousekeeping()
      await stopTimekeeper()
      await jobs.close()
      await mailer.close()
      await sessions.end()
    },
  }
}

/**
 * Refuses changes that another site asks for (OWASP: Fetch Metadata, with Origin for older browsers); together with
 * SameSite cookies this is the protection against cross-site request forgery.
 */
const sameOriginOnly: RequestHandler = (request, _response, next) => {
  if (['GET', 'HEAD', 'OPTIONS'].includes(request.method)) return next()
  const site = request.get('Sec-Fetch-Site')
  const origin = request.get('Origin')
  const foreign =
    site !== undefined
      ? site !== 'same-origin'
      : origin !== undefined && origin.replace(/^https?:\/\//, '') !== request.get('Host')
  if (foreign) throw new Problem(403, 'foreign')
  next()
}

function servePages(app: Express, folder: string, source: ScopeSource): void {
  // Packed when they were built: as small as can be, and no work for each request.
  app.use(
    '/assets',
    staticPacked(join(folder, 'assets'), {
      enableBrotli: true,
      orderPreference: ['br', 'gz'],
      serveStatic: { immutable: true, maxAge: '365d', fallthrough: false },
    }),
  )
  app.use(compression({ threshold: PACKED_FROM }))
  app.use(express.static(folder, { index: false, maxAge: '1h' }))
  const page =
    (name: string, status = 200): RequestHandler =>
    (_request, response) => {
      response.status(status).set('Cache-Control', 'no-cache').sendFile(join(folder, name))
    }
  if (!existsSync(join(folder, 'index.html'))) return
  app.get([...STUDENT_PAGES], page('play.html'))
  // In frames of sites that its teacher has allowed, and of no others.
  app.get('/e/:code', async (request, response, next) => {
    const code = request.params.code.toUpperCase()
    const ancestors = await reading(source, null, (reader) => frameAncestors(reader, code))
    const policy = String(response.getHeader('Content-Security-Policy'))
    response.set('Content-Security-Policy', policy.replace("frame-ancestors 'self'", `frame-ancestors ${ancestors}`))
    // Older browsers know no list of sites here: the policy alone decides.
    response.removeHeader('X-Frame-Options')
    return page('play.html')(request, response, next)
  })
  app.get([...OPEN_PAGES, ...SIGNED_IN_PAGES], page('index.html'))
  // Whoever mistyped an address is told so by a page of ours, and a program by the status.
  app.get('/{*path}', page('index.html', 404))
}

function problems(logger: Logger): ErrorRequestHandler {
  return (error: unknown, _request, response, next) => {
    const problem = problemFrom(error)
    if (problem.status >= 500) logger.error(loggable(error))
    if (response.headersSent) return next(error)
    response.status(problem.status).type('application/problem+json').send(JSON.stringify(problem.details()))
  }
}

/** Returns text as the database takes it: without NUL, and without halves of letters. */
function storable(text: string): string {
  return text.replaceAll('\u0000', '').replace(/\p{Surrogate}/gu, '\ufffd')
}
