import { expect, expectAccessible, OPERATOR_SECRET, test } from './otter.ts'

const BOATS = [
  'anchor - holds a ship',
  'stern - the back of a ship',
  'rudder - steers',
  'mast - carries the sails',
  'keel - the lowest beam',
]

test('words are pasted before anything is asked, outlive a reload, and are a list once one has signed up', async ({
  page,
}) => {
  await page.goto('/')
  await page.getByRole('link', { name: 'Try it with your words' }).click()
  await page.getByRole('textbox', { name: 'Words to paste' }).fill(BOATS.join('\n'))
  await expect(page.getByText('5 questions', { exact: true })).toBeVisible()
  await expect(page.getByRole('cell', { name: 'rudder' })).toBeVisible()
  await expectAccessible(page)
  await page.reload()
  await expect(page.getByText('5 questions', { exact: true })).toBeVisible()
  await page.getByLabel('Your name').fill('Nour Haddad')
  await page.getByLabel('E-mail').fill('nour@school.example')
  await page.getByLabel('Password').fill('short')
  await page.getByRole('button', { name: 'Make an account and keep it' }).click()
  await expect(page.getByText('Use at least 10 characters')).toBeVisible()
  await page.getByLabel('Password').fill('ships like harbours')
  await page.getByRole('button', { name: 'Make an account and keep it' }).click()
  await expect(page.getByText(/5 entries.*saved/)).toBeVisible()
  await expect(page.getByLabel('Answer, row 3', { exact: true })).toHaveValue('rudder')
  // They are in the account now, and wait on this device no longer.
  await page.goto('/start')
  await expect(page.getByRole('textbox', { name: 'Words to paste' })).toHaveValue('')
})

test('an account is named, loses its password and comes back by a mail, takes a copy of a list, and is deleted', async ({
  page,
  browser,
  server,
}) => {
  const email = 'bo@school.example'
  await page.goto('/')
  await page.getByRole('button', { name: 'I am new here' }).click()
  await page.getByLabel('Your name').fill('Bo')
  await page.getByLabel('E-mail').fill(email)
  await page.getByLabel('Password').fill('ships like harbours')
  await page.getByRole('button', { name: 'Make an account' }).click()
  await expect(page.getByRole('heading', { name: 'Three steps to the first game' })).toBeVisible()
  await expectAccessible(page)
  await page.getByRole('button', { name: /^The beehive/ }).click()
  await expect(page.getByText(/10 entries.*saved/)).toBeVisible()

  await page.getByRole('link', { name: 'Your account: Bo' }).click()
  await page.getByRole('textbox', { name: 'Name', exact: true }).fill('Bo Lindqvist')
  await page.getByRole('button', { name: 'Save' }).click()
  await expect(page.getByRole('link', { name: 'Your account: Bo Lindqvist' })).toBeVisible()
  await page.getByLabel('Time zone').selectOption('Asia/Tokyo')
  await expectAccessible(page)
  const download = page.waitForEvent('download')
  await page.getByRole('link', { name: 'Download all as a zip file' }).click()
  expect((await download).suggestedFilename()).toBe('jolly-otter.zip')

  // Forgotten, on another device; whoever runs the server reads the mail out.
  const other = await (await browser.newContext({ baseURL: server.url })).newPage()
  await other.goto('/')
  await other.getByRole('link', { name: 'I forgot my password' }).click()
  // The door that is left has a field of that name, too.
  await expect(other.getByRole('heading', { name: 'Forgotten password' })).toBeVisible()
  await other.getByLabel('E-mail').fill(email)
  await other.getByRole('button', { name: 'Send the mail' }).click()
  await expect(other.getByText(/the mail is written/)).toBeVisible()
  await expectAccessible(other)
  await other.goto('/operator#not the secret')
  await expect(other.getByRole('alert')).toContainText('on the machine that runs Jolly Otter alone')
  await other.goto(`/operator#${OPERATOR_SECRET}`)
  await other.reload()
  const mail = other.getByRole('listitem').filter({ hasText: email })
  await expect(mail.getByRole('heading', { name: 'A new password for Jolly Otter' })).toBeVisible()
  await expectAccessible(other)
  const [path] = /\/new-password#\S+/u.exec((await mail.textContent())!)!
  await other.goto(path)
  await other.getByLabel('New password').fill('harbours like ships')
  await other.getByRole('button', { name: 'Save and sign in' }).click()
  await expect(other.getByRole('link', { name: 'The beehive' })).toBeVisible()
  // The first device was signed out by it.
  await page.reload()
  await expect(page.getByRole('button', { name: 'Sign in' })).toBeVisible()

  await other.getByRole('link', { name: /^Your account/ }).click()
  await other.getByText('Delete the account').last().click()
  const deletion = other.getByRole('region', { name: 'Delete the account' })
  await deletion.getByLabel('Your current password').fill('ships like harbours')
  await deletion.getByRole('button', { name: 'Delete everything' }).click()
  await expect(deletion.getByRole('alert')).toContainText('That is not your password')
  await deletion.getByLabel('Your current password').fill('harbours like ships')
  await deletion.getByRole('button', { name: 'Delete everything' }).click()
  await expect(other.getByRole('button', { name: 'Sign in' })).toBeVisible()
  await other.context().close()
})

test('the account of the sample stays as it is, and “?” tells the keys of a screen', async ({ teacher }) => {
  await teacher.keyboard.press('?')
  const help = teacher.getByRole('dialog', { name: 'Keys of this screen' })
  await expect(help.getByText('Search your lists')).toBeVisible()
  await expectAccessible(teacher)
  await teacher.keyboard.press('Escape')
  await teacher.getByRole('link', { name: /The beehive/ }).click()
  await teacher.getByRole('button', { name: 'Help: keys' }).click()
  await expect(help.getByText('Fill down')).toBeVisible()
  await help.getByRole('button', { name: 'Close' }).click()
  await expect(teacher.getByRole('button', { name: 'Help: keys' })).toBeFocused()
  await teacher.getByRole('link', { name: /^Your account/ }).click()
  await expect(teacher.getByText(/Everybody who looks around shares this account/)).toBeVisible()
  await expect(teacher.getByRole('button', { name: /password|Delete|Save/ })).toHaveCount(0)
})
