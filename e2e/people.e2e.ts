import { expect, expectAccessible, test } from './otter.ts'
import { join, openGame, share } from './playing.ts'

test('links stand side by side with names; who takes part is renamed, taken out and let back; a closed link stops the sending', async ({
  teacher,
  phone,
}) => {
  await openGame(teacher, 'Bridges and forces', 'Quiz')
  const first = await share(teacher)
  await teacher.getByLabel(`Name of link ${first}`).fill('Tuesday group')
  await teacher.getByLabel(`Name of link ${first}`).press('Enter')
  await teacher.getByRole('link', { name: 'Games' }).click()
  const code = await share(teacher)
  expect(code).not.toBe(first)
  await teacher.reload()
  await expect(teacher.getByLabel(`Name of link ${first}`)).toHaveValue('Tuesday group')
  // A link tells what was chosen for its game, to look at alone.
  const card = teacher.getByRole('article', { name: `Link ${first}` })
  await card.getByText('What was chosen for it').click()
  await expect(card.getByLabel('Answered by')).toHaveValue('choice')
  await expect(card.getByLabel('Answered by')).toBeDisabled()
  await expectAccessible(teacher)

  await join(phone, code)
  await expect(phone.getByText('Question 1 of 12')).toBeVisible()
  await phone.getByRole('button', { name: /^B/ }).tap()
  await phone.getByRole('button', { name: 'Next' }).tap()
  await expect(phone.getByText('Question 2 of 12')).toBeVisible()

  // The teacher sees who gave which answer, and looks after the names.
  await teacher
    .getByRole('article', { name: `Link ${code}` })
    .getByRole('link', { name: 'Results' })
    .click()
  await expect(
    teacher.getByRole('region', { name: 'Students’ results' }).getByRole('row', { name: /Ada/ }),
  ).toContainText(/[01] of 12/)
  const answered = teacher.getByRole('button', { name: /of 1 right/ }).first()
  await answered.click()
  await expect(teacher.getByRole('listitem').filter({ hasText: /^Ada/ })).toBeVisible()
  await expectAccessible(teacher)
  await teacher.getByRole('button', { name: 'More about Ada' }).click()
  const dialog = teacher.getByRole('dialog', { name: 'About Ada' })
  await expect(dialog.getByLabel('Name')).toBeFocused()
  await expectAccessible(teacher)
  await dialog.getByLabel('Name').fill('Ada L.')
  await dialog.getByRole('button', { name: 'Rename' }).click()
  await expect(
    teacher.getByRole('region', { name: 'Students’ results' }).getByRole('row', { name: /Ada L\./ }),
  ).toBeVisible()
  await teacher.getByRole('button', { name: 'More about Ada L.' }).click()
  await teacher.getByRole('button', { name: 'Take out' }).click()
  await expect(teacher.getByRole('button', { name: 'Let back' })).toBeVisible()
  await phone.reload()
  await expect(phone.getByText('Your teacher has taken this name out of the game.')).toBeVisible()
  await expectAccessible(phone)
  await teacher.getByRole('button', { name: 'Let back' }).click()
  await teacher.getByRole('button', { name: 'Done', exact: true }).click()
  await phone.getByRole('button', { name: 'Try again' }).tap()
  await expect(phone.getByText('Playing as Ada L.')).toBeVisible()

  // A closed game keeps what was answered, and asks the server no more.
  await teacher.getByRole('button', { name: 'Close the link' }).click()
  await expect(teacher.getByRole('button', { name: 'Open the link again' })).toBeVisible()
  const sent: string[] = []
  phone.on('request', (request) => {
    if (request.url().includes('/moves')) sent.push(request.url())
  })
  await phone.getByRole('button', { name: /^A/ }).tap()
  await expect(phone.getByText('This game is closed.')).toBeVisible()
  await phone.waitForTimeout(4000)
  expect(sent).toHaveLength(1)
  await teacher.getByRole('button', { name: 'Open the link again' }).click()
  await expect(teacher.getByRole('button', { name: 'Close the link' })).toBeVisible()
  await phone.reload()
  await expect(phone.getByRole('button', { name: 'Next' })).toBeVisible()

  // An attempt that is given back is begun anew.
  await teacher.getByRole('button', { name: 'More about Ada L.' }).click()
  await teacher.getByRole('button', { name: 'Give back' }).click()
  // The dialog closes once the server has done it.
  await expect(teacher.getByRole('dialog')).toBeHidden()
  await phone.reload()
  await expect(phone.getByText('Question 1 of 12')).toBeVisible()
})

test('a move made in one tab for what has passed in another is told, and changes nothing', async ({
  teacher,
  phone,
}) => {
  await openGame(teacher, 'Bridges and forces', 'Quiz')
  const code = await share(teacher)
  await join(phone, code)
  await expect(phone.getByText('Question 1 of 12')).toBeVisible()
  const other = await phone.context().newPage()
  await other.goto(`/p/${code}`)
  await expect(other.getByText('Question 1 of 12')).toBeVisible()
  await phone.getByRole('button', { name: /^A/ }).tap()
  await phone.getByRole('button', { name: 'Next' }).tap()
  await expect(phone.getByText('Question 2 of 12')).toBeVisible()
  await other.getByRole('button', { name: /^C/ }).tap()
  await expect(other.getByText('That was for something that has passed.')).toBeVisible()
  await expect(other.getByText('Question 2 of 12')).toBeVisible()
  await expectAccessible(other)
})

test('a PDF shows how far it has come, and can be stopped', async ({ teacher }) => {
  await openGame(teacher, 'The beehive', 'Crossword')
  await teacher.getByRole('button', { name: 'Print' }).click()
  await teacher.getByLabel('Versions').fill('30')
  await teacher.getByRole('button', { name: 'PDF' }).click()
  await expect(teacher.getByRole('progressbar', { name: 'Making the PDF' })).toBeVisible()
  await expectAccessible(teacher)
  await teacher.getByRole('button', { name: 'Stop the PDF' }).click()
  await expect(teacher.getByRole('button', { name: 'PDF', exact: true })).toBeVisible()
  await expect(teacher.getByRole('alert')).toHaveCount(0)
})

test('a game is renewed where its words were changed, its link goes to the archive, and the wall says what is true', async ({
  teacher,
  phone,
}) => {
  await teacher.getByRole('link', { name: /Bridges and forces/ }).click()
  const words = teacher.url()
  await teacher.getByRole('link', { name: /^Flashcards/ }).click()
  await teacher.getByRole('button', { name: 'Share with students' }).click()
  const card = teacher.getByRole('article').first()
  const code = await card.getByText(/^[A-Z0-9]{6}$/).innerText()
  await phone.goto(`/p/${code}`)
  await phone.getByLabel('Your name').fill('Ines')
  await phone.getByRole('button', { name: 'Begin' }).click()
  await expect(phone.getByText('Knew 0 of', { exact: false }).first()).toBeVisible()

  await teacher.goto(words)
  await teacher.getByLabel('Clue or question, row 1', { exact: true }).fill('changed just now')
  const outdated = teacher.getByRole('listitem').filter({ hasText: code })
  await outdated.getByRole('button', { name: 'Renew the game' }).click()
  await expect(teacher.getByText('The game has the words as they are now.')).toBeVisible()
  await expect(outdated).toHaveCount(0)

  const wall = `${words.split('?')[0]}/wall/${code}`
  await teacher.goto(wall)
  await expect(teacher.getByText('1 here now')).toBeVisible()
  await expect(teacher.getByText('Ines', { exact: true }).first()).toBeVisible()
  await teacher.goto(`${words.split('?')[0]}/play`)
  await teacher.getByRole('button', { name: `Archive link ${code}` }).click()
  await expect(teacher.getByText(code, { exact: true })).toHaveCount(0)
  await teacher.getByRole('button', { name: /^Show \d+ archived links?$/ }).click()
  await expect(teacher.getByText(code, { exact: true })).toBeVisible()
  await expectAccessible(teacher)
  await teacher.goto(wall)
  await expect(teacher.getByText('This game is closed').first()).toBeVisible()
  await expectAccessible(teacher)
  await teacher.goto(wall.replace(code, 'ZZZZZZ'))
  await expect(teacher.getByText('There is no game with the code ZZZZZZ.')).toBeVisible()
  const newcomer = await phone.context().browser()!.newPage()
  await newcomer.goto(phone.url())
  await expect(newcomer.getByText(/nobody can join just now/)).toBeVisible()
  await newcomer.close()
})
