import type { Page } from '@playwright/test'
import type { QuizboardPuzzle } from '@otter/core/games/quizboard'
import { comeIn, device, openLobby } from './classroom.ts'
import { expect, expectAccessible, test } from './otter.ts'
import { puzzleOf } from './playing.ts'

test('a quiz board is answered by everyone on their own device: a team names a question and scores its share', async ({
  teacher,
  browser,
  server,
}) => {
  test.setTimeout(120_000)
  const code = await openLobby(teacher, 'The beehive', 'Quiz board', 'From the board')
  const contexts = await Promise.all([true, true, true].map((isPhone) => device(browser, server.url, isPhone)))
  const [ama, bo, chi] = (await Promise.all(contexts.map((context) => context.newPage()))) as [Page, Page, Page]
  for (const [page, name] of [
    [ama, 'Ama'],
    [bo, 'Bo'],
    [chi, 'Chi'],
  ] as const)
    await comeIn(page, code, name)
  const wall = await teacher.context().newPage()
  await wall.setViewportSize({ width: 1920, height: 1080 })
  await wall.goto(`${teacher.url()}/wall`)
  await teacher.getByRole('button', { name: 'Start' }).click()

  // The board on the wall is steered by keys: the tile below the first one.
  await expect(wall.getByText('River: which question comes next?')).toBeVisible()
  await expect(ama.getByText('Look at the board: the next question is being chosen.')).toBeVisible()
  await expectAccessible(wall)
  await expectAccessible(teacher)
  const { columns, onDevices } = await puzzleOf<QuizboardPuzzle>(server.databaseUrl, code)
  const item = columns[0]!.items[1]!
  await wall.locator('[data-place="0 0"]').focus()
  await wall.keyboard.press('ArrowDown')
  await wall.keyboard.press('Enter')
  const { choices, prompt, worth } = onDevices.questions[item]!
  const right = choices.findIndex((choice) => choice.right)
  const answer = (page: Page, isRight: boolean): Promise<void> =>
    page
      .locator('main ol button')
      .nth(isRight ? right : (right + 1) % choices.length)
      .click()
  await expect(ama.getByText(prompt.text)).toBeVisible()
  await expect(wall.getByText(prompt.text)).toBeVisible()
  await answer(ama, true)
  // One reloads while the question stands.
  await bo.reload()
  await answer(bo, true)
  await answer(chi, false)
  await expect(wall.getByText('3 of 3 have answered').first()).toBeVisible()
  await expectAccessible(ama)
  await expectAccessible(wall)
  await wall.keyboard.press('PageDown')
  await expect(wall.getByText(/^(River|Meadow): [01] of 1 right$/u)).toBeVisible()
  await expect(wall.getByText(/^(River|Meadow): [12] of 2 right$/u)).toBeVisible()
  await expect(chi.getByText('What the class said')).toBeVisible()
  await expect(chi.getByText(/(River|Meadow): \d of \d right/u)).toBeVisible()
  await expectAccessible(chi)

  // A server that is killed, and both screens of the teacher loaded anew: the board is where it was.
  await server.crash()
  await wall.reload()
  await teacher.reload()
  await expect(wall.getByText(/^River: \d of \d right$/u)).toBeVisible()
  await wall.keyboard.press('Enter')
  await expect(wall.getByText('Meadow: which question comes next?')).toBeVisible()
  await expect(wall.locator('[data-place="0 1"]')).toHaveClass(/quizboard-used/u)
  const scores = await wall.getByRole('list', { name: 'Teams' }).getByRole('listitem').allInnerTexts()
  const points = scores.map((text) => Number(/\d+/u.exec(text)![0])).sort((one, other) => one - other)
  // Of three students in two teams, one is wrong, alone or beside one who is right.
  expect([
    [0, worth],
    [worth / 2, worth],
  ]).toContainEqual(points)

  // On the host's own page by mouse, to the end.
  await teacher.locator('[data-place="1 0"]').click()
  await expect(teacher.getByText(/The answer is/u)).toBeVisible()
  await expectAccessible(teacher)
  await teacher.getByRole('button', { name: 'Close the question' }).click()
  await teacher.getByRole('button', { name: 'Back to the board' }).click()
  await expect(wall.locator('[data-place="1 0"]')).toHaveClass(/quizboard-used/u)
  await teacher.getByRole('button', { name: 'End', exact: true }).click()
  await teacher.getByRole('dialog').getByRole('button', { name: 'End', exact: true }).click()
  await expect(ama.getByText('The game is over')).toBeVisible()
  await expectAccessible(ama)
  await expect(wall.getByRole('heading', { name: 'Ashore' })).toBeVisible()
  await Promise.all(contexts.map((context) => context.close()))
})
