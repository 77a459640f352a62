import { expect, expectAccessible, test } from './otter.ts'

test('an answer is tried out beside its entry, what a quiz would draw is kept, and the preview judges the same', async ({
  teacher,
}) => {
  await teacher.getByRole('link', { name: 'The beehive' }).click()
  await teacher.getByRole('button', { name: 'All of row 5' }).click()
  const tried = teacher.getByLabel('Try an answer')
  for (const [given, said] of [
    ['The Propolis!', 'Counts. Counts as “propolis”; the article makes no difference.'],
    ['proplis', 'Counts. Counts as “propolis”; one letter slipped.'],
    ['nectar', 'Does not count. That is the answer to another question.'],
    ['honey', 'Does not count.'],
  ] as const) {
    await tried.fill(given)
    await expect(teacher.getByText(said, { exact: true })).toBeVisible()
  }
  await teacher.getByText('Wrong choices a quiz would draw').click()
  const another = teacher.getByRole('button', { name: /^Another one instead of/ })
  await expect(another).toHaveCount(3)
  const first = (await another.first().getAttribute('aria-label'))!
  await another.first().click()
  await expect(teacher.getByRole('button', { name: first })).toHaveCount(0)
  await expectAccessible(teacher)
  await teacher.getByRole('button', { name: 'Keep these' }).click()
  await expect(teacher.getByText('Wrong choices a quiz would draw')).toHaveCount(0)
  await expect(teacher.getByText('saved')).toBeVisible()

  await teacher.getByRole('link', { name: 'Games', exact: true }).click()
  await expect(teacher.getByLabel('Answered by')).toBeVisible()
  await teacher.getByLabel('Answered by').selectOption({ label: 'Typing' })
  await teacher.getByLabel('Order', { exact: true }).selectOption({ label: 'As in the list' })
  await expect(teacher.getByLabel('Articles')).toHaveValue('free')
  const preview = teacher.locator('section', { hasText: 'What students get' }).last()
  await expect(preview.getByText('calms the bees with cool smoke')).toBeVisible()
  await preview.getByRole('textbox').fill('smokr')
  await preview.getByRole('textbox').press('Enter')
  await expect(preview.getByText('Counts as “smoker”; one letter slipped.')).toBeVisible()
  await expectAccessible(teacher)
})
