import { inLane } from '../scripts/testing/lane.mjs'
import { lightness } from './lightness.ts'
import { expect, expectAccessible, query, test } from './otter.ts'
import { join } from './playing.ts'

test('every screen is dark where the device is, with enough contrast; paper stays white', async ({
  teacher: page,
  phone,
  server,
}) => {
  test.setTimeout(240_000)
  expect(await lightness(page)).toBeGreaterThan(0.8)
  await page.emulateMedia({ colorScheme: 'dark' })
  expect(await lightness(page)).toBeLessThan(0.3)
  await expectAccessible(page)
  const [{ id }] = (await query<{ id: string }>(
    server.databaseUrl,
    "SELECT id FROM lists WHERE title = 'The beehive' ORDER BY created_at LIMIT 1",
    [],
  )) as [{ id: string }]
  for (const path of ['', ...inLane([], ['/play']), '/results']) {
    await page.goto(`/lists/${id}${path}`)
    await expect(page.getByRole('navigation', { name: 'Steps of this list' })).toBeVisible()
    await page.waitForLoadState('networkidle')
    expect(await lightness(page), path).toBeLessThan(0.3)
    await expectAccessible(page)
  }
  const [own] = await query<{ class_id: string; student_id: string }>(
    server.databaseUrl,
    'SELECT class_id, student_id FROM enrollments ORDER BY class_id LIMIT 1',
    [],
  )
  const ofClass = `/classes/${own!.class_id}`
  for (const path of [
    ...[ofClass, `${ofClass}/report`, '/start'],
    ...inLane([], ['/classes', '/classes/import', `${ofClass}/students/${own!.student_id}`]),
    ...inLane([], ['/names', '/account', '/credits', '/families']),
  ]) {
    await page.goto(path)
    await expect(page.getByRole('main')).toBeVisible()
    await page.waitForLoadState('networkidle')
    await expect(page.getByRole('heading', { name: 'Nothing here' })).toHaveCount(0)
    expect(await lightness(page), path).toBeLessThan(0.3)
    await expectAccessible(page)
  }
  await page.goto(`/lists/${id}/games/wordsearch/print`)
  await expect(page.getByRole('article').first()).toBeVisible()
  expect(await lightness(page, 'article')).toBe(1)

  await phone.emulateMedia({ colorScheme: 'dark', reducedMotion: 'reduce' })
  const [{ code }] = (await query<{ code: string }>(
    server.databaseUrl,
    "SELECT code FROM offers WHERE rules ->> 'type' = 'link' ORDER BY created_at LIMIT 1",
    [],
  )) as [{ code: string }]
  await phone.goto(`/p/${code}`)
  await expect(phone.getByLabel('Your name')).toBeVisible()
  expect(await lightness(phone)).toBeLessThan(0.3)
  await expectAccessible(phone)
  await join(phone, code)
  await expect(phone.getByRole('progressbar').first()).toBeVisible()
  await expectAccessible(phone)
})
