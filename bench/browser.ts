import { fork } from 'node:child_process'
import { randomUUID } from 'node:crypto'
import { fileURLToPath } from 'node:url'
import { chromium, type Browser, type CDPSession, type Page } from '@playwright/test'
import pg from 'pg'
import { percentile95 } from './wordsearch.ts'

const CHROMIUM = '/usr/bin/chromium'
/** A slow line, in bits and milliseconds, and how much slower than this machine the device is. */
const LINE = { bits: 1_600_000, latency: 150 }
const SLOWER = 4
/** How often a page is loaded: a busy machine makes the middle one slower, and says little of the page. */
const LOADS = 5
const TYPED = 'the quick brown otter swims over the lazy river and back again'
/** Rows of the list that is typed into, and of the one that is opened. */
const ROWS = 500
const MANY_ROWS = 5000

/** What the browser makes of the pages, on the built server with the sample data. */
export async function benchBrowser(): Promise<void> {
  console.log('In the browser')
  const { url, stop } = await startServer()
  const browser = await chromium.launch({ executablePath: CHROMIUM, args: ['--no-sandbox'] })
  try {
    const context = await browser.newContext({ viewport: { width: 1280, height: 800 }, baseURL: url })
    const page = await context.newPage()
    await page.goto('/')
    await page.getByRole('button', { name: /Look around/ }).click()
    await page.getByRole('heading', { name: 'Your lists' }).waitFor()
    const code = await codeOf(page)
    const [typed, opened] = [await addList(page, ROWS), await addList(page, MANY_ROWS)]
    await benchTyping(page, typed)
    await benchOpening(page, opened)
    await benchFirstLoad(browser, url, `/p/${code}`, 'student’s page', { width: 360, height: 640 })
    const cookies = await context.cookies()
    const small = await addList(page, 40)
    await benchFirstLoad(browser, url, `/lists/${small}`, 'page of a list of 40', { width: 1280, height: 800 }, cookies)
  } finally {
    await browser.close()
    await stop()
  }
}

async function startServer(): Promise<{ url: string; stop: () => Promise<void> }> {
  const cluster = process.env.TEST_CLUSTER_URL ?? ''
  const name = `bench_${randomUUID().replaceAll('-', '')}`
  const admin = new pg.Client({ connectionString: `${cluster}/postgres` })
  await admin.connect()
  await admin.query(`CREATE DATABASE ${name}`)
  await admin.end()
  const home = fileURLToPath(new URL('../../../', import.meta.url))
  const child = fork(`${home}packages/server/dist/server.js`, {
    env: {
      ...process.env,
      DATABASE_URL: `${cluster}/${name}`,
      PORT: '0',
      SESSION_SECRET: 'for benchmarks alone',
      WEB_FOLDER: `${home}dist/web`,
    },
  })
  const port = await new Promise<number>((resolve, reject) => {
    child.once('exit', () => reject(new Error('the server did not start')))
    child.once('message', (message) => resolve((message as { ready: number }).ready))
  })
  child.removeAllListeners('exit')
  return {
    url: `http://127.0.0.1:${port}`,
    stop: async () => {
      const gone = new Promise((resolve) => child.once('exit', resolve))
      child.kill('SIGTERM')
      await gone
    },
  }
}

async function api<Reply>(page: Page, method: string, path: string, body?: object): Promise<Reply> {
  const reply = await page.request.fetch(`/api${path}`, {
    method,
    data: body,
    headers: { 'Sec-Fetch-Site': 'same-origin' },
  })
  if (!reply.ok()) throw new Error(`${method} ${path}: ${reply.status()} ${await reply.text()}`)
  return (await reply.json()) as Reply
}

async function codeOf(page: Page): Promise<string> {
  const links = await api<{ code: string }[]>(page, 'GET', '/links')
  return links[0]!.code
}

async function addList(page: Page, count: number): Promise<string> {
  const { id } = await api<{ id: string }>(page, 'POST', '/lists', { title: `${count} words` })
  let version = 0
  for (let from = 0; from < count; from += 1000) {
    const put = Array.from({ length: Math.min(1000, count - from) }, (_, index) => ({
      id: randomUUID(),
      position: from + index + 1,
      answer: { text: `${'abcdefghijklmnopqrstuvwxyz'[index % 26]}word${from + index}` },
      prompt: { text: `what stands for number ${from + index}` },
    }))
    version = (await api<{ version: number }>(page, 'PATCH', `/lists/${id}`, { version, put })).version
  }
  return id
}

async function throttled(page: Page, rate: number): Promise<CDPSession> {
  const session = await page.context().newCDPSession(page)
  await session.send('Emulation.setCPUThrottlingRate', { rate })
  return session
}

/** Types into a field; returns the time from each key to the next paint, in milliseconds (Event Timing). */
async function typeInto(page: Page): Promise<number[]> {
  await page.evaluate(() => {
    const times: number[] = []
    Object.assign(globalThis, { times })
    new PerformanceObserver((list) => {
      for (const { name, duration } of list.getEntries()) if (name === 'keydown') times.push(duration)
    }).observe({ type: 'event', durationThreshold: 16, buffered: false } as PerformanceObserverInit)
  })
  for (const letter of TYPED) {
    await page.keyboard.press(letter === ' ' ? 'Space' : letter)
    await page.waitForTimeout(60)
  }
  await page.waitForTimeout(300)
  const slow = await page.evaluate(() => (globalThis as unknown as { times: number[] }).times)
  // Keys that were painted sooner than 16 ms are not told of.
  return [...slow, ...Array.from({ length: Math.max(0, TYPED.length - slow.length) }, () => 16)]
}

async function benchTyping(page: Page, list: string): Promise<void> {
  await page.goto(`/lists/${list}`)
  const cell = page.getByLabel('Clue or question, row 3', { exact: true })
  await cell.waitFor()
  await page.waitForTimeout(3000)
  const session = await throttled(page, SLOWER)
  await cell.click()
  const times = await typeInto(page)
  await session.send('Emulation.setCPUThrottlingRate', { rate: 1 })

  const empty = await page.context().newPage()
  const rows = Array.from({ length: ROWS }, () => '<tr><td><input></td><td><input></td></tr>').join('')
  await empty.setContent(`<table>${rows}</table>`)
  const emptySession = await throttled(empty, SLOWER)
  await empty.locator('input').nth(5).click()
  const plain = await typeInto(empty)
  await emptySession.detach()
  await empty.close()
  const said = (all: number[]): string =>
    `p50 ${median(all).toFixed(0)} ms, p95 ${percentile95(all).toFixed(0)} ms, most ${Math.max(...all).toFixed(0)} ms`
  console.log(`  key to paint in ${ROWS} entries, ${SLOWER} × slower: ${said(times)}; in an empty table ${said(plain)}`)
}

async function benchOpening(page: Page, list: string): Promise<void> {
  const times: number[] = []
  for (let tries = 0; tries < 5; tries++) {
    await page.goto('/')
    const link = page.getByRole('link', { name: new RegExp(`^${MANY_ROWS} words`) })
    await link.waitFor()
    await page.waitForTimeout(500)
    const began = performance.now()
    await link.click()
    await page.getByLabel('Answer, row 1', { exact: true }).waitFor()
    await page.evaluate(() => new Promise((resolve) => requestAnimationFrame(() => setTimeout(resolve))))
    times.push(performance.now() - began)
  }
  console.log(
    `  a list of ${MANY_ROWS} entries opens (${list.slice(0, 4)}…): ${times.map((time) => time.toFixed(0)).join(', ')} ms`,
  )
}

/** Loads a page for the first time, on a slow line and a slow device. */
async function benchFirstLoad(
  browser: Browser,
  url: string,
  path: string,
  name: string,
  viewport: { width: number; height: number },
  cookies: Parameters<Awaited<ReturnType<Browser['newContext']>>['addCookies']>[0] = [],
): Promise<void> {
  const runs: { paint: number; shift: number; bytes: number }[] = []
  for (let tries = 0; tries < LOADS; tries++) {
    const context = await browser.newContext({ viewport, baseURL: url })
    await context.addCookies(cookies)
    const page = await context.newPage()
    const session = await throttled(page, SLOWER)
    await session.send('Network.enable')
    await session.send('Network.emulateNetworkConditions', {
      offline: false,
      latency: LINE.latency,
      downloadThroughput: LINE.bits / 8,
      uploadThroughput: LINE.bits / 8,
    })
    let bytes = 0
    session.on('Network.loadingFinished', ({ encodedDataLength }) => (bytes += encodedDataLength))
    await page.addInitScript(() => {
      const seen = { paint: 0, shift: 0 }
      Object.assign(globalThis, { seen })
      new PerformanceObserver((list) => {
        for (const { startTime } of list.getEntries()) seen.paint = startTime
      }).observe({ type: 'largest-contentful-paint', buffered: true })
      new PerformanceObserver((list) => {
        for (const entry of list.getEntries() as (PerformanceEntry & { value: number })[]) seen.shift += entry.value
      }).observe({ type: 'layout-shift', buffered: true })
    })
    await page.goto(path)
    await page.waitForLoadState('networkidle')
    await page.waitForTimeout(2500)
    const seen = await page.evaluate(() => (globalThis as unknown as { seen: { paint: number; shift: number } }).seen)
    runs.push({ ...seen, bytes })
    await context.close()
  }
  const middle = (of: (run: (typeof runs)[number]) => number): number => median(runs.map(of))
  console.log(
    `  ${name}, ${LINE.bits / 1e6} Mbit/s, ${LINE.latency} ms, ${SLOWER} × slower: largest paint ${(middle(({ paint }) => paint) / 1000).toFixed(2)} s (${(Math.min(...runs.map(({ paint }) => paint)) / 1000).toFixed(2)} at best), layout shift ${middle(({ shift }) => shift).toFixed(3)}, ${(middle(({ bytes }) => bytes) / 1000).toFixed(0)} kB`,
  )
}

function median(numbers: readonly number[]): number {
  return [...numbers].sort((one, other) => one - other)[Math.floor(numbers.length / 2)]!
}
