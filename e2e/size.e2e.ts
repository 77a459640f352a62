import { packed } from './packed.ts'
import { expect, test } from './otter.ts'

/** Most script that a teacher's page begins with, packed with gzip, in bytes: its words need no more but their texts. */
const MOST_AT_FIRST = 260_000

test('the words of a list are there, and can be written, before its games are fetched', async ({
  signedIn: teacher,
}) => {
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
