import { expect, test } from './otter.ts'
import { beehive } from './playing.ts'

test('a quiz on the wall shows an answer when the teacher says so, and goes back, by keys', async ({
  signedIn: teacher,
  server,
}) => {
  await teacher.goto(`/lists/${await beehive(server.databaseUrl)}/games/quiz`)
  await teacher.getByRole('button', { name: 'Show on the wall' }).click()
  const wall = teacher.getByRole('dialog', { name: 'Quiz on the wall' })
  const question = wall.getByRole('heading', { level: 2 })
  await expect(wall.getByRole('status')).toHaveText('1 of 10')
  const first = await question.textContent()
  await expect(wall.getByLabel('right')).toHaveCount(0)
  await teacher.keyboard.press(' ')
  await expect(wall.getByLabel('right')).toHaveCount(1)
  await teacher.keyboard.press('ArrowRight')
  await expect(wall.getByRole('status')).toHaveText('2 of 10')
  await expect(wall.getByLabel('right')).toHaveCount(0)
  expect(await question.textContent()).not.toBe(first)
  await teacher.keyboard.press('ArrowLeft')
  await expect(question).toHaveText(first!)
  await wall.getByRole('button', { name: 'Close' }).click()
  await expect(wall).toHaveCount(0)
})
