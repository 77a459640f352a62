import { readFileSync } from 'node:fs'
import { GAME_KINDS } from '@otter/core'
import { expect, query, test } from './otter.ts'

/** Most script that a student's page may fetch, packed with gzip, in bytes. */
const MOST = 120_000

test('a student’s page is small in a live session of any game', async ({ teacher, browser, server }) => {
  test.setTimeout(120_000)
  const [list] = await query<{ id: string }>(
    server.databaseUrl,
    "SELECT id FROM lists WHERE title = 'The beehive' ORDER BY created_at LIMIT 1",
    [],
  )
  for (const kind of GAME_KINDS) {
    const code = await teacher.evaluate(
      async ([listId, game]) => {
        const post = (path: string, body: object): Promise<Response> =>
          fetch(`/api${path}`, {
            method: 'POST',
            headers: { 'Content-Type': 'application/json' },
            body: JSON.stringify(body),
          })
        const offer = (await (await post(`/lists/${listId}/live`, { kind: game, seed: '1' })).json()) as {
          id: string
          code: string
        }
        const { facts } = (await (await fetch(`/api/live/${offer.id}`)).json()) as { facts: { revision: number } }
        await post(`/live/${offer.id}/commands`, { command: { type: 'start' }, revision: facts.revision })
        return offer.code
      },
      [list!.id, kind] as const,
    )
    const context = await browser.newContext({ baseURL: server.url, locale: 'en-GB' })
    const phone = await context.newPage()
    const scripts = new Set<string>()
    phone.on('response', (response) => {
      if (response.request().resourceType() === 'script') scripts.add(new URL(response.url()).pathname)
    })
    await phone.goto(`/p/${code}`)
    await phone.getByLabel('Your name').fill('Ada')
    await phone.getByRole('button', { name: 'Come in' }).click()
    await expect(phone.getByText('Playing as Ada')).toBeVisible()
    await phone.waitForLoadState('networkidle')
    let size = 0
    for (const path of scripts) size += packed(path)
    expect(size, kind).toBeGreaterThan(50_000)
    expect(size, kind).toBeLessThanOrEqual(MOST)
    await context.close()
  }
})

/** Most script that a teacher's page begins with, packed with gzip, in bytes: its words need no more but their texts. */
const MOST_AT_FIRST = 260_000

test('the words of a list are there, and can be written, before its games are fetched', async ({ teacher }) => {
  const made = await teacher.request.post('/api/lists', {
    headers: { 'Sec-Fetch-Site': 'same-origin' },
    data: { title: 'Before the games' },
  })
  const { id } = (await made.json()) as { id: string }
  const page = await (await teacher.request.get(`/lists/${id}`)).text()
  const size = [...page.matchAll(/"(\/assets\/[^"]+\.js)"/gu)].reduce((sum, [, path]) => sum + packed(path!), 0)
  expect(size).toBeGreaterThan(100_000)
  expect(size).toBeLessThanOrEqual(MOST_AT_FIRST)

  let held = 0
  let release = (): void => undefined
  const released = new Promise<void>((resolve) => (release = resolve))
  // What checks a list against every game, and draws it: on a slow line all of it comes later.
  await teacher.route(/\/assets\/(FitCards|games|lookOver|lookOver\.worker|puzzle\.worker)-/u, async (route) => {
    held++
    await released
    await route.continue()
  })
  await teacher.goto(`/lists/${id}`)
  const cell = teacher.getByLabel('Answer, row 1', { exact: true })
  await cell.fill('written before the games')
  await expect(teacher.getByRole('heading', { name: 'What this list can be' })).toBeVisible()
  await expect(teacher.getByText('Saved', { exact: false }).first()).toBeVisible()
  await expect(teacher.getByText(/of \d+ ready/u)).toBeHidden()
  expect(held).toBeGreaterThan(0)
  release()
  await expect(teacher.getByRole('link', { name: /Word search/u })).toBeVisible()
  await expect(cell).toHaveValue('written before the games')
})

function packed(path: string): number {
  const file = new URL(`../dist/web${path}`, import.meta.url)
  try {
    return readFileSync(`${file.pathname}.gz`).length
  } catch {
    // What is tiny is not packed.
    return readFileSync(file).length
  }
}
