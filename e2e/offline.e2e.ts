import { expect, test } from './otter.ts'

test('a teacher without a connection keeps the page, and what comes next where it was fetched', async ({
  browser,
  server,
}) => {
  // A page of its own: what fails on purpose is no fault of it.
  const context = await browser.newContext({ baseURL: server.url, locale: 'en-GB' })
  const teacher = await context.newPage()
  await teacher.goto('/')
  await teacher.getByRole('button', { name: /Look around/ }).click()
  await teacher.getByRole('link', { name: /The beehive/ }).click()
  const cell = teacher.getByLabel('Answer, row 1', { exact: true })
  await expect(cell).toBeVisible()

  // What was not fetched yet says so, beside words that stand, and comes by itself.
  let isCut = true
  await teacher.route(/\/assets\/EntryPanel-/u, (route) => (isCut ? route.abort() : route.continue()))
  await cell.press('Control+.')
  const told = teacher.getByText('This part could not be fetched', { exact: false })
  await expect(told).toBeVisible()
  await expect(cell).toBeVisible()
  isCut = false
  await teacher.evaluate(() => dispatchEvent(new Event('online')))
  await expect(teacher.getByRole('heading', { name: /^1 ·/u })).toBeVisible()
  await expect(told).toBeHidden()

  // All that a list's steps need is fetched once the page has had time for it.
  const fetched = [/\/assets\/SharePage-/u, /\/assets\/KeysDialog-/u].map((file) => teacher.waitForResponse(file))
  await teacher.reload()
  await Promise.all(fetched)
  await teacher.waitForLoadState('networkidle')
  await context.setOffline(true)
  await teacher.getByRole('link', { name: 'Games', exact: true }).click()
  await expect(teacher.getByLabel('Number of choices')).toBeVisible()
  await expect(teacher.getByText('Something failed', { exact: false })).toBeVisible()
  await teacher.getByRole('link', { name: 'Play', exact: true }).click()
  await expect(teacher.getByRole('heading', { name: 'Set it for a class' })).toBeVisible()
  await expect(teacher.getByText('There is no connection to the server', { exact: false }).first()).toBeVisible({
    timeout: 15_000,
  })
  await expect(teacher.getByText('Make a class first')).toBeHidden()
  await teacher.getByRole('button', { name: 'Help: keys' }).click()
  await expect(teacher.getByRole('dialog', { name: 'Keys of this screen' })).toBeVisible()
  await context.close()
})
