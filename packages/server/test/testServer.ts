import { randomUUID } from 'node:crypto'
import type { AddressInfo } from 'node:net'
import pg from 'pg'
import { pino } from 'pino'
import { createApp } from '../src/app.ts'
import { migrate, openDatabase, type Database } from '../src/db/database.ts'
import { startWorkers, type Workers } from '../src/workers/pool.ts'

/** A server on a database of its own, and a count of its queries. */
export interface TestServer {
  url: string
  database: Database
  workers: Workers
  queries: string[]
  close: () => Promise<void>
}

/** Starts a server on a fresh database of the cluster that TEST_CLUSTER_URL names. */
export async function startTestServer(): Promise<TestServer> {
  const cluster = process.env.TEST_CLUSTER_URL
  if (!cluster) throw new Error('TEST_CLUSTER_URL is not set: run the tests with npm test')
  const name = `test_${randomUUID().replaceAll('-', '')}`
  const admin = new pg.Client({ connectionString: `${cluster}/postgres` })
  await admin.connect()
  await admin.query(`CREATE DATABASE ${name}`)
  await admin.end()
  const databaseUrl = `${cluster}/${name}`
  const queries: string[] = []
  const database = openDatabase(databaseUrl, (sql) => queries.push(sql))
  await migrate(database)
  const workers = startWorkers(1)
  const { app, close } = createApp({ database, workers, databaseUrl, sessionSecret: 'for tests alone', logger: pino({ level: 'silent' }) })
  const server = app.listen(0, '127.0.0.1')
  await new Promise((resolve) => server.once('listening', resolve))
  return {
    url: `http://127.0.0.1:${(server.address() as AddressInfo).port}/api`, database, workers, queries,
    close: async () => {
      server.close()
      server.closeAllConnections()
      await Promise.all([workers.close(), close(), database.sequelize.close()])
    },
  }
}

export interface Reply {
  status: number
  type: string
  text: string
  bytes: Buffer
  // Tests look into replies as they come.
  // eslint-disable-next-line @typescript-eslint/no-explicit-any
  body: any
}

/** A browser without a screen: keeps cookies, speaks JSON. */
export class Client {
  private readonly cookies = new Map<string, string>()
  private readonly url: string

  constructor(url: string) {
    this.url = url
  }

  async call(method: string, path: string, body?: unknown, headers: Record<string, string> = {}): Promise<Reply> {
    const cookie = [...this.cookies].map(([name, value]) => `${name}=${value}`).join('; ')
    const response = await fetch(this.url + path, {
      method, headers: { ...(body === undefined ? {} : { 'Content-Type': 'application/json' }), ...(cookie ? { Cookie: cookie } : {}), ...headers },
      ...(body === undefined ? {} : { body: typeof body === 'string' || body instanceof Uint8Array ? body as Uint8Array<ArrayBuffer> : JSON.stringify(body) }),
    })
    for (const line of response.headers.getSetCookie()) {
      const [pair] = line.split(';')
      this.cookies.set(pair.slice(0, pair.indexOf('=')), pair.slice(pair.indexOf('=') + 1))
    }
    const bytes = Buffer.from(await response.arrayBuffer())
    const text = bytes.toString()
    const type = response.headers.get('content-type') ?? ''
    return { status: response.status, type, text, bytes, body: type.includes('json') ? JSON.parse(text) : undefined }
  }
}

let number = 0

/** Signs a new teacher up, and gives her client with a list of the given words. */
export async function teacherWithList(url: string, words: readonly string[]): Promise<{ client: Client; listId: string }> {
  const client = new Client(url)
  await client.call('POST', '/teachers', { name: 'Teacher', email: `teacher${number++}@school.example`, password: 'a long password' })
  const { body: list } = await client.call('POST', '/lists', { title: 'Words' })
  const put = words.map((word, index) => ({ id: randomUUID(), position: index + 1, answer: { text: word }, prompt: { text: `clue to ${index}` } }))
  await client.call('PATCH', `/lists/${list.id}`, { version: 0, put })
  return { client, listId: list.id }
}

export const WORDS = ['smoker', 'drone', 'brood', 'nectar', 'propolis', 'veil', 'swarm', 'pollen', 'comb', 'super']
