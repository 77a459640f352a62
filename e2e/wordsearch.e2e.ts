import { readFileSync } from 'node:fs'
import type { Page } from '@playwright/test'
import type { WordSearchPuzzle } from '@otter/core/games/wordsearch'
import { expect, expectAccessible, pasteClipboard, query, test } from './otter.ts'

type Cell = { row: number; col: number }

async function puzzleOf(databaseUrl: string, code: string): Promise<WordSearchPuzzle> {
  const { puzzle } = (
    await query<{ puzzle: WordSearchPuzzle }>(
      databaseUrl,
      `SELECT v.puzzle FROM offers o JOIN offer_games m ON m.offer_id = o.id JOIN game_versions v
      ON v.id = m.game_version_id WHERE o.code = $1`,
      [code],
    )
  )[0]!
  return puzzle
}

function endsOf(
  { words, rows, direction }: WordSearchPuzzle,
  text: string,
): {
  from: Cell
  to: Cell
  at: (box: { x: number; y: number; width: number; height: number }, cell: Cell) => { x: number; y: number }
} {
  const word = words.find((one) => one.text === text)
  if (!word) throw new Error(`${text} is not in the puzzle`)
  const { row, col, dRow, dCol, length } = word
  const at = (box: { x: number; y: number; width: number; height: number }, cell: Cell): { x: number; y: number } => ({
    x:
      box.x + (((direction === 'rtl' ? rows[0]!.length - 1 - cell.col : cell.col) + 0.5) * box.width) / rows[0]!.length,
    y: box.y + ((cell.row + 0.5) * box.height) / rows.length,
  })
  return { from: { row, col }, to: { row: row + dRow * (length - 1), col: col + dCol * (length - 1) }, at }
}

async function draw(page: Page, puzzle: WordSearchPuzzle, text: string): Promise<void> {
  const board = page.getByRole('application')
  await board.scrollIntoViewIfNeeded()
  const box = await board.boundingBox()
  if (!box) throw new Error('there is no board')
  const { from, to, at } = endsOf(puzzle, text)
  const one = at(box, from)
  const other = at(box, to)
  await page.mouse.move(one.x, one.y)
  await page.mouse.down()
  await page.mouse.move((one.x + other.x) / 2, (one.y + other.y) / 2, { steps: 3 })
  await page.mouse.move(other.x, other.y, { steps: 3 })
  await page.mouse.up()
}

test('pasted words become a word search that a student plays by link, and the teacher sees who found what', async ({
  teacher,
  phone,
  server,
}) => {
  await teacher.getByRole('button', { name: 'New list' }).click()
  await teacher.getByLabel('Title of the list').fill('Rivers')
  await pasteClipboard(teacher.getByLabel('Answer, row 1', { exact: true }), {
    'text/plain':
      'Word\tMeaning\r\nsource\twhere it begins\r\nmouth\t"where it ends,\nat the sea"\r\n\r\nrapids\tfast and shallow\r\nmeander\ta bend\r\n',
  })
  const review = teacher.getByRole('dialog')
  await expect(review.getByText('First row is a heading')).toBeVisible()
  await expect(review.getByRole('checkbox', { name: /heading/ })).toBeChecked()
  await expectAccessible(teacher)
  await review.getByRole('button', { name: 'Add 4 rows' }).click()
  await expect(teacher.getByText('4 words,')).toBeVisible()

  // Keyboard: Tab to the prompt, Enter to the next row; paste into the middle; undo.
  await teacher.getByLabel('Answer, row 5', { exact: true }).focus()
  await teacher.keyboard.type('ford')
  await teacher.keyboard.press('Tab')
  await teacher.keyboard.type('where you wade')
  await teacher.keyboard.press('Enter')
  await expect(teacher.getByLabel('Clue or question, row 6', { exact: true })).toBeFocused()
  await pasteClipboard(teacher.getByLabel('Answer, row 2', { exact: true }), {
    'text/plain': 'bank\tits side\nbed\tits floor',
  })
  await teacher.getByRole('dialog').getByRole('button', { name: 'Add 2 rows' }).click()
  await expect(teacher.getByLabel('Answer, row 2', { exact: true })).toHaveValue('bank')
  await expect(teacher.getByLabel('Answer, row 4', { exact: true })).toHaveValue('mouth')
  await teacher.getByRole('button', { name: 'Undo' }).click()
  await expect(teacher.getByLabel('Answer, row 2', { exact: true })).toHaveValue('mouth')

  // A failed save says so and keeps trying; nothing is lost.
  await teacher.route('**/api/lists/*', (route) =>
    route.request().method() === 'PATCH' ? route.abort() : route.continue(),
  )
  await teacher.getByLabel('Answer, row 6', { exact: true }).fill('weir')
  await expect(teacher.getByText('not saved yet')).toBeVisible()
  await teacher.unroute('**/api/lists/*')
  await expect(teacher.getByRole('status').getByText('saved')).toBeVisible()
  await teacher.reload()
  await expect(teacher.getByLabel('Answer, row 6', { exact: true })).toHaveValue('weir')

  await teacher.getByRole('link', { name: 'Word search' }).click()
  // The preview follows the options; a seed typed back gives the same grid.
  const letters = (): Promise<string> => teacher.getByRole('application').innerText()
  const first = await letters()
  await teacher.getByLabel('Letters', { exact: true }).selectOption('lower')
  await expect.poll(letters).toBe(first.toLowerCase())
  await teacher.getByLabel('Letters', { exact: true }).selectOption('upper')
  await teacher.getByRole('button', { name: 'New version' }).click()
  await expect.poll(letters).not.toBe(first)
  await teacher.getByLabel('Version code').fill('otter')
  await expect.poll(letters).toBe(first)
  await teacher.getByLabel('Hidden message').fill('The otter was here all along')
  await expect(teacher.getByText('6 words,')).toBeVisible()
  await teacher.getByLabel('Hidden message').fill('')
  await expectAccessible(teacher)

  await teacher.getByRole('button', { name: 'Share with students' }).click()
  const card = teacher.getByRole('article')
  await expect(card.getByText('open', { exact: true })).toBeVisible()
  await expectAccessible(teacher)
  const code = (await card.getByRole('link', { name: /\/p\// }).innerText()).slice(-6)
  await card.getByRole('link', { name: 'Show on the wall' }).click()
  await expect(teacher.getByRole('progressbar', { name: 'The game is open' })).toBeVisible()
  await expect(teacher.getByText(code, { exact: true })).toBeVisible()
  await expectAccessible(teacher)
  await teacher.getByRole('link', { name: 'Results' }).click()
  await expect(teacher.getByText('Nobody has joined yet')).toBeVisible()

  const puzzle = await puzzleOf(server.databaseUrl, code)
  const traffic: string[] = []
  phone.on('response', (response) => {
    if (response.url().includes('/api/') && response.status() !== 204)
      void response.text().then((text) => traffic.push(text))
  })
  await phone.goto('/in')
  await expectAccessible(phone)
  await phone.getByLabel('Join code').fill(code.toLowerCase())
  await phone.getByRole('button', { name: 'Open' }).click()
  await expect(phone.getByLabel('Your name')).toBeVisible()
  await expectAccessible(phone)
  await phone.getByLabel('Your name').fill('Ama')
  await phone.getByRole('button', { name: 'Begin' }).click()
  await expect(phone.getByText('Found 0 of 6').first()).toBeVisible()
  await expectAccessible(phone)
  expect(await phone.evaluate(() => document.documentElement.scrollWidth)).toBeLessThanOrEqual(360)

  // Three ways to mark a word: draw, tap both ends, keyboard.
  await draw(phone, puzzle, 'source')
  await expect(phone.getByText('Found 1 of 6').first()).toBeVisible()
  const box = await phone.getByRole('application').boundingBox()
  if (!box) throw new Error('there is no board')
  const mouth = endsOf(puzzle, 'mouth')
  for (const cell of [mouth.from, mouth.to]) {
    const { x, y } = mouth.at(box, cell)
    await phone.touchscreen.tap(x, y)
  }
  await expect(phone.getByText('Found 2 of 6').first()).toBeVisible()
  const { from, to } = endsOf(puzzle, 'rapids')
  const walk = async (start: Cell, end: Cell): Promise<void> => {
    for (let step = start.row; step !== end.row; step += Math.sign(end.row - start.row))
      await phone.keyboard.press(end.row > start.row ? 'ArrowDown' : 'ArrowUp')
    for (let step = start.col; step !== end.col; step += Math.sign(end.col - start.col))
      await phone.keyboard.press(end.col > start.col ? 'ArrowRight' : 'ArrowLeft')
  }
  await phone.getByRole('application').focus()
  await walk(mouth.to, from)
  await phone.keyboard.press('Enter')
  await walk(from, to)
  await phone.keyboard.press('Enter')
  await expect(phone.getByText('Found 3 of 6').first()).toBeVisible()
  await phone.getByRole('button', { name: 'Hint for meander' }).click()
  await expect(phone.getByText('1 hint')).toBeVisible()

  // The teacher's results fill in by themselves.
  await expect(
    teacher.getByRole('region', { name: 'Students’ results' }).getByRole('row', { name: /Ama/ }),
  ).toContainText('3 of 6')
  await expectAccessible(teacher)

  // A reload, and a lost connection, lose nothing.
  await phone.reload()
  await expect(phone.getByText('Found 3 of 6').first()).toBeVisible()
  await phone.context().setOffline(true)
  await draw(phone, puzzle, 'ford')
  await expect(phone.getByText('No connection').first()).toBeVisible()
  await phone.context().setOffline(false)
  await expect(phone.getByText('Found 4 of 6').first()).toBeVisible()

  await phone.getByRole('button', { name: 'I’m done' }).click()
  await phone.getByRole('button', { name: 'Finish' }).click()
  await expect(phone.getByText('Look at these once more')).toBeVisible()
  await expectAccessible(phone)
  const unfound = puzzle.words.find(({ text }) => text === 'weir')
  for (const text of traffic.slice(0, -1)) {
    for (const item of (
      JSON.parse(text) as {
        play?: { view: { finished: boolean; items: { face: { text: string }; found: unknown; hint: unknown }[] } }
      }
    ).play?.view.items ?? []) {
      if (item.face.text === unfound?.text && !text.includes('"finished":true'))
        expect([item.found, item.hint]).toEqual([null, null])
    }
  }
  await phone.getByRole('button', { name: 'Play again' }).click()
  await expect(phone.getByText('Found 0 of 6').first()).toBeVisible()
  await expect(
    teacher.getByRole('region', { name: 'Students’ results' }).getByRole('row', { name: /Ama/ }),
  ).toContainText(/4 of 6.*2/)

  const [download] = await Promise.all([
    teacher.waitForEvent('download'),
    teacher.getByRole('link', { name: 'Download CSV' }).click(),
  ])
  expect(readFileSync(await download.path(), 'utf8')).toMatch(/^\ufeffStudent,.*\r\nAma,4,4,6,40,0,0,1,/)
  await teacher.getByRole('button', { name: 'Close the link' }).click()
  await expect(teacher.getByRole('button', { name: 'Open the link again' })).toBeVisible()
  await phone.reload()
  await expect(phone.getByText('This game is closed').first()).toBeVisible()
  await teacher.getByRole('button', { name: 'Open the link again' }).click()
  await expect(teacher.getByRole('button', { name: 'Close the link' })).toBeVisible()
})

test('sheets are printed in versions, with keys and a code, through the browser and as a PDF', async ({ teacher }) => {
  await teacher.getByRole('link', { name: /Market day/ }).click()
  await teacher.getByRole('link', { name: 'Word search' }).click()
  await expect(teacher.getByText('12 words,')).toBeVisible()
  await teacher.getByRole('button', { name: 'Print' }).click()
  await teacher.getByLabel('Versions').fill('3')
  await expect(teacher.getByRole('article', { name: /Sheet/ })).toHaveCount(3)
  await expect(teacher.getByRole('article', { name: /Key/ })).toHaveCount(3)
  await expect(teacher.getByRole('img', { name: /QR code of the game/ })).toHaveCount(0)
  // No link is made, and none is opened, unless it is asked for.
  await teacher.getByRole('button', { name: 'Make a link for it' }).click()
  await expect(teacher.getByRole('img', { name: /QR code of the game/ })).toHaveCount(3)
  await expectAccessible(teacher)
  const [download] = await Promise.all([
    teacher.waitForEvent('download'),
    teacher.getByRole('button', { name: 'PDF' }).click(),
  ])
  expect(
    readFileSync(await download.path())
      .subarray(0, 5)
      .toString(),
  ).toBe('%PDF-')
  // The browser's own print view: one page for each sheet and key.
  for (const paper of ['a4', 'letter']) {
    await teacher.getByLabel('Paper').selectOption(paper)
    const printed = (await teacher.pdf({ preferCSSPageSize: true })).toString('latin1')
    expect(printed.match(/\/Type\s*\/Page\b/g)).toHaveLength(6)
  }
  // What was printed is kept, by the PDF and by the browser: with another grid on the screen, it opens as it was.
  const sheet = teacher.getByRole('article', { name: 'Sheet 1' })
  const grid = await sheet.innerText()
  await expect(teacher.getByText('Printed before: 1 time')).toBeVisible()
  await teacher.getByRole('link', { name: 'Back' }).click()
  await teacher.getByRole('button', { name: 'New version' }).click()
  await teacher.getByRole('button', { name: 'Print' }).click()
  await expect(sheet).not.toHaveText(grid)
  await teacher.getByRole('button', { name: 'Print', exact: true }).click()
  await expect(teacher.getByText('Printed before: 2 times')).toBeVisible({ timeout: 20_000 })
  await teacher.getByText('Printed before: 2 times').click()
  await teacher.locator('details li').last().getByRole('link').click()
  await expect(teacher.getByText(/As it was printed on/)).toBeVisible()
  await expect(teacher.getByRole('article', { name: /Sheet/ })).toHaveCount(3)
  const wordsOf = (text: string): string => text.replace(/(?:localhost|127).*/u, '').trim()
  expect(wordsOf(await sheet.innerText())).toBe(wordsOf(grid))
  await expectAccessible(teacher)
  const [again] = await Promise.all([
    teacher.waitForEvent('download'),
    teacher.getByRole('button', { name: 'PDF' }).click(),
  ])
  expect(again.suggestedFilename()).toBe('Market day.pdf')
})

test('a new teacher signs up, and a student reads the screen in Hebrew', async ({ page, phone, server }) => {
  await page.goto('/')
  await expect(page.getByRole('heading', { name: 'Sign in' })).toBeVisible()
  await expectAccessible(page)
  await page.getByRole('button', { name: 'I am new here' }).click()
  await page.getByLabel('Your name').fill('Noa')
  await page.getByLabel('E-mail').fill('noa@school.example')
  await page.getByLabel('Password').fill('short')
  await page.getByRole('button', { name: 'Make an account' }).click()
  await expect(page.getByText('Use at least 10 characters')).toBeVisible()
  await page.getByLabel('Password').fill('long enough now')
  await page.getByRole('button', { name: 'Make an account' }).click()
  await expect(page.getByText('Three steps to the first game')).toBeVisible()
  await expectAccessible(page)
  // The language is the account's: it is there on every device, and after a reload.
  await page.getByLabel('Language').selectOption('he')
  await expect(page.getByRole('heading', { name: 'הרשימות שלך' })).toBeVisible()
  await expect(page.locator('html')).toHaveAttribute('dir', 'rtl')
  await page.evaluate(() => localStorage.clear())
  await page.reload()
  await expect(page.getByText('שלושה צעדים אל המשחק הראשון')).toBeVisible()
  await page.getByRole('button', { name: 'רשימה חדשה' }).click()
  await page.getByRole('textbox', { name: /תשובה/ }).first().fill('דבורה')
  await page.getByRole('link', { name: 'תפזורת' }).click()
  await expect(page.getByRole('heading', { name: 'מה התלמידים מקבלים' })).toBeVisible()
  await expectAccessible(page)

  const { code } = (
    await query<{ code: string }>(
      server.databaseUrl,
      "SELECT code FROM offers WHERE rules ->> 'type' = 'link' ORDER BY created_at LIMIT 1",
      [],
    )
  )[0]!
  await phone.goto(`/p/${code}`)
  await phone.getByLabel('Language').selectOption('he')
  await expect(phone.locator('html')).toHaveAttribute('dir', 'rtl')
  await phone.getByLabel('השם שלך').fill('נועה')
  await phone.getByRole('button', { name: 'מתחילים' }).click()
  await expect(phone.getByText('נמצאו 0 מתוך 10').first()).toBeVisible()
  await expectAccessible(phone)
  await phone.goto('/p/NOSUCH')
  await expect(phone.getByText('אין משחק עם הקוד הזה')).toBeVisible()
})

test('two windows on one list overwrite nothing, and what a closed window left unsaved comes back', async ({
  teacher,
}) => {
  await teacher.getByRole('link', { name: /Bridges and forces/ }).click()
  await expect(teacher.getByLabel('Answer, row 1', { exact: true })).toHaveValue('arch')
  const other = await teacher.context().newPage()
  await other.goto(teacher.url())
  await other.getByLabel('Clue or question, row 2', { exact: true }).fill('changed over there')
  await expect(other.getByRole('status').getByText('saved')).toBeVisible()
  await teacher.getByLabel('Clue or question, row 1', { exact: true }).fill('changed here')
  await expect(teacher.getByLabel('Clue or question, row 2', { exact: true })).toHaveValue('changed over there')
  await expect(teacher.getByRole('status').getByText('saved')).toBeVisible()
  await other.reload()
  await expect(other.getByLabel('Clue or question, row 1', { exact: true })).toHaveValue('changed here')

  await other.route('**/api/lists/*', (route) =>
    route.request().method() === 'PATCH' ? route.abort() : route.continue(),
  )
  await other.getByLabel('Answer, row 3', { exact: true }).fill('hawser')
  await expect(other.getByText('not saved yet')).toBeVisible()
  await other.close({ runBeforeUnload: false })
  await teacher.reload()
  await expect(teacher.getByLabel('Answer, row 3', { exact: true })).toHaveValue('hawser')
})

test('the preview plays with the keyboard, says what can’t be hidden, and drops old requests', async ({ teacher }) => {
  await teacher.getByRole('button', { name: 'New list' }).click()
  await teacher.getByLabel('Answer, row 1', { exact: true }).focus()
  for (const word of ['beehive', 'beekeeper', 'bee', 'x']) {
    await teacher.keyboard.type(word)
    await teacher.keyboard.press('Enter')
  }
  await teacher.getByLabel('Answer, row 5', { exact: true }).pressSequentially('otter', { delay: 20 })
  await teacher.getByLabel('Answer, row 4', { exact: true }).focus()
  await teacher.keyboard.press('Control+Backspace')
  await expect(teacher.getByLabel('Answer, row 4', { exact: true })).toHaveValue('otter')
  await teacher.getByLabel('Answer, row 4', { exact: true }).press('Control+z')
  await expect(teacher.getByLabel('Answer, row 4', { exact: true })).toHaveValue('x')
  await teacher.getByRole('link', { name: 'Word search' }).click()
  await expect(teacher.getByText('Spelled inside beekeeper, beehive')).toBeVisible()
  await expect(teacher.getByText('One letter is too short to hide.')).toBeVisible()
  await teacher.getByRole('link', { name: 'Row 4' }).click()
  await expect(teacher.getByLabel('Answer, row 4', { exact: true })).toBeFocused()
  await teacher.getByRole('link', { name: 'Games' }).click()

  // While the smallest grid is sought, typing goes on, and the last grid is of the last seed.
  await teacher.getByLabel('Size').selectOption('smallest')
  await teacher.getByLabel('Version code').pressSequentially('-1234', { delay: 20 })
  await expect(teacher.getByText('3 words,')).toBeVisible()
  await expect(teacher.getByRole('listitem').filter({ hasText: 'otter' })).toBeVisible()

  const board = teacher.getByRole('application')
  // A grid of an earlier seed may stand there until the last one is made.
  await expect(teacher.locator('section:has([role=application])')).not.toHaveClass(/opacity-90/)
  const rows = (await board.getAttribute('aria-label'))?.match(/\d+/g)?.map(Number) ?? []
  const letters = (await board.innerText()).replace(/\s/g, '')
  expect(letters).toHaveLength(rows[0]! * rows[1]!)
  const ways = [
    [0, 1],
    [1, 0],
    [1, 1],
    [-1, 1],
  ]
  const found = Array.from(letters, (_, start) =>
    ways.map(([dRow, dCol]) => ({ row: Math.floor(start / rows[1]!), col: start % rows[1]!, dRow, dCol })),
  )
    .flat()
    .find(({ row, col, dRow, dCol }) =>
      [...'OTTER'].every((letter, index) => {
        const r = row + dRow! * index
        const c = col + dCol! * index
        return r >= 0 && r < rows[0]! && c >= 0 && c < rows[1]! && letters[r * rows[1]! + c] === letter
      }),
    )
  if (!found) throw new Error('the preview does not hold the word')
  await board.focus()
  const go = async (dRow: number, dCol: number): Promise<void> => {
    for (let step = 0; step < Math.abs(dRow); step++) await teacher.keyboard.press(dRow > 0 ? 'ArrowDown' : 'ArrowUp')
    for (let step = 0; step < Math.abs(dCol); step++)
      await teacher.keyboard.press(dCol > 0 ? 'ArrowRight' : 'ArrowLeft')
  }
  await go(found.row, found.col)
  await teacher.keyboard.press('Enter')
  await go(found.dRow! * 4, found.dCol! * 4)
  await teacher.keyboard.press('Enter')
  await expect(teacher.getByText('That’s one. Well found.')).toBeVisible()
})

test('clues alone, a hidden message and Hebrew from the right are played on a phone', async ({
  teacher,
  phone,
  server,
}) => {
  await teacher.getByRole('link', { name: /Market day/ }).click()
  await teacher.getByRole('link', { name: 'Word search' }).click()
  await teacher.getByLabel('Students see').selectOption('clues')
  await teacher.getByLabel('Hidden message').fill('שלום לכולם נתראה מחר בשוק')
  await expect(teacher.getByText('12 words,')).toBeVisible()
  await teacher.getByRole('button', { name: 'Share with students' }).click()
  const code = (await teacher.getByRole('article').first().getByRole('link', { name: /\/p\// }).innerText()).slice(-6)
  const puzzle = await puzzleOf(server.databaseUrl, code)
  expect(puzzle.direction).toBe('rtl')
  await phone.goto(`/p/${code}`)
  await phone.getByLabel('Your name').fill('Lior')
  await phone.keyboard.press('Enter')
  await expect(phone.getByText('bread')).toBeVisible()
  expect(await phone.getByRole('list').innerText()).not.toContain('לחם')
  await draw(phone, puzzle, 'לחם')
  await expect(phone.getByRole('listitem').filter({ hasText: 'bread' })).toContainText('לחם')
  await expect(phone.getByText('שלום לכולם')).toHaveCount(0)
  for (const { text } of puzzle.words) if (text !== 'לחם') await draw(phone, puzzle, text)
  await expect(phone.getByText('You found them all')).toBeVisible()
  await expect(phone.getByText('שלום לכולם נתראה מחר בשוק')).toBeVisible()
  await expectAccessible(phone)
})
