import { fork, type ChildProcess } from 'node:child_process'
import { randomUUID } from 'node:crypto'
import { readFileSync } from 'node:fs'
import { createRequire } from 'node:module'
import { fileURLToPath } from 'node:url'
import {
  test as base,
  expect,
  type APIRequestContext,
  type BrowserContext,
  type Locator,
  type Page,
} from '@playwright/test'
import pg from 'pg'

const home = fileURLToPath(new URL('..', import.meta.url))
const axeSource = readFileSync(createRequire(import.meta.url).resolve('axe-core/axe.min.js'), 'utf8')

/** What opens the mails of the tested server. */
export const OPERATOR_SECRET = 'the-secret-of-the-tests'

interface Workers {
  /**
   * Address of the built server, on a database of its own with the sample scenario; one for each worker. It can be
   * killed, and is started again on the same database.
   */
  server: { url: string; databaseUrl: string; crash: () => Promise<void> }
}

interface Tests {
  /** A page on which a teacher is signed in, with nothing open; its scripts reported no error when the test ends. */
  signedIn: Page
  /** The same, with the teacher's lists open. */
  teacher: Page
  /** A phone of 360×640 with touch. */
  phone: Page
  /** Tells of a test that failed what its pages showed, and what their consoles and the server said. */
  told: void
}

export const test = base.extend<Tests, Workers>({
  // Playwright reads the fixture's needs from this pattern.

  server: [
    async ({}, use) => {
      const databaseUrl = await sampleDatabase()
      const first = await startServer(databaseUrl, 0)
      let { child } = first
      const crash = async (): Promise<void> => {
        await ended(child, 'SIGKILL')
        ;({ child } = await startServer(databaseUrl, first.port))
      }
      await use({ url: `http://127.0.0.1:${first.port}`, databaseUrl, crash })
      await ended(child, 'SIGTERM')
    },
    { scope: 'worker' },
  ],
  baseURL: async ({ server }, use) => use(server.url),
  told: [
    // With the page, so that it is still there when the test has ended.
    async ({ browser, page: _page }, use, info) => {
      const lines: string[] = []
      const logged = serverLog.length
      const hear = (context: BrowserContext): unknown =>
        context.on('console', (message) => lines.push(`${message.type()}: ${message.text()}`))
      browser.contexts().forEach(hear)
      browser.on('context', hear)
      await use()
      browser.off('context', hear)
      if (info.status === info.expectedStatus) return
      for (const [number, page] of browser
        .contexts()
        .flatMap((context) => context.pages())
        .entries()) {
        const picture = info.outputPath(`page-${number}.png`)
        await page.screenshot({ path: picture }).catch(() => undefined)
        const shown = await page.locator('body').ariaSnapshot().catch(String)
        console.error(`Page ${page.url()}, pictured in ${picture}, shows:\n${shown}`)
      }
      await Promise.all(browser.contexts().map((context) => context.close()))
      console.error(`The consoles:\n${lines.join('\n')}\nThe server's log:\n${serverLog.slice(logged).join('')}`)
    },
    { auto: true },
  ],
  signedIn: async ({ page }, use) => {
    const errors = errorsOf(page)
    await signIn(page.request)
    await use(page)
    expect(errors).toEqual([])
  },
  teacher: async ({ signedIn }, use) => {
    await signedIn.goto('/')
    await expect(signedIn.getByRole('heading', { name: 'Your lists' })).toBeVisible()
    await use(signedIn)
  },
  phone: async ({ browser, server }, use, info) => {
    const context = await browser.newContext({
      viewport: { width: 360, height: 640 },
      hasTouch: true,
      isMobile: true,
      reducedMotion: 'reduce',
      baseURL: server.url,
      locale: 'en-GB',
    })
    const page = await context.newPage()
    const errors = errorsOf(page)
    await use(page)
    // Where the test has failed, it is looked at once more.
    if (info.status !== info.expectedStatus) return
    expect(errors).toEqual([])
    await context.close()
  },
})

/** Signs the teacher of the sample in, without a page. */
async function signIn(request: APIRequestContext): Promise<void> {
  const signed = await request.post('/api/session/sample', { headers: { 'Sec-Fetch-Site': 'same-origin' } })
  expect(signed.ok()).toBe(true)
}

/** What this worker's servers have said. */
const serverLog: string[] = []

/** A database with the sample scenario, which others are copied from. */
const TEMPLATE = 'sampled'

/** Creates a database with the sample scenario; returns its address. */
async function sampleDatabase(): Promise<string> {
  const cluster = process.env.TEST_CLUSTER_URL ?? ''
  const name = `e2e_${randomUUID().replaceAll('-', '')}`
  const admin = new pg.Client({ connectionString: `${cluster}/postgres` })
  await admin.connect()
  // Workers begin at once: one of them fills the template, and no two copy it at the same moment.
  await admin.query('SELECT pg_advisory_lock(2)')
  const { rowCount } = await admin.query('SELECT 1 FROM pg_database WHERE datname = $1', [TEMPLATE])
  if (rowCount === 0) {
    await admin.query(`CREATE DATABASE ${TEMPLATE}`)
    const { child } = await startServer(`${cluster}/${TEMPLATE}`, 0)
    await ended(child, 'SIGTERM')
  }
  await admin.query(`CREATE DATABASE ${name} TEMPLATE ${TEMPLATE} STRATEGY file_copy`)
  await admin.end()
  return `${cluster}/${name}`
}

async function startServer(databaseUrl: string, wanted: number): Promise<{ child: ChildProcess; port: number }> {
  const child = fork(`${home}packages/server/dist/server.js`, {
    env: {
      ...process.env,
      DATABASE_URL: databaseUrl,
      PORT: String(wanted),
      SESSION_SECRET: 'for tests alone, this one',
      OPERATOR_SECRET,
      WEB_FOLDER: `${home}dist/web`,
    },
    silent: true,
  })
  for (const stream of [child.stdout, child.stderr])
    stream?.on('data', (chunk: Buffer) => serverLog.push(chunk.toString()))
  const port = await new Promise<number>((resolve, reject) => {
    child.once('exit', () => reject(new Error('the server did not start')))
    child.once('message', (message) => resolve((message as { ready: number }).ready))
  })
  return { child, port }
}

async function ended(child: ChildProcess, signal: NodeJS.Signals): Promise<void> {
  child.removeAllListeners('exit')
  const gone = new Promise((resolve) => child.once('exit', resolve))
  child.kill(signal)
  await gone
}

function errorsOf(page: Page): string[] {
  const errors: string[] = []
  page.on('pageerror', (error) => errors.push(error.message))
  return errors
}

/** Finds nothing wrong on a screen, by axe's rules for WCAG 2.2 AA. */
export async function expectAccessible(page: Page): Promise<void> {
  // Once for each document.
  if (await page.evaluate(() => !('axe' in globalThis))) await page.evaluate(axeSource)
  const faults = await page.evaluate(async () => {
    const axe = (
      globalThis as unknown as {
        axe: {
          run: (
            options: object,
          ) => Promise<{ violations: { id: string; nodes: { html: string; failureSummary: string }[] }[] }>
        }
      }
    ).axe
    const { violations } = await axe.run({
      resultTypes: ['violations'],
      runOnly: ['wcag2a', 'wcag2aa', 'wcag21a', 'wcag21aa', 'wcag22aa', 'best-practice'],
    })
    return violations.map(
      ({ id, nodes }) =>
        `${id}: ${nodes
          .slice(0, 2)
          .map(({ html, failureSummary }) => `${html.slice(0, 160)} ${failureSummary}`)
          .join(' | ')}`,
    )
  })
  expect(faults).toEqual([])
}

/** Asks the database directly, to know what no player may. */
export async function query<Row>(databaseUrl: string, sql: string, values: unknown[]): Promise<Row[]> {
  const client = new pg.Client({ connectionString: databaseUrl })
  await client.connect()
  const { rows } = await client.query(sql, values)
  await client.end()
  return rows as Row[]
}

/** A file on the clipboard. */
interface ClipboardFile {
  name: string
  type: string
  base64: string
}

/** Pastes into a cell what a program has put on the clipboard, by media type. */
export async function pasteClipboard(
  cell: Locator,
  texts: Record<string, string>,
  files: ClipboardFile[] = [],
): Promise<void> {
  await cell.evaluate(
    (element, [own, ownFiles]) => {
      const data = new DataTransfer()
      for (const [type, text] of Object.entries(own)) data.setData(type, text)
      for (const { name, type, base64 } of ownFiles)
        data.items.add(new File([Uint8Array.from(atob(base64), (letter) => letter.charCodeAt(0))], name, { type }))
      element.dispatchEvent(new ClipboardEvent('paste', { clipboardData: data, bubbles: true, cancelable: true }))
    },
    [texts, files] as const,
  )
}

export { expect }
