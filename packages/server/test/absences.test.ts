import { randomUUID } from 'node:crypto'
import type { ReportReply } from '@otter/api'
import type { QuizPuzzle } from '@otter/core/games/quiz'
import { expect } from 'chai'
import { until } from './liveScreens.ts'
import { reportsOn } from './reportGround.ts'
import { classesOn } from './testClass.ts'
import { Client, puzzleOf, rows, startTestServer, type Reply, type TestServer } from './testServer.ts'

describe('What came between a student and the work', () => {
  let server: TestServer
  before(async () => {
    server = await startTestServer()
  })
  after(() => server.close())
  const { shared } = reportsOn(() => server)
  const { classOf, signIn, setWork } = classesOn(() => server)
  const away = (id: string, minutes: number): Promise<unknown> =>
    rows(
      server,
      `UPDATE participants SET here_at = clock_timestamp() - $minutes * interval '1 minute' WHERE offer_id = $id`,
      {
        id,
        minutes,
      },
    )
  /** Lets everything in a play lie so much longer ago. */
  const earlier = (id: string, minutes: number): Promise<unknown> =>
    rows(
      server,
      `UPDATE plays SET started_at = started_at - $minutes * interval '1 minute', origin = jsonb_set(origin, '{now}',
        to_jsonb((origin ->> 'now')::float8 - $minutes * 60000)) WHERE offer_id = $id`,
      { id, minutes },
    )

  it('is told: how long a device was away, at which question, how often it was loaded anew, and which answers came later', async () => {
    const { code, id, join, answer, report } = await shared()
    const [ama, bo] = [await join('Ama'), await join('Bo')]
    await ama.call('POST', `/play/${code}/here`, {})
    await bo.call('POST', `/play/${code}/here`, {})
    await answer(ama, ['colour'])
    await answer(bo, ['colour'])
    await earlier(id, 10)
    await away(id, 4)
    await ama.call('POST', `/play/${code}/here`, {})
    // A page that says it is here every few seconds was not away.
    await ama.call('POST', `/play/${code}/here`, {})
    const now = Date.now()
    await ama.call('POST', `/play/${code}/moves`, {
      id: randomUUID(),
      attempt: 1,
      madeAt: now - 60_000,
      sentAt: now,
      move: { type: 'type', text: 'drone' },
    })
    const { students } = await report()
    const [told] = students
    expect(told!.name).to.equal('Ama')
    expect(told!.trouble!.gone).to.be.within(239_000, 245_000)
    expect([told!.trouble!.place, told!.trouble!.waited, told!.trouble!.late, told!.trouble!.isLimited]).to.deep.equal([
      2,
      1,
      0,
      false,
    ])
    expect(students[1]!.trouble, 'who has not come back is not known to have been away').to.equal(null)
    for (let times = 0; times < 4; times++) {
      await ama.call('GET', `/play/${code}`)
      await rows(server, `UPDATE absences SET at = at - interval '10 seconds'`)
    }
    expect((await report()).students[0]!.trouble!.reloads).to.equal(4)
  })

  it('is no trouble where a student goes on another day, or has not begun', async () => {
    const { code, id, join, answer, report } = await shared()
    const ama = await join('Ama')
    await ama.call('POST', `/play/${code}/here`, {})
    await earlier(id, 600)
    await away(id, 4)
    await ama.call('POST', `/play/${code}/here`, {})
    expect(
      await rows(server, 'SELECT 1 FROM absences a JOIN plays y ON y.id = a.play_id WHERE y.offer_id = $id', { id }),
    ).to.have.length(0)
    await answer(ama, ['colour'])
    await away(id, 500)
    await ama.call('POST', `/play/${code}/here`, {})
    expect((await report()).students[0]!.trouble).to.equal(null)
  })

  it('is given back: an attempt that the clock has ended goes on, and ends so much later, once', async () => {
    const made = await classOf(['Bo'])
    const work = await setWork(made, {
      kind: 'quiz',
      options: { form: 'typed', order: 'list' },
      work: { minutes: 10 },
    })
    const student = new Client(server.url)
    await signIn(student, made.code, made.students[0]!.id)
    await student.call('POST', `/play/${work.code}/join`, {})
    await student.call('POST', `/play/${work.code}/here`, {})
    const { questions } = await puzzleOf<QuizPuzzle>(server, work.id)
    const type = (text: string): Promise<Reply> =>
      student.call('POST', `/play/${work.code}/moves`, { id: randomUUID(), attempt: 1, move: { type: 'type', text } })
    await type(questions[0]!.answer.text)
    await earlier(work.id, 9)
    await away(work.id, 6)
    await student.call('POST', `/play/${work.code}/here`, {})
    await earlier(work.id, 2)
    await rows(server, 'UPDATE plays SET due_at = clock_timestamp() WHERE offer_id = $id', { id: work.id })
    await until('the clock to end it', async () => {
      const [play] = await rows<{ ended: boolean }>(
        server,
        'SELECT ended_at IS NOT NULL AS ended FROM plays WHERE offer_id = $id',
        {
          id: work.id,
        },
      )
      return play!.ended
    })
    const report = async (): Promise<ReportReply> =>
      (await made.client.call('GET', `/reports?work=${work.id}`)).body as ReportReply
    const { trouble } = (await report()).students[0]!
    expect([trouble!.isLimited, Math.round(trouble!.gone / 60_000)]).to.deep.equal([true, 6])
    const give = (): Promise<Reply> => made.client.call('POST', `/links/${work.id}/plays/${trouble!.playId}/time-back`)
    const given = await Promise.all([give(), give()])
    expect(given.map(({ status }) => status).sort()).to.deep.equal([204, 409])
    const [play] = await rows<{ ended: boolean; due: number; marks: string }>(
      server,
      `SELECT ended_at IS NOT NULL AS ended, extract(epoch FROM due_at - clock_timestamp())::float8 / 60 AS due, marks
        FROM plays WHERE offer_id = $id`,
      { id: work.id },
    )
    expect(play!.ended).to.equal(false)
    expect(play!.due).to.be.within(5.5, 6.2)
    expect(play!.marks).to.equal('r.........')
    await student.call('POST', `/play/${work.code}/moves`, { id: randomUUID(), attempt: 1, move: { type: 'next' } })
    const { body } = await type(questions[1]!.answer.text)
    expect(body.fate).to.equal('taken')
    expect((await report()).students[0]!.right).to.equal(2)
  })

  it('is known though the clock has ended the attempt meanwhile, and no longer than it went on; each absence is given back once', async () => {
    const made = await classOf(['Bo'])
    const work = await setWork(made, { kind: 'quiz', options: { form: 'typed', order: 'list' }, work: { minutes: 10 } })
    const student = new Client(server.url)
    await signIn(student, made.code, made.students[0]!.id)
    await student.call('POST', `/play/${work.code}/join`, {})
    const here = (): Promise<Reply> => student.call('POST', `/play/${work.code}/here`, {})
    await here()
    const { questions } = await puzzleOf<QuizPuzzle>(server, work.id)
    const type = (text: string): Promise<Reply> =>
      student.call('POST', `/play/${work.code}/moves`, { id: randomUUID(), attempt: 1, move: { type: 'type', text } })
    await type(questions[0]!.answer.text)
    // Away from its sixth minute on; it was ended at the tenth, and the student is back in the fifteenth.
    await earlier(work.id, 15)
    await away(work.id, 9)
    const end = `UPDATE plays SET ended_at = now() - interval '5 minutes' WHERE offer_id = $id AND ended_at IS NOT NULL`
    await rows(server, 'UPDATE plays SET due_at = clock_timestamp() WHERE offer_id = $id', { id: work.id })
    await until('the clock to end it', async () => {
      await rows(server, end, { id: work.id })
      const ended = await rows(server, 'SELECT 1 FROM plays WHERE offer_id = $id AND ended_at IS NOT NULL', {
        id: work.id,
      })
      return ended.length === 1
    })
    await rows(server, end, { id: work.id })
    await here()
    await here()
    const trouble = async (): Promise<NonNullable<ReportReply['students'][number]['trouble']>> =>
      ((await made.client.call('GET', `/reports?work=${work.id}`)).body as ReportReply).students[0]!.trouble!
    const first = await trouble()
    expect([Math.round(first.gone / 60_000), first.place], 'from then to its end').to.deep.equal([4, 2])
    const give = (): Promise<Reply> => made.client.call('POST', `/links/${work.id}/plays/${first.playId}/time-back`)
    const left = async (): Promise<number> => {
      const [play] = await rows<{ left: number }>(
        server,
        'SELECT extract(epoch FROM due_at - clock_timestamp())::float8 / 60 AS left FROM plays WHERE offer_id = $id',
        { id: work.id },
      )
      return play!.left
    }
    expect((await give()).status).to.equal(204)
    expect(await left()).to.be.within(3.8, 4.2)
    expect((await give()).body.code, 'once').to.equal('no-time-back')
    // Another absence is given back by itself, whatever was given before.
    await away(work.id, 2)
    await here()
    expect((await give()).status).to.equal(204)
    expect(await left()).to.be.within(5.6, 6.2)
  })
})
