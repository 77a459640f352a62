import { randomUUID } from 'node:crypto'
import { readArchive } from '@otter/core/formats'
import { expect } from 'chai'
import { unzipSync } from 'fflate'
import { loadSample } from '../src/sample/load.ts'
import { startMailServer, type MailServer } from './mailServer.ts'
import { Client, rows, startTestServer, teacherWithList, WORDS, type TestServer } from './testServer.ts'

const PASSWORD = 'a long password'
const SECRET = 'the secret of whoever runs it'

describe('Accounts', () => {
  let server: TestServer
  before(async () => {
    server = await startTestServer({ operatorSecret: SECRET, siteAddress: 'https://otter.school.example' })
  })
  after(() => server.close())

  let number = 0
  async function signedUp(more: object = {}): Promise<{ client: Client; email: string }> {
    const client = new Client(server.url)
    const email = `account${number++}@school.example`
    const { status } = await client.call('POST', '/teachers', { name: 'Nour', email, password: PASSWORD, ...more })
    expect(status).to.equal(201)
    return { client, email }
  }
  async function signIn(email: string, password: string): Promise<{ client: Client; status: number }> {
    const client = new Client(server.url)
    return { client, status: (await client.call('POST', '/session', { email, password })).status }
  }
  const mailsTo = (email: string): Promise<{ subject: string; text: string }[]> =>
    rows(server, 'SELECT subject, text FROM mails WHERE recipient = $email ORDER BY created_at', { email })
  async function tokenFor(email: string): Promise<string> {
    expect((await new Client(server.url).call('POST', '/password-resets', { email })).status).to.equal(204)
    const [token] = /(?<=https:\/\/otter\.school\.example\/new-password#)\S+/u.exec(
      (await mailsTo(email)).at(-1)!.text,
    )!
    return token
  }

  it('change name, language and time zone; what is none is refused', async () => {
    const { client } = await signedUp({ timeZone: 'Asia/Jerusalem' })
    const who = async (): Promise<Record<string, unknown>> => (await client.call('GET', '/session')).body.teacher
    expect(await who()).to.include({ name: 'Nour', timeZone: 'Asia/Jerusalem', language: null, isSample: false })
    await client.call('PATCH', '/session', { name: ' Nour Haddad ', timeZone: 'Europe/Paris' })
    await client.call('PATCH', '/session', { language: 'he' })
    expect(await who()).to.include({ name: 'Nour Haddad', timeZone: 'Europe/Paris', language: 'he' })
    await client.call('PATCH', '/session', { timeZone: null })
    expect(await who()).to.include({ timeZone: null, language: 'he' })
    for (const wrong of [{ timeZone: 'Atlantis/Deep' }, { name: '  ' }, { language: 'xx' }])
      expect((await client.call('PATCH', '/session', wrong)).status).to.equal(400)
  })

  it('take another address and another password, by the password of now; the old address is told', async () => {
    const { client, email } = await signedUp()
    const { email: taken } = await signedUp()
    const moved = `moved-${email}`
    for (const [body, status] of [
      [{ email: moved, password: 'not the password' }, 403],
      [{ email: taken, password: PASSWORD }, 409],
      [{ email: moved, password: PASSWORD }, 204],
    ] as const)
      expect((await client.call('PUT', '/account/email', body)).status).to.equal(status)
    expect((await mailsTo(email)).map(({ text }) => text.includes(moved))).to.deep.equal([true])

    const elsewhere = await signIn(moved, PASSWORD)
    expect(elsewhere.status).to.equal(200)
    const change = (newPassword: string, password = PASSWORD): Promise<{ status: number; body: { path?: string } }> =>
      client.call('PUT', '/account/password', { password, newPassword })
    expect((await change('three otters hold hands', 'wrong')).status).to.equal(403)
    expect((await change('manchester1')).body).to.include({ code: 'common-password', path: 'newPassword' })
    expect((await change('three otters hold hands')).status).to.equal(204)
    expect((await client.call('GET', '/lists')).status, 'who changed it stays').to.equal(200)
    expect((await elsewhere.client.call('GET', '/lists')).status, 'all others are out').to.equal(401)
    expect((await signIn(moved, PASSWORD)).status).to.equal(401)
    expect((await signIn(moved, 'three otters hold hands')).status).to.equal(200)
  })

  it('are signed out on all other devices', async () => {
    const { client, email } = await signedUp()
    const others = await Promise.all([signIn(email, PASSWORD), signIn(email, PASSWORD)])
    expect((await client.call('DELETE', '/account/sessions')).status).to.equal(204)
    expect((await client.call('GET', '/lists')).status).to.equal(200)
    for (const other of others) expect((await other.client.call('GET', '/lists')).status).to.equal(401)
  })

  it('come back by a mail, once, within the hour; all sessions and other mails end', async () => {
    const { client, email } = await signedUp()
    const first = await tokenFor(email)
    const second = await tokenFor(email)
    const reset = (token: string, password = 'a wholly new password'): Promise<{ status: number; body: object }> =>
      new Client(server.url).call('PUT', '/password-resets', { token, password })
    expect((await reset(second, email)).body, 'one that is tried first').to.include({ path: 'password' })
    // Pressed twice at once: one press counts.
    const both = await Promise.all([reset(second), reset(second)])
    expect(both.map(({ status }) => status).sort()).to.deep.equal([200, 410])
    expect((await reset(first)).status).to.equal(410)
    expect((await client.call('GET', '/lists')).status).to.equal(401)
    expect((await signIn(email, 'a wholly new password')).status).to.equal(200)

    const late = await tokenFor(email)
    await rows(server, "UPDATE password_resets SET expires_at = now() - interval '1 second'")
    expect((await reset(late)).status).to.equal(410)
    expect((await reset('made up')).body).to.include({ code: 'old-reset' })
  })

  it('tell nobody whether there is one; mails for one account are few', async () => {
    const { email } = await signedUp()
    const ask = async (of: string): Promise<[number, string]> => {
      const { status, text } = await new Client(server.url).call('POST', '/password-resets', { email: of })
      return [status, text]
    }
    const nobody = 'nobody-at-all@school.example'
    for (let times = 0; times < 4; times++) expect(await ask(email)).to.deep.equal(await ask(nobody))
    expect(await ask(email)).to.deep.equal(await ask(nobody))
    expect((await ask(email))[0]).to.equal(429)
    expect(await mailsTo(email)).to.have.length(4)
    expect(await mailsTo(nobody)).to.have.length(0)
  })

  it('keep mails for whoever runs the server: by its secret, on its machine, past proxies of it alone', async () => {
    const { email } = await signedUp()
    await tokenFor(email)
    const operator = new Client(server.url)
    const key = { Authorization: `Bearer ${SECRET}` }
    const { body: mails } = await operator.call('GET', '/operator/mails', undefined, key)
    expect(mails[0]).to.include({ to: email, sentAt: null })
    expect(mails[0].text).to.include('#')
    for (const headers of [
      {},
      { Authorization: `Bearer ${SECRET}x` },
      { Authorization: SECRET },
      { ...key, 'X-Forwarded-For': '10.0.0.5' },
      { ...key, 'X-Forwarded-For': '127.0.0.1, 10.0.0.5' },
      { ...key, 'X-Forwarded-For': '10.0.0.5, 127.0.0.1' },
      { ...key, Forwarded: 'for=127.0.0.1' },
    ] as Record<string, string>[])
      expect((await operator.call('GET', '/operator/mails', undefined, headers)).status).to.equal(404)
    const byProxy = await operator.call('GET', '/operator/mails', undefined, { ...key, 'X-Forwarded-For': '127.0.0.1' })
    expect(byProxy.status).to.equal(200)
  })

  it('are deleted with all that is in them, by the password', async () => {
    const { client, listId } = await teacherWithList(server.url, WORDS)
    const { client: bystander, listId: kept } = await teacherWithList(server.url, WORDS)
    const { body: link } = await client.call('POST', `/lists/${listId}/links`, { kind: 'quiz', seed: '1' })
    const student = new Client(server.url)
    await student.call('POST', `/play/${link.code}/join`, { name: 'Ada' })
    const move = { id: randomUUID(), attempt: 1, move: { type: 'choose', choices: [0] } }
    await student.call('POST', `/play/${link.code}/moves`, move)
    const [{ id }] = (await rows<{ id: string }>(server, 'SELECT teacher_id AS id FROM lists WHERE id = $listId', {
      listId,
    })) as [{ id: string }]
    expect((await client.call('DELETE', '/account', { password: 'wrong' })).status).to.equal(403)
    expect((await client.call('DELETE', '/account', { password: PASSWORD })).status).to.equal(204)
    expect((await client.call('GET', '/session')).body.teacher).to.equal(null)
    expect((await student.call('GET', `/play/${link.code}`)).status).to.equal(404)
    const counts = await rows<Record<string, number>>(
      server,
      `SELECT (SELECT count(*)::int FROM teachers WHERE id = $id) AS teachers,
        (SELECT count(*)::int FROM lists WHERE teacher_id = $id) AS lists,
        (SELECT count(*)::int FROM games WHERE teacher_id = $id) AS games,
        (SELECT count(*)::int FROM offers WHERE teacher_id = $id) AS offers,
        (SELECT count(*)::int FROM participants WHERE offer_id = $offerId) AS participants,
        (SELECT count(*)::int FROM plays WHERE offer_id = $offerId) AS plays`,
      { id, offerId: link.id },
    )
    expect(new Set(Object.values(counts[0]!))).to.deep.equal(new Set([0]))
    expect((await bystander.call('GET', `/lists/${kept}`)).body.entries).to.have.length(WORDS.length)
  })

  it('give all that is in them as one file, whose lists can be opened again', async () => {
    const { client, listId } = await teacherWithList(server.url, WORDS)
    await client.call('PATCH', `/lists/${listId}`, { version: 1, title: 'Bees: a/b ..' })
    const { body: link } = await client.call('POST', `/lists/${listId}/links`, { kind: 'quiz', seed: '1' })
    const student = new Client(server.url)
    await student.call('POST', `/play/${link.code}/join`, { name: '=Ada' })
    const move = { id: randomUUID(), attempt: 1, move: { type: 'choose', choices: [0] } }
    await student.call('POST', `/play/${link.code}/moves`, move)
    const { bytes, type, headers } = await client.call('GET', '/account/archive')
    expect(type).to.equal('application/zip')
    expect(headers.get('content-disposition')).to.include('attachment')
    const files = unzipSync(bytes)
    const folder = `results/001 Bees a b .. ${link.code}`
    expect(Object.keys(files).sort()).to.deep.equal([
      'account.json',
      'lists/001 Bees a b.zip',
      `${folder}/answers.csv`,
      `${folder}/students.csv`,
    ])
    const { list } = readArchive(files['lists/001 Bees a b.zip']!)
    expect(list.entries.map(({ answer }) => answer.text)).to.deep.equal(WORDS)
    const answers = Buffer.from(files[`${folder}/answers.csv`]!).toString()
    expect(answers.trim().split('\r\n')).to.have.length(2)
    expect(answers).to.match(/"'=Ada",1,\w+,\w+,(right|wrong),/u)
    expect(Buffer.from(files['account.json']!).toString()).not.to.include('scrypt')
    expect((await new Client(server.url).call('GET', '/account/archive')).status).to.equal(401)
  })

  it('give every link, however many there are', async () => {
    const { client, listId } = await teacherWithList(server.url, WORDS)
    await client.call('POST', `/lists/${listId}/links`, { kind: 'quiz', seed: '1' })
    await rows(
      server,
      `WITH one AS (SELECT o.id, o.teacher_id, o.rules FROM offers o JOIN lists l ON l.teacher_id = o.teacher_id
         WHERE l.id = $listId LIMIT 1),
       more AS (INSERT INTO offers (id, teacher_id, code, rules) SELECT gen_random_uuid(), teacher_id,
         'X' || number, rules FROM one, generate_series(1, 204) number RETURNING id)
       INSERT INTO offer_games (offer_id, position, game_version_id) SELECT more.id, 0, m.game_version_id FROM more,
         one JOIN offer_games m ON m.offer_id = one.id`,
      { listId },
    )
    const { bytes } = await client.call('GET', '/account/archive')
    expect(Object.keys(unzipSync(bytes)).filter((name) => name.endsWith('/students.csv'))).to.have.length(205)
  }).timeout(60_000)

  it('are changed by who is signed in, though strangers guess at the door', async () => {
    const { client, email } = await signedUp()
    for (let guess = 0; guess < 12; guess++) await signIn(email, 'a wrong guess')
    const body = { password: PASSWORD, newPassword: 'three otters hold hands' }
    expect((await client.call('PUT', '/account/password', body)).status).to.equal(204)
    const wrong = { password: 'a wrong guess', newPassword: 'four otters hold hands' }
    const statuses: number[] = []
    for (let guess = 0; guess < 12; guess++)
      statuses.push((await client.call('PUT', '/account/password', wrong)).status)
    expect([...new Set(statuses)]).to.deep.equal([403, 429])
  })

  it('of the sample stay as they are, whoever looks around', async () => {
    await loadSample(server.database, server.workers)
    const email = 'ines@harlowquay.example'
    const { client } = await signIn(email, 'otters-hold-hands')
    expect((await client.call('GET', '/session')).body.teacher.isSample).to.equal(true)
    const password = 'otters-hold-hands'
    for (const [method, path, body] of [
      ['PUT', '/account/email', { email: 'mine@school.example', password }],
      ['PUT', '/account/password', { password, newPassword: 'this is mine from now on' }],
      ['DELETE', '/account/sessions', undefined],
      ['DELETE', '/account', { password }],
      ['PATCH', '/session', { name: 'Somebody Rude' }],
    ] as const)
      expect((await client.call(method, path, body)).body, path).to.include({ status: 403, code: 'sample-account' })
    expect((await client.call('PATCH', '/session', { language: 'fr' })).status).to.equal(204)
    await new Client(server.url).call('POST', '/password-resets', { email })
    expect(await mailsTo(email)).to.have.length(0)
  }).timeout(60_000)
})

describe('Mails', () => {
  let post: MailServer
  let server: TestServer
  before(async () => {
    post = await startMailServer()
    server = await startTestServer({ mail: { smtp: post.address, from: 'Otter <otter@school.example>' } })
  })
  after(async () => {
    await server.close()
    post.close()
  })
  const soon = async (isSo: () => Promise<boolean> | boolean): Promise<void> => {
    while (!(await isSo())) await new Promise((resolve) => setTimeout(resolve, 20))
  }

  it('are handed to the mail server at once, and their text is kept no longer', async () => {
    const email = 'posted@school.example'
    const client = new Client(server.url)
    await client.call('POST', '/teachers', { name: 'Nour', email, password: PASSWORD })
    expect((await client.call('GET', '/session')).body.sendsMail).to.equal(true)
    await client.call('POST', '/password-resets', { email })
    await soon(() => post.received.length === 1)
    expect(post.received[0]).to.match(/^To: posted@school\.example$/mu)
    expect(post.received[0]).to.include('new-password#')
    const kept = (): Promise<{ text: string; sent: boolean }[]> =>
      rows(server, 'SELECT text, sent_at IS NOT NULL AS sent FROM mails')
    await soon(async () => (await kept()).every(({ sent }) => sent))
    expect(await kept()).to.deep.equal([{ text: '', sent: true }])
  })

  it('are tried again where the mail server refused, later each time', async () => {
    const email = 'refused@school.example'
    await new Client(server.url).call('POST', '/teachers', { name: 'Nour', email, password: PASSWORD })
    post.refuses = true
    await new Client(server.url).call('POST', '/password-resets', { email })
    const waiting = async (): Promise<{ tries: number; wait: number } | undefined> =>
      (
        await rows<{ tries: number; wait: number }>(
          server,
          `SELECT tries, extract(epoch FROM try_after - created_at)::float8 AS wait FROM mails
            WHERE recipient = $email AND sent_at IS NULL`,
          { email },
        )
      )[0]
    await soon(() => post.refused === 1)
    expect((await waiting())!.tries).to.equal(1)
    expect((await waiting())!.wait).to.be.within(59, 70)
    post.refuses = false
    await rows(server, 'UPDATE mails SET try_after = now() WHERE sent_at IS NULL')
    // Another mail makes the server look.
    await new Client(server.url).call('POST', '/password-resets', { email })
    await soon(() => post.received.filter((mail) => mail.includes(`To: ${email}`)).length === 2)
    await soon(async () => (await waiting()) === undefined)
  })

  it('of more than a day ago are not sent any more', async () => {
    const email = 'old@school.example'
    await new Client(server.url).call('POST', '/teachers', { name: 'Nour', email, password: PASSWORD })
    post.refuses = true
    await new Client(server.url).call('POST', '/password-resets', { email })
    await soon(() => post.refused === 2)
    post.refuses = false
    await rows(
      server,
      "UPDATE mails SET try_after = now(), created_at = now() - interval '25 hours' WHERE recipient = $email",
      { email },
    )
    await new Client(server.url).call('POST', '/password-resets', { email })
    await soon(() => post.received.filter((mail) => mail.includes(`To: ${email}`)).length === 1)
    const sent = await rows<{ sent: boolean }>(
      server,
      'SELECT sent_at IS NOT NULL AS sent FROM mails WHERE recipient = $email ORDER BY created_at',
      { email },
    )
    expect(sent[0]!.sent).to.equal(false)
  })
})
