import { randomUUID } from 'node:crypto'
import type { RosterKnowledge, RosterReply } from '@otter/api'
import { expect } from 'chai'
import { Client, startTestServer, teacherWithList, WORDS, type TestServer } from './testServer.ts'

const NAMES = ['Ama', 'Bruno', 'Chiyo', 'Dario', 'Elif', 'Femi']
const rosterOf = (names: readonly string[], absent: readonly string[] = []): object => ({
  name: 'Beekeepers 5',
  students: names.map((name) => ({ id: randomUUID(), name, absent: absent.includes(name) })),
})

describe('Names that a teacher keeps', () => {
  let server: TestServer
  let teacher: Client
  let listId: string
  before(async () => {
    server = await startTestServer()
    ;({ client: teacher, listId } = await teacherWithList(server.url, WORDS))
  })
  after(() => server.close())

  const create = async (names: readonly string[] = NAMES, absent: readonly string[] = []): Promise<RosterReply> => {
    const { status, body } = await teacher.call('POST', '/rosters', rosterOf(names, absent))
    expect(status).to.equal(201)
    return body as RosterReply
  }
  const draw = async (id: string, requestId: string = randomUUID()): Promise<RosterReply> =>
    (await teacher.call('POST', `/rosters/${id}/draws`, { requestId })).body as RosterReply
  const countsOf = ({ students, counts }: RosterReply): number[] => students.map(({ id }) => counts[id] ?? 0)

  it('are drawn so that nobody comes twice before all have come once, from lesson to lesson', async () => {
    const { id } = await create()
    const came = new Set<string>()
    for (let lesson = 0; lesson < 6; lesson++) came.add((await draw(id)).last!)
    expect(came.size).to.equal(6)
    const { body } = await teacher.call('GET', '/rosters')
    const kept = (body as RosterReply[]).find((roster) => roster.id === id)!
    expect([countsOf(kept), kept.left]).to.deep.equal([[1, 1, 1, 1, 1, 1], 6])
    expect(
      countsOf(await draw(id))
        .sort()
        .join(''),
    ).to.equal('111112')
  })

  it('leave out whoever is away, who comes once back', async () => {
    const roster = await create(NAMES, ['Ama', 'Femi'])
    for (let count = 0; count < 4; count++) await draw(roster.id)
    const students = roster.students.map((student) => ({ ...student, absent: false }))
    const back = await teacher.call('PUT', `/rosters/${roster.id}`, {
      name: roster.name,
      students,
      version: roster.version,
    })
    expect((back.body as RosterReply).left).to.equal(2)
    await draw(roster.id)
    expect(countsOf(await draw(roster.id))).to.deep.equal([1, 1, 1, 1, 1, 1])
  })

  it('come out once for one request, and each another for many at the same instant', async () => {
    const { id } = await create(Array.from({ length: 35 }, (_, index) => `Student ${index}`))
    const requestId = randomUUID()
    const same = await Promise.all([1, 2, 3].map(() => draw(id, requestId)))
    expect(new Set(same.map(({ last }) => last)).size).to.equal(1)
    const all = await Promise.all(Array.from({ length: 34 }, () => draw(id)))
    expect(new Set([same[0]!.last, ...all.map(({ last }) => last)]).size).to.equal(35)
  })

  it('are put back where a draw is taken back, and are another’s to nobody', async () => {
    const { id } = await create()
    await draw(id)
    const { body } = await teacher.call('DELETE', `/rosters/${id}/draws/last`)
    expect([countsOf(body as RosterReply), (body as RosterReply).last]).to.deep.equal([[0, 0, 0, 0, 0, 0], null])
    const { client: other } = await teacherWithList(server.url, WORDS)
    for (const [method, path, sent] of [
      ['PUT', '', { ...rosterOf(NAMES), version: 0 }],
      ['POST', '/draws', { requestId: randomUUID() }],
      ['DELETE', '/draws/last', undefined],
      ['GET', '/knowledge', undefined],
      ['DELETE', '', undefined],
    ] as const)
      expect((await other.call(method, `/rosters/${id}${path}`, sent)).status, `${method} ${path}`).to.equal(404)
    expect((await other.call('GET', '/rosters')).body).to.deep.equal([])
    expect((await teacher.call('DELETE', `/rosters/${id}`)).status).to.equal(204)
  })

  it('are not overwritten by a window that has not seen what another has changed', async () => {
    const { id, version } = await create()
    await draw(id)
    const save = (names: readonly string[]): Promise<number> =>
      teacher.call('PUT', `/rosters/${id}`, { ...rosterOf(names), version }).then(({ status }) => status)
    expect((await Promise.all([save(['Ama']), save(['Bo']), save(['Chi'])])).sort()).to.deep.equal([200, 409, 409])
    const { body } = await teacher.call('PUT', `/rosters/${id}`, { ...rosterOf(NAMES), version: version + 1 })
    expect((body as RosterReply).version).to.equal(version + 2)
  })

  it('say that nobody is here to be drawn', async () => {
    const { id } = await create(['Ama'], ['Ama'])
    const { status, body } = await teacher.call('POST', `/rosters/${id}/draws`, { requestId: randomUUID() })
    expect([status, body.code]).to.deep.equal([409, 'nobody-here'])
  })

  it('are known by what students of that name did in the teacher’s games', async () => {
    const made = await teacher.call('POST', `/lists/${listId}/links`, {
      kind: 'flashcards',
      options: { order: 'list' },
      seed: '1',
    })
    const student = new Client(server.url)
    await student.call('POST', `/play/${made.body.code}/join`, { name: 'AMA' })
    for (const [after, move] of [
      { type: 'turn' },
      { type: 'rate', knew: true },
      { type: 'turn' },
      { type: 'rate', knew: false },
    ].entries())
      expect(
        (await student.call('POST', `/play/${made.body.code}/moves`, { attempt: 1, after, move })).status,
      ).to.equal(200)
    const { id } = await create(['Ama', 'Zoë'])
    const { body } = await teacher.call('GET', `/rosters/${id}/knowledge`)
    const [ama, zoe] = (body as RosterKnowledge).students
    expect([ama!.strength, ama!.missed.length]).to.deep.equal([1 / WORDS.length, 1])
    expect(zoe).to.include({ strength: null })
  })
})
