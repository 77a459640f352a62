import { readFileSync } from 'node:fs'
import type { Page } from '@playwright/test'
import { getDocument } from 'pdfjs-dist/legacy/build/pdf.mjs'
import { device } from './classroom.ts'
import { join } from './playing.ts'
import { expect, expectAccessible, test } from './otter.ts'

/** Opens the report of the class that has a term behind it. */
async function openReport(teacher: Page): Promise<void> {
  await teacher.getByRole('link', { name: 'Classes' }).click()
  await teacher.getByRole('link', { name: 'Orchestra 8' }).click()
  await teacher.getByRole('link', { name: 'Report', exact: true }).click()
  await expect(teacher.getByRole('heading', { name: 'Who knows what' })).toBeVisible()
}

test('a teacher reads the report of a term, sorts the map by keys, and goes on to a list, practice and a page for a family', async ({
  teacher,
}) => {
  test.setTimeout(120_000)
  await openReport(teacher)
  await expect(teacher.getByRole('region', { name: 'Teach again' })).toContainText('cello, flute, harp')
  await expect(teacher.getByRole('region', { name: 'Not about knowing' })).toContainText(
    'Noor Haddad: the device was away for 4 min, at question 5',
  )
  await expectAccessible(teacher)

  // The map by keys alone: cell by cell, with the answer; then sorted by a word, and by a student.
  const map = teacher.getByRole('table', { name: 'Students and words' })
  const names = (): Promise<string[]> => map.locator('tbody th button').allInnerTexts()
  const words = (): Promise<string[]> => map.locator('thead th button').allInnerTexts()
  const [before, asked] = [await names(), await words()]
  await map.locator('tbody td[data-cell]').first().focus()
  const here = teacher.locator('[aria-live="polite"]').filter({ hasText: before[0]! })
  await expect(here).toContainText(`${before[0]}, ${asked[0]}: right`)
  await teacher.keyboard.press('End')
  await expect(here).toContainText(`${before[0]}, ${asked.at(-1)}`)
  await teacher.keyboard.press('PageDown')
  await teacher.keyboard.press('Home')
  await expect(teacher.getByText(`${before.at(-1)}, ${asked[0]}:`)).toBeVisible()
  await expect(map.locator('tbody td[data-cell][tabindex="0"]')).toHaveCount(1)
  const wrongBy = map.getByRole('button', { name: `Sort by ${asked.at(-1)}` })
  await wrongBy.focus()
  await teacher.keyboard.press('Enter')
  await expect.poll(names).not.toEqual(before)
  await expect(map.locator('tbody tr').first().locator('td[data-cell]').last()).toHaveAccessibleName('wrong')
  await expect(map.getByRole('columnheader', { name: `Sort by ${asked.at(-1)}` })).toHaveAttribute('aria-sort', 'other')
  await map.getByRole('button', { name: `Sort by ${before[0]}` }).focus()
  await teacher.keyboard.press('Enter')
  await expect.poll(words).not.toEqual(asked)
  await teacher.getByRole('combobox', { name: 'Students' }).selectOption({ label: 'weakest first' })
  await expect.poll(async () => (await names())[0]).toBe('Pia Quist')

  // What pictures show can be had as numbers.
  const scores = teacher.getByRole('region', { name: 'How scores are spread' })
  await scores.getByText('As a table').click()
  await expect(scores.getByRole('row', { name: '90–100 2' })).toBeVisible()
  await expect(teacher.getByRole('region', { name: 'From week to week, first attempts' })).toBeVisible()
  await teacher.getByRole('button', { name: 'Show who gave what to “harp”' }).click()
  await expect(
    teacher.getByRole('listitem').filter({ hasText: 'Pia Quist' }).filter({ hasText: 'wrong' }),
  ).toBeVisible()
  await expect(teacher.getByText('Week 3: strings · Quiz · ')).toBeVisible()
  const standard = teacher.getByRole('row', { name: 'HQ.MU.1' })
  await expect(standard.getByLabel('Meaning of HQ.MU.1')).toHaveValue('Names the strings of an orchestra')
  await teacher.getByLabel('Take meanings from a CASE file').setInputFiles({
    name: 'case.json',
    mimeType: 'application/json',
    buffer: Buffer.from(
      JSON.stringify({
        CFItems: [{ identifier: 'x', humanCodingScheme: 'HQ.MU.1', fullStatement: 'Knows strings by ear' }],
      }),
    ),
  })
  await expect(standard.getByLabel('Meaning of HQ.MU.1')).toHaveValue('Knows strings by ear')

  // Groups, made in a worker; a shorter span; a file.
  await teacher.getByRole('button', { name: 'Groups by what they miss' }).click()
  await expect(teacher.getByRole('heading', { name: 'Group 1' })).toBeVisible()
  await expectAccessible(teacher)
  await teacher.getByLabel('Span').selectOption({ label: 'The last 7 days' })
  await expect(teacher.getByText('3 students · updates by itself')).toBeVisible()
  await teacher.getByLabel('Span').selectOption({ label: 'All time' })
  await teacher.getByText('Save as …').click()
  const [download] = await Promise.all([
    teacher.waitForEvent('download'),
    teacher.getByRole('link', { name: 'Gradebook (CSV)' }).click(),
  ])
  const gradebook = readFileSync(await download.path(), 'utf8')
  expect(gradebook).toContain('Student,Week 3: strings,Week 4: wind,Week 5: all of them,Week 6: before the concert')
  await teacher.getByText('Save as …').click()

  // A student's page: what sticks, and practice of the rest; then the page for the family, in its language.
  await teacher.getByRole('link', { name: 'Noor Haddad' }).click()
  await expect(teacher.getByRole('heading', { name: 'Noor Haddad: what sticks' })).toBeVisible()
  await expect(teacher.getByRole('region', { name: 'Known well' })).toContainText('oboe')
  await expectAccessible(teacher)
  await teacher.getByRole('button', { name: 'Set practice' }).click()
  await expect(teacher.getByRole('status').filter({ hasText: 'Set: ' })).toBeVisible()
  await teacher.getByRole('link', { name: 'Page for the family' }).click()
  await teacher.getByLabel('Language of this page').selectOption({ label: 'עברית' })
  await expect(teacher.getByRole('article')).toHaveAttribute('dir', 'rtl')
  await expectAccessible(teacher)
  await teacher.getByLabel('Language of this page').selectOption({ label: 'Español' })
  await expect(teacher.getByRole('heading', { name: 'Lo que sabe Noor Haddad' })).toBeVisible()
  const pages = await getDocument({ data: new Uint8Array(await teacher.pdf({ format: 'A4' })), verbosity: 0 }).promise
  expect(pages.numPages, 'a family gets one page').toBe(1)
  const text = (await (await pages.getPage(1)).getTextContent()).items
    .map((item) => ('str' in item ? item.str : ''))
    .join(' ')
  expect(text).toContain('Merece otra mirada')
  expect(text, 'nothing of the screen around it').not.toContain('Idioma de esta página')

  // The list of what was missed.
  await teacher.getByRole('link', { name: 'Back to Noor Haddad' }).click()
  await teacher.getByRole('link', { name: 'Back to Orchestra 8' }).click()
  await teacher.getByRole('button', { name: /Make the Reteach list \(/ }).click()
  await expect(teacher).toHaveURL(/\/lists\/[0-9a-f-]+$/)
  await expect(teacher.getByLabel('Title')).toHaveValue('Orchestra 8: again')
})

test('answers show while a report is open; a refused one is accepted and scores change; names stand on a board', async ({
  teacher,
  browser,
  server,
}) => {
  test.setTimeout(90_000)
  const { listId, code, id } = await teacher.evaluate(async () => {
    const post = async (path: string, body: object, method = 'POST'): Promise<{ id: string; code: string }> =>
      (await (
        await fetch(`/api${path}`, {
          method,
          headers: { 'Content-Type': 'application/json' },
          body: JSON.stringify(body),
        })
      ).json()) as { id: string; code: string }
    const list = await post('/lists', { title: 'Colours' })
    const put = ['colour', 'crimson', 'azure'].map((text, index) => ({
      id: crypto.randomUUID(),
      position: index + 1,
      answer: { text },
      prompt: { text: `clue ${index}` },
    }))
    await post(`/lists/${list.id}`, { version: 0, put }, 'PATCH')
    const link = await post(`/lists/${list.id}/links`, {
      kind: 'quiz',
      seed: '1',
      options: { form: 'typed', order: 'list', second: false },
    })
    return { listId: list.id, code: link.code, id: link.id }
  })
  await teacher.goto(`/lists/${listId}/play`)
  await teacher.getByText('E-mail text, another site, a board of names').click()
  await teacher.getByLabel('What counts', { exact: true }).selectOption({ label: 'the best attempt' })
  await expect(teacher.getByText('The record of what was done stays.')).toBeVisible()
  await expectAccessible(teacher)
  await teacher.goto(`/lists/${listId}/results?link=${id}`)
  await expect(teacher.getByText('Nobody has joined yet.')).toBeVisible()

  const phone = await (await device(browser, server.url, true)).newPage()
  await join(phone, code)
  const answer = async (text: string): Promise<void> => {
    await phone.getByLabel('Your answer').fill(text)
    await phone.keyboard.press('Enter')
    await phone.getByRole('button', { name: 'Next' }).tap()
  }
  await expect(phone.getByText('Playing as Ada')).toBeVisible()
  await teacher.reload()
  await expect(teacher.getByRole('region', { name: 'Teach again' })).toContainText('Nobody has answered yet.')
  await answer('hue')
  const refused = teacher.getByRole('region', { name: 'Typed answers that did not count' })
  await expect(refused.getByRole('button', { name: 'Accept “hue”' })).toBeVisible({ timeout: 15_000 })
  const map = teacher.getByRole('table', { name: 'Students and words' })
  await expect(map.getByRole('row', { name: /Ada/ })).toContainText('0 of 3')
  // From here on nothing is asked for: what is new is told, within two seconds.
  const began = Date.now()
  await answer('crimson')
  await expect(map.getByRole('row', { name: /Ada/ })).toContainText('1 of 3')
  expect(Date.now() - began).toBeLessThan(4000)
  await refused.getByRole('button', { name: 'Accept “hue”' }).click()
  await expect(map.getByRole('row', { name: /Ada/ })).toContainText('2 of 3')
  await expect(refused).toBeHidden()
  await expectAccessible(teacher)

  await answer('azure')
  await expect(phone.getByRole('heading', { name: 'The board' })).toBeVisible()
  await phone.getByLabel('A name for the board, if you like').fill('River otter')
  await phone.getByRole('button', { name: 'Put it on the board' }).click()
  await expect(phone.getByRole('listitem').filter({ hasText: 'River otter' })).toBeVisible()
  await expectAccessible(phone)
  await phone.getByRole('button', { name: 'Take my name off' }).click()
  await expect(phone.getByText('No name is here yet.')).toBeVisible()
  await phone.context().close()
})
