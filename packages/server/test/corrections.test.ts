import { randomUUID } from 'node:crypto'
import type { ParticipantResult, QuestionResult } from '@otter/api'
import type { QuizPuzzle } from '@otter/core/games/quiz'
import { expect } from 'chai'
import { inScope } from '../src/db/scope.ts'
import { PuzzleCache } from '../src/services/puzzleCache.ts'
import { Client, puzzleOf, rows, startTestServer, teacherWithList, type Reply, type TestServer } from './testServer.ts'

describe('A question corrected after it was shared', () => {
  let server: TestServer
  before(async () => {
    server = await startTestServer()
  })
  after(() => server.close())

  /** A typed quiz of three words, under a link; `first` is the question that comes first. */
  const shared = async (): Promise<{
    teacher: Client
    id: string
    code: string
    entries: string[]
    correct: (correction: object, entryId?: string) => Promise<Reply>
    results: () => Promise<{
      students: ParticipantResult[]
      questions: Map<string, QuestionResult>
      corrections: unknown
    }>
  }> => {
    const { client: teacher, listId } = await teacherWithList(server.url, ['colour', 'drone', 'brood'])
    const { body } = await teacher.call('POST', `/lists/${listId}/links`, {
      kind: 'quiz',
      seed: '1',
      options: { form: 'typed', order: 'list' },
    })
    const { id, code } = body as { id: string; code: string }
    const entries = (await puzzleOf<QuizPuzzle>(server, id)).questions.map(({ entryId }) => entryId)
    return {
      teacher,
      id,
      code,
      entries,
      correct: (correction, entryId = entries[0]!) =>
        teacher.call('PUT', `/links/${id}/questions/${entryId}/correction`, correction),
      results: async () => {
        const { body: told } = await teacher.call('GET', `/links/${id}/results`)
        return {
          students: told.participants,
          questions: new Map(told.questions.map((one: QuestionResult) => [one.entryId, one])),
          corrections: told.corrections,
        }
      },
    }
  }
  const join = async (code: string, name: string): Promise<Client> => {
    const student = new Client(server.url)
    await student.call('POST', `/play/${code}/join`, { name })
    return student
  }
  const move = (student: Client, code: string, what: object): Promise<Reply> =>
    student.call('POST', `/play/${code}/moves`, { id: randomUUID(), attempt: 1, move: what })
  const answer = async (student: Client, code: string, text: string): Promise<void> => {
    expect((await move(student, code, { type: 'type', text })).status).to.equal(200)
    await move(student, code, { type: 'next' })
  }
  const scores = (students: readonly ParticipantResult[]): unknown[] =>
    students.map(({ name, right, total }) => [name, right, total])

  it('is judged again for all, before and after, and as it was once that is taken back', async () => {
    const { code, entries, correct, results } = await shared()
    const [ama, bo] = [await join(code, 'Ama'), await join(code, 'Bo')]
    await answer(ama, code, 'colour')
    await answer(bo, code, 'hue')
    await answer(bo, code, 'drone')
    expect(scores((await results()).students)).to.deep.equal([
      ['Ama', 1, 3],
      ['Bo', 1, 3],
    ])
    expect((await correct({ right: ['HUE '], wrong: [] })).status).to.equal(204)
    const chi = await join(code, 'Chi')
    await answer(chi, code, 'Hue')
    const told = await results()
    expect(scores(told.students)).to.deep.equal([
      ['Ama', 1, 3],
      ['Bo', 2, 3],
      ['Chi', 1, 3],
    ])
    expect(told.questions.get(entries[0]!)).to.include({ right: 3, wrong: 0 })
    expect(told.corrections).to.deep.equal([{ entryId: entries[0], takenOut: false, right: ['HUE '], wrong: [] }])
    // The key was wrong altogether.
    await correct({ right: ['hue'], wrong: ['colour'] })
    expect(scores((await results()).students)).to.deep.equal([
      ['Ama', 0, 3],
      ['Bo', 2, 3],
      ['Chi', 1, 3],
    ])
    await correct({})
    const back = await results()
    expect(scores(back.students)).to.deep.equal([
      ['Ama', 1, 3],
      ['Bo', 1, 3],
      ['Chi', 0, 3],
    ])
    expect(back.questions.get(entries[0]!)).to.include({ right: 1, wrong: 2 })
    expect(back.corrections).to.deep.equal([])
  })

  it('is taken out of the scoring, of plays begun before and after, and put back', async () => {
    const { code, entries, correct, results } = await shared()
    const ama = await join(code, 'Ama')
    await answer(ama, code, 'colour')
    await answer(ama, code, 'no')
    await correct({ takenOut: true })
    const bo = await join(code, 'Bo')
    await answer(bo, code, 'colour')
    await answer(bo, code, 'drone')
    await answer(ama, code, 'brood')
    expect(scores((await results()).students)).to.deep.equal([
      ['Ama', 1, 2],
      ['Bo', 1, 2],
    ])
    await correct({ takenOut: true }, entries[1])
    expect(scores((await results()).students)).to.deep.equal([
      ['Ama', 1, 1],
      ['Bo', 0, 1],
    ])
    await correct({})
    await correct({}, entries[1])
    expect(scores((await results()).students)).to.deep.equal([
      ['Ama', 2, 3],
      ['Bo', 2, 3],
    ])
  })

  it('counts for a class of 35 that answers at the instant at which it is corrected', async () => {
    const { code, correct, results } = await shared()
    const students = await Promise.all(Array.from({ length: 35 }, (_, seat) => join(code, `S ${seat}`)))
    const all = await Promise.all([
      ...students.slice(0, 18).map((student) => move(student, code, { type: 'type', text: 'hue' })),
      correct({ right: ['hue'] }),
      correct({ right: ['hue'] }),
      ...students.slice(18).map((student) => move(student, code, { type: 'type', text: 'hue' })),
    ])
    expect(all.every(({ status }) => status === 200 || status === 204)).to.equal(true)
    expect(new Set((await results()).students.map(({ right }) => right))).to.deep.equal(new Set([1]))
  })

  it('counts for an answer that was judged before it was corrected, and is kept after', async () => {
    const { id, code, correct, results } = await shared()
    const ama = await join(code, 'Ama')
    const pause = (): Promise<void> => new Promise((resolve) => setTimeout(resolve, 150))
    const source = { database: server.database, puzzles: new PuzzleCache() }
    const { corrected, answered } = await inScope(source, { teacherId: null }, async (scope) => {
      await scope.query('SELECT 1 FROM plays WHERE offer_id = $id FOR UPDATE', { id })
      const correcting = correct({ right: ['hue'] })
      await pause()
      const answering = move(ama, code, { type: 'type', text: 'hue' })
      await pause()
      return { corrected: correcting, answered: answering }
    })
    expect([(await corrected).status, (await answered).status]).to.deep.equal([204, 200])
    expect(scores((await results()).students)).to.deep.equal([['Ama', 1, 3]])
    const [kept] = await rows(
      server,
      'SELECT r.outcome, r.judged FROM responses r JOIN plays y ON y.id = r.play_id WHERE y.offer_id = $id',
      { id },
    )
    expect(kept).to.deep.equal({ outcome: 'right', judged: 'wrong' })
  })

  it('is found by its figures: one wrong answer leads, and what the class is told of it changes with the key', async () => {
    const { teacher, id, code, entries, correct } = await shared()
    const students = await Promise.all(Array.from({ length: 10 }, (_, seat) => join(code, `S ${seat}`)))
    await Promise.all(
      students.map(async (student, seat) => {
        // Who knows the other two says “hue”, the others what the key says.
        const knows = seat < 7
        for (const text of knows ? ['hue', 'drone', 'brood'] : ['colour', 'no', 'no']) await answer(student, code, text)
      }),
    )
    const figures = async (): Promise<Record<string, unknown>[]> =>
      (await teacher.call('GET', `/links/${id}/results`)).body.figures.questions
    expect((await figures())[0]).to.deep.equal({
      entryId: entries[0],
      difficulty: 'hard',
      telling: 'against',
      perhapsMiskeyed: true,
    })
    await correct({ right: ['hue'], wrong: ['colour'] })
    expect((await figures())[0]).to.deep.include({
      difficulty: 'middling',
      telling: 'tells-well',
      perhapsMiskeyed: false,
    })
    await correct({ takenOut: true })
    expect(await figures(), 'what is not scored has none').to.have.length(2)
  })

  it('and what else was missed makes a list, once, with the wrong answers that were given', async () => {
    const { teacher, id, code, correct } = await shared()
    for (const [name, texts] of [
      ['Ama', ['colour', 'drum', 'brood']],
      ['Bo', ['hue', 'drum', 'brood']],
      ['Chi', ['hue', 'Drone', 'brood']],
    ] as const) {
      const student = await join(code, name)
      for (const text of texts) await answer(student, code, text)
    }
    await correct({ right: ['hue'] })
    const listId = randomUUID()
    const make = (below: number, made = listId): Promise<Reply> =>
      teacher.call('POST', '/reports/reteach', { id: made, scope: { work: id }, title: 'Again', below })
    const all = await Promise.all([make(0.7), make(0.7), make(0.7)])
    expect(all.map(({ status }) => status)).to.deep.equal([201, 201, 201])
    const { body: list } = await teacher.call('GET', `/lists/${listId}`)
    expect(list.title).to.equal('Again')
    expect(
      list.entries.map((entry: { answer: { text: string }; choices: object[] }) => [entry.answer.text, entry.choices]),
    ).to.deep.equal([['drone', [{ text: 'drum', right: false }]]])
    expect((await teacher.call('GET', `/lists/${listId}/giving`)).body.origin).to.deep.equal({
      title: 'Words',
      teacher: 'Teacher',
    })
    const nothing = await make(0.1, randomUUID())
    expect([nothing.status, nothing.body.code]).to.deep.equal([409, 'nothing-missed'])
  })

  it('is one that was asked there', async () => {
    const { correct } = await shared()
    const { entries } = await shared()
    expect((await correct({ takenOut: true }, entries[0])).body.code).to.equal('no-such-question')
    expect((await correct({ right: [''] })).status).to.equal(400)
  })
})
