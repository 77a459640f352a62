import type { PebblesPuzzle } from '@otter/core/games/pebbles'
import type { QuizboardPuzzle } from '@otter/core/games/quizboard'
import type { SortingPuzzle } from '@otter/core/games/sorting'
import type { ThreadPuzzle } from '@otter/core/games/thread'
import type { Page } from '@playwright/test'
import { expect, expectAccessible, query, test } from './otter.ts'
import { join, openGame, puzzleOf, share } from './playing.ts'

test.use({ viewport: { width: 1280, height: 800 } })

/** Opens a game of a list for teams on the wall; returns the id of the play. */
async function openOnWall(teacher: Page, list: string, game: string): Promise<string> {
  await teacher.goto('/')
  await teacher.getByRole('link', { name: list }).click()
  await teacher.getByRole('link', { name: 'Play', exact: true }).click()
  const region = teacher.getByRole('region', { name: 'Play it at the wall' })
  await region.getByLabel('Game').selectOption({ label: game })
  await region.getByRole('button', { name: 'Open on the wall' }).click()
  await teacher.waitForURL(/\/wall\/[\w-]{36}$/)
  await expect(teacher.getByRole('list', { name: 'Teams and points' })).toBeVisible()
  return teacher.url().slice(-36)
}

async function puzzleAt<Puzzle>(databaseUrl: string, offerId: string): Promise<Puzzle> {
  const [row] = await query<{ code: string }>(databaseUrl, 'SELECT code FROM offers WHERE id = $1', [offerId])
  return puzzleOf<Puzzle>(databaseUrl, row!.code)
}

const score = (page: Page, team: string, points: number): Promise<void> =>
  expect(page.getByRole('button', { name: new RegExp(`^${team} ${points} points`) })).toBeVisible()

test('a quiz board is played by keys alone, goes on after the server was killed, and takes anything back', async ({
  teacher,
  server,
}) => {
  const id = await openOnWall(teacher, 'Bridges and forces', 'Quiz board')
  const { columns } = await puzzleAt<QuizboardPuzzle>(server.databaseUrl, id)
  await expectAccessible(teacher)
  const first = teacher.getByRole('button', { name: `${columns[0]!.name}, 10` })
  await first.focus()
  await teacher.keyboard.press('ArrowDown')
  await teacher.keyboard.press('ArrowRight')
  await expect(teacher.getByRole('button', { name: `${columns[1]!.name}, 20` })).toBeFocused()
  await teacher.keyboard.press('Enter')
  await expect(teacher.getByRole('region', { name: 'The open question' })).toBeFocused()
  await expectAccessible(teacher)
  await teacher.keyboard.press('w')
  await expect(teacher.getByText('Herons were wrong')).toBeVisible()
  await teacher.keyboard.press('p')
  await expect(teacher.getByText('Eels answer')).toBeVisible()

  await server.crash()
  await teacher.keyboard.press('r')
  await score(teacher, 'Eels', 20)
  await teacher.reload()
  await score(teacher, 'Eels', 20)
  await teacher.getByRole('region', { name: 'The open question' }).focus()
  await teacher.keyboard.press('Enter')
  await expect(teacher.getByRole('button', { name: `${columns[1]!.name}, 20: Eels` })).toBeVisible()

  await teacher.keyboard.press('Control+z')
  await teacher.keyboard.press('Control+z')
  await score(teacher, 'Eels', 0)
  await teacher.keyboard.press('Control+y')
  await score(teacher, 'Eels', 20)
  await teacher.keyboard.press('Escape')
  await expect(first).toBeVisible()

  // Points by hand, the timer, and what the keys do.
  await teacher.keyboard.press('Shift+Digit3')
  await teacher.keyboard.press('+')
  await score(teacher, 'Crabs', 10)
  await teacher.keyboard.press('-')
  await score(teacher, 'Crabs', 0)
  await teacher.keyboard.press('.')
  await expect(teacher.getByRole('timer')).toBeVisible()
  await teacher.keyboard.press('.')
  await expect(teacher.getByRole('button', { name: 'Let the timer run on' })).toBeVisible()
  await teacher.keyboard.press('?')
  const help = teacher.getByRole('dialog', { name: 'Keys of this screen' })
  await expect(help.getByText('Points for the team with the frame')).toBeVisible()
  await teacher.keyboard.press('Escape')

  // The last dive: all teams answer, nobody loses.
  await teacher.getByRole('button', { name: 'The last dive' }).focus()
  await teacher.keyboard.press('Enter')
  await expect(teacher.getByText('Everyone writes an answer')).toBeVisible()
  await teacher.keyboard.press('4')
  await score(teacher, 'Terns', 100)
  await teacher.keyboard.press('n')
  await expect(teacher.getByRole('button', { name: 'Go on' })).toBeVisible()
  await teacher.keyboard.press('Enter')

  await teacher.emulateMedia({ colorScheme: 'dark' })
  await expectAccessible(teacher)
  await teacher.getByRole('button', { name: 'End the game' }).click()
  await teacher.getByRole('link', { name: 'Results' }).click()
  await expect(teacher.getByRole('row', { name: /Terns/ })).toContainText('100')
  await expect(teacher.getByRole('row', { name: /Herons/ })).toContainText('1')
  await expectAccessible(teacher)
})

test('pebbles are played by mouse, steered from a phone that is paired once, and shown in a second window', async ({
  teacher,
  phone,
  context,
  server,
}) => {
  const id = await openOnWall(teacher, 'Bridges and forces', 'Pebbles')
  const { questions } = await puzzleAt<PebblesPuzzle>(server.databaseUrl, id)
  await expectAccessible(teacher)
  await teacher.getByRole('button', { name: 'Pebble 3', exact: true }).click()
  await expect(teacher.getByText(questions[2]!.prompt.text)).toBeVisible()
  await teacher.getByRole('button', { name: 'Show the answer' }).click()
  await expect(teacher.getByText(questions[2]!.answer.text, { exact: true })).toBeVisible()
  await teacher.getByRole('button', { name: 'Right', exact: true }).click()
  await teacher.getByRole('button', { name: 'Go on' }).click()
  await expect(teacher.getByRole('button', { name: 'Pebble 3, taken by Herons' })).toBeVisible()

  await teacher.getByRole('button', { name: 'Remote control' }).click()
  const dialog = teacher.getByRole('dialog', { name: 'Remote control' })
  const code = await dialog.locator('[data-code]').innerText()
  await expectAccessible(teacher)
  await phone.goto('/remote')
  await phone.getByLabel('The code on the teacher’s screen').fill(code)
  await expectAccessible(phone)
  await phone.getByRole('button', { name: 'Steer the game' }).tap()
  await expect(phone.getByText('Eels, choose a pebble')).toBeVisible()
  await expectAccessible(phone)
  await dialog.getByRole('button', { name: 'Close' }).click()

  const display = await context.newPage()
  await display.goto(`/wall/${id}/show`)
  await expect(display.getByText('Eels, choose a pebble')).toBeVisible()
  await phone.getByRole('button', { name: 'Pebble 5', exact: true }).tap()
  const answer = phone.getByText(questions[4]!.answer.text, { exact: true })
  await expect(answer).toBeVisible()
  for (const screen of [teacher, display]) {
    await expect(screen.getByText(questions[4]!.prompt.text)).toBeVisible()
    await expect(screen.getByText(questions[4]!.answer.text, { exact: true })).toHaveCount(0)
  }
  await expectAccessible(display)
  await phone.getByRole('button', { name: 'Right', exact: true }).tap()
  for (const screen of [teacher, display]) await score(screen, 'Eels', 10)
  await phone.getByRole('button', { name: 'Undo' }).tap()
  await score(teacher, 'Eels', 0)

  await teacher.getByRole('button', { name: 'Remote control' }).click()
  await expect(dialog.getByText('1 phone steers this game.')).toBeVisible()
  await dialog.getByRole('button', { name: 'Drop them' }).click()
  await expect(phone.getByRole('button', { name: 'Steer the game' })).toBeVisible()
  await score(display, 'Eels', 0)
})

test('slips are sorted by mouse and keys at the wall, and by taps on a phone', async ({ teacher, phone, server }) => {
  const id = await openOnWall(teacher, 'Bridges and forces', 'Sorting')
  const { items, groups } = await puzzleAt<SortingPuzzle>(server.databaseUrl, id)
  await expectAccessible(teacher)
  const slip = teacher.getByRole('button', { name: items[0]!.text, exact: true })
  const group = teacher.getByRole('region', { name: groups[items[0]!.groups[0]!]! })
  await slip.hover()
  await teacher.mouse.down()
  const box = (await group.boundingBox())!
  await teacher.mouse.move(box.x + box.width / 2, box.y + box.height - 20, { steps: 8 })
  await teacher.mouse.up()
  await expect(group.getByText(items[0]!.text)).toBeVisible()
  await score(teacher, 'Herons', 10)
  await teacher.getByRole('button', { name: items[1]!.text, exact: true }).focus()
  await teacher.keyboard.press(String(items[1]!.groups[0]! + 1))
  await score(teacher, 'Eels', 10)

  await teacher.goto('/')
  await openGame(teacher, 'Bridges and forces', 'Sorting')
  const code = await share(teacher)
  const puzzle = await puzzleOf<SortingPuzzle>(server.databaseUrl, code)
  await join(phone, code)
  for (const [index, item] of puzzle.items.entries()) {
    const name = puzzle.groups[item.groups[0]!]!
    if (index === 0) {
      const wrong = puzzle.groups.find((one) => one !== name)!
      await phone.getByRole('button', { name: item.text, exact: true }).tap()
      await phone.getByRole('button', { name: `Here ${wrong}` }).tap()
      await expect(phone.getByText(`Not in “${wrong}”.`).first()).toBeVisible()
      await expectAccessible(phone)
    }
    await phone.getByRole('button', { name: item.text, exact: true }).tap()
    await phone.getByRole('button', { name: `Here ${name}` }).tap()
    await expect(phone.getByRole('region', { name }).getByText(item.text)).toBeVisible()
  }
  await expect(phone.getByText(`${puzzle.items.length - 1} of ${puzzle.items.length}`).last()).toBeVisible()
})

test('a common thread is found and told: typed on a phone, said aloud at the wall', async ({
  teacher,
  phone,
  server,
}) => {
  const id = await openOnWall(teacher, 'The beehive', 'Common thread')
  const atWall = await puzzleAt<ThreadPuzzle>(server.databaseUrl, id)
  const slipsOf = ({ items }: ThreadPuzzle, link: number): string[] =>
    items.filter((item) => item.link === link).map(({ text }) => text)
  await expectAccessible(teacher)
  for (const text of slipsOf(atWall, 0)) await teacher.getByRole('button', { name: text, exact: true }).click()
  await teacher.getByRole('button', { name: /^These belong together/ }).click()
  await expect(teacher.getByRole('form', { name: 'What is the link?' })).toBeVisible()
  await expect(teacher.getByText(atWall.links[0]!, { exact: true })).toHaveCount(0)
  await teacher.getByRole('button', { name: 'They said it' }).click()
  await expect(teacher.getByText(atWall.links[0]!, { exact: true })).toBeVisible()
  await score(teacher, 'Herons', 14)

  await teacher.goto('/')
  await openGame(teacher, 'The beehive', 'Common thread')
  await expect(teacher.getByText(/way to part these slips/)).toBeVisible()
  const code = await share(teacher)
  const puzzle = await puzzleOf<ThreadPuzzle>(server.databaseUrl, code)
  await join(phone, code)
  const mixed = [slipsOf(puzzle, 0)[0]!, slipsOf(puzzle, 0)[1]!, slipsOf(puzzle, 1)[0]!]
  for (const text of mixed) await phone.getByRole('button', { name: text, exact: true }).tap()
  await phone.getByRole('button', { name: /^These belong together/ }).tap()
  await expect(phone.getByText('No one thread runs through these.').first()).toBeVisible()
  await expectAccessible(phone)
  for (const [link, name] of puzzle.links.entries()) {
    for (const text of slipsOf(puzzle, link)) await phone.getByRole('button', { name: text, exact: true }).tap()
    await phone.getByRole('button', { name: /^These belong together/ }).tap()
    await phone.getByLabel('The link', { exact: true }).fill(link === 0 ? name.toUpperCase() : 'no idea')
    await phone.getByRole('button', { name: 'Say it' }).tap()
    await expect(phone.getByText(name, { exact: true })).toBeVisible()
  }
  await expect(phone.getByText('seen at a second look')).toBeVisible()
  await expectAccessible(phone)
})

test('words are drawn by keys, none twice before all have come, and the wall goes on where it stood', async ({
  teacher,
  server,
}) => {
  await openOnWall(teacher, 'The beehive', 'Word draw')
  await expect(teacher.getByText('The words float by. Draw one.')).toBeVisible()
  await expectAccessible(teacher)
  await teacher.getByRole('button', { name: 'Draw a word' }).focus()
  for (let count = 1; count <= 3; count++) {
    await teacher.keyboard.press('Enter')
    await expect(teacher.getByRole('heading', { name: `${count} drawn` })).toBeVisible()
  }
  await server.crash()
  await teacher.reload()
  await expect(teacher.getByRole('heading', { name: '3 drawn' })).toBeVisible()
  await teacher.getByRole('button', { name: 'Draw ten and count' }).click()
  await expect(teacher.getByRole('heading', { name: '13 drawn' })).toBeVisible()
  const counts = await teacher
    .getByRole('region', { name: 'How often each came' })
    .getByRole('listitem')
    .allInnerTexts()
  expect(
    counts
      .map((text) => Number(/\d+$/u.exec(text)![0]))
      .sort()
      .join(''),
  ).toBe('1111111222')
  await teacher.keyboard.press('Control+z')
  await expect(teacher.getByRole('heading', { name: '3 drawn' })).toBeVisible()
})

test('names are drawn fairly and made into teams, which play at the wall', async ({ teacher }) => {
  await teacher.getByRole('link', { name: 'Names' }).click()
  await teacher.getByRole('button', { name: 'New list of names' }).click()
  await teacher.getByLabel('Add names, one a line').fill('Ama\nBruno\nChiyo\nDario\nElif\nFemi\nAma')
  await teacher.getByRole('button', { name: 'Add', exact: true }).click()
  await expect(teacher.getByText('6 of 6 are here today')).toBeVisible()
  await teacher.getByRole('checkbox', { name: 'Femi' }).click()
  await expect(teacher.getByText('5 of 6 are here today')).toBeVisible()
  await expectAccessible(teacher)
  const draw = teacher.getByRole('region', { name: 'Name draw' })
  const drawn = new Set<string>()
  for (let left = 4; left >= 1; left--) {
    await draw.getByRole('button', { name: 'Draw a name' }).click()
    await expect(draw.getByText(`${left} to come before all have come`)).toBeVisible()
    drawn.add(await draw.locator('.stream bdi').innerText())
  }
  expect(drawn.size).toBe(4)
  await teacher.reload()
  await expect(draw.getByText('1 to come before all have come')).toBeVisible()
  await draw.getByRole('button', { name: 'Take it back' }).click()
  await expect(draw.getByText('2 to come before all have come')).toBeVisible()

  const maker = teacher.getByRole('region', { name: 'Team maker' })
  await maker.getByText('0 wishes').click()
  await maker.getByLabel('One student').selectOption('Ama')
  await maker.getByLabel('Another student').selectOption('Bruno')
  await maker.getByRole('button', { name: 'Add the wish' }).click()
  await expect(maker.getByText('Ama not with Bruno')).toBeVisible()
  await maker.getByRole('combobox', { name: 'How', exact: true }).selectOption('results')
  await maker.getByRole('combobox', { name: 'Number of teams' }).selectOption('2')
  await maker.getByRole('button', { name: 'Make teams' }).click()
  await expect(maker.getByText(/no teams are closer/)).toBeVisible()
  const teams = await maker.locator('ol > li').allInnerTexts()
  expect(teams).toHaveLength(2)
  expect(teams.filter((team) => team.includes('Ama') && team.includes('Bruno'))).toEqual([])
  expect(teams.join(' ')).not.toContain('Femi')
  await maker.getByRole('button', { name: 'Use at the wall' }).click()
  await expectAccessible(teacher)
  await openOnWall(teacher, 'The beehive', 'Word draw')
  await teacher.getByRole('button', { name: 'Teams', exact: true }).click()
  await expect(teacher.getByLabel('Who is in team 1')).toHaveValue(/Ama|Bruno/)
})
