import type { BingoPuzzle } from '@otter/core/games/bingo'
import type { CrosswordPuzzle } from '@otter/core/games/crossword'
import type { HangmanPuzzle } from '@otter/core/games/hangman'
import { expect, expectAccessible, query, test } from './otter.ts'
import { join, openGame, puzzleOf, share } from './playing.ts'

test('a crossword is found, kept and shared, and solved on a phone with check, reveal and reload', async ({
  teacher,
  phone,
  server,
}) => {
  await openGame(teacher, 'Bridges and forces', 'Crossword')
  await teacher.getByRole('button', { name: 'Look for better layouts' }).click()
  await expect(teacher.getByRole('button', { name: /crossings/ }).first()).toBeVisible()
  await teacher.getByRole('button', { name: 'Stop looking' }).click()
  await teacher
    .getByRole('button', { name: /crossings/ })
    .first()
    .click()
  await teacher.getByText('Keep words where they are').click()
  await teacher.getByRole('checkbox', { name: /compression/ }).check()
  await expect(teacher.getByText('Keep words where they are (1)')).toBeVisible()
  await expectAccessible(teacher)
  const code = await share(teacher)

  await join(phone, code)
  const puzzle = await puzzleOf<CrosswordPuzzle>(server.databaseUrl, code)
  const source = await phone.evaluate(() => document.documentElement.outerHTML)
  for (const { text } of puzzle.words) expect(source.toLowerCase()).not.toContain(`>${text}<`)
  const across = puzzle.words.filter(({ dir }) => dir === 'across')
  const clue = (text: string) => phone.getByRole('button', { name: text })
  await clue(across[0]!.prompt.text).tap()
  const field = phone.getByRole('textbox', {
    name: new RegExp(`^${across[0]!.number} Across, letter 1 of ${across[0]!.letters.length}`),
  })
  await expect(field).toBeFocused()
  // A wrong word is told only when asked.
  await phone.keyboard.type('q'.repeat(across[0]!.letters.length))
  await phone.getByRole('group', { name: 'Check' }).getByRole('button', { name: 'word' }).tap()
  await expect(phone.getByText('1 hint')).toBeVisible()
  await clue(across[0]!.prompt.text).tap()
  await phone.keyboard.type(across[0]!.text.replaceAll(/[^\p{L}]/gu, ''))
  await expect(phone.getByText(`Solved 1 of ${puzzle.words.length}`).first()).toBeVisible()
  await expectAccessible(phone)
  await phone.reload()
  await expect(phone.getByText(`Solved 1 of ${puzzle.words.length}`).first()).toBeVisible()

  // Tab goes from clue to clue, Backspace takes letters off.
  await clue(across[1]!.prompt.text).tap()
  await phone.keyboard.type('xy')
  await phone.keyboard.press('Backspace')
  await phone.keyboard.press('Backspace')
  for (const { text } of across.slice(1)) {
    await phone.keyboard.type(text.replaceAll(/[^\p{L}]/gu, ''))
    await phone.keyboard.press('Tab')
  }
  // One tap beside Check ends nothing.
  await phone.getByRole('group', { name: 'Show', exact: true }).getByRole('button', { name: 'all' }).tap()
  await phone.getByRole('button', { name: 'Go on solving' }).tap()
  await phone.getByRole('group', { name: 'Show', exact: true }).getByRole('button', { name: 'all' }).tap()
  await phone.getByRole('button', { name: 'Show all' }).tap()
  await expect(phone.getByRole('heading', { name: /Done|solved it all/ })).toBeVisible()
  await expect(phone.getByText(puzzle.words[0]!.text, { exact: true }).first()).toBeVisible()
})

test('hangman says how hard words are, and is played on a phone by keys and touch; a lost word comes back', async ({
  teacher,
  phone,
  server,
}) => {
  await openGame(teacher, 'Bridges and forces', 'Hangman')
  await teacher.getByText('How hard each word is').click()
  await expect(teacher.getByRole('row', { name: /^arch/ })).toContainText('●')
  await teacher.getByLabel('Scene').selectOption('Paper boat')
  await teacher.getByLabel('Misses', { exact: true }).selectOption('3')
  await teacher.getByLabel('Of the list', { exact: true }).selectOption('The first …')
  await teacher.getByLabel('How many').fill('2')
  await teacher.getByLabel('Order').selectOption('As in the list')
  await expectAccessible(teacher)
  const code = await share(teacher)

  await join(phone, code)
  const { words } = await puzzleOf<HangmanPuzzle>(server.databaseUrl, code)
  expect(words.map(({ text }) => text)).toEqual(['arch', 'beam'])
  await expectAccessible(phone)
  for (const letter of ['Q', 'X', 'Z']) await phone.getByRole('button', { name: letter, exact: true }).tap()
  await expect(phone.getByRole('heading', { name: /This was the word/ })).toBeVisible()
  await phone.getByRole('button', { name: 'Next word' }).tap()
  await expect(phone.getByText('Word 2 of 2')).toBeVisible()
  for (const letter of 'beam') {
    await phone.keyboard.press(letter)
    await expect(
      phone
        .getByRole('button', { name: `${letter.toUpperCase()}: in the word` })
        .or(phone.getByRole('heading', { name: 'That’s it!' })),
    ).toBeVisible()
  }
  await phone.getByRole('button', { name: 'Next word' }).tap()
  await expect(phone.getByText('Once more')).toBeVisible()
  for (const letter of ['A', 'R', 'C', 'H']) await phone.getByRole('button', { name: letter, exact: true }).tap()
  await expect(phone.getByText('Guessed 1 of 2').first()).toBeVisible()
  const outcomes = async (): Promise<string[]> =>
    (
      await query<{ outcome: string; round: string }>(
        server.databaseUrl,
        `SELECT r.outcome, r.round FROM responses r JOIN plays y ON y.id = r.play_id JOIN offers o
          ON o.id = y.offer_id WHERE o.code = $1 ORDER BY r.id`,
        [code],
      )
    ).map(({ outcome, round }) => `${round} ${outcome}`)
  await expect.poll(outcomes).toEqual(['first wrong', 'first right', 'back right'])
})

test('bingo is planned and called, a claim is checked, and a card is played on a phone', async ({
  teacher,
  phone,
  server,
}) => {
  await openGame(teacher, 'Instruments of the orchestra', 'Bingo')
  await teacher.getByLabel('Squares', { exact: true }).selectOption('3×3')
  await expect(teacher.getByText(/By chance the first bingo comes around call/)).toBeVisible()
  await teacher.getByLabel('Cards', { exact: true }).fill('6')
  await teacher.getByLabel('First bingo from call').fill('5')
  await teacher.getByLabel('Winners of the first bingo').fill('1')
  await expect(teacher.getByText(/First bingo at call [5-8], 1 winner\./)).toBeVisible()
  await expectAccessible(teacher)
  await teacher.getByRole('button', { name: 'Call this game' }).click()
  const caller = teacher.getByRole('dialog', { name: 'Caller' })
  await caller.getByRole('button', { name: 'First call' }).click()
  await caller.getByLabel('Bingo on card').fill('2')
  await expect(caller.getByText(/Not yet. Not called:/)).toBeVisible()
  for (let call = 2; call <= 14; call++) await caller.getByRole('button', { name: 'Next call' }).click()
  await caller.getByLabel('Bingo on card').fill('2')
  await expect(caller.getByText(/Yes: bingo at call \d+\./)).toBeVisible()
  await expectAccessible(teacher)
  await caller.getByRole('button', { name: 'Close' }).click()
  const code = await share(teacher)

  await join(phone, code)
  const puzzle = await puzzleOf<BingoPuzzle>(server.databaseUrl, code)
  const number = Number((await phone.getByText(/^Card \d+$/).innerText()).slice('Card '.length))
  const card = puzzle.cards[number - 1]!
  await phone.getByRole('button', { name: 'Bingo!' }).tap()
  await expect(phone.getByText(/Not yet: mark a whole line/)).toBeVisible()
  await expectAccessible(phone)
  for (const [index, term] of puzzle.calls.entries()) {
    await expect(phone.getByText(`Call ${index + 1} of 14`)).toBeVisible()
    if (card.cells.includes(term)) {
      await phone.getByRole('button', { name: puzzle.terms[term]!.text, exact: true }).tap()
      await expect(phone.getByText('Yes, that one.')).toBeVisible()
      await phone.getByRole('button', { name: 'Bingo!' }).tap()
      await expect(
        phone
          .getByRole('button', { name: 'Next', disabled: false })
          .or(phone.getByRole('heading', { name: /Done|Bingo!/ })),
      ).toBeVisible()
      if (await phone.getByRole('heading', { name: /Done|Bingo!/ }).isVisible()) break
    }
    await phone.getByRole('button', { name: 'Next' }).tap()
  }
  await expect(phone.getByRole('heading', { name: /Done|Bingo!/ })).toBeVisible()

  // Words changed later are offered to the same link.
  await teacher.getByRole('link', { name: 'Words' }).first().click()
  await teacher.getByLabel('Clue or question, row 1', { exact: true }).fill('the smallest string of all')
  await expect(teacher.getByRole('status').getByText('saved')).toBeVisible()
  await teacher.getByRole('link', { name: 'Play' }).click()
  const link = teacher.getByRole('article', { name: `Link ${code}` })
  await link.getByRole('button', { name: 'Renew the game' }).click()
  await expect(link.getByText('The list has changed since.')).toBeHidden()
})
