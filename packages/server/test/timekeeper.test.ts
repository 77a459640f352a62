import { randomUUID } from 'node:crypto'
import type { QuizPuzzle } from '@otter/core/games/quiz'
import { expect } from 'chai'
import {
  Client,
  puzzleOf,
  rows,
  startTestServer,
  teacherWithList,
  WORDS,
  type Reply,
  type TestServer,
} from './testServer.ts'

interface KeptPlay {
  name: string
  phase: string
  dueIn: number | null
  clock: number
  doing: { code: string; values: object; last: string[] }
  moves: { type: string; author: string; clock: number }[]
  answers: { outcome: string; milliseconds: number }[]
}

const PLAYS = `SELECT p.name, y.state ->> 'phase' AS phase, y.milliseconds AS clock, y.doing,
  extract(epoch FROM y.due_at - clock_timestamp())::float8 * 1000 AS "dueIn",
  (SELECT coalesce(jsonb_agg(jsonb_build_object('type', m.move ->> 'type', 'author', m.author, 'clock', m.clock)
    ORDER BY m.number), '[]') FROM moves m WHERE m.play_id = y.id) AS moves,
  (SELECT coalesce(jsonb_agg(jsonb_build_object('outcome', r.outcome, 'milliseconds', r.milliseconds)), '[]')
    FROM responses r WHERE r.play_id = y.id) AS answers
  FROM plays y JOIN participants p ON p.id = y.participant_id WHERE y.offer_id = $id ORDER BY p.seat`

describe('Time in a play', () => {
  let server: TestServer
  let other: TestServer
  before(async () => {
    server = await startTestServer()
    other = await startTestServer({ databaseUrl: server.databaseUrl })
  })
  after(async () => {
    await other.close()
    await server.close()
  })

  async function sharedQuiz(rules?: object): Promise<{ teacher: Client; id: string; code: string }> {
    const { client: teacher, listId } = await teacherWithList(server.url, WORDS)
    const { body } = await teacher.call('POST', `/lists/${listId}/links`, {
      kind: 'quiz',
      seed: '1',
      options: { seconds: 20, order: 'list' },
      rules,
    })
    return { teacher, id: body.id, code: body.code }
  }
  async function join(code: string, name: string): Promise<Client> {
    const student = new Client(server.url)
    expect((await student.call('POST', `/play/${code}/join`, { name })).status).to.equal(201)
    return student
  }
  const plays = (id: string): Promise<KeptPlay[]> => rows<KeptPlay>(server, PLAYS, { id })
  /** Lets milliseconds pass in the plays of an offer. */
  const pass = (id: string, milliseconds: number): Promise<object[]> =>
    rows(
      server,
      `UPDATE plays SET moved_at = moved_at - $milliseconds * interval '1 millisecond',
        due_at = due_at - $milliseconds * interval '1 millisecond' WHERE offer_id = $id`,
      { id, milliseconds },
    )
  async function until(what: () => Promise<boolean>): Promise<void> {
    for (let tries = 0; tries < 80; tries++) {
      if (await what()) return
      await new Promise((resolve) => setTimeout(resolve, 100))
    }
    throw new Error('this never came')
  }

  /** A quiz whose first question's time has run out unheard, so many milliseconds after it was asked. */
  async function runOut(milliseconds: number) {
    const { teacher, id, code } = await sharedQuiz()
    const student = await join(code, 'Ada')
    const { body } = await student.call('GET', `/play/${code}`)
    const { questions } = await puzzleOf<QuizPuzzle>(server, id)
    const right = questions[0]!.choices.findIndex((choice) => choice.right)
    await pass(id, milliseconds)
    await until(async () => (await plays(id))[0]!.moves.length === 1)
    const answer = (delay: number, rest: object = {}): Promise<Reply> =>
      student.call('POST', `/play/${code}/moves`, {
        id: randomUUID(),
        attempt: 1,
        for: body.play.moment,
        // The device's clock is an hour wrong.
        madeAt: Date.now() + 3_600_000 - delay,
        sentAt: Date.now() + 3_600_000,
        move: { type: 'choose', choices: [right] },
        ...rest,
      })
    const outcomes = (): Promise<{ outcome: string; milliseconds: number }[]> =>
      rows(
        server,
        `SELECT r.outcome, r.milliseconds FROM responses r JOIN plays y ON y.id = r.play_id WHERE
        y.offer_id = $id AND r.withdrawn_at IS NULL ORDER BY r.id`,
        { id },
      )
    return { teacher, id, code, student, answer, outcomes, entryId: questions[0]!.entryId }
  }

  it('counts an answer that was given in time and had no connection, and says so', async () => {
    const { teacher, id, answer, outcomes, entryId } = await runOut(60_000)
    expect((await outcomes()).map(({ outcome }) => outcome)).to.deep.equal(['passed'])
    const { body } = await answer(48_000)
    expect([body.fate, body.play.view.told.right, body.play.view.told.late]).to.deep.equal(['taken', true, false])
    const [response, ...more] = await outcomes()
    expect([response!.outcome, more.length]).to.deep.equal(['right', 0])
    expect(response!.milliseconds, 'from when it was asked to when it was given').to.be.within(11_000, 16_000)
    const { answers } = (await teacher.call('GET', `/links/${id}/questions/${entryId}`)).body
    expect([answers[0].outcome, answers[0].delayed]).to.deep.equal(['right', true])
    expect((await teacher.call('GET', `/links/${id}/results`)).body.participants[0].right).to.equal(1)
  })

  it('believes no answer that says to be older than its question, and none that came after the time', async () => {
    for (const [delay, rest] of [
      [30_000, {}],
      [61_000, {}],
      [0, {}],
      [48_000, { sentAt: undefined }],
      [-48_000, {}],
    ] as const) {
      const { answer, outcomes } = await runOut(60_000)
      expect((await answer(delay, rest)).body.fate, String(delay)).to.equal('late')
      expect((await outcomes()).map(({ outcome }) => outcome)).to.deep.equal(['passed'])
    }
    // Older than the question itself: it counts from when that was asked.
    const { answer, outcomes } = await runOut(40_000)
    expect((await answer(55_000)).body.fate).to.equal('taken')
    expect((await outcomes())[0]).to.deep.equal({ outcome: 'right', milliseconds: 0 })
  })

  it('takes no answer from who has been shown the right one: by a look, by another attempt, by a move that came late', async () => {
    const looks: ((student: Client, code: string) => Promise<Reply>)[] = [
      (student, code) => student.call('GET', `/play/${code}`),
      (student, code) => student.call('POST', `/play/${code}/again`, {}),
      (student, code) =>
        student.call('POST', `/play/${code}/moves`, {
          id: randomUUID(),
          attempt: 1,
          for: 'past',
          move: { type: 'hint' },
        }),
    ]
    for (const look of looks) {
      const { teacher, id, student, code, answer, outcomes } = await runOut(60_000)
      expect((await look(student, code)).body.play.view.told.answers).to.have.length(1)
      expect((await answer(48_000)).body.fate).to.equal('late')
      expect((await outcomes()).map(({ outcome }) => outcome)).to.deep.equal(['passed'])
      const { participantId, late } = (await teacher.call('GET', `/links/${id}/results`)).body.participants[0]
      const kept = await teacher.call('GET', `/links/${id}/participants/${participantId}/late`)
      expect([late, kept.body.answers[0].outcome, kept.body.answers[0].wasOffline]).to.deep.equal([true, 'right', true])
    }
  })

  it('takes no answer back into a question that its player has left', async () => {
    const { student, code, answer, outcomes } = await runOut(60_000)
    await student.call('POST', `/play/${code}/moves`, { id: randomUUID(), attempt: 1, move: { type: 'next' } })
    expect((await answer(48_000)).body.fate).to.equal('late')
    expect((await outcomes()).map(({ outcome }) => outcome)).to.deep.equal(['passed'])
  })

  it('is up without any device, once, whichever server sees it', async () => {
    const { teacher, id, code } = await sharedQuiz()
    await Promise.all(Array.from({ length: 12 }, (_, index) => join(code, `Student ${index}`)))
    expect((await plays(id)).map(({ dueIn }) => Math.round((dueIn ?? 0) / 2000) * 2)).to.satisfy((due: number[]) =>
      due.every((seconds) => seconds >= 20 && seconds <= 24),
    )
    await pass(id, 25_000)
    await until(async () => (await plays(id)).every(({ phase }) => phase === 'told'))
    await new Promise((resolve) => setTimeout(resolve, 1200))
    for (const { moves, answers, dueIn, doing } of await plays(id)) {
      expect(moves.map(({ type, author }) => [type, author])).to.deep.equal([['late', 'clock']])
      expect(answers.map(({ outcome }) => outcome)).to.deep.equal(['passed'])
      expect(answers[0]!.milliseconds).to.be.within(23_000, 27_000)
      expect([dueIn, doing.last]).to.deep.equal([null, ['passed']])
    }
    const { body } = await teacher.call('GET', `/links/${id}/results`)
    expect(body.participants[0].doing.code).to.equal('question')
  }).timeout(60_000)

  it('is up for all others where one play can’t be read, which is told and tried again later', async () => {
    const { id, code } = await sharedQuiz()
    for (const name of ['Ama', 'Bo', 'Cy']) await join(code, name)
    await rows(
      server,
      `UPDATE plays SET state = '{"phase": "asking", "queue": [99]}', due_at = due_at - interval '1 hour' WHERE participant_id =
        (SELECT id FROM participants WHERE offer_id = $id AND name = 'Ama')`,
      { id },
    )
    await pass(id, 25_000)
    await until(async () => (await plays(id)).slice(1).every(({ phase }) => phase === 'told'))
    await until(async () => ((await plays(id))[0]!.dueIn ?? 0) > 0)
    expect((await plays(id))[0]!.dueIn).to.be.within(40_000, 61_000)
    expect(server.logged() + other.logged()).to.include('timekeeper')
    await rows(server, 'UPDATE plays SET due_at = NULL WHERE offer_id = $id', { id })
  }).timeout(60_000)

  it('runs slower for who may take longer, also in the middle of a question', async () => {
    const { teacher, id, code } = await sharedQuiz()
    const [ama, bo] = [await join(code, 'Ama'), await join(code, 'Bo')]
    const { body: results } = await teacher.call('GET', `/links/${id}/results`)
    const { participantId } = results.participants.find(({ name }: { name: string }) => name === 'Ama')
    const change = (factor: number): Promise<{ status: number }> =>
      teacher.call('PATCH', `/links/${id}/participants/${participantId}`, { factor })
    expect((await change(2)).status).to.equal(204)
    expect([(await change(0.5)).status, (await change(5)).status]).to.deep.equal([400, 400])
    await pass(id, 25_000)
    await until(async () => (await plays(id))[1]!.phase === 'told')
    await until(async () => ((await plays(id))[0]!.dueIn ?? 0) > 10_000)
    const { body } = await ama.call('GET', `/play/${code}`)
    expect(body.play.left, 'what is left is told in real time').to.be.within(10_000, 15_500)
    const answered = await ama.call('POST', `/play/${code}/moves`, {
      attempt: 1,
      after: 0,
      move: { type: 'choose', choices: [0] },
    })
    expect([answered.body.play.view.told.late, answered.body.play.left]).to.deep.equal([false, null])
    const [first] = await plays(id)
    expect(first!.clock, 'half the time counts').to.be.within(12_000, 15_000)
    expect((await bo.call('GET', `/play/${code}`)).body.play.view.told.late).to.equal(true)
  }).timeout(60_000)

  it('stands still while the teacher has paused it, and goes on where it stood', async () => {
    const { teacher, id, code } = await sharedQuiz()
    const student = await join(code, 'Ama')
    const pause = (paused: boolean): Promise<unknown> => teacher.call('PATCH', `/links/${id}`, { paused })
    await pause(true)
    await pause(true)
    await teacher.call('PATCH', `/links/${id}`, { name: 'Beekeepers' })
    // A minute of pause.
    await rows(server, `UPDATE offers SET paused_at = paused_at - interval '60 seconds' WHERE id = $id`, { id })
    await pass(id, 60_000)
    await new Promise((resolve) => setTimeout(resolve, 2500))
    expect((await plays(id))[0]!.moves).to.deep.equal([])
    const left = async (): Promise<number> => (await student.call('GET', `/play/${code}`)).body.play.left
    const before = await left()
    await new Promise((resolve) => setTimeout(resolve, 500))
    expect(Math.abs((await left()) - before)).to.be.below(50)
    await pause(false)
    await until(async () => ((await plays(id))[0]!.dueIn ?? 0) > 15_000)
    expect(await left()).to.be.within(14_000, 20_000)
    await pass(id, 25_000)
    await until(async () => (await plays(id))[0]!.phase === 'told')
    const { clock, moves } = (await plays(id))[0]!
    expect([clock > 20_000 && clock < 30_000, moves[0]!.author]).to.deep.equal([true, 'clock'])
  }).timeout(60_000)

  it('tells nothing before the end where the rules say so, and keeps to the order and the hints', async () => {
    const { id, code } = await sharedQuiz({ telling: 'at-end', order: 'mixed', hints: false })
    const orders = new Set<string>()
    for (const name of ['Ama', 'Bo', 'Cy', 'Di']) {
      const student = await join(code, name)
      const asked: string[] = []
      for (let after = 0; after < 3; after++) {
        const { body } = await student.call('GET', `/play/${code}`)
        asked.push(body.play.view.question.entryId)
        expect(body.play.view.told).to.equal(null)
        await student.call('POST', `/play/${code}/moves`, { attempt: 1, after, move: { type: 'choose', choices: [0] } })
      }
      orders.add(asked.join())
    }
    expect(orders.size).to.be.greaterThan(1)
    expect((await plays(id)).every(({ answers }) => answers.length === 3)).to.equal(true)
    const { client, listId } = await teacherWithList(server.url, WORDS)
    const refused = await client.call('POST', `/lists/${listId}/links`, {
      kind: 'quiz',
      seed: '1',
      rules: { telling: 'never' },
    })
    expect([refused.status, refused.body.path]).to.deep.equal([400, 'rules.telling'])
    const unknown = await client.call('POST', `/lists/${listId}/links`, {
      kind: 'quiz',
      seed: '1',
      options: { couples: 4 },
    })
    expect([unknown.status, unknown.body.path]).to.deep.equal([400, 'couples'])
    expect(unknown.body.title).to.include('couples')
  }).timeout(60_000)
})
