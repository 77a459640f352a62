import type { FlashcardsPuzzle } from '@otter/core/games/flashcards'
import type { MatchingPuzzle } from '@otter/core/games/matching'
import type { PairsPuzzle } from '@otter/core/games/pairs'
import type { QuizPuzzle } from '@otter/core/games/quiz'
import type { UnscramblePuzzle } from '@otter/core/games/unscramble'
import { expect, expectAccessible, test } from './otter.ts'
import { changeGame, join, openGame, puzzleOf, share } from './playing.ts'

test('a quiz is chosen and typed on a phone; what was missed comes again, then all answers', async ({
  teacher,
  phone,
  server,
}) => {
  await teacher.getByRole('link', { name: 'Bridges and forces' }).click()
  await teacher.getByRole('button', { name: 'Make a game' }).click()
  await expect(teacher.getByRole('heading', { name: 'Quiz', exact: true })).toBeVisible()
  await teacher.getByLabel('Of the list', { exact: true }).selectOption('One group')
  await teacher.getByLabel('Group', { exact: true }).selectOption('Shapes')
  await teacher.getByLabel('Pass mark').fill('60')
  await expect(teacher.getByText('3 questions')).toBeVisible()
  await expectAccessible(teacher)
  const code = await share(teacher)

  await join(phone, code)
  const { questions } = await puzzleOf<QuizPuzzle>(server.databaseUrl, code)
  const choice = (question: number, right: boolean): string =>
    questions[question]!.choices.find((own) => own.right === right)?.face.text ?? ''
  await expect(phone.getByText('Question 1 of 3')).toBeVisible()
  await expectAccessible(phone)
  // An answer given without a connection, before the page is closed, is not lost.
  await phone.route('**/moves', (route) => route.abort())
  await phone.getByRole('button', { name: choice(0, false) }).tap()
  await expect(phone.getByText(/No connection/)).toBeVisible()
  await phone.unroute('**/moves')
  await phone.reload()
  await expect(phone.getByText('Not this time')).toBeVisible()
  await expect(phone.getByText(`The answer is ${choice(0, true)}`)).toBeVisible()
  await expectAccessible(phone)
  await phone.getByRole('button', { name: 'Next' }).tap()
  for (const question of [1, 2]) {
    await expect(phone.getByText(`Question ${question + 1} of 3`)).toBeVisible()
    await phone.keyboard.press(String.fromCharCode(97 + questions[question]!.choices.findIndex(({ right }) => right)))
    await expect(phone.getByText(/That’s right/)).toBeVisible()
    await phone.getByRole('button', { name: 'Next' }).tap()
  }
  await expect(phone.getByText(/Once more:/)).toBeVisible()
  await phone.getByRole('button', { name: choice(0, true) }).tap()
  await phone.getByRole('button', { name: 'Next' }).tap()
  await expect(phone.getByText('Passed: 60 % were needed')).toBeVisible()
  await expect(phone.getByText('Asked again: 1 of 1 right')).toBeVisible()
  await expect(phone.getByText('2 right of 3').first()).toBeVisible()
  await expectAccessible(phone)

  // The same list asked by typing, against the clock.
  await teacher.goBack()
  await teacher.getByLabel('Answered by').selectOption('Typing')
  await teacher.getByLabel('Time for a question').selectOption('5 seconds')
  const typed = await share(teacher)
  await join(phone, typed)
  const {
    questions: [first],
  } = await puzzleOf<QuizPuzzle>(server.databaseUrl, typed)
  await phone.getByLabel('Your answer').fill(`The ${first!.answer.text.toUpperCase()}`)
  await phone.keyboard.press('Enter')
  await expect(phone.getByText(`Counts as “${first!.answer.text}”; the article makes no difference.`)).toBeVisible()
  await phone.getByRole('button', { name: 'Next' }).tap()
  await expect(phone.getByRole('timer')).toBeVisible()
  await expect(phone.getByText('Time is up')).toBeVisible({ timeout: 10_000 })
})

test('rows are joined by drag, by taps and by keyboard, and words are put in order', async ({
  teacher,
  phone,
  server,
}) => {
  await openGame(teacher, 'The beehive', 'Matching')
  await teacher.getByLabel('Of the list', { exact: true }).selectOption('The first …')
  await teacher.getByLabel('How many').fill('4')
  await expectAccessible(teacher)
  const code = await share(teacher)
  await join(phone, code)
  const { couples, order } = (await puzzleOf<MatchingPuzzle>(server.databaseUrl, code)).rounds[0]!
  const left = (row: number) => phone.getByRole('list', { name: 'To be joined' }).getByRole('button').nth(row)
  const right = (place: number) =>
    phone.getByRole('button', { name: `${'ABCD'[place]} ${couples[order[place]!]!.answer.text}` })
  await left(0).tap()
  await right(order.indexOf(1)).tap()
  await expect(phone.getByText('Those two don’t belong together.')).toBeVisible()
  await left(0).tap()
  await right(order.indexOf(0)).tap()
  await expect(phone.getByText('Matched 0 of 4').first()).toBeVisible()
  const boxes = await Promise.all([left(1), right(order.indexOf(1))].map((own) => own.boundingBox()))
  const [from, to] = boxes.map((box) => ({ x: (box?.x ?? 0) + 30, y: (box?.y ?? 0) + 15 }))
  await phone.mouse.move(from!.x, from!.y)
  await phone.mouse.down()
  await phone.mouse.move((from!.x + to!.x) / 2, (from!.y + to!.y) / 2, { steps: 4 })
  await phone.mouse.move(to!.x, to!.y, { steps: 4 })
  await phone.mouse.up()
  await expect(phone.getByText('Matched 1 of 4').first()).toBeVisible()
  for (const row of [2, 3]) {
    await left(row).focus()
    await phone.keyboard.press('Enter')
    await right(order.indexOf(row)).focus()
    await phone.keyboard.press('Enter')
  }
  await expect(phone.getByText('Matched 3 of 4').first()).toBeVisible()
  await expect(phone.getByRole('heading', { name: 'Done' })).toBeVisible()
  await expectAccessible(phone)

  await teacher.getByRole('link', { name: 'Games' }).click()
  // Checked when all are drawn: what was dragged stays.
  await teacher.getByLabel('Lines are checked').selectOption('When all are drawn')
  await expect(teacher.getByRole('button', { name: 'Check my lines' })).toBeVisible()
  const rows = teacher.getByRole('list', { name: 'To be joined' }).getByRole('button')
  const ends = await Promise.all(
    [rows.first(), teacher.locator('[data-right]').first()].map((own) => own.boundingBox()),
  )
  const [start, end] = ends.map((box) => ({ x: (box?.x ?? 0) + 40, y: (box?.y ?? 0) + 20 }))
  await teacher.mouse.move(start!.x, start!.y)
  await teacher.mouse.down()
  await teacher.mouse.move(end!.x, end!.y, { steps: 6 })
  await teacher.mouse.up()
  await expect(rows.first()).toHaveAccessibleDescription('joined with A')
  await expect(rows.first()).toHaveAttribute('aria-pressed', 'false')
  await changeGame(teacher, 'Unscramble')
  await teacher.getByLabel('Of the list', { exact: true }).selectOption('The first …')
  await teacher.getByLabel('How many').fill('2')
  const words = await share(teacher)
  await join(phone, words)
  const { items } = await puzzleOf<UnscramblePuzzle>(server.databaseUrl, words)
  const pieces = phone.getByRole('list', { name: 'Pieces' }).getByRole('button', { includeHidden: true })
  for (const index of items[0]!.mixed.keys()) await pieces.nth(index).tap()
  await expect(phone.getByText('Not yet. Try another order.')).toBeVisible()
  await expectAccessible(phone)
  for (const place of items[0]!.pieces.keys()) await pieces.nth(items[0]!.mixed.indexOf(place)).tap()
  await expect(phone.getByText('That’s it!')).toBeVisible()
  await phone.getByRole('button', { name: 'Next word' }).tap()
  await expect(phone.getByText('Word 2 of 2')).toBeVisible()
  await phone.keyboard.type(items[1]!.text)
  await expect(phone.getByText('You solved them all')).toBeVisible()
})

test('pairs are turned by players in turn, cards are studied and shown to the class', async ({
  teacher,
  phone,
  server,
}) => {
  await openGame(teacher, 'Instruments of the orchestra', 'Pairs')
  await teacher.getByLabel('How many pairs').selectOption('4')
  await teacher.getByLabel('Players at one screen').selectOption('2')
  await expectAccessible(teacher)
  const code = await share(teacher)
  await join(phone, code)
  const { cards } = await puzzleOf<PairsPuzzle>(server.databaseUrl, code)
  const turn = (index: number) =>
    phone.getByRole('list').filter({ hasText: /\d/u }).last().getByRole('listitem').nth(index).getByRole('button').tap()
  const partner = (index: number): number =>
    cards.findIndex((card, other) => other !== index && card.couple === cards[index]!.couple)
  const stranger = cards.findIndex((card) => card.couple !== cards[0]!.couple)
  await turn(0)
  await turn(stranger)
  await expect(phone.getByText('Not a pair. Turn another card.')).toBeVisible()
  await expect(phone.getByText('Eels · 0')).toHaveAttribute('aria-current', 'true')
  await expectAccessible(phone)
  for (const couple of [0, 1, 2, 3]) {
    const index = cards.findIndex((card) => card.couple === couple)
    await turn(index)
    await turn(partner(index))
    await expect(phone.getByText(`Found ${couple + 1} of 4`).first()).toBeVisible()
  }
  await expect(phone.getByText('Eels · 4')).toBeVisible()

  await teacher.getByRole('link', { name: 'Games' }).click()
  await changeGame(teacher, 'Flashcards')
  await teacher.getByLabel('Of the list', { exact: true }).selectOption('The first …')
  await teacher.getByLabel('How many').fill('2')
  await teacher.getByRole('button', { name: 'Show on the wall' }).click()
  const wall = teacher.getByRole('dialog', { name: 'Flashcards on the wall' })
  await expect(wall.getByText('viola')).toBeHidden()
  await teacher.keyboard.press('ArrowRight')
  await teacher.keyboard.press(' ')
  await expect(wall.getByText('viola')).toBeVisible()
  await teacher.keyboard.press('r')
  await expect(wall.getByText('2 of 3')).toBeVisible()
  await teacher.keyboard.press('h')
  await expect(wall.getByText('a fifth below the violin')).toBeHidden()
  await expectAccessible(teacher)
  await wall.getByRole('button', { name: 'Close' }).click()
  const deck = await share(teacher)
  await join(phone, deck)
  const puzzle = await puzzleOf<FlashcardsPuzzle>(server.databaseUrl, deck)
  for (const [knew, card] of [
    [false, 0],
    [true, 1],
    [true, 0],
  ] as const) {
    await expect(phone.getByText(puzzle.cards[card]!.front.text)).toBeVisible()
    await expect(phone.getByText(puzzle.cards[card]!.back.text, { exact: true })).toBeHidden()
    await phone.getByRole('button', { name: 'Turn it' }).tap()
    await expect(phone.getByText(puzzle.cards[card]!.back.text, { exact: true })).toBeVisible()
    if (card === 1) await expectAccessible(phone)
    await phone.getByRole('button', { name: knew ? 'I knew it' : 'Again' }).tap()
  }
  await expect(phone.getByText('Knew 1 of 2').first()).toBeVisible()
  await expect(phone.getByText('The next card is due today.')).toBeVisible()
})
