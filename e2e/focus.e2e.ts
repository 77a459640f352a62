import type { Locator, Page } from '@playwright/test'
import { expect, expectAccessible, test } from './otter.ts'

/** A new list of words with their meanings, open on its Words step. */
async function newList(teacher: Page, rows: readonly [string, string][]): Promise<void> {
  await teacher.getByRole('button', { name: 'New list' }).click()
  await teacher.getByRole('textbox', { name: 'Title' }).fill('Harbour')
  const first = teacher.getByLabel('Answer, row 1', { exact: true })
  await first.click()
  for (const [row, [answer, prompt]] of rows.entries()) {
    await teacher.getByLabel(`Answer, row ${row + 1}`, { exact: true }).fill(answer)
    await teacher.getByLabel(`Clue or question, row ${row + 1}`, { exact: true }).fill(prompt)
  }
  await expect(teacher.getByText('saved')).toBeVisible()
}

const focused = (page: Page): Promise<string> =>
  page.evaluate(() => {
    const { activeElement: at } = document
    return at === null || at === document.body ? 'body' : (at.getAttribute('aria-label') ?? at.textContent ?? '')
  })

async function expectFocus(place: Locator): Promise<void> {
  await expect(place).toBeFocused()
}

const BOATS: [string, string][] = [
  ['barge', 'carries goods'],
  ['ferry', 'carries people'],
  ['tug', 'pulls ships'],
  ['canoe', 'has a paddle'],
  ['yacht', 'has sails'],
  ['dinghy', 'the smallest'],
]

test('one step is taken back at a time, where it happened, and Tab goes from cell to cell', async ({ teacher }) => {
  await newList(teacher, BOATS)
  await teacher.getByRole('button', { name: 'Select row 2' }).click()
  await teacher.getByRole('button', { name: 'Delete' }).click()
  await expect(teacher.getByLabel('Answer, row 2', { exact: true })).toHaveValue('tug')
  await expect.poll(() => focused(teacher)).not.toBe('body')
  await teacher.locator('h2').first().click()
  await teacher.keyboard.press('Control+z')
  await expectFocus(teacher.getByLabel('Answer, row 2', { exact: true }))
  for (const [row, [answer, prompt]] of BOATS.entries()) {
    await expect(teacher.getByLabel(`Answer, row ${row + 1}`, { exact: true })).toHaveValue(answer)
    await expect(teacher.getByLabel(`Clue or question, row ${row + 1}`, { exact: true })).toHaveValue(prompt)
  }
  // A row with a note: Tab passes its mends by, Alt + Enter goes to them, and back.
  await teacher.getByLabel('Answer, row 3', { exact: true }).fill('ferry')
  await expect(teacher.getByText(/already|twice|same/i).first()).toBeVisible()
  await teacher.getByLabel('Clue or question, row 3', { exact: true }).focus()
  await teacher.keyboard.press('Tab')
  await expectFocus(teacher.getByLabel('Answer, row 4', { exact: true }))
  await teacher.keyboard.press('Shift+Tab')
  await teacher.keyboard.press('Alt+Enter')
  await expectFocus(teacher.locator('tr[data-row="2"] [data-mend]').first())
  await teacher.keyboard.press('Escape')
  await expectFocus(teacher.getByLabel('Answer, row 3', { exact: true }))
})

test('an entry opens beside its row, however far down that is', async ({ teacher }) => {
  await newList(teacher, [['row 1', 'first']])
  await teacher.getByRole('button', { name: 'Add words' }).click()
  await teacher
    .getByRole('dialog')
    .getByRole('textbox')
    .first()
    .fill(Array.from({ length: 120 }, (_, index) => `word ${index}\tmeaning ${index}`).join('\n'))
  await teacher.getByRole('button', { name: /^Add 120/ }).click()
  expect(await focused(teacher)).not.toBe('body')
  await teacher.goto(`${teacher.url().split('?')[0]}?row=102`)
  const cell = teacher.getByLabel('Answer, row 102', { exact: true })
  await expectFocus(cell)
  await teacher.keyboard.press('Control+.')
  const panel = teacher.getByRole('region', { name: 'All of row 102' })
  await expect(panel).toBeInViewport()
  await expect(cell).toBeInViewport()
})

test('keys typed into a field of the games step answer nothing in the preview', async ({ teacher }) => {
  await newList(teacher, BOATS)
  await teacher.getByRole('link', { name: /^Quiz \d/ }).click()
  const preview = teacher.getByRole('region', { name: /preview/i })
  await expect(preview.getByText('1 of 6')).toBeVisible()
  const seed = teacher.getByLabel('Version code', { exact: true })
  await seed.fill('')
  await seed.pressSequentially('abcd', { delay: 30 })
  await expectFocus(seed)
  await teacher.locator('h2', { hasText: 'Quiz' }).first().click()
  await teacher.keyboard.press('a')
  await expect(preview.getByRole('button', { name: 'Next' })).toHaveCount(0)
  await preview.getByRole('button', { name: /^A/ }).focus()
  await teacher.keyboard.press('b')
  const next = preview.getByRole('button', { name: 'Next' })
  await expectFocus(next)
  await teacher.keyboard.press('Enter')
  await expect(preview.getByText('2 of 6')).toBeVisible()
  await expectFocus(preview.getByRole('heading', { level: 2, name: /./ }).nth(1))
})

test('the caller begins on the next call, and goes on after a start over by mistake', async ({ teacher }) => {
  await teacher.getByRole('link', { name: /The beehive/ }).click()
  await teacher.getByRole('link', { name: /^Bingo/ }).click()
  await teacher
    .getByRole('button', { name: /caller|Call/ })
    .first()
    .click()
  const caller = teacher.getByRole('dialog', { name: 'Caller' })
  await expectFocus(caller.getByRole('button', { name: 'First call' }))
  for (let calls = 0; calls < 3; calls++) await teacher.keyboard.press('Enter')
  await expect(caller.getByText('Call 3')).toBeVisible()
  await caller.getByRole('button', { name: 'Start over' }).click()
  await expect(caller.getByText('Call 0')).toBeVisible()
  await caller.getByRole('button', { name: 'Go on at call 3' }).click()
  await expect(caller.getByText('Call 3')).toBeVisible()
  await expectAccessible(teacher)
  await teacher.keyboard.press('Escape')
  await expectFocus(teacher.getByRole('button', { name: /caller|Call/ }).first())
})

test('a student sees the top of what is new, and comes back by name with the teacher’s word', async ({
  teacher,
  phone,
  browser,
  server,
}) => {
  await newList(teacher, BOATS)
  await teacher.getByRole('link', { name: /^Quiz \d/ }).click()
  await teacher.getByRole('button', { name: 'Share with students' }).click()
  const code = await teacher
    .getByRole('article')
    .first()
    .getByText(/^[A-Z0-9]{6}$/)
    .textContent()
  await phone.goto(`/p/${code}`)
  await phone.getByLabel('Your name').fill('  ')
  await phone.getByRole('button', { name: 'Begin' }).click()
  await expect(phone.getByText('Write a name that can be read.')).toBeVisible()
  await phone.getByLabel('Your name').fill('Ada')
  await phone.getByRole('button', { name: 'Begin' }).click()
  const heading = phone.getByRole('heading', { level: 2 })
  for (let question = 1; question < 3; question++) {
    await expect(phone.getByText(`${question} of 6`)).toBeVisible()
    await expectFocus(heading.first())
    await expect(heading.first()).toBeInViewport()
    await phone.getByRole('button', { name: /^A/ }).click()
    const next = phone.getByRole('button', { name: 'Next' })
    await expectFocus(next)
    await next.click()
  }
  // One tap takes nobody out.
  await phone.getByRole('button', { name: 'Not Ada?' }).click()
  await phone.getByRole('button', { name: 'I am Ada' }).click()
  await expect(phone.getByText('3 of 6')).toBeVisible()

  const other = await browser.newPage({ baseURL: server.url, locale: 'en-GB' })
  await other.goto(`/p/${code}`)
  await other.getByLabel('Your name').fill('ada')
  await other.getByRole('button', { name: 'Begin' }).click()
  await expectAccessible(other)
  await other.getByRole('button', { name: /let me back in/ }).click()
  await expect(other.getByText('Hello again, ada.')).toBeVisible()
  await teacher.getByRole('link', { name: 'Results' }).first().click()
  await teacher.getByRole('button', { name: 'Yes, the same' }).click()
  await expect(other.getByText('3 of 6')).toBeVisible()
  await other.getByRole('button', { name: 'I’m done' }).click()
  await other.getByRole('button', { name: 'Finish' }).click()
  await expectFocus(other.getByRole('region', { name: 'Done' }))
  await expect(other.getByRole('heading', { name: 'Done' })).toBeInViewport()
  await other.close()
})
