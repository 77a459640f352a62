import { randomUUID } from 'node:crypto'
import type { BrowserContext, Page } from '@playwright/test'
import type { QuizPuzzle } from '@otter/core/games/quiz'
import type { WordSearchPuzzle } from '@otter/core/games/wordsearch'
import { inLane } from '../scripts/testing/lane.mjs'
import { comeIn, device, openLobby } from './classroom.ts'
import { expect, expectAccessible, query, test } from './otter.ts'
import { puzzleOf } from './playing.ts'

/** Name of a school's server that is no secure context: browsers give it no clipboard and no microphone. */
const PLAIN_HOST = 'http://otter.quay.example'

test('a class plays a quiz together: two phones, one that reloads, one without a connection; the wall tells nothing private', async ({
  teacher,
  browser,
  server,
}) => {
  test.setTimeout(180_000)
  const code = await openLobby(teacher, 'The beehive', 'Quiz', 'Together')
  await expectAccessible(teacher)
  const contexts = await Promise.all([true, true, false, false].map((isPhone) => device(browser, server.url, isPhone)))
  const [ama, bo, chi, dario] = (await Promise.all(contexts.map((context) => context.newPage()))) as [
    Page,
    Page,
    Page,
    Page,
  ]
  const wall = await teacher.context().newPage()
  await wall.goto(`${teacher.url()}/wall`)
  await comeIn(ama, code, 'Ama')
  await expectAccessible(ama)
  await ama.getByLabel('A note by which your teacher knows you').fill('third row')
  await ama.getByRole('button', { name: 'Keep' }).click()
  await ama.getByRole('button', { name: 'Other hat' }).click()
  await ama.getByRole('button', { name: 'Dive for a shell' }).click()
  await comeIn(bo, code, 'Bo')
  await comeIn(chi, code, 'Chi')
  // A rude name is held: its owner plays under a made-up one, and only the teacher can look at it.
  await dario.goto(`/p/${code}`)
  await dario.getByLabel('Your name').fill('sh1t')
  await dario.getByRole('button', { name: 'Come in' }).click()
  await expect(dario.getByText('Your teacher looks at your name first.')).toBeVisible()
  await expect(teacher.getByText('1 name waits for your look')).toBeVisible()
  await expect(teacher.getByText('sh1t')).toHaveCount(0)
  await expect(wall.getByText('4 here')).toBeVisible()
  await expect(wall.getByText('third row')).toHaveCount(0)
  await expect(teacher.getByText('third row')).toBeVisible()
  await expectAccessible(wall)
  await teacher.getByRole('button', { name: 'Look', exact: true }).click()
  await teacher.getByRole('button', { name: 'Let in' }).click()
  await expect(wall.getByText('sh1t')).toBeVisible()

  await wall.keyboard.press('Enter')
  const puzzle = await puzzleOf<QuizPuzzle>(server.databaseUrl, code)
  const rightOf = (place: number): number => puzzle.questions[place]!.choices.findIndex(({ right }) => right)
  const answer = (page: Page, place: number, isRight: boolean): Promise<void> => {
    const right = rightOf(place)
    const choice = isRight ? right : (right + 1) % puzzle.questions[place]!.choices.length
    return page.locator('main ol button').nth(choice).click()
  }
  await expect(ama.getByText('Question 1 of 10')).toBeVisible()
  // Time enough for who loses the connection.
  await teacher.getByRole('button', { name: '+15 s' }).click()
  await teacher.getByRole('button', { name: '+15 s' }).click()
  await answer(ama, 0, true)
  await expect(ama.getByText('Sent. Waiting for the others.')).toBeVisible()
  // A reload picks up the same player, with the answer that was sent; the other phone answers by its keys.
  await ama.reload()
  await expect(ama.getByText('Sent. Waiting for the others.')).toBeVisible()
  await expect(ama.locator('main ol button[aria-pressed=true]')).toHaveCount(1)
  await bo.keyboard.press('ABCD'[(rightOf(0) + 1) % 4]!)
  await expect(bo.getByText('Sent. Waiting for the others.')).toBeVisible()
  await expect(wall.getByText('2 of 4 have answered').first()).toBeVisible()
  await expect(teacher.getByText(/The answer is/)).toBeVisible()
  await expect(wall.getByText(/✓|The answer is/)).toHaveCount(0)
  await expectAccessible(teacher)
  await expectAccessible(wall)

  // One loses the Wi-Fi: what is answered meanwhile is kept, and goes out when it is back.
  await contexts[2]!.setOffline(true)
  const away = new Promise((resolve) => setTimeout(resolve, inLane(0, 20_000)))
  await answer(chi, 0, true)
  await expect(chi.getByText(/No connection/)).toBeVisible({ timeout: 30_000 })
  await expect(teacher.getByRole('row', { name: /Chi/ })).toContainText('connection lost', { timeout: 30_000 })
  await away
  await contexts[2]!.setOffline(false)
  await expect(teacher.getByText('3 of 4 have answered')).toBeVisible({ timeout: 30_000 })
  // Answers that come in turn no clock back.
  for (const page of [teacher, wall, bo])
    await expect
      .poll(async () => Number(/0:(\d\d)/u.exec(await page.getByRole('timer').innerText())?.[1]))
      .toBeLessThan(40)
  // By the presenter's remote.
  await wall.keyboard.press('PageDown')
  await expect(ama.getByText('What the class said')).toBeVisible()
  await expect(ama.getByText(/That’s right/)).toBeVisible()
  await expect(bo.getByText('Not this time')).toBeVisible()
  await expectAccessible(bo)
  await expect(wall.getByText(/First to be right: (Ama|Chi)/)).toBeVisible()
  await expect(teacher.getByRole('row', { name: /Ama/ })).toContainText('1 of 10')

  // Both screens of the teacher survive a reload, in the middle of the next question.
  await teacher.getByRole('button', { name: 'Next question' }).click()
  await expect(bo.getByText('Question 2 of 10')).toBeVisible()
  await teacher.reload()
  await wall.reload()
  await expect(wall.getByText('Question 2 of 10')).toBeVisible()
  await teacher.getByRole('button', { name: 'Pause' }).click()
  await expect(bo.getByText('Your teacher has paused the game.')).toBeVisible()
  await teacher.getByRole('button', { name: 'Go on' }).click()
  await expect(bo.getByText('Your teacher has paused the game.')).toHaveCount(0)
  // Who answered without a connection, and comes back when all have been told, is late: the teacher may count it.
  await contexts[1]!.setOffline(true)
  await answer(bo, 1, true)
  // The teacher's screen is told of it while it reads how the session stood before: the late reading takes nothing away.
  const isSession = (url: URL): boolean => /\/api\/live\/[^/]+$/u.test(url.pathname)
  let letThrough = (): void => {}
  const told = new Promise<void>((resolve) => (letThrough = resolve))
  await teacher.route(isSession, async (route) => {
    const response = await route.fetch()
    await told
    await route.fulfill({ response })
  })
  await teacher.getByRole('button', { name: 'Close the question' }).click()
  await expect(chi.getByText('What the class said')).toBeVisible()
  await contexts[1]!.setOffline(false)
  await expect(bo.getByText(/your teacher can still count it/)).toBeVisible({ timeout: 30_000 })
  await expect(teacher.getByRole('button', { name: 'answers came late' })).toBeVisible()
  letThrough()
  await teacher.getByRole('button', { name: 'answers came late' }).click()
  await expectAccessible(teacher)
  await teacher.getByRole('button', { name: 'Count these answers' }).click()
  await expect(teacher.getByRole('button', { name: 'Count these answers' })).toHaveCount(0)
  await teacher.getByRole('button', { name: 'Close', exact: true }).click()
  await expect(teacher.getByRole('row', { name: /Bo/ })).toContainText('1 of 10')
  await teacher.getByRole('button', { name: 'Look at what Bo has answered' }).click()
  await expect(teacher.getByRole('dialog', { name: 'Bo: answers so far' })).toBeVisible()
  await expect(teacher.getByRole('dialog').getByRole('listitem')).toHaveCount(2)
  await expectAccessible(teacher)
  await teacher.getByRole('button', { name: 'Close', exact: true }).click()

  await teacher.getByRole('button', { name: 'End', exact: true }).click()
  await teacher.getByRole('dialog').getByRole('button', { name: 'End', exact: true }).click()
  await expect(wall.getByRole('heading', { name: 'Ashore' })).toBeVisible()
  await expect(wall.getByText('1 Ama')).toBeVisible()
  await expectAccessible(wall)
  await expect(ama.getByText('The game is over')).toBeVisible()
  await expect(ama.getByText(/Place 1 of 4/)).toBeVisible()
  await expectAccessible(ama)
  await teacher.getByRole('link', { name: 'Report' }).click()
  await expect(teacher.getByRole('row', { name: /Ama/ })).toContainText('1 of')
  await expect(teacher.getByRole('row', { name: /sh1t/ })).toBeVisible()
  await Promise.all(contexts.map((context) => context.close()))
})

test('a class plays at its own pace in a school’s network: no secure context, no WebSocket; then what was missed once more', async ({
  browser,
  server,
}) => {
  test.setTimeout(150_000)
  const base = server.url.replace(/http:\/\/[^:]+/u, PLAIN_HOST)
  const [desk, one, other] = (await Promise.all([
    device(browser, base, false),
    device(browser, base, true),
    device(browser, base, true),
  ])) as [BrowserContext, BrowserContext, BrowserContext]
  for (const context of [desk, one, other])
    await context.routeWebSocket(/./u, (socket) => socket.close({ code: 1011, reason: 'no WebSocket here' }))
  const teacher = await desk.newPage()
  await teacher.goto('/')
  expect(await teacher.evaluate(() => [isSecureContext, 'clipboard' in navigator])).toEqual([false, false])
  await teacher.getByRole('button', { name: /Look around/ }).click()
  const code = await openLobby(teacher, 'The beehive', 'Word search', 'Own pace')
  await expect(teacher.getByText(/otter\.quay\.example:\d+\/in/)).toBeVisible()
  await teacher.getByRole('button', { name: 'Copy link' }).click()
  await expect(teacher.getByLabel('Copy this address:')).toHaveValue(`${base}/p/${code}`)
  const [ada, bo] = [await one.newPage(), await other.newPage()]
  await comeIn(ada, code, 'Ada')
  const returnCode = await ada
    .getByText(/Your return code/)
    .locator('strong')
    .innerText()
  await teacher.getByRole('button', { name: 'Start' }).click()
  await expect(ada.getByText('Found 0 of 10')).toBeVisible()

  // Another device picks up the same player with the return code.
  await bo.goto(`/p/${code}`)
  await bo.getByRole('button', { name: 'I was here before' }).click()
  await bo.getByLabel('Your return code').fill(returnCode.toLowerCase())
  await bo.getByRole('button', { name: 'Back in' }).click()
  await expect(bo.getByText('Playing as Ada')).toBeVisible()
  const { words } = await puzzleOf<WordSearchPuzzle>(server.databaseUrl, code)
  const { row, col, dRow, dCol, length } = words[0]!
  const to = { row: row + dRow * (length - 1), col: col + dCol * (length - 1) }
  const marked = { id: randomUUID(), attempt: 1, move: { type: 'mark', from: { row, col }, to } }
  const status = await bo.evaluate(
    async ([path, body]) => {
      const headers = { 'Content-Type': 'application/json' }
      return (await fetch(path, { method: 'POST', headers, body })).status
    },
    [`/api/play/${code}/moves`, JSON.stringify(marked)] as const,
  )
  expect(status).toBe(200)
  await expect(bo.getByText('Found 1 of 10')).toBeVisible()
  await expect(ada.getByText('Found 1 of 10')).toBeVisible()
  await expect(teacher.getByRole('row', { name: /Ada/ })).toContainText('1 of 10')
  await teacher.getByRole('button', { name: 'End', exact: true }).click()
  await teacher.getByRole('dialog').getByRole('button', { name: 'End', exact: true }).click()
  await expect(ada.getByText('The game is over')).toBeVisible()
  await expect(teacher.getByText('Everything is saved.')).toBeVisible()
  await expectAccessible(teacher)
  await teacher.getByRole('button', { name: 'Play what was missed' }).click()
  await expect(teacher.getByText('0 here')).toBeVisible()
  const once = await query(server.databaseUrl, 'UPDATE lists SET archived_at = now() WHERE title = $1 RETURNING id', [
    'The beehive: once more',
  ])
  expect(once).toHaveLength(1)
  await Promise.all([desk, one, other].map((context) => context.close()))
})

test('a phone without a connection goes on to the next questions, and all its answers count once it is back', async ({
  teacher,
  browser,
  server,
}) => {
  const code = await openLobby(teacher, 'The beehive', 'Quiz', 'Own pace')
  const context = await device(browser, server.url, true)
  const phone = await context.newPage()
  await comeIn(phone, code, 'Ama')
  await teacher.getByRole('button', { name: 'Start' }).click()
  await expect(phone.getByText('Question 1 of 10')).toBeVisible()
  const { questions } = await puzzleOf<QuizPuzzle>(server.databaseUrl, code)
  const right = (place: number): number => questions[place]!.choices.findIndex((choice) => choice.right)
  await context.setOffline(true)
  for (const place of [0, 1, 2]) {
    await phone.locator('main ol button').nth(right(place)).tap()
    await phone.getByRole('button', { name: 'Go on to the next question' }).tap({ timeout: 40_000 })
    await expect(phone.getByText(`Question ${place + 2} of 10`)).toBeVisible()
  }
  await context.setOffline(false)
  await expect(phone.getByText('3 right of 10').first()).toBeVisible({ timeout: 40_000 })
  await expect(phone.getByText('Question 4 of 10')).toBeVisible()
  await expect(teacher.getByRole('row', { name: /Ama/ })).toContainText('3 of 10')
  // The end is set anew while it runs: at points that are there already.
  await teacher.getByRole('button', { name: 'End', exact: true }).click()
  await teacher.getByLabel('Ends', { exact: true }).selectOption({ label: 'at so many points' })
  await teacher.getByLabel('Points', { exact: true }).fill('30')
  await teacher.keyboard.press('Enter')
  await expect(phone.getByText('The game is over')).toBeVisible()
  await expect(teacher.getByText('Everything is saved.')).toBeVisible()
  await context.close()
})
