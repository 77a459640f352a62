import { randomUUID } from 'node:crypto'
import type { SecretPicture } from '@otter/core'
import { expect } from 'chai'
import { classesOn, SECRET, type Student } from './testClass.ts'
import { Client, rows, startTestServer, teacherWithList, WORDS, type Reply, type TestServer } from './testServer.ts'

const OTHER_SECRET: { pictures: SecretPicture[] } = { pictures: ['sun', 'moon', 'key'] }

describe('Classes', () => {
  let server: TestServer
  before(async () => {
    server = await startTestServer()
  })
  after(() => server.close())

  const { classOf, signIn, setWork, finish } = classesOn(() => server)

  it('are made, filled once however often it is sent, changed and archived', async () => {
    const { client, id, students } = await classOf()
    const twice = { id: randomUUID(), name: 'Sent twice' }
    const made = await Promise.all([1, 2, 3].map(() => client.call('POST', '/classes', twice)))
    expect(made.map(({ status, body }) => [status, body.id])).to.deep.equal([1, 2, 3].map(() => [201, twice.id]))
    const { client: stranger } = await teacherWithList(server.url, WORDS)
    expect((await stranger.call('POST', '/classes', twice)).status).to.equal(404)
    await client.call('DELETE', `/classes/${twice.id}`)
    const again = await client.call('POST', `/classes/${id}/students`, { students })
    expect([again.status, again.body.students]).to.deep.equal([201, 3])
    const changed = await client.call('PATCH', `/classes/${id}`, { grade: '5', secret: 'word' })
    expect(changed.body).to.deep.include({ name: 'Beekeepers 5', grade: '5', secret: 'word', archived: false })
    expect((await client.call('PATCH', `/classes/${id}`, { archived: true })).body.archived).to.equal(true)
    expect((await client.call('GET', '/classes')).body).to.have.length(1)
    const kept = (await client.call('PATCH', `/classes/${id}`, { archived: false })).body
    expect(kept, 'what is not named stays').to.deep.include({ grade: '5', secret: 'word', archived: false })
    const many = Array.from({ length: 300 }, (_, index) => ({ id: randomUUID(), name: `S ${index}` }))
    expect((await client.call('POST', `/classes/${id}/students`, { students: many })).status).to.equal(403)
    expect((await client.call('GET', `/classes/${id}`)).body.roll, 'nothing half taken').to.have.length(3)
  })

  it('take nobody whose id is another teacher’s student', async () => {
    const { students } = await classOf()
    const { client, id } = await classOf([])
    const stolen = await client.call('POST', `/classes/${id}/students`, {
      students: [{ ...students[0]!, name: 'Mine' }],
    })
    expect(stolen.status).to.equal(404)
    expect((await client.call('GET', `/classes/${id}`)).body.roll).to.deep.equal([])
  })

  it('let students in by their secret, which the first sign-in chooses, and a teacher can forget', async () => {
    const { client, id, code, students } = await classOf()
    const bo = students[0]!.id
    const phone = new Client(server.url)
    const { body: door } = await phone.call('GET', `/class/${code.toLowerCase()}`)
    expect(
      door.students.map(({ name, hasSecret }: { name: string; hasSecret: boolean }) => [name, hasSecret]),
    ).to.deep.equal([
      ['Bo', false],
      ['Ida', false],
      ['Mina', false],
    ])
    expect((await phone.call('GET', '/student')).status).to.equal(401)
    expect((await signIn(phone, code, bo, { pictures: ['fish', 'fish', 'fish'] })).body.code).to.equal('easy-secret')
    expect((await signIn(phone, code, bo)).status).to.equal(204)
    expect((await phone.call('GET', '/student')).body).to.deep.include({ name: 'Bo', work: [] })
    const other = new Client(server.url)
    expect((await signIn(other, code, bo, OTHER_SECRET)).body.code).to.equal('wrong-secret')
    expect((await other.call('GET', '/student')).status).to.equal(401)
    expect((await signIn(other, code, bo)).status).to.equal(204)
    await client.call('PATCH', `/classes/${id}/students/${bo}`, { forgetSecret: true })
    expect((await phone.call('GET', '/student')).status, 'signed out everywhere').to.equal(401)
    expect((await signIn(other, code, bo, OTHER_SECRET)).status).to.equal(204)
    await other.call('DELETE', '/student')
    expect((await other.call('GET', '/student')).status).to.equal(401)
  })

  it('can’t be tried through: five wrong secrets, then waiting, also for the right one, and the teacher is told', async () => {
    const { client, id, code, students } = await classOf()
    const [bo, ida] = students.map((student) => student.id)
    await signIn(new Client(server.url), code, bo!)
    const thief = new Client(server.url)
    const tries = await Promise.all(Array.from({ length: 30 }, () => signIn(thief, code, bo!, OTHER_SECRET)))
    const codes = tries.map(({ body }) => body.code as string)
    expect(codes.filter((one) => one === 'wrong-secret')).to.have.length(5)
    expect(codes.filter((one) => one === 'too-many-secrets')).to.have.length(25)
    expect((await signIn(new Client(server.url), code, bo!)).status).to.equal(429)
    expect((await signIn(new Client(server.url), code, ida!)).status, 'others come in').to.equal(204)
    const { body } = await client.call('GET', `/classes/${id}`)
    expect(body.roll.find((one: Student) => one.id === bo).wrongSecrets).to.equal(5)
  })

  it('give one secret to two devices that choose at one instant', async () => {
    const { code, students } = await classOf()
    const chosen = await Promise.all(
      [SECRET, OTHER_SECRET, SECRET, OTHER_SECRET].map((secret) =>
        signIn(new Client(server.url), code, students[0]!.id, secret),
      ),
    )
    expect(chosen.map(({ status }) => status).sort()).to.deep.equal([204, 403, 403, 403])
  })

  it('let those in who ask, once the teacher says so', async () => {
    const { client, id, code } = await classOf([], { inviting: true, secret: 'word' })
    const phone = new Client(server.url)
    const asked = await phone.call('POST', `/class/${code}/ask`, { name: 'Ole', secret: { word: 'Harbour' } })
    expect(asked.status).to.equal(204)
    expect((await phone.call('GET', '/student')).body.classes).to.deep.include.members([
      { id, name: 'Beekeepers 5', state: 'asked' },
    ])
    expect((await phone.call('GET', `/class/${code}`)).body.students, 'nobody sees who waits').to.deep.equal([])
    const { body } = await client.call('GET', `/classes/${id}`)
    expect(body).to.deep.include({ students: 0, asking: 1 })
    const ole = body.roll[0].id as string
    expect((await signIn(new Client(server.url), code, ole, { word: 'harbour' })).status, 'not yet').to.equal(404)
    await client.call('PATCH', `/classes/${id}/students/${ole}`, { letIn: true })
    expect((await signIn(new Client(server.url), code, ole, { word: ' HARBOUR ' })).status).to.equal(204)
    await client.call('PATCH', `/classes/${id}`, { inviting: false })
    const late = await phone.call('POST', `/class/${code}/ask`, { name: 'Eva', secret: { word: 'lantern' } })
    expect(late.body.code).to.equal('not-inviting')
  })

  it('give work a code for each class, with attempts that only who signed in is held to', async () => {
    const first = await classOf()
    const { body: second } = await first.client.call('POST', '/classes', { name: 'Orchestra 8' })
    const request = {
      kind: 'hangman',
      seed: '1',
      classIds: [first.id, second.id],
      requestIds: [randomUUID(), randomUUID()],
      work: { who: 'signed-in', attempts: 2, counted: 'best', pass: 50 },
      note: 'Words of the week',
    }
    const set = await first.client.call('POST', `/lists/${first.listId}/work`, request)
    const again = await first.client.call('POST', `/lists/${first.listId}/work`, request)
    const codes = (reply: Reply): string[] => (reply.body as { code: string }[]).map(({ code }) => code)
    expect(new Set(codes(set)).size).to.equal(2)
    expect(codes(again), 'sent twice, set once').to.deep.equal(codes(set))
    const [code] = codes(set)
    const bo = first.students[0]!.id

    const guest = new Client(server.url)
    expect((await guest.call('GET', `/play/${code}`)).body.door).to.deep.equal({
      who: 'signed-in',
      classCode: first.code,
      note: 'Words of the week',
      names: [],
      me: null,
    })
    expect((await guest.call('POST', `/play/${code}/join`, { name: 'Bo' })).body.code).to.equal('sign-in-first')

    const phone = new Client(server.url)
    await signIn(phone, first.code, bo)
    expect((await phone.call('GET', `/play/${code}`)).body.door.me).to.equal('Bo')
    const joined = await phone.call('POST', `/play/${code}/join`, {})
    expect(joined.body.player).to.deep.equal({ name: 'Bo', waits: false })
    expect(joined.body.work).to.deep.include({ attemptsLeft: 1, isStudent: true })

    const laptop = new Client(server.url)
    await signIn(laptop, first.code, bo)
    const elsewhere = await laptop.call('POST', `/play/${code}/join`, {})
    expect(elsewhere.body.play, 'it goes on where it was').to.deep.equal(joined.body.play)
    expect((await laptop.call('POST', `/play/${code}/again`)).body.play.attempt, 'and can’t be left').to.equal(1)

    await finish(bo, 4)
    expect((await phone.call('POST', `/play/${code}/again`)).body.play.attempt).to.equal(2)
    await finish(bo, 6)
    expect((await phone.call('POST', `/play/${code}/again`)).body.code).to.equal('no-attempts')
    const [{ standing, admission }] = (await phone.call('GET', '/student')).body.work
    expect([admission, standing]).to.deep.equal([
      'no-attempts',
      { state: 'done', attempts: 2, share: 0.6, passed: true, late: false },
    ])
    const { body: overview } = await first.client.call('GET', `/classes/${first.id}/overview`)
    expect(
      overview.students.map(({ name, standings }: { name: string; standings: { state: string }[] }) => [
        name,
        standings[0]!.state,
      ]),
    ).to.deep.equal([
      ['Bo', 'done'],
      ['Ida', 'not-begun'],
      ['Mina', 'not-begun'],
    ])
    expect(
      (await first.client.call('GET', `/classes/${second.id}/overview`)).body.work,
      'results never mix',
    ).to.have.length(1)
  })

  it('begin one attempt where a class of 35 comes twice at one instant', async () => {
    const names = Array.from({ length: 35 }, (_, index) => `Student ${index}`)
    const made = await classOf(names)
    const work = await setWork(made, { work: { who: 'signed-in', attempts: 1 } })
    const phones = await Promise.all(
      made.students.map(async ({ id }) => {
        const phone = new Client(server.url)
        expect((await signIn(phone, made.code, id)).status).to.equal(204)
        return phone
      }),
    )
    const joined = await Promise.all(
      [...phones, ...phones].map((phone) => phone.call('POST', `/play/${work.code}/join`, {})),
    )
    expect(new Set(joined.map(({ status }) => status))).to.deep.equal(new Set([201]))
    const [count] = await rows<{ people: number; plays: number }>(
      server,
      `SELECT (SELECT count(*)::int FROM participants WHERE offer_id = '${work.id}') AS people,
        (SELECT count(*)::int FROM plays WHERE offer_id = '${work.id}') AS plays`,
    )
    expect(count).to.deep.equal({ people: 35, plays: 35 })
  }).timeout(60_000)

  it('let names be tapped; one that is taken comes back by the teacher’s word alone', async () => {
    const made = await classOf()
    const work = await setWork(made, {
      work: { who: 'names', students: made.students.slice(0, 2).map(({ id }) => id) },
    })
    const phone = new Client(server.url)
    const { door } = (await phone.call('GET', `/play/${work.code}`)).body
    expect(
      door.names.map(({ name }: Student) => name),
      'those it is set for',
    ).to.deep.equal(['Bo', 'Ida'])
    const [bo, , mina] = made.students
    expect((await phone.call('POST', `/play/${work.code}/join`, { name: 'Bo' })).body.code).to.equal('not-on-list')
    expect((await phone.call('POST', `/play/${work.code}/join`, { studentId: mina!.id })).body.code).to.equal(
      'not-for-you',
    )
    const tapped = await phone.call('POST', `/play/${work.code}/join`, { studentId: bo!.id })
    expect(tapped.body.player).to.deep.equal({ name: 'Bo', waits: false })
    const other = await new Client(server.url).call('POST', `/play/${work.code}/join`, { studentId: bo!.id })
    expect(other.body.player).to.deep.equal({ name: 'Bo', waits: true })
    await finish(bo!.id, 5)
    const { body } = await made.client.call('GET', `/classes/${made.id}/overview`)
    expect(
      body.students.map(
        ({ standings }: { standings: ({ share: number } | null)[] }) => standings[0] && standings[0].share,
      ),
    ).to.deep.equal([0.5, null, null])
    expect(body.students[2].standings[0], 'not set for Mina').to.equal(null)
  })

  it('tell two of one name apart, also on one device, and keep out whom the teacher has taken out', async () => {
    const made = await classOf(['Twin', 'Twin'])
    const work = await setWork(made, { work: { who: 'names' } })
    const [one, other] = made.students
    const tablet = new Client(server.url)
    for (const { id } of [one!, other!]) {
      const tapped = await tablet.call('POST', `/play/${work.code}/join`, { studentId: id })
      expect(tapped.body.player).to.deep.equal({ name: 'Twin', waits: false })
      await finish(id, 2)
    }
    const { body } = await made.client.call('GET', `/classes/${made.id}/overview`)
    expect(body.students.map(({ standings }: { standings: { share: number }[] }) => standings[0]!.share)).to.deep.equal(
      [0.2, 0.2],
    )
    const { body: results } = await made.client.call('GET', `/links/${work.id}/results`)
    for (const { participantId } of results.participants)
      await made.client.call('PATCH', `/links/${work.id}/participants/${participantId}`, { removed: true })
    const phone = new Client(server.url)
    await signIn(phone, made.code, one!.id)
    const back = await phone.call('POST', `/play/${work.code}/join`, {})
    expect([back.status, back.body.code]).to.deep.equal([403, 'taken-out'])
  })

  it('open, close and keep answers back at their times', async () => {
    const made = await classOf()
    const soon = new Date(Date.now() + 3600_000).toISOString()
    const past = new Date(Date.now() - 3600_000).toISOString()
    const crossed = await made.client.call('POST', `/lists/${made.listId}/work`, {
      kind: 'hangman',
      seed: '1',
      classIds: [made.id],
      requestIds: [randomUUID()],
      opensAt: soon,
      dueAt: past,
    })
    expect(crossed.status).to.equal(400)
    const later = await setWork(made, { opensAt: soon })
    const phone = new Client(server.url)
    expect((await phone.call('POST', `/play/${later.code}/join`, { name: 'Guest' })).body.code).to.equal('not-yet')
    const over = await setWork(made, { closesAt: past })
    expect((await phone.call('POST', `/play/${over.code}/join`, { name: 'Guest' })).body.code).to.equal('link-closed')

    const kept = await setWork(made, { dueAt: soon, work: { who: 'signed-in', shown: 'after-due' } })
    const bo = made.students[0]!.id
    await signIn(phone, made.code, bo)
    await phone.call('POST', `/play/${kept.code}/join`, {})
    await finish(bo, 3)
    const hidden = (await phone.call('GET', `/play/${kept.code}`)).body
    expect([hidden.play.view, hidden.play.missed, hidden.work.hidesAnswers]).to.deep.equal([null, null, true])
    await rows(server, `UPDATE offers SET due_at = now() - interval '1 minute' WHERE id = '${kept.id}'`)
    const shown = (await phone.call('GET', `/play/${kept.code}`)).body
    expect(shown.play.view).not.to.equal(null)
    expect(shown.work.hidesAnswers).to.equal(false)
  })

  it('forget who played on a shared device once that student is signed out', async () => {
    const made = await classOf()
    const work = await setWork(made)
    const tablet = new Client(server.url)
    await signIn(tablet, made.code, made.students[0]!.id)
    await tablet.call('POST', `/play/${work.code}/join`, {})
    expect((await tablet.call('GET', `/play/${work.code}`)).body.player.name).to.equal('Bo')
    // An open page keeps nobody signed in; only what is done at the device does.
    await rows(server, `UPDATE student_sessions SET expires_at = now() + interval '1 minute'`)
    expect((await tablet.call('POST', `/play/${work.code}/here`, {})).status).to.equal(204)
    const [{ kept }] = (await rows<{ kept: boolean }>(
      server,
      `SELECT bool_or(expires_at > now() + interval '2 minutes') AS kept FROM student_sessions`,
    )) as [{ kept: boolean }]
    expect(kept).to.equal(false)
    await rows(server, `UPDATE student_sessions SET expires_at = now() - interval '1 second'`)
    expect((await tablet.call('POST', `/play/${work.code}/here`, {})).status, 'and then it hears so').to.equal(401)
    const next = (await tablet.call('GET', `/play/${work.code}`)).body
    expect([next.player, next.play, next.door.me]).to.deep.equal([null, null, null])
    expect((await tablet.call('GET', '/student')).status).to.equal(401)
  })

  it('are shared with a colleague, who keeps them when the account of the owner is deleted', async () => {
    const made = await classOf()
    const { client: colleague } = await teacherWithList(server.url, WORDS)
    const { body: me } = await colleague.call('GET', '/session')
    expect(
      (await made.client.call('POST', `/classes/${made.id}/teachers`, { email: 'nobody@school.example' })).status,
    ).to.equal(404)
    const shared = await made.client.call('POST', `/classes/${made.id}/teachers`, { email: me.teacher.email })
    expect(shared.body.teachers).to.have.length(2)
    const work = await setWork(made)
    const { body } = await colleague.call('GET', `/classes/${made.id}/overview`)
    expect(body.work[0]).to.deep.include({ code: work.code, isMine: false })
    expect(
      (await colleague.call('GET', `/links/${work.id}/results`)).status,
      'whose work it is sees its answers',
    ).to.equal(404)
    expect((await colleague.call('DELETE', `/classes/${made.id}`)).body.code).to.equal('not-class-owner')
    expect((await made.client.call('DELETE', '/account', { password: 'a long password' })).status).to.equal(204)
    const { body: left } = await colleague.call('GET', `/classes/${made.id}`)
    expect([left.isOwner, left.students, left.teachers.length]).to.deep.equal([true, 3, 1])
  })

  it('are looked over in a fixed number of queries, however many students and pieces of work there are', async () => {
    const made = await classOf(Array.from({ length: 40 }, (_, index) => `Student ${index}`))
    await setWork(made)
    const count = async (): Promise<number> => {
      const before = server.queries.length
      await made.client.call('GET', `/classes/${made.id}/overview`)
      return server.queries.length - before
    }
    // What the server does by itself meanwhile is among them: the fewest are the page's own.
    const fewest = async (): Promise<number> => Math.min(await count(), await count(), await count())
    const few = await fewest()
    for (let index = 0; index < 5; index++) await setWork(made)
    expect(await fewest()).to.equal(few)
  })
}).timeout(60_000)
