import { expect } from 'chai'
import { reportsOn } from './reportGround.ts'
import { Client, rows, startTestServer, type Reply, type TestServer } from './testServer.ts'

describe('A link’s own board', () => {
  let server: TestServer
  before(async () => {
    server = await startTestServer()
  })
  after(() => server.close())
  const { shared } = reportsOn(() => server)

  it('is there where the teacher wants it, and holds the names that were entered, by what counts', async () => {
    const { teacher, id, code, join, answer } = await shared()
    const ama = await join('Ama')
    await answer(ama, ['colour', 'drone', 'brood'])
    const board = async (client: Client): Promise<{ rows: object[]; score: number | null; name: string | null }> =>
      (await client.call('GET', `/play/${code}/board`)).body
    expect((await ama.call('GET', `/play/${code}/board`)).body.code, 'none by itself').to.equal('no-board')
    expect((await ama.call('GET', `/play/${code}`)).body.board).to.equal(false)
    const change = (wish: object | null): Promise<Reply> => teacher.call('PATCH', `/links/${id}`, { board: wish })
    expect((await change({ by: 'best', span: 'all' })).body.board).to.deep.equal({
      by: 'best',
      span: 'all',
      since: null,
    })
    expect((await ama.call('GET', `/play/${code}`)).body.board).to.equal(true)
    expect(await board(ama)).to.deep.equal({ span: 'all', rows: [], score: 30, name: null })
    const enter = (client: Client, name: string | null): Promise<Reply> =>
      client.call('PUT', `/play/${code}/board`, { name })
    expect((await enter(ama, 'River otter')).body.rows).to.deep.equal([
      { place: 1, name: 'River otter', score: 30, isMe: true },
    ])
    expect((await enter(ama, 'fuck')).body.code).to.equal('unkind-name')
    expect(
      (await new Client(server.url).call('GET', `/play/${code}/board`)).status,
      'who plays alone sees it',
    ).to.equal(401)
    const bo = await join('Bo')
    await answer(bo, ['hue', 'drone', 'x'])
    await bo.call('POST', `/play/${code}/again`, {})
    await answer(bo, ['colour', 'drone', 'x'], 2)
    expect((await board(bo)).score, 'who enters no name is seen by nobody else').to.equal(20)
    expect((await board(ama)).rows).to.have.length(1)
    await enter(bo, 'Beaver')
    const scores = async (): Promise<unknown> => (await board(ama)).rows.map((row) => Object.values(row).slice(0, 3))
    expect(await scores()).to.deep.equal([
      [1, 'River otter', 30],
      [2, 'Beaver', 20],
    ])
    await change({ by: 'first', span: 'all' })
    expect(await scores()).to.deep.equal([
      [1, 'River otter', 30],
      [2, 'Beaver', 10],
    ])
    await change({ by: 'sum', span: 'week' })
    expect(await scores(), 'at the same place with the same score').to.deep.equal([
      [1, 'Beaver', 30],
      [1, 'River otter', 30],
    ])
    await rows(
      server,
      `UPDATE plays y SET started_at = y.started_at - interval '8 days' FROM participants p
      WHERE p.id = y.participant_id AND p.name = 'Ama' AND y.offer_id = $id`,
      { id },
    )
    expect(await scores(), 'this week alone').to.deep.equal([[1, 'Beaver', 30]])
    await change({ by: 'best', span: 'all', again: true })
    expect(await scores(), 'begun anew').to.deep.equal([])
    expect((await teacher.call('GET', `/links/${id}/results`)).body.participants).to.have.length(2)
    await enter(bo, null)
    expect((await board(bo)).name).to.equal(null)
    await change(null)
    expect((await bo.call('GET', `/play/${code}/board`)).status).to.equal(404)
  })

  it('takes a class that enters at one instant, each once', async () => {
    const { teacher, id, code, join, answer } = await shared()
    await teacher.call('PATCH', `/links/${id}`, { board: { by: 'best', span: 'all' } })
    const students = await Promise.all(Array.from({ length: 20 }, (_, index) => join(`Student ${index}`)))
    await Promise.all(students.map((student) => answer(student, ['colour', 'drone', 'brood'])))
    const entered = await Promise.all(
      students.map((student, index) => student.call('PUT', `/play/${code}/board`, { name: `Otter ${index}` })),
    )
    expect(entered.map(({ status }) => status)).to.deep.equal(students.map(() => 200))
    const { body } = await students[0]!.call('GET', `/play/${code}/board`)
    expect(new Set(body.rows.map(({ name }: { name: string }) => name)).size).to.equal(20)
  })
})
