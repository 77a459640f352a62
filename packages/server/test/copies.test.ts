import { randomUUID } from 'node:crypto'
import type { QuizPuzzle } from '@otter/core/games/quiz'
import { expect } from 'chai'
import { puzzleOf, rows, startTestServer, teacherWithList, WORDS, type Client, type TestServer } from './testServer.ts'

describe('A list given to a colleague', () => {
  let server: TestServer
  before(async () => {
    server = await startTestServer()
  })
  after(() => server.close())

  const given = async (withWork: boolean): Promise<{ owner: Client; listId: string; code: string }> => {
    const { client: owner, listId } = await teacherWithList(server.url, WORDS)
    const { body } = await owner.call('PUT', `/lists/${listId}/giving`, { withWork })
    return { owner, listId, code: body.code }
  }
  const colleague = async (): Promise<Client> => (await teacherWithList(server.url, [])).client

  it('is taken once as a copy of one’s own, with its pictures, and knows where it comes from', async () => {
    const { owner, listId, code } = await given(false)
    const { body: picture } = await owner.call('POST', '/media/gallery', { set: 'flat', name: 'otter' })
    const entry = { id: randomUUID(), position: 20, answer: { text: 'otter', picture }, prompt: { text: 'swims' } }
    await owner.call('PATCH', `/lists/${listId}`, { version: 1, put: [entry] })
    const taker = await colleague()
    expect((await taker.call('GET', `/copies/${code}`)).body).to.deep.equal({
      title: 'Words',
      teacher: 'Teacher',
      entries: 11,
      work: 0,
    })
    const id = randomUUID()
    const taken = await Promise.all(
      Array.from({ length: 5 }, () => taker.call('POST', `/copies/${code.toLowerCase()}`, { id })),
    )
    expect(new Set(taken.map(({ status }) => status))).to.deep.equal(new Set([201]))
    const { body: copy } = await taker.call('GET', `/lists/${id}`)
    expect(copy.entries.map(({ answer }: { answer: { text: string } }) => answer.text)).to.deep.equal([
      ...WORDS,
      'otter',
    ])
    const shown = copy.entries[10].answer.picture.id
    expect(shown).not.to.equal(picture.id)
    await owner.call('DELETE', `/lists/${listId}`)
    await rows(server, 'DELETE FROM media WHERE id = $id', { id: picture.id })
    expect((await taker.call('GET', `/media/${shown}`)).status, 'it is the taker’s own').to.equal(200)
    expect((await taker.call('GET', `/lists/${id}/giving`)).body.origin).to.deep.equal({
      title: 'Words',
      teacher: 'Teacher',
    })
    expect((await taker.call('GET', `/copies/${code}`)).body.code, 'gone with the list').to.equal('no-such-copy')
  })

  it('brings its games along, closed, for no class and nobody named', async () => {
    const { owner, listId, code } = await given(true)
    const { body: klass } = await owner.call('POST', '/classes', { name: 'Mine' })
    const student = { id: randomUUID(), name: 'Bo' }
    await owner.call('POST', `/classes/${klass.id}/students`, { students: [student] })
    const { body: list } = await owner.call('GET', `/lists/${listId}`)
    const chosen = [list.entries[3].id, list.entries[5].id]
    await owner.call('POST', `/lists/${listId}/work`, {
      kind: 'quiz',
      seed: '7',
      options: { form: 'typed', take: 'chosen', entries: chosen },
      classIds: [klass.id],
      requestIds: [randomUUID()],
      note: 'Page 12',
      work: { who: 'signed-in', students: [student.id], attempts: 2, pass: 60 },
    })
    const taker = await colleague()
    expect((await taker.call('GET', `/copies/${code}`)).body.work).to.equal(1)
    const id = randomUUID()
    for (let times = 0; times < 2; times++) await taker.call('POST', `/copies/${code}`, { id })
    const { body: offers } = await taker.call('GET', `/lists/${id}/links`)
    expect(offers).to.have.length(1)
    expect(offers[0]).to.deep.include({ open: false, classId: null, kind: 'quiz', seed: '7', players: 0 })
    const { questions } = await puzzleOf<QuizPuzzle>(server, offers[0].id)
    expect(questions.map(({ answer }) => answer.text).sort()).to.deep.equal(['nectar', 'veil'])
    const [kept] = await rows<{ rules: { work: object }; note: string }>(
      server,
      'SELECT rules, note FROM offers WHERE id = $id',
      { id: offers[0].id },
    )
    expect(kept!.note).to.equal('Page 12')
    expect(kept!.rules.work).to.deep.include({ who: 'anyone', students: [], attempts: 2, pass: 60 })
  })

  it('is nobody’s to take once that is stopped, nor by another’s word', async () => {
    const { owner, listId, code } = await given(false)
    const taker = await colleague()
    expect((await taker.call('DELETE', `/lists/${listId}/giving`)).status).to.equal(404)
    expect(
      (await owner.call('PUT', `/lists/${listId}/giving`, { withWork: true })).body.code,
      'the link stays',
    ).to.equal(code)
    await owner.call('DELETE', `/lists/${listId}/giving`)
    const refused = await taker.call('POST', `/copies/${code}`, { id: randomUUID() })
    expect([refused.status, refused.body.code]).to.deep.equal([404, 'no-such-copy'])
    // Another's list is not written over by its id.
    const again = await given(false)
    expect((await taker.call('POST', `/copies/${again.code}`, { id: again.listId })).status).to.equal(404)
    expect((await again.owner.call('GET', `/lists/${again.listId}`)).body.entries).to.have.length(10)
  })
})
