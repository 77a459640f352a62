import { randomUUID } from 'node:crypto'
import { expect } from 'chai'
import { hashPassword, isCommonPassword, PASSWORD_COST, passwordMatches } from '../src/services/passwords.ts'
import { Client, rows, startTestServer, teacherWithList, WORDS, type Reply, type TestServer } from './testServer.ts'

const statuses = (replies: readonly Reply[]): number[] => replies.map(({ status }) => status)

describe('Limits', () => {
  let server: TestServer
  before(async () => {
    server = await startTestServer()
  })
  after(() => server.close())
  afterEach(() => rows(server, 'DELETE FROM guesses'))

  it('stop who tries out codes, and never the moves of a class behind the same address', async () => {
    const { client, listId } = await teacherWithList(server.url, WORDS)
    const {
      body: { code },
    } = await client.call('POST', `/lists/${listId}/links`, { kind: 'wordsearch', seed: '1' })
    const student = new Client(server.url)
    await student.call('POST', `/play/${code}/join`, { name: 'Ama' })
    const guesses: number[] = []
    for (let round = 0; round < 10; round++)
      guesses.push(
        ...statuses(
          await Promise.all(
            Array.from({ length: 15 }, (_, index) => new Client(server.url).call('GET', `/play/Z${round}X${index}`)),
          ),
        ),
      )
    expect(guesses.filter((status) => status === 404).length).to.be.within(110, 135)
    expect(guesses.at(-1)).to.equal(429)
    expect(
      (await new Client(server.url).call('GET', `/play/${code}`)).body.code,
      'whoever has no token is told nothing, not even of a code that exists',
    ).to.equal('too-many')
    for (const move of [
      { type: 'hint', item: 1 },
      { type: 'hint', item: 2 },
    ])
      expect(
        (await student.call('POST', `/play/${code}/moves`, { id: randomUUID(), attempt: 1, move })).status,
      ).to.equal(200)
    expect((await student.call('GET', `/play/${code}`)).status).to.equal(200)
  })

  it('lock no teacher out of a device that is known, whatever is tried elsewhere', async () => {
    const account = { name: 'Ada', email: `${randomUUID()}@school.example`, password: 'three calm otters' }
    const home = new Client(server.url)
    await home.call('POST', '/teachers', account)
    await home.call('DELETE', '/session')
    const pupil = new Client(server.url)
    const tries: Reply[] = []
    for (let index = 0; index < 12; index++)
      tries.push(await pupil.call('POST', '/session', { email: account.email, password: `guess ${index}` }))
    expect(statuses(tries).filter((status) => status === 401)).to.have.length(10)
    expect(
      (await pupil.call('POST', '/session', { email: account.email, password: account.password })).status,
      'the right one is a guess, too',
    ).to.equal(429)
    expect((await home.call('POST', '/session', { email: account.email, password: account.password })).status).to.equal(
      200,
    )
    for (let index = 0; index < 10; index++)
      await home.call('POST', '/session', { email: account.email, password: 'wrong' })
    expect(
      (await home.call('POST', '/session', { email: account.email, password: 'wrong' })).status,
      'a known device has tries of its own',
    ).to.equal(429)
  }).timeout(60_000)

  it('count wrong passwords over all accounts of an address, and right ones not at all', async () => {
    const many = await Promise.all(
      Array.from({ length: 70 }, () =>
        new Client(server.url).call('POST', '/session', {
          email: `${randomUUID()}@school.example`,
          password: 'winter',
        }),
      ),
    )
    expect(statuses(many).filter((status) => status === 401)).to.have.length(60)
  }).timeout(120_000)

  it('keep files from waiting while a staff signs in, with passwords as dear as they are', async () => {
    const dear = await startTestServer({ passwordCost: PASSWORD_COST })
    const account = { name: 'Ada', email: `${randomUUID()}@school.example`, password: 'three calm otters' }
    await new Client(dear.url).call('POST', '/teachers', account)
    let signedIn = 0
    const [before, signIns] = await Promise.all([
      // Files are read on the threads that passwords are hashed on.
      new Promise<number>((resolve) =>
        setTimeout(
          () => void new Client(dear.url).call('GET', '/gallery/flat/otter.svg').then(() => resolve(signedIn)),
          100,
        ),
      ),
      Promise.all(
        Array.from({ length: 8 }, async () => {
          const reply = await new Client(dear.url).call('POST', '/session', {
            email: account.email,
            password: account.password,
          })
          signedIn++
          return reply
        }),
      ),
    ])
    expect(statuses(signIns)).to.deep.equal(Array.from({ length: 8 }, () => 200))
    expect(before, 'the file comes before most have signed in').to.be.below(6)
    await dear.close()
  }).timeout(120_000)

  it('let one browser bring in a few students, and a class many at once', async () => {
    const { client, listId } = await teacherWithList(server.url, WORDS)
    const {
      body: { code },
    } = await client.call('POST', `/lists/${listId}/links`, { kind: 'pairs', seed: '1' })
    const tablet = new Client(server.url)
    await tablet.call('GET', `/play/${code}`)
    const joins: Reply[] = []
    for (let index = 0; index < 10; index++)
      joins.push(await tablet.call('POST', `/play/${code}/join`, { name: `Student ${index}` }))
    expect(statuses(joins)).to.deep.equal([...Array(8).fill(201), 403, 403])
    const flood = await Promise.all(
      Array.from({ length: 120 }, (_, index) =>
        new Client(server.url).call('POST', `/play/${code}/join`, { name: `Robot ${index}` }),
      ),
    )
    expect(statuses(flood).filter((status) => status === 201).length).to.be.within(50, 90)
  }).timeout(60_000)

  it('count no try that came to nothing while the database was away', async () => {
    const { client, listId } = await teacherWithList(server.url, WORDS)
    const {
      body: { code },
    } = await client.call('POST', `/lists/${listId}/links`, { kind: 'pairs', seed: '1' })
    const account = { name: 'Ada', email: `${randomUUID()}@school.example`, password: 'three calm otters' }
    await new Client(server.url).call('POST', '/teachers', account)
    const join = (): Promise<Reply> => new Client(server.url).call('POST', `/play/${code}/join`, { name: 'Bo' })
    const signIn = (): Promise<Reply> => new Client(server.url).call('POST', '/session', account)
    for (const table of ['participants', 'teachers']) await rows(server, `ALTER TABLE ${table} RENAME TO ${table}_away`)
    const failed: Reply[] = []
    for (let round = 0; round < 10; round++)
      failed.push(...(await Promise.all(Array.from({ length: 8 }, join))), await signIn(), await signIn())
    for (const table of ['participants', 'teachers']) await rows(server, `ALTER TABLE ${table}_away RENAME TO ${table}`)
    expect(new Set(statuses(failed))).to.deep.equal(new Set([500]))
    expect([(await join()).status, (await signIn()).status]).to.deep.equal([201, 200])
  }).timeout(60_000)

  it('hold over two servers on one database', async () => {
    const other = await startTestServer({ databaseUrl: server.databaseUrl })
    const email = `${randomUUID()}@school.example`
    const tries: Reply[] = []
    for (let index = 0; index < 12; index++)
      tries.push(
        await new Client(index % 2 === 0 ? server.url : other.url).call('POST', '/session', {
          email,
          password: 'guess',
        }),
      )
    expect(statuses(tries).filter((status) => status === 401)).to.have.length(10)
    await other.close()
  }).timeout(60_000)

  it('take no password that is tried first', async () => {
    for (const password of [
      'basketball',
      'Password123',
      'manchester1',
      '1234567890',
      'aaaaaaaaaaaa',
      'ada.lovelace@school.example',
      'Ada Lovelace',
    ])
      expect(
        isCommonPassword(password, ['ada.lovelace@school.example', 'ada.lovelace', 'Ada Lovelace']),
        password,
      ).to.equal(true)
    for (const password of ['three calm otters', 'otters-hold-hands', 'correct horse', 'kelp & Regen 7'])
      expect(isCommonPassword(password, ['ada@school.example']), password).to.equal(false)
    const refused = await new Client(server.url).call('POST', '/teachers', {
      name: 'Eve',
      email: 'eve@school.example',
      password: 'qwertyuiop',
    })
    expect([refused.status, refused.body.path]).to.deep.equal([400, 'password'])
  })
  it('keep a password as a salted hash of its cost, and know it by any way of writing its letters', async () => {
    const hash = await hashPassword('café au lait', 2 ** 10)
    expect(hash).to.match(/^scrypt\$1024\$[\w+/=]{24}\$[\w+/=]{44}$/u)
    expect(await hashPassword('café au lait', 2 ** 10)).not.to.equal(hash)
    const matches = (password: string, known: string | undefined = hash): Promise<boolean> =>
      passwordMatches(password, known, 2 ** 11)
    expect(
      await Promise.all(['café au lait', 'cafe\u0301 au lait', 'Café au lait', ''].map((it) => matches(it))),
    ).to.deep.equal([true, true, false, false])
    expect(await passwordMatches('café au lait', undefined, 2 ** 10)).to.equal(false)
    expect(PASSWORD_COST).to.equal(2 ** 16)
  })
})
