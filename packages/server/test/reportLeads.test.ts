import { randomUUID } from 'node:crypto'
import { SOCKET_PATH, type ReportReply, type StudentKnowledge } from '@otter/api'
import type { QuizPuzzle } from '@otter/core/games/quiz'
import { expect } from 'chai'
import { unzipSync } from 'fflate'
import Papa from 'papaparse'
import { io, type Socket } from 'socket.io-client'
import { until } from './liveScreens.ts'
import { reportsOn } from './reportGround.ts'
import { classesOn } from './testClass.ts'
import { Client, puzzleOf, rows, startTestServer, type TestServer } from './testServer.ts'

describe('What a report leads to', () => {
  let server: TestServer
  before(async () => {
    server = await startTestServer({ sockets: true })
  })
  after(() => server.close())
  const { shared } = reportsOn(() => server)
  const { classOf, signIn, setWork } = classesOn(() => server)
  const rowsOf = (csv: string): string[][] => Papa.parse<string[]>(csv.slice(1).trimEnd()).data

  it('a refused answer that is accepted counts for those who gave it, and from now on', async () => {
    const { teacher, listId, id, entries, join, answer, report } = await shared()
    const [ama, bo] = [await join('Ama'), await join('Bo')]
    await answer(ama, ['Hue', 'drone', 'brood'])
    await answer(bo, ['hue', 'drum'])
    const { body } = await teacher.call('GET', `/reports/refused?work=${id}`)
    expect(body.groups).to.deep.equal([
      { entryId: entries[0], text: 'colour', given: 'Hue', written: ['Hue', 'hue'], names: ['Ama', 'Bo'] },
      { entryId: entries[1], text: 'drone', given: 'drum', written: ['drum'], names: ['Bo'] },
    ])
    const accepted = { scope: { work: id }, entryId: entries[0], written: ['Hue', 'hue'] }
    const all = await Promise.all([1, 2].map(() => teacher.call('POST', '/reports/accept', accepted)))
    expect(all.map(({ status }) => status)).to.deep.equal([204, 204])
    const told = await report()
    expect(told.students.map(({ name, right }) => [name, right])).to.deep.equal([
      ['Ama', 3],
      ['Bo', 1],
    ])
    const { body: list } = await teacher.call('GET', `/lists/${listId}`)
    expect(list.entries[0].accepted).to.deep.equal(['Hue'])
    expect((await teacher.call('GET', `/reports/refused?work=${id}`)).body.groups).to.have.length(1)
    const chi = await join('Chi')
    await answer(chi, ['hue'])
    expect((await report()).students.find(({ name }) => name === 'Chi')!.right).to.equal(1)
    const other = { ...accepted, entryId: randomUUID() }
    expect((await teacher.call('POST', '/reports/accept', other)).body.code).to.equal('no-such-question')
  })

  it('a list of what some have missed, and of all games of a list', async () => {
    const { teacher, listId, id, join, answer, report } = await shared()
    const [ama, bo] = [await join('Ama'), await join('Bo')]
    await answer(ama, ['hue', 'drone', 'brood'])
    await answer(bo, ['colour', 'drum', 'brood'])
    const people = (await report()).students
    const make = async (wish: object): Promise<string[]> => {
      const made = randomUUID()
      const { status } = await teacher.call('POST', '/reports/reteach', { id: made, title: 'Again', ...wish })
      expect(status).to.equal(201)
      const { body } = await teacher.call('GET', `/lists/${made}`)
      return body.entries.map((entry: { answer: { text: string } }) => entry.answer.text)
    }
    expect(await make({ scope: { work: id }, persons: [people[0]!.id], below: 1 })).to.deep.equal(['colour'])
    expect(await make({ scope: { list: listId }, below: 0.9 })).to.have.members(['colour', 'drone'])
  })

  it('tables as CSV, in which names that a spreadsheet would run do no harm', async () => {
    const { teacher, id, join, answer } = await shared()
    await answer(await join('=1+1'), ['hue', 'drone'])
    const file = async (what: string, more = ''): Promise<string[][]> => {
      const reply = await teacher.call('GET', `/reports/file?work=${id}&what=${what}${more}`)
      expect([reply.status, reply.type]).to.deep.equal([200, 'text/csv; charset=utf-8'])
      expect(reply.bytes.subarray(0, 3)).to.deep.equal(Buffer.from([0xef, 0xbb, 0xbf]))
      return rowsOf(reply.text)
    }
    const students = await file('students')
    expect(students[1]!.slice(0, 5)).to.deep.equal(["'=1+1", '33.3', '33.3', '1', '3'])
    const entries = await file('entries', '&language=fr')
    expect(entries.map((row) => row.slice(0, 5))).to.deep.equal([
      ['Question', 'juste', 'faux', 'passé', 'non atteintes'],
      ['colour', '0', '1', '0', '0'],
      ['drone', '1', '0', '0', '0'],
      ['brood', '0', '0', '0', '1'],
    ])
    const responses = await file('responses')
    expect(
      responses
        .slice(1)
        .map(([name, work, attempt, question, given, outcome]) => [name, work, attempt, question, given, outcome]),
    ).to.deep.equal([
      ["'=1+1", 'Words', '1', 'colour', 'hue', 'wrong'],
      ["'=1+1", 'Words', '1', 'drone', 'drone', 'right'],
    ])
    const scale = encodeURIComponent(JSON.stringify({ type: 'range', from: 0, to: 20, step: 1 }))
    expect(await file('gradebook', `&scale=${scale}`)).to.deep.equal([
      ['Student', 'Words'],
      ["'=1+1", '7'],
    ])
    const foreign = await teacher.call('GET', `/reports/file?work=${randomUUID()}&what=responses`)
    expect([foreign.status, foreign.body.code], 'nothing is written before it is known').to.deep.equal([
      404,
      'not-found',
    ])
    const broken = await teacher.call('GET', `/reports/file?work=${id}&what=gradebook&scale=no`)
    expect(broken.status).to.equal(400)
  })

  it('a workbook with a sheet for students, for words, as a gradebook, and for each response', async () => {
    const { teacher, id, join, answer } = await shared()
    await answer(await join('Zoë <&> "_x0041_"'), ['hue', 'drone'])
    const reply = await teacher.call('GET', `/reports/file?work=${id}&what=workbook`)
    expect(reply.status).to.equal(200)
    const parts = unzipSync(reply.bytes)
    const part = (name: string): string => Buffer.from(parts[name]!).toString()
    const names = [...part('xl/workbook.xml').matchAll(/sheet name="([^"]+)"/gu)].map(([, name]) => name)
    expect(names).to.deep.equal(['Students', 'Entries', 'Gradebook', 'Responses'])
    const cellsIn = (sheet: number, row: number): (string | undefined)[] =>
      [...part(`xl/worksheets/sheet${sheet}.xml`).matchAll(/<row .*?<\/row>/gu)]
        [row]![0].split('<c ')
        .slice(1)
        .map((cell) => /<(?:v|t)[^>]*>([^<]*)</u.exec(cell)?.[1])
    expect(cellsIn(1, 1).slice(0, 4)).to.deep.equal([
      'Zoë &lt;&amp;&gt; &quot;_x005F_x0041_&quot;',
      '33.3',
      '33.3',
      '1',
    ])
    expect(cellsIn(4, 2).slice(3, 6)).to.deep.equal(['drone', 'drone', 'right'])
  })

  it('what a class came to for the school’s system, with its own ids', async () => {
    const made = await classOf(['Bo', 'Ida'])
    const work = await setWork(made, { kind: 'quiz', options: { form: 'typed', order: 'list', second: false } })
    const bo = new Client(server.url)
    await signIn(bo, made.code, made.students[0]!.id)
    expect((await bo.call('POST', `/play/${work.code}/join`, {})).status).to.equal(201)
    const { questions } = await puzzleOf<QuizPuzzle>(server, work.id)
    for (const text of [questions[0]!.answer.text, 'x'])
      for (const move of [{ type: 'type', text }, { type: 'next' }])
        await bo.call('POST', `/play/${work.code}/moves`, { id: randomUUID(), attempt: 1, move })
    await rows(server, `UPDATE students SET source_id = 'S-77' WHERE id = $id`, { id: made.students[0]!.id })
    const reply = await made.client.call('GET', `/reports/file?class=${made.id}&what=oneroster`)
    const files = unzipSync(reply.bytes)
    const table = (name: string): Record<string, string>[] =>
      Papa.parse<Record<string, string>>(Buffer.from(files[`${name}.csv`]!).toString(), { header: true }).data
    const manifest = new Map(table('manifest').map(({ propertyName, value }) => [propertyName, value]))
    expect([manifest.get('oneroster.version'), manifest.get('file.results'), manifest.get('file.users')]).to.deep.equal(
      ['1.2', 'bulk', 'absent'],
    )
    const [item] = table('lineItems')
    expect([item!.sourcedId, item!.resultValueMax, item!.classSourcedId]).to.deep.equal([work.id, '100', made.id])
    expect(table('categories').map(({ sourcedId }) => sourcedId)).to.include(item!.categorySourcedId)
    expect(table('academicSessions').map(({ sourcedId }) => sourcedId)).to.include(item!.gradingPeriodSourcedId)
    expect(
      table('results').map(({ lineItemSourcedId, studentSourcedId, score, scoreStatus }) => [
        lineItemSourcedId,
        studentSourcedId,
        score,
        scoreStatus,
      ]),
    ).to.deep.equal([[work.id, 'S-77', '10', 'partially graded']])
    const report = await made.client.call('GET', `/reports?class=${made.id}`)
    expect((report.body as ReportReply).brief.notBegun).to.deep.equal(['Ida'])
  })

  it('what a student knows by now, and practice of it for this one alone', async () => {
    const made = await classOf(['Bo'])
    const [bo] = made.students
    const work = await setWork(made, { kind: 'quiz', options: { form: 'typed', order: 'list', second: false } })
    const student = new Client(server.url)
    await signIn(student, made.code, bo!.id)
    await student.call('POST', `/play/${work.code}/join`, {})
    const { questions } = await puzzleOf<QuizPuzzle>(server, work.id)
    for (const [index, question] of questions.entries())
      for (const move of [{ type: 'type', text: index < 6 ? question.answer.text : 'x' }, { type: 'next' }])
        await student.call('POST', `/play/${work.code}/moves`, { id: randomUUID(), attempt: 1, move })
    const path = `/classes/${made.id}/students/${bo!.id}`
    const { body } = await made.client.call('GET', `${path}/knowledge`)
    const knowledge = body as StudentKnowledge
    expect(knowledge.work.map(({ share, attempts, ended }) => [share, attempts, ended])).to.deep.equal([[0.6, 1, true]])
    const words = (word: string): number => knowledge.entries.filter((one) => one.word === word).length
    expect([words('well'), words('not-yet'), words('forgotten')]).to.deep.equal([6, 4, 0])
    const requestId = randomUUID()
    const wish = { requestId, listId: made.listId }
    const set = await Promise.all([1, 2].map(() => made.client.call('POST', `${path}/practice`, wish)))
    expect(set.map(({ status }) => status)).to.deep.equal([201, 201])
    expect(set[0]!.body.id, 'sent again, it is set once').to.equal(set[1]!.body.id)
    const { body: home } = await student.call('GET', '/student')
    expect(home.work.map(({ code }: { code: string }) => code)).to.include(set[0]!.body.code)
    // A year later most is forgotten.
    await rows(
      server,
      `UPDATE responses SET at = at - interval '400 days' WHERE play_id IN (SELECT y.id FROM plays y
      JOIN participants p ON p.id = y.participant_id WHERE p.student_id = $id)`,
      { id: bo!.id },
    )
    const later = (await made.client.call('GET', `${path}/knowledge`)).body as StudentKnowledge
    expect(later.entries.filter(({ word }) => word === 'forgotten')).to.have.length(6)
  })

  it('meanings of standards, and how the class stands at each', async () => {
    const { teacher, listId, join, answer, report } = await shared()
    const { body: list } = await teacher.call('GET', `/lists/${listId}`)
    const put = list.entries.map((entry: object, index: number) => ({
      ...entry,
      standards: index < 2 ? ['B.2'] : ['B.10'],
    }))
    await teacher.call('PATCH', `/lists/${listId}`, { version: list.version, put })
    const saved = {
      standards: [
        { code: 'B.2', label: 'Words of the hive' },
        { code: 'Z', label: 'Gone' },
      ],
    }
    expect((await teacher.call('PUT', '/standards', saved)).status).to.equal(204)
    await teacher.call('PUT', '/standards', { standards: [{ code: 'Z', label: '' }] })
    expect((await teacher.call('GET', '/standards')).body.standards).to.deep.equal([
      { code: 'B.2', label: 'Words of the hive' },
    ])
    for (let index = 0; index < 12; index++) await answer(await join(`Student ${index}`), ['colour', 'drone', 'x'])
    const { standards } = await report({ list: listId })
    expect(standards.map(({ code, label, right, answers, word }) => [code, label, right, answers, word])).to.deep.equal(
      [
        ['B.2', 'Words of the hive', 24, 24, 'known'],
        ['B.10', '', 0, 12, 'not-known'],
      ],
    )
  })

  it('a new answer is told to an open report within two seconds, without being asked for', async () => {
    const { teacher, id, join, answer } = await shared()
    const ama = await join('Ama')
    const { body } = await teacher.call('POST', `/reports/pass?work=${id}`)
    let heard = 0
    const socket: Socket = io(server.url.replace(/\/api$/u, ''), {
      path: SOCKET_PATH,
      transports: ['websocket'],
      auth: { pass: body.pass },
    })
    socket.on('again', () => heard++)
    try {
      await until('the report to be taken up', () => heard > 0)
      const before = heard
      await answer(ama, ['colour'])
      await until('news of the answer', () => heard > before)
    } finally {
      socket.close()
    }
  })
})
