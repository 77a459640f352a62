import { randomUUID } from 'node:crypto'
import type { QuizPuzzle } from '@otter/core/games/quiz'
import { expect } from 'chai'
import { SECRET } from './testClass.ts'
import { until } from './liveScreens.ts'
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

interface Class {
  teacher: Client
  listId: string
  id: string
  code: string
  ids: Record<string, string>
}

describe('Work set for a class', () => {
  let server: TestServer
  before(async () => {
    server = await startTestServer()
  })
  after(() => server.close())

  const classOf = async (names: readonly string[]): Promise<Class> => {
    const { client: teacher, listId } = await teacherWithList(server.url, WORDS)
    const { body } = await teacher.call('POST', '/classes', { name: 'Beekeepers 5' })
    const students = names.map((name) => ({ id: randomUUID(), name }))
    await teacher.call('POST', `/classes/${body.id}/students`, { students })
    return {
      teacher,
      listId,
      id: body.id,
      code: body.code,
      ids: Object.fromEntries(students.map(({ id, name }) => [name, id])),
    }
  }
  const setWork = async ({ teacher, listId, id }: Class, more: object = {}): Promise<{ id: string; code: string }> => {
    const { status, body } = await teacher.call('POST', `/lists/${listId}/work`, {
      kind: 'quiz',
      seed: '1',
      options: { order: 'list', form: 'typed' },
      classIds: [id],
      requestIds: [randomUUID()],
      ...more,
    })
    expect(status, JSON.stringify(body)).to.equal(201)
    return body[0]
  }
  const signedIn = async ({ code, ids }: Class, name: string): Promise<Client> => {
    const phone = new Client(server.url)
    expect(
      (await phone.call('POST', `/class/${code}/sign-in`, { studentId: ids[name], secret: SECRET })).status,
    ).to.equal(204)
    return phone
  }
  const move = (student: Client, code: string, what: object, more: object = {}): Promise<Reply> =>
    student.call('POST', `/play/${code}/moves`, { id: randomUUID(), attempt: 1, move: what, ...more })
  const answer = async (student: Client, code: string, texts: readonly string[]): Promise<void> => {
    for (const text of texts) {
      await move(student, code, { type: 'type', text })
      await move(student, code, { type: 'next' })
    }
  }
  /** Lets so many minutes pass for a student's attempt. */
  const pass = (studentId: string, minutes: number): Promise<unknown> =>
    rows(
      server,
      `UPDATE plays y SET origin = jsonb_set(origin, '{now}', to_jsonb((origin ->> 'now')::float8 - $minutes * 60000)),
          due_at = due_at - make_interval(mins => $minutes)
        FROM participants p WHERE p.id = y.participant_id AND p.student_id = $studentId`,
      { studentId, minutes },
    )
  const ended = async (studentId: string): Promise<boolean> =>
    (
      await rows(
        server,
        'SELECT 1 FROM plays y JOIN participants p ON p.id = y.participant_id WHERE p.student_id = $studentId AND y.ended_at IS NOT NULL',
        { studentId },
      )
    ).length > 0

  it('is over by itself when its time is up; who has more time has more, and more attempts', async () => {
    const made = await classOf(['Ama', 'Bo'])
    const { ids } = made
    const work = await setWork(made, {
      work: { who: 'signed-in', minutes: 10, factorOf: { [ids.Bo!]: 1.5 }, attempts: 1, attemptsOf: { [ids.Bo!]: 2 } },
    })
    const [ama, bo] = [await signedIn(made, 'Ama'), await signedIn(made, 'Bo')]
    const joined = await ama.call('POST', `/play/${work.code}/join`, {})
    expect(joined.body.work).to.deep.include({ minutes: 10, attemptsLeft: 0 })
    expect(joined.body.work.left).to.be.within(595_000, 600_000)
    const more = await bo.call('POST', `/play/${work.code}/join`, {})
    expect(more.body.work.left).to.be.within(895_000, 900_000)
    expect(more.body.work.attemptsLeft).to.equal(1)
    await answer(ama, work.code, ['smoker'])
    for (const id of [ids.Ama!, ids.Bo!]) await pass(id, 11)
    await until('the attempt to be ended', () => ended(ids.Ama!))
    const told = (await ama.call('GET', `/play/${work.code}`)).body
    expect([told.play.score.finished, told.play.score.right, told.work.left]).to.deep.equal([true, 1, null])
    expect(await ended(ids.Bo!), 'who has more time goes on').to.equal(false)
    expect((await bo.call('GET', `/play/${work.code}`)).body.work.left).to.be.within(235_000, 240_000)
    expect((await ama.call('POST', `/play/${work.code}/again`)).body.code).to.equal('no-attempts')
    await pass(ids.Bo!, 5)
    await until('the other to be ended', () => ended(ids.Bo!))
    expect((await bo.call('POST', `/play/${work.code}/again`)).status, 'a second attempt').to.equal(200)
  })

  it('takes an answer that was given in time; what comes after can be counted by the teacher', async () => {
    const made = await classOf(['Ama'])
    const work = await setWork(made, { work: { who: 'signed-in', minutes: 10 } })
    const ama = await signedIn(made, 'Ama')
    const { body } = await ama.call('POST', `/play/${work.code}/join`, {})
    const moment = body.play.moment
    await pass(made.ids.Ama!, 11)
    await until('the attempt to be ended', () => ended(made.ids.Ama!))
    const late = await move(ama, work.code, { type: 'type', text: 'smoker' }, { for: moment })
    expect(late.body.fate).to.equal('late')
    const students = async (): Promise<{ participantId: string; right: number; late: boolean }[]> =>
      (await made.teacher.call('GET', `/links/${work.id}/results`)).body.participants
    const [before] = await students()
    expect(before).to.deep.include({ right: 0, late: true })
    await made.teacher.call('POST', `/links/${work.id}/participants/${before!.participantId}/late`, {})
    expect((await students())[0]).to.deep.include({ right: 1, late: false })
  })

  it('holds of a list only what it is set for: from one row to another, or what the class has missed', async () => {
    const made = await classOf(['Ama', 'Bo', 'Chi'])
    const asked = async ({ id }: { id: string }): Promise<string[]> =>
      (await puzzleOf<QuizPuzzle>(server, id)).questions.map((question) => question.answer.text)
    const range = await setWork(made, { options: { order: 'list', form: 'typed', take: 'range', from: 3, to: 5 } })
    expect(await asked(range)).to.deep.equal(['brood', 'nectar', 'propolis'])
    const missed = { missed: true, options: { order: 'list', form: 'typed', take: 'group', group: 'one' } }
    const nothing = await made.teacher.call('POST', `/lists/${made.listId}/work`, {
      kind: 'quiz',
      seed: '1',
      classIds: [made.id],
      requestIds: [randomUUID()],
      ...missed,
    })
    expect([nothing.status, nothing.body.code]).to.deep.equal([409, 'nothing-missed'])
    for (const [name, texts] of [
      ['Ama', ['no', 'nectar', 'no']],
      ['Bo', ['brood', 'nectar', 'no']],
      ['Chi', ['brood', 'nectar', 'propolis']],
    ] as const) {
      const phone = await signedIn(made, name)
      await phone.call('POST', `/play/${range.code}/join`, {})
      await answer(phone, range.code, texts)
    }
    expect(await asked(await setWork(made, missed)), 'a third of the class, or more').to.deep.equal([
      'brood',
      'propolis',
    ])
  })

  it('leaves each student what was missed last, to practise; it shows there alone and stays out of what is set', async () => {
    const made = await classOf(['Ama', 'Bo'])
    const work = await setWork(made)
    const kept = await setWork(made, { work: { who: 'signed-in', shown: 'score' } })
    const ama = await signedIn(made, 'Ama')
    const home = async (student: Client): Promise<{ again: { words: string[] }[]; work: unknown[] }> =>
      (await student.call('GET', '/student')).body
    expect((await home(ama)).again).to.deep.equal([])
    expect((await ama.call('POST', '/student/practice', { listId: made.listId })).body.code).to.equal('nothing-missed')
    for (const [code, texts] of [
      [work.code, ['smoker', 'no', 'brood', 'no']],
      [kept.code, ['no']],
    ] as const) {
      await ama.call('POST', `/play/${code}/join`, {})
      await answer(ama, code, texts)
      if (code === work.code)
        expect((await home(ama)).again, 'while a game goes on, its answers are told nowhere').to.deep.equal([])
      // What is left then was not reached, and is no miss.
      await move(ama, code, { type: 'finish' })
    }
    expect((await home(ama)).again, 'what is kept back is told nowhere').to.deep.equal([
      { listId: made.listId, title: 'Words', words: ['drone', 'nectar'] },
    ])
    const wanted = { listId: made.listId }
    const madeOnce = await Promise.all([1, 2, 3].map(() => ama.call('POST', '/student/practice', wanted)))
    const codes = new Set(madeOnce.map(({ body }) => body.code as string))
    expect(codes.size, 'sent at one instant, made once').to.equal(1)
    const [code] = codes
    const bo = await signedIn(made, 'Bo')
    expect((await bo.call('POST', `/play/${code}/join`, {})).body.code).to.equal('not-for-you')
    expect((await bo.call('POST', '/student/practice', wanted)).body.code).to.equal('nothing-missed')
    const { body } = await ama.call('POST', `/play/${code}/join`, {})
    expect(body.play.score.total).to.equal(2)
    expect((await home(ama)).work).to.have.length(2)
    expect((await made.teacher.call('GET', `/classes/${made.id}/overview`)).body.work).to.have.length(2)
    expect((await made.teacher.call('GET', '/links')).body).to.have.length(2)
    const [offer] = await rows<{ id: string }>(server, 'SELECT id FROM offers WHERE code = $code', { code })
    const { questions } = await puzzleOf<QuizPuzzle>(server, offer!.id)
    const right = questions[0]!.choices.findIndex((choice) => choice.right)
    await move(ama, code!, { type: 'choose', choices: [right] })
    await move(ama, code!, { type: 'finish' })
    expect((await home(ama)).again[0]!.words, 'known by now').to.have.length(1)
  })

  it('lets each student pick one of several games, counts them as one, and renews them all', async () => {
    const made = await classOf(['Ama'])
    const others = [
      { kind: 'hangman', seed: '1' },
      { kind: 'flashcards', seed: '1', options: {} },
    ]
    const work = await setWork(made, { others, work: { who: 'signed-in', attempts: 2 } })
    const ama = await signedIn(made, 'Ama')
    const { body: door } = await ama.call('GET', `/play/${work.code}`)
    expect(door.work.games).to.deep.equal(['quiz', 'hangman', 'flashcards'])
    const joined = await ama.call('POST', `/play/${work.code}/join`, { game: 1 })
    expect(joined.body.kind).to.equal('hangman')
    expect((await ama.call('POST', `/play/${work.code}/again`, { game: 0 })).body.kind, 'it can’t be left').to.equal(
      'hangman',
    )
    await move(ama, work.code, { type: 'finish' })
    await made.teacher.call('PATCH', `/lists/${made.listId}`, {
      version: 1,
      put: [{ id: randomUUID(), position: 11, answer: { text: 'queen' }, prompt: { text: 'lays eggs' } }],
    })
    expect((await made.teacher.call('POST', `/links/${work.id}/renew`)).body.outdated).to.equal(false)
    const again = await ama.call('POST', `/play/${work.code}/again`, { game: 2 })
    expect([again.body.kind, again.body.play.score.total]).to.deep.equal(['flashcards', 11])
    expect((await ama.call('GET', '/student')).body.work[0].standing).to.deep.include({ attempts: 2 })
    await move(ama, work.code, { type: 'finish' }, { attempt: 2 })
    expect((await ama.call('POST', `/play/${work.code}/again`, { game: 0 })).body.code).to.equal('no-attempts')
  })

  it('takes a guest for a student of the class at the teacher’s word, and takes that back', async () => {
    const made = await classOf(['Ama', 'Bo'])
    const work = await setWork(made, { work: { who: 'anyone' } })
    const guest = new Client(server.url)
    await guest.call('POST', `/play/${work.code}/join`, { name: 'amaaa' })
    await answer(guest, work.code, ['smoker'])
    await move(guest, work.code, { type: 'finish' })
    const students = async (): Promise<
      { participantId: string; name: string; studentId: string | null; attempts: number }[]
    > => (await made.teacher.call('GET', `/links/${work.id}/results`)).body.participants
    const states = async (): Promise<string[]> =>
      (await made.teacher.call('GET', `/classes/${made.id}/overview`)).body.students.map(
        ({ standings }: { standings: { state: string }[] }) => standings[0]!.state,
      )
    expect(await states()).to.deep.equal(['not-begun', 'not-begun'])
    const { participantId } = (await students())[0]!
    const same = (studentId: string): Promise<Reply> =>
      made.teacher.call('PUT', `/links/${work.id}/participants/${participantId}/student`, { studentId })
    expect((await same(randomUUID())).status).to.equal(404)
    expect((await same(made.ids.Ama!)).status).to.equal(204)
    expect((await students()).map(({ name, studentId, attempts }) => [name, studentId, attempts])).to.deep.equal([
      ['Ama', made.ids.Ama, 1],
    ])
    expect(await states()).to.deep.equal(['done', 'not-begun'])
    await made.teacher.call('PUT', `/links/${work.id}/participants/${participantId}/merged`, { into: null })
    expect(await states()).to.deep.equal(['not-begun', 'not-begun'])
  })

  it('knows a student of two teachers as one where the one gives the other a code', async () => {
    const mine = await classOf(['Ama', 'Bo'])
    const theirs = await classOf(['A. Moor', 'Cy'])
    const at = ({ id }: Class, studentId: string, what: string): string =>
      `/classes/${id}/students/${studentId}/${what}`
    const { body: link } = await mine.teacher.call('POST', at(mine, mine.ids.Ama!, 'link'))
    const wrong = await theirs.teacher.call('PUT', at(theirs, theirs.ids['A. Moor']!, 'linked'), { code: 'BBBBBBBBBB' })
    expect([wrong.status, wrong.body.code]).to.deep.equal([404, 'no-student-code'])
    const work = await setWork(theirs, { work: { who: 'signed-in' } })
    const before = await signedIn(theirs, 'A. Moor')
    await before.call('POST', `/play/${work.code}/join`, {})
    const { body: linked } = await theirs.teacher.call('PUT', at(theirs, theirs.ids['A. Moor']!, 'linked'), {
      code: link.code.toLowerCase(),
    })
    expect(linked.roll.map(({ name }: { name: string }) => name)).to.deep.equal(['Ama', 'Cy'])
    const again = await theirs.teacher.call('PUT', at(theirs, theirs.ids.Cy!, 'linked'), { code: link.code })
    expect(again.status, 'a code is for one').to.equal(404)
    const ama = await signedIn(mine, 'Ama')
    const { body: home } = await ama.call('GET', '/student')
    expect(home.classes).to.have.length(2)
    expect(home.work[0].standing.attempts, 'with what was done under the other name').to.equal(1)
    // Each teacher sees what the own class holds.
    expect((await mine.teacher.call('GET', `/classes/${mine.id}/overview`)).body.work).to.deep.equal([])
    expect(
      (await mine.teacher.call('GET', `/classes/${mine.id}/students/${mine.ids.Ama}/data`)).body.work,
    ).to.deep.equal([])
    await theirs.teacher.call('PUT', at(theirs, theirs.ids['A. Moor']!, 'merged'), { into: null })
    expect(
      (await theirs.teacher.call('GET', `/classes/${theirs.id}`)).body.roll.map(({ name }: { name: string }) => name),
    ).to.deep.equal(['A. Moor', 'Ama', 'Cy'])
  })

  it('is changed while it runs: first for nobody, then opened, given more time, and due later', async () => {
    const made = await classOf(['Ama', 'Bo'])
    const work = await setWork(made, { work: { who: 'me' }, note: 'Soon' })
    const ama = await signedIn(made, 'Ama')
    expect((await ama.call('GET', '/student')).body.work, 'nobody sees it').to.deep.equal([])
    expect((await ama.call('POST', `/play/${work.code}/join`, {})).body.code).to.equal('not-for-you')
    const path = `/links/${work.id}/work`
    const { body: setting } = await made.teacher.call('GET', path)
    expect(setting).to.deep.include({ note: 'Soon', dueAt: null })
    const open = { ...setting, note: 'Now', work: { ...setting.work, who: 'signed-in', minutes: 10 } }
    expect((await made.teacher.call('PUT', path, open)).body).to.deep.equal(open)
    expect((await ama.call('GET', '/student')).body.work).to.have.length(1)
    await ama.call('POST', `/play/${work.code}/join`, {})
    await pass(made.ids.Ama!, 8)
    const more = {
      ...open,
      work: { ...open.work, factorOf: { [made.ids.Ama!]: 2 } },
      dueAt: '2099-01-01T08:00:00.000Z',
    }
    await made.teacher.call('PUT', path, more)
    await until('the time to be worked out anew', async () => {
      const { body } = await ama.call('GET', `/play/${work.code}`)
      return body.work.left > 11 * 60_000 && body.work.dueAt === more.dueAt
    })
    const crossed = await made.teacher.call('PUT', path, { ...more, opensAt: '2099-02-01T08:00:00.000Z' })
    expect(crossed.status).to.equal(400)
    expect(
      (await made.teacher.call('PUT', path, { ...more, work: { ...more.work, kinds: ['hangman'] } })).body.work.kinds,
    ).to.deep.equal([])
  })
})
