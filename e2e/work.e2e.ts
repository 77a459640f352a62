import { createServer, type Server } from 'node:http'
import type { AddressInfo } from 'node:net'
import { writeOneRoster } from '@otter/core/formats'
import { device } from './classroom.ts'
import { puzzleOf } from './playing.ts'
import { expect, expectAccessible, test } from './otter.ts'

/** A file of a school's system with one class. */
const schoolFile = (names: readonly string[]): { name: string; mimeType: string; buffer: Buffer } => ({
  name: 'school.zip',
  mimeType: 'application/zip',
  buffer: Buffer.from(
    writeOneRoster(
      'Lakeside School',
      [
        {
          sourceId: 'c1',
          name: 'Biology 7a',
          grade: '07',
          year: '2026/27',
          code: '',
          students: names.map((name) => ({ sourceId: name.slice(0, 3), name })),
          teachers: [],
        },
      ],
      new Date('2026-11-28'),
    ),
  ),
})

test('a class comes from the school’s system twice; a guest’s work is corrected, counted as a student’s, mended and gone on with', async ({
  teacher,
  browser,
  server,
}) => {
  test.setTimeout(90_000)
  await teacher.getByRole('link', { name: 'Classes' }).click()
  await teacher.getByRole('link', { name: 'From the school’s system' }).click()
  const file = teacher.getByLabel('OneRoster file (zip)')
  await file.setInputFiles({ name: 'no.zip', mimeType: 'application/zip', buffer: Buffer.from('no zip at all') })
  await expect(teacher.getByRole('alert')).toContainText('This is no zip file. Nothing was taken.')
  await file.setInputFiles(schoolFile(['Ada Bell', 'Ben Cole', 'Cleo Dunn']))
  await teacher.getByText('3 students, row by row').click()
  await expect(teacher.getByRole('row', { name: 'Ben Cole comes in new' })).toBeVisible()
  await expectAccessible(teacher)
  await teacher.getByRole('button', { name: 'Take 1 class with 3 students' }).click()
  await expect(teacher.getByText('1 class is here.')).toBeVisible()
  await teacher.reload()
  await file.setInputFiles(schoolFile(['Ada Bellamy', 'Ben Cole']))
  await teacher.getByText('2 students, row by row').click()
  await expect(teacher.getByRole('row', { name: 'Ada Bellamy was “Ada Bell”' })).toBeVisible()
  await expect(teacher.getByText('1 is in your class and not in the file')).toBeVisible()
  await teacher.getByRole('button', { name: 'Take 1 class with 2 students' }).click()
  await teacher.getByRole('link', { name: 'Biology 7a' }).click()
  await expect(teacher.getByRole('button', { name: 'More about Cleo Dunn' })).toBeVisible()
  await expect(teacher.getByRole('button', { name: 'More about Ada Bellamy' })).toBeVisible()
  const classPage = teacher.url()

  await teacher.goto('/')
  await teacher.getByRole('link', { name: 'The beehive' }).click()
  const words = teacher.url()
  await teacher.getByRole('link', { name: 'Play', exact: true }).click()
  const panel = teacher.getByRole('region', { name: 'Set it for a class' })
  await panel.getByRole('checkbox', { name: 'Biology 7a' }).check()
  await panel.getByLabel('Game', { exact: true }).selectOption({ label: 'Quiz' })
  await panel.getByLabel('Who may play').selectOption({ label: 'Anyone with the link' })
  await panel.getByText('More choices').click()
  await panel.getByLabel('Time for an attempt', { exact: true }).selectOption({ label: '30 minutes' })
  await panel.getByText('More time or attempts for some').click()
  await panel.getByLabel('Ben Cole: Time for an attempt').selectOption({ label: '1.5 times as much time' })
  await panel.getByRole('checkbox', { name: 'Hangman' }).check()
  await expect(panel.getByText('1 student has more time or other attempts.')).toBeVisible()
  await expectAccessible(teacher)
  const set = teacher.waitForResponse((reply) => reply.url().endsWith('/work') && reply.status() === 201)
  await panel.getByRole('button', { name: 'Set it for 1 class' }).click()
  const [{ code }] = (await (await set).json()) as [{ code: string }]
  await teacher.goto(`${classPage}/codes`)
  await expect(teacher.getByText(code)).toBeVisible()
  await expectAccessible(teacher)

  // A guest comes in by the link, under a name that is nobody's, and picks the quiz.
  const phone = await (await device(browser, server.url, true)).newPage()
  await phone.goto(`/p/${code}`)
  await expect(phone.getByRole('radio', { name: 'Hangman' })).toBeVisible()
  await expect(phone.getByText('30 minutes, from when you begin')).toBeVisible()
  await expectAccessible(phone)
  await phone.getByLabel('Your name').fill('adda')
  await phone.getByRole('button', { name: 'Begin' }).click()
  await expect(phone.getByRole('timer')).toContainText(/^(30:00|29:5\d)$/)
  const { questions } = await puzzleOf<{
    questions: { answer: { text: string }; choices: { text: string; right: boolean }[] }[]
  }>(server.databaseUrl, code)
  const wrong = questions[0]!.choices.findIndex((choice) => !choice.right)
  await phone.locator('main ol button').nth(wrong).click()
  await expect(phone.getByText('Not this time')).toBeVisible()
  await phone.getByRole('button', { name: 'Next', exact: true }).click()

  // What the teacher says counts for it: the answer is right, the guest is Ada.
  await teacher.goto(`${words.split('?')[0]}/results`)
  const row = teacher.getByRole('region', { name: 'Students’ results' }).getByRole('row', { name: /adda/ })
  await expect(row).toContainText('0 of')
  const asked = teacher.getByRole('region', { name: /Questions/ })
  await asked.getByRole('button', { name: new RegExp(questions[0]!.answer.text) }).click()
  await asked.getByRole('button', { name: /as right/ }).click()
  await expect(asked.getByText(/counts as right by your word/)).toBeVisible()
  await expect(row).toContainText('1 of')
  await expectAccessible(teacher)
  const total = Number(/1 of (\d+)/u.exec(await row.innerText())![1])
  await asked.getByRole('button', { name: 'Take this question out of the scoring' }).click()
  await expect(row).toContainText(`0 of ${total - 1}`)
  await asked.getByRole('button', { name: 'Score this question again' }).click()
  await expect(row).toContainText(`1 of ${total}`)
  await row.getByRole('button', { name: /More about/ }).click()
  await teacher.getByLabel('The same student as').selectOption({ label: 'Ada Bellamy' })
  await teacher.getByRole('button', { name: 'Put together' }).click()
  await expect(
    teacher.getByRole('region', { name: 'Students’ results' }).getByRole('row', { name: /Ada Bellamy/ }),
  ).toContainText(`1 of ${total}`)

  // A mistake found after sharing: closed, mended, renewed and opened again; who is in the middle goes on.
  await teacher.getByRole('button', { name: 'Close the link' }).click()
  await phone.locator('main ol button').first().click()
  await expect(phone.getByText(/closed this game|is closed/).first()).toBeVisible()
  await teacher.goto(words)
  const saved = teacher.waitForResponse((reply) => reply.request().method() === 'PATCH' && reply.ok())
  await teacher.getByLabel('Clue or question, row 1', { exact: true }).fill('mended just now')
  await saved
  await teacher.goto(`${words.split('?')[0]}/play`)
  const card = teacher.getByRole('article', { name: `Link ${code}` })
  await card.getByRole('button', { name: 'Renew the game' }).click()
  await expect(teacher.getByText('The game has the words as they are now.')).toBeVisible()
  await teacher.goto(`${words.split('?')[0]}/results`)
  await teacher.getByRole('button', { name: 'Open the link again' }).click()
  await phone.reload()
  // What was answered while it was closed waited on the device, and counts.
  await expect(phone.getByRole('button', { name: 'Next', exact: true })).toBeVisible()

  // The page of the class says so, and a tap shows the answers.
  await teacher.goto(classPage)
  await expect(teacher.getByRole('row', { name: /Ben Cole/ })).toContainText('not begun')
  await teacher
    .getByRole('row', { name: /Ada Bellamy/ })
    .getByRole('button')
    .click()
  const dialog = teacher.getByRole('dialog', { name: 'Ada Bellamy: answers' })
  await expect(dialog.getByRole('listitem').first()).toContainText(questions[0]!.answer.text)
  await expectAccessible(teacher)
  await phone.context().close()
})

/** A site of another school that shows a page in a frame. */
async function otherSite(address: string): Promise<{ server: Server; url: string }> {
  const server = createServer((_request, response) => {
    response.setHeader('Content-Type', 'text/html')
    response.end(`<title>School</title><iframe src="${address}" title="Game" width="360" height="640"></iframe>`)
  })
  await new Promise<void>((resolve) => server.listen(0, '127.0.0.1', resolve))
  // By another name than the tested server's: to the browser, another site.
  return { server, url: `http://localhost:${(server.address() as AddressInfo).port}` }
}

test('a game is played in a frame of a site that its teacher has allowed, and of no other; a list is given to a colleague', async ({
  teacher,
  browser,
  server,
}) => {
  await teacher.getByRole('link', { name: /Bridges and forces/ }).click()
  await teacher.getByRole('link', { name: /^Flashcards/ }).click()
  await teacher.getByRole('button', { name: 'Share with students' }).click()
  const card = teacher.getByRole('article').first()
  const code = await card.getByText(/^[A-Z0-9]{6}$/).innerText()
  const site = await otherSite(`${server.url}/e/${code}`)
  const context = await device(browser, server.url, false)
  const page = await context.newPage()
  await page.goto(site.url)
  const frame = page.frameLocator('iframe')
  await expect(frame.getByLabel('Your name')).toHaveCount(0)
  await card.getByText('E-mail text, another site, a board of names').click()
  await card.getByRole('button', { name: 'Write an e-mail text' }).click()
  await expect(card.getByLabel('Text to send')).toHaveValue(new RegExp(`enter the code ${code}`))
  await card.getByLabel('May another site show it?').selectOption({ label: 'Only sites I name' })
  await card.getByLabel('Sites, one a line').fill('school.example')
  await card.getByLabel('Sites, one a line').blur()
  await expect(card.getByLabel('Code for that site')).toHaveValue(/<iframe src=/)
  await expectAccessible(teacher)
  await page.reload()
  await expect(frame.getByLabel('Your name'), 'not for this site').toHaveCount(0)
  await card.getByLabel('Sites, one a line').fill(`school.example\n${site.url}`)
  await card.getByLabel('Sites, one a line').blur()
  await expect(async () => {
    await page.reload()
    await expect(frame.getByLabel('Your name')).toBeVisible({ timeout: 2000 })
  }).toPass()
  await frame.getByLabel('Your name').fill('Ines')
  await frame.getByRole('button', { name: 'Begin' }).click()
  await expect(frame.getByText('Playing as Ines')).toBeVisible()
  // Without a cookie, and where nothing can be stored: a reload of the frame goes on where it was.
  await frame.locator('body').evaluate(() => location.reload())
  await expect(frame.getByText('Playing as Ines')).toBeVisible()
  expect(await context.cookies()).toEqual([])
  // The same page is in no frame by its other address, and teachers' pages never are.
  for (const path of [`/p/${code}`, '/']) {
    await page.evaluate((address) => document.querySelector('iframe')!.setAttribute('src', address), server.url + path)
    await page.waitForTimeout(500)
    await expect(frame.locator('main, form')).toHaveCount(0)
  }
  await context.close()
  site.server.close()

  await teacher.getByRole('button', { name: 'Make a link' }).click()
  const address = await teacher.getByLabel('Link for colleagues').inputValue()
  await expectAccessible(teacher)
  const colleague = await (await device(browser, server.url, false)).newPage()
  await colleague.goto(address)
  await colleague.getByRole('button', { name: /Look around/ }).click()
  await expect(colleague.getByRole('heading', { name: 'Bridges and forces' })).toBeVisible()
  await expectAccessible(colleague)
  await colleague.getByRole('button', { name: 'Take a copy' }).click()
  await expect(colleague.getByLabel('Clue or question, row 1', { exact: true })).toBeVisible()
  await colleague.context().close()
})
