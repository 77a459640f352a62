import { randomUUID } from 'node:crypto'
import { expect } from 'chai'
import { classesOn, type Student } from './testClass.ts'
import { Client, rows, startTestServer, teacherWithList, WORDS, type Reply, type TestServer } from './testServer.ts'

describe('Students of classes', () => {
  let server: TestServer
  before(async () => {
    server = await startTestServer()
  })
  after(() => server.close())

  const { classOf, signIn, setWork, finish } = classesOn(() => server)

  it('delete a student with all that was done, unless another class has the student', async () => {
    const made = await classOf()
    const { body: second } = await made.client.call('POST', '/classes', { name: 'Choir' })
    const [bo, ida] = made.students
    const work = await setWork(made)
    for (const { id } of [bo!, ida!]) {
      const phone = new Client(server.url)
      await signIn(phone, made.code, id)
      const { body } = await phone.call('POST', `/play/${work.code}/join`, {})
      await phone.call('POST', `/play/${work.code}/moves`, {
        id: randomUUID(),
        attempt: 1,
        for: body.play.moment,
        move: { type: 'guess', letter: 'e' },
      })
    }
    const moved = await made.client.call('POST', `/classes/${made.id}/students/${ida!.id}/move`, { classId: second.id })
    expect(moved.body.roll.map(({ name }: Student) => name)).to.deep.equal(['Bo', 'Mina'])
    expect((await made.client.call('DELETE', `/classes/${made.id}/students/${bo!.id}`)).status).to.equal(204)
    // No row of any table names Bo, nor what was his.
    const columns = await rows<{ table: string; column: string }>(
      server,
      `SELECT table_name AS table, column_name AS column FROM information_schema.columns
        WHERE table_schema = 'public' AND data_type IN ('uuid', 'text', 'jsonb')`,
    )
    for (const { table, column } of columns) {
      const found = await rows(server, `SELECT 1 FROM "${table}" WHERE "${column}"::text LIKE '%${bo!.id}%' LIMIT 1`)
      expect(found, `${table}.${column}`).to.deep.equal([])
    }
    const [left] = await rows<{ plays: number; moves: number }>(
      server,
      `SELECT (SELECT count(*)::int FROM plays WHERE offer_id = '${work.id}') AS plays,
        (SELECT count(*)::int FROM moves m JOIN plays y ON y.id = m.play_id WHERE y.offer_id = '${work.id}') AS moves`,
    )
    expect(left, 'Ida, who moved, keeps hers').to.deep.equal({ plays: 1, moves: 1 })
  })

  it('tell all that is kept of a student, as data and as a table, and nothing of another', async () => {
    const made = await classOf()
    const work = await setWork(made, { name: 'Words' })
    const [bo, ida] = made.students
    for (const { id } of [bo!, ida!]) {
      const phone = new Client(server.url)
      await signIn(phone, made.code, id)
      const { body } = await phone.call('POST', `/play/${work.code}/join`, {})
      await phone.call('POST', `/play/${work.code}/moves`, {
        id: randomUUID(),
        attempt: 1,
        for: body.play.moment,
        move: { type: 'finish' },
      })
    }
    const path = `/classes/${made.id}/students/${bo!.id}/data`
    const { body, text } = await made.client.call('GET', path)
    expect(body.student).to.deep.include({ name: 'Bo', secret: 'pictures' })
    expect([body.classes, body.work.length]).to.deep.equal([['Beekeepers 5'], 1])
    expect(body.work[0]).to.deep.include({ name: 'Words', kind: 'hangman', code: work.code, total: 10, right: 0 })
    expect(body.work[0].endedAt).not.to.equal(null)
    expect(text).not.to.include('Ida').and.not.to.include('scrypt')
    const csv = await made.client.call('GET', `${path}.csv?language=fr`)
    expect(csv.text.split('\r\n')[0]).to.include('Travail')
    expect(csv.text.trim().split('\r\n')).to.have.length(1 + body.work[0].answers.length)
  })

  it('play live under their own names, each of which is one student', async () => {
    const made = await classOf(['Bo', 'Ida', 'Twin', 'Twin'])
    const { body: live } = await made.client.call('POST', `/lists/${made.listId}/live`, {
      kind: 'quiz',
      seed: '1',
      classId: made.id,
      live: { names: 'list' },
    })
    const tap = async (name: string): Promise<Reply> =>
      new Client(server.url).call('POST', `/play/${live.code}/join`, { name })
    const door = await new Client(server.url).call('GET', `/play/${live.code}`)
    expect(door.body.door, 'a lobby has its own door').to.equal(null)
    const taps = await Promise.all(['Bo', 'Bo', 'Ida', 'Twin'].map(tap))
    expect(taps.map(({ status }) => status).sort()).to.deep.equal([201, 201, 201, 409])
    expect((await tap('Nobody')).body.code).to.equal('not-on-list')
    const found = await rows<{ name: string; student: string | null }>(
      server,
      `SELECT name, student_id AS student FROM participants WHERE offer_id = '${live.id}' ORDER BY name`,
    )
    expect(found.map(({ name, student }) => [name, student])).to.deep.equal([
      ['Bo', made.students[0]!.id],
      ['Ida', made.students[1]!.id],
      ['Twin', null],
    ])
    const { client: stranger, listId } = await teacherWithList(server.url, WORDS)
    const stolen = { kind: 'quiz', seed: '1', classId: made.id, live: { names: 'list' } }
    expect((await stranger.call('POST', `/lists/${listId}/live`, stolen)).status).to.equal(404)
  })

  it('put two who are one student together, with what both did, and tell them apart again', async () => {
    const made = await classOf(['Bo', 'Boo', 'Ida'])
    const [bo, boo, ida] = made.students
    const both = await setWork(made, { work: { who: 'signed-in', counted: 'best' } })
    const late = await setWork(made, { work: { who: 'signed-in' } })
    const play = async (id: string, code: string, right: number): Promise<Client> => {
      const phone = new Client(server.url)
      await signIn(phone, made.code, id)
      await phone.call('POST', `/play/${code}/join`, {})
      await finish(id, right)
      return phone
    }
    const phone = await play(bo!.id, both.code, 3)
    const other = await play(boo!.id, both.code, 7)
    await other.call('POST', `/play/${late.code}/join`, {})
    await finish(boo!.id, 5)
    const standings = async (): Promise<unknown[]> =>
      (await made.client.call('GET', `/classes/${made.id}/overview`)).body.students.map(
        ({ name, standings: all }: { name: string; standings: { share: number; attempts: number }[] }) =>
          [name, ...all.map(({ share, attempts }) => `${attempts}: ${share}`)].join(' '),
      )
    const before = await standings()
    expect(before).to.deep.equal(['Bo 0: null 1: 0.3', 'Boo 1: 0.5 1: 0.7', 'Ida 0: null 0: null'])
    const path = `/classes/${made.id}/students/${boo!.id}/merged`
    const merged = await made.client.call('PUT', path, { into: bo!.id })
    expect(merged.body.roll.map(({ name }: Student) => name)).to.deep.equal(['Bo', 'Ida'])
    expect(merged.body.roll[0].merged).to.deep.equal([{ id: boo!.id, name: 'Boo' }])
    expect(await standings()).to.deep.equal(['Bo 1: 0.5 2: 0.7', 'Ida 0: null 0: null'])
    expect((await other.call('GET', '/student')).status, 'Boo is nobody now').to.equal(401)
    const home = (await phone.call('GET', '/student')).body.work as { code: string; standing: { attempts: number } }[]
    expect(home.find(({ code }) => code === both.code)!.standing.attempts).to.equal(2)
    expect((await phone.call('POST', `/play/${late.code}/join`, {})).body.play.attempt).to.equal(1)
    const people = await rows(server, `SELECT 1 FROM participants WHERE offer_id = '${late.id}'`)
    expect(people, 'what Boo did there is Bo’s, and goes on').to.have.length(1)
    expect((await made.client.call('PUT', path, { into: boo!.id })).status).to.equal(409)
    expect((await made.client.call('PUT', path, { into: null })).body.roll).to.have.length(3)
    expect((await standings())[2]).to.equal('Ida 0: null 0: null')
    expect(((await standings()) as string[])[1]).to.include('1: 0.7')
    await made.client.call('PUT', `/classes/${made.id}/students/${ida!.id}/merged`, { into: bo!.id })
    await made.client.call('DELETE', `/classes/${made.id}/students/${bo!.id}`)
    expect(await rows(server, `SELECT 1 FROM students WHERE id = '${ida!.id}'`), 'deleted as one').to.deep.equal([])
  })

  it('keep two who are one together where they go, and lose neither with a class', async () => {
    const made = await classOf(['Bo', 'Boo'])
    const [bo, boo] = made.students
    const { body: second } = await made.client.call('POST', '/classes', { name: 'Choir' })
    const at = (classId: string, student: Student, rest = ''): string =>
      `/classes/${classId}/students/${student.id}${rest}`
    await made.client.call('PUT', at(made.id, boo!, '/merged'), { into: bo!.id })
    await made.client.call('POST', at(made.id, bo!, '/move'), { classId: second.id })
    expect((await made.client.call('GET', `/classes/${made.id}`)).body.roll).to.deep.equal([])
    await made.client.call('DELETE', `/classes/${made.id}`)
    const apart = await made.client.call('PUT', at(second.id, boo!, '/merged'), { into: null })
    expect(apart.body.roll.map(({ name }: Student) => name)).to.deep.equal(['Bo', 'Boo'])

    const { body: third } = await made.client.call('POST', '/classes', { name: 'Band' })
    await rows(
      server,
      `INSERT INTO enrollments (class_id, student_id, state) VALUES ('${third.id}', '${boo!.id}', 'in')`,
    )
    const refused = await made.client.call('PUT', at(second.id, boo!, '/merged'), { into: bo!.id })
    expect(refused.body.code, 'the band would lose Boo').to.equal('in-other-class')
    expect((await made.client.call('PUT', at(second.id, bo!, '/merged'), { into: boo!.id })).status).to.equal(200)
    expect((await made.client.call('GET', `/classes/${third.id}`)).body.roll).to.have.length(1)
  })
}).timeout(60_000)
