import { randomUUID } from 'node:crypto'
import type { AddressInfo } from 'node:net'
import { ProblemDetails } from '@otter/api'
import { routeOf } from '@otter/api/description'
import { expect } from 'chai'
import pg from 'pg'
import { pino } from 'pino'
import { createApp, type Parts } from '../src/app.ts'
import { openDatabase, type Database } from '../src/db/database.ts'
import { migrate } from '../src/db/migrate.ts'
import { inScope, type Scope } from '../src/db/scope.ts'
import { PuzzleCache } from '../src/services/puzzleCache.ts'
import { startWorkers, type Workers, type WorkerSettings } from '../src/workers/pool.ts'

/** A server on a database of its own, and a count of its queries. */
export interface TestServer {
  url: string
  database: Database
  databaseUrl: string
  workers: Workers
  queries: string[]
  /** Everything that was logged. */
  logged: () => string
  close: () => Promise<void>
}

export interface TestSettings extends Pick<Parts, 'mail' | 'operatorSecret' | 'siteAddress' | 'publicUrl'> {
  /** Most connections of the database's pool, and of the one for sessions. */
  connections?: number
  /** A database that is there already. */
  databaseUrl?: string
  workers?: Partial<WorkerSettings>
  /** How often jobs of other servers are looked for; seldom, so that queries can be counted. */
  lookForJobs?: number
  /** Cost of scrypt; low, since tests sign many up. */
  passwordCost?: number
  /** Without a record of queries and of what is logged, which takes time. */
  quiet?: boolean
  /** Whether it takes up sockets, and sees to live sessions. */
  sockets?: boolean
}

/** What servers that run have logged: whoever tells of a failure finds it here. */
const serverLogs = ((globalThis as unknown as Record<symbol, Set<() => string> | undefined>)[
  Symbol.for('otter.serverLogs')
] ??= new Set())

/** A database with the schema of today, which others are copied from. */
const TEMPLATE = 'migrated'

/**
 * Creates a database in the cluster that TEST_CLUSTER_URL names: with the schema of today, or an empty one. Returns its
 * address.
 */
export async function createDatabase(schema: 'migrated' | 'none' = 'migrated'): Promise<string> {
  const cluster = process.env.TEST_CLUSTER_URL
  if (!cluster) throw new Error('TEST_CLUSTER_URL is not set: run the tests with npm test')
  const name = `test_${randomUUID().replaceAll('-', '')}`
  const admin = new pg.Client({ connectionString: `${cluster}/postgres` })
  await admin.connect()
  try {
    // Tests run side by side: one of them makes the template, and no two copy it at once.
    await admin.query('SELECT pg_advisory_lock(1)')
    if (schema === 'migrated') {
      const { rowCount } = await admin.query('SELECT 1 FROM pg_database WHERE datname = $1', [TEMPLATE])
      if (rowCount === 0) {
        await admin.query(`CREATE DATABASE ${TEMPLATE}`)
        await migrate(`${cluster}/${TEMPLATE}`)
      }
    }
    await admin.query(`CREATE DATABASE ${name} TEMPLATE ${schema === 'migrated' ? TEMPLATE : 'template1'}
      STRATEGY file_copy`)
  } finally {
    await admin.end()
  }
  return `${cluster}/${name}`
}

/** Starts a server on a fresh database, or on one that is there. */
export async function startTestServer({
  connections = 10,
  databaseUrl,
  workers: settings = {},
  lookForJobs = 600_000,
  passwordCost = 2 ** 10,
  quiet = false,
  sockets = false,
  ...parts
}: TestSettings = {}): Promise<TestServer> {
  const address = databaseUrl ?? (await createDatabase())
  const queries: string[] = []
  const lines: string[] = []
  const database = openDatabase(address, {
    connections,
    ...(!quiet && { onQuery: (sql: string) => queries.push(sql) }),
  })
  if (databaseUrl !== undefined) await migrate(address)
  const workers = startWorkers({ threads: 1, ...settings })
  const logger = pino({ level: quiet ? 'silent' : 'info' }, { write: (line: string) => lines.push(line) })
  const { app, attach, close } = createApp({
    database,
    workers,
    databaseUrl: address,
    sessionSecret: 'for tests alone',
    logger,
    connections: Math.min(4, connections),
    lookForJobs,
    passwordCost,
    ...parts,
  })
  const logged = (): string => lines.join('')
  serverLogs.add(logged)
  const server = app.listen(0, '127.0.0.1')
  // A connection that closes in the moment it is used again would be no fault of what is tested.
  server.keepAliveTimeout = 120_000
  await new Promise((resolve) => server.once('listening', resolve))
  if (sockets) attach(server)
  return {
    url: `http://127.0.0.1:${(server.address() as AddressInfo).port}/api`,
    database,
    databaseUrl: address,
    workers,
    queries,
    logged,
    close: async () => {
      serverLogs.delete(logged)
      server.close()
      server.closeAllConnections()
      await Promise.all([workers.close(), close()])
      await database.sequelize.close()
    },
  }
}

export interface Reply {
  status: number
  type: string
  headers: Headers
  text: string
  bytes: Buffer
  // Tests look into replies as they come.
  // oxlint-disable-next-line typescript/no-explicit-any
  body: any
}

/** Finds that a reply is what the description of the API says, no more and no less. */
function expectDescribed(method: string, path: string, status: number, body: unknown): void {
  if (status >= 400) {
    expect(ProblemDetails.parse(body), `${method} ${path}`).to.deep.equal(body)
    return
  }
  const route = routeOf(method, path)
  if (!route || status === 304 || status === 206) return
  expect(status, `${method} ${path}`).to.equal(route.status ?? 200)
  if (typeof route.reply === 'object') expect(route.reply.parse(body), `${method} ${path}`).to.deep.equal(body)
}

/** A browser without a screen: keeps cookies, speaks JSON. */
export class Client {
  private readonly cookies = new Map<string, string>()
  private readonly url: string

  constructor(url: string) {
    this.url = url
  }

  /** Returns its cookies as a header has them. */
  cookie(): string {
    return [...this.cookies].map(([name, value]) => `${name}=${value}`).join('; ')
  }

  async call(method: string, path: string, body?: unknown, headers: Record<string, string> = {}): Promise<Reply> {
    const cookie = this.cookie()
    const response = await fetch(this.url + path, {
      method,
      headers: {
        ...(body === undefined ? {} : { 'Content-Type': 'application/json' }),
        ...(cookie ? { Cookie: cookie } : {}),
        ...headers,
      },
      ...(body === undefined
        ? {}
        : {
            body:
              typeof body === 'string' || body instanceof Uint8Array
                ? (body as Uint8Array<ArrayBuffer>)
                : JSON.stringify(body),
          }),
    })
    for (const line of response.headers.getSetCookie()) {
      const [pair] = line.split(';')
      this.cookies.set(pair!.slice(0, pair!.indexOf('=')), pair!.slice(pair!.indexOf('=') + 1))
    }
    const bytes = Buffer.from(await response.arrayBuffer())
    const text = bytes.toString()
    const type = response.headers.get('content-type') ?? ''
    const told = type.includes('json') ? (JSON.parse(text) as unknown) : undefined
    expectDescribed(method, path, response.status, told)
    return { status: response.status, type, headers: response.headers, text, bytes, body: told }
  }
}

/** Asks the database directly, to know what no player may. */
export function rows<Row extends object>(
  { database }: Pick<TestServer, 'database'>,
  sql: string,
  values: Record<string, unknown> = {},
): Promise<Row[]> {
  return inScope({ database, puzzles: new PuzzleCache() }, { teacherId: null }, (scope: Scope<null>) =>
    scope.query<Row>(sql, values),
  )
}

/** Returns the puzzle behind a link, with its answers. */
export async function puzzleOf<Puzzle>(server: Pick<TestServer, 'database'>, offerId: string): Promise<Puzzle> {
  const { puzzle } = (
    await rows<{ puzzle: Puzzle }>(
      server,
      'SELECT v.puzzle FROM offer_games m JOIN game_versions v ON v.id = m.game_version_id WHERE m.offer_id = $offerId',
      { offerId },
    )
  )[0]!
  return puzzle
}

/** Waits for a long job of a client; returns the reply with its file. Throws where it failed. */
export async function fileOf(client: Client, { body: { id } }: Reply): Promise<Reply> {
  for (;;) {
    const { body: job } = await client.call('GET', `/jobs/${id}`)
    if (job.state === 'done') return client.call('GET', `/jobs/${id}/file`)
    if (job.state !== 'waiting' && job.state !== 'running') throw new Error(JSON.stringify(job))
    await new Promise((resolve) => setTimeout(resolve, 50))
  }
}

let number = 0

/** Signs a new teacher up, and gives her client with a list of the given words. */
export async function teacherWithList(
  url: string,
  words: readonly string[],
): Promise<{ client: Client; listId: string }> {
  const client = new Client(url)
  await client.call('POST', '/teachers', {
    name: 'Teacher',
    email: `teacher${number++}@school.example`,
    password: 'a long password',
  })
  const { body: list } = await client.call('POST', '/lists', { title: 'Words' })
  const put = words.map((word, index) => ({
    id: randomUUID(),
    position: index + 1,
    answer: { text: word },
    prompt: { text: `clue to ${index}` },
    groups: [['one', 'two', 'three'][index % 3]!],
  }))
  await client.call('PATCH', `/lists/${list.id}`, { version: 0, put })
  return { client, listId: list.id }
}

export const WORDS = ['smoker', 'drone', 'brood', 'nectar', 'propolis', 'veil', 'swarm', 'pollen', 'comb', 'super']
