import { randomUUID } from 'node:crypto'
import type { QuizPuzzle } from '@otter/core/games/quiz'
import { expect } from 'chai'
import { loadSample } from '../src/sample/load.ts'
import { enlarge } from './largeDatabase.ts'
import { LiveRooms, until } from './liveScreens.ts'
import { reportsOn } from './reportGround.ts'
import { watchPlans, type RunStatement } from './statementPlans.ts'
import { classesOn } from './testClass.ts'
import { Client, createDatabase, puzzleOf, startTestServer, WORDS } from './testServer.ts'

/** Responses of a large town's schools in some years. */
const RESPONSES = 2_000_000
/** Most rows that a statement may go through for one class of this size, those it throws away with them. */
const MOST_ROWS = 2000

describe(`With ${RESPONSES} responses of other teachers`, () => {
  let seen: () => RunStatement[]
  const rooms = new LiveRooms(async () => {
    const databaseUrl = await createDatabase()
    const first = await startTestServer({ databaseUrl })
    await loadSample(first.database, first.workers)
    await first.close()
    expect(await enlarge(databaseUrl, RESPONSES)).to.be.at.least(RESPONSES)
    seen = await watchPlans(databaseUrl)
    return startTestServer({ databaseUrl, sockets: true })
  })
  const { classOf, setWork, signIn } = classesOn(() => rooms.server)
  const { shared } = reportsOn(() => rooms.server)

  /** Finds that no statement since has gone through more rows than a class has, and that there were some. */
  function expectLight(what: string, least: number): void {
    const run = seen()
    expect(run.length, `statements of ${what}`).to.be.at.least(least)
    expect(
      run
        .filter(({ rows }) => rows > MOST_ROWS)
        .map(({ rows, node, text }) => `${rows} rows, ${node}: ${text.replaceAll(/\s+/gu, ' ')}`)
        .join('\n'),
      what,
    ).to.equal('')
  }

  it('a link is joined and played, and its results, its questions and its report are told, without a look at theirs', async () => {
    const { teacher, listId, id, code, join, answer, stop, entries, report } = await shared({}, WORDS)
    seen()
    for (const name of ['Ama', 'Bo', 'Ida']) {
      const student = await join(name)
      await answer(student, ['smoker', 'wrong', 'brood'])
      await stop(student)
      await student.call('GET', `/play/${code}`)
      await student.call('POST', `/play/${code}/again`)
    }
    expectLight('playing a link', 30)
    for (const path of ['/lists', '/links', `/lists/${listId}`, `/lists/${listId}/links`, `/links/${id}/here`])
      expect((await teacher.call('GET', path)).status, path).to.equal(200)
    expectLight('looking at lists and links', 5)
    const { body: results } = await teacher.call('GET', `/links/${id}/results`)
    expect(results.participants).to.have.length(3)
    for (const path of ['lead', 'results.csv', `questions/${entries[0]}`])
      expect((await teacher.call('GET', `/links/${id}/${path}`)).status, path).to.equal(200)
    expect((await report()).students).to.have.length(3)
    expectLight('results and reports', 6)
  })

  it('a class comes in, has work set, plays it, and is looked over', async () => {
    const made = await classOf()
    const work = await setWork(made)
    seen()
    for (const { id } of made.students) {
      const student = new Client(rooms.server.url)
      expect((await student.call('GET', `/class/${made.code}`)).status).to.equal(200)
      expect((await signIn(student, made.code, id)).status).to.equal(204)
      expect((await student.call('GET', '/student')).status).to.equal(200)
      await student.call('POST', `/play/${work.code}/join`, {})
      await student.call('POST', `/play/${work.code}/moves`, { id: randomUUID(), attempt: 1, move: { type: 'hint' } })
    }
    expectLight('a class that comes in and plays', 20)
    for (const path of ['/classes', `/classes/${made.id}`, `/classes/${made.id}/overview`, `/links/${work.id}/work`])
      expect((await made.client.call('GET', path)).status, path).to.equal(200)
    expectLight('looking a class over', 5)
  })

  it('a live session is hosted, played together and closed', async () => {
    seen()
    const { host, id, code } = await rooms.host({
      kind: 'quiz',
      options: { order: 'list' },
      live: { way: 'together', wayOptions: { seconds: 0 } },
    })
    const students = [await rooms.student(code, { name: 'Ama' }), await rooms.student(code, { name: 'Bo' })]
    await until('both in the lobby', () => host.students.size === 2)
    await host.command({ type: 'start' })
    await until('the first question', () => students.every(({ reply }) => reply!.play !== null))
    const { questions } = await puzzleOf<QuizPuzzle>(rooms.server, id)
    for (const student of students)
      await student.move({ type: 'choose', choices: [questions[0]!.choices.findIndex(({ right }) => right)] })
    await until('the host to see both', () => ['Ama', 'Bo'].every((name) => host.named(name)?.moves === 1))
    await host.command({ type: 'next' })
    await until('it to be closed', () => host.facts!.round?.phase === 'told')
    // What is looked for every second, whoever plays.
    await new Promise((resolve) => setTimeout(resolve, 3000))
    expectLight('a live session', 30)
  })
}).timeout(1_800_000)
