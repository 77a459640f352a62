import { randomUUID } from 'node:crypto'
import type { PairsPuzzle } from '@otter/core/games/pairs'
import { expect } from 'chai'
import { Client, puzzleOf, rows, startTestServer, teacherWithList, WORDS, type TestServer } from './testServer.ts'

interface Student {
  participantId: string
  name: string
  right: number
  attempts: number
  removed: boolean
  waits: boolean
  lastPlayId: string
  merged: { participantId: string }[]
  milliseconds: number
}

describe('Who takes part', () => {
  let server: TestServer
  before(async () => {
    server = await startTestServer()
  })
  after(() => server.close())

  async function shared(
    kind = 'quiz',
    options: object = { order: 'list' },
  ): Promise<{ teacher: Client; id: string; code: string; students: () => Promise<Student[]> }> {
    const { client: teacher, listId } = await teacherWithList(server.url, WORDS)
    const {
      body: { id, code },
    } = await teacher.call('POST', `/lists/${listId}/links`, { kind, seed: '3', options })
    return {
      teacher,
      id,
      code,
      students: async () => (await teacher.call('GET', `/links/${id}/results`)).body.participants as Student[],
    }
  }
  async function join(code: string, name: string): Promise<Client> {
    const student = new Client(server.url)
    await student.call('POST', `/play/${code}/join`, { name })
    return student
  }
  const move = (
    student: Client,
    code: string,
    what: object,
    attempt = 1,
  ): Promise<{ status: number; body: { play: { attempt: number; score: { right: number } }; code?: string } }> =>
    student.call('POST', `/play/${code}/moves`, { id: randomUUID(), attempt, move: what })

  it('is renamed, taken out and let back in, and goes on where it stood', async () => {
    const { teacher, id, code, students } = await shared()
    const student = await join(code, 'Amma')
    await move(student, code, { type: 'choose', choices: [0] })
    const { participantId } = (await students())[0]!
    await teacher.call('PATCH', `/links/${id}/participants/${participantId}`, { name: ' Ama \u0000' })
    expect((await student.call('GET', `/play/${code}`)).body.player.name).to.equal('Ama')
    await teacher.call('PATCH', `/links/${id}/participants/${participantId}`, { removed: true })
    for (const [method, path] of [
      ['GET', ''],
      ['POST', '/again'],
    ] as const)
      expect((await student.call(method, `/play/${code}${path}`)).body.code).to.equal('taken-out')
    expect((await move(student, code, { type: 'next' })).body.code).to.equal('taken-out')
    expect((await students()).map(({ name, removed }) => [name, removed])).to.deep.equal([['Ama', true]])
    expect((await teacher.call('GET', '/links')).body[0].players).to.equal(0)
    await teacher.call('PATCH', `/links/${id}/participants/${participantId}`, { removed: false })
    expect((await move(student, code, { type: 'next' })).status).to.equal(200)
  })

  it('comes back by name from another device once the teacher says so, and goes on where the play stood', async () => {
    const { teacher, id, code, students } = await shared()
    const lost = await join(code, 'Amina')
    await move(lost, code, { type: 'choose', choices: [0] })
    const [known] = await students()
    const back = new Client(server.url)
    const refused = await back.call('POST', `/play/${code}/join`, { name: ' amina ' })
    expect([refused.status, refused.body.code]).to.deep.equal([409, 'name-here'])
    const asked = await back.call('POST', `/play/${code}/join`, { name: 'Amina', same: 'back' })
    expect([asked.status, asked.body.player.waits, asked.body.play]).to.deep.equal([201, true, null])
    expect((await back.call('GET', `/play/${code}`)).body.play, 'nothing is told before the teacher’s word').to.equal(
      null,
    )
    expect((await move(back, code, { type: 'next' })).body.code).to.equal('waits')
    expect((await back.call('POST', `/play/${code}/again`, {})).body.code).to.equal('waits')
    const asking = (await students()).find(({ participantId }) => participantId !== known!.participantId)!
    expect([asking.waits, asking.attempts]).to.deep.equal([true, 0])
    const answer = (who: Client, same: boolean): Promise<{ status: number }> =>
      who.call('PUT', `/links/${id}/participants/${asking.participantId}/return`, { same })
    const { client: stranger } = await teacherWithList(server.url, [])
    expect((await answer(stranger, true)).status).to.equal(404)
    expect((await answer(teacher, true)).status).to.equal(204)
    expect((await answer(teacher, true)).status, 'it was answered').to.equal(404)
    const { body } = await back.call('GET', `/play/${code}`)
    expect([body.player.name, body.player.waits, body.play.moves]).to.deep.equal(['Amina', false, 1])
    expect((await move(back, code, { type: 'next' })).status).to.equal(200)
    expect((await students()).map(({ name, attempts }) => [name, attempts])).to.deep.equal([['Amina', 1]])
  })

  it('is told apart by a number where another has the name, and begins anew where the teacher says no', async () => {
    const { teacher, id, code, students } = await shared()
    await join(code, 'Bo')
    const other = new Client(server.url)
    expect((await other.call('POST', `/play/${code}/join`, { name: 'Bo', same: 'other' })).body.player.name).to.equal(
      'Bo 2',
    )
    const third = new Client(server.url)
    await third.call('POST', `/play/${code}/join`, { name: 'Bo', same: 'back' })
    const { participantId } = (await students()).find(({ waits }) => waits)!
    await teacher.call('PUT', `/links/${id}/participants/${participantId}/return`, { same: false })
    const { body } = await third.call('GET', `/play/${code}`)
    expect([body.player.name, body.play.moves]).to.deep.equal(['Bo 3', 0])
    expect((await students()).map(({ name }) => name)).to.deep.equal(['Bo', 'Bo 2', 'Bo 3'])
  })

  it('is brought in once by a request whose reply was lost, and known again in its own browser', async () => {
    const { code, students } = await shared()
    const requestId = randomUUID()
    const tokens = await Promise.all(
      Array.from({ length: 5 }, async () => {
        const device = new Client(server.url)
        const { status, body } = await device.call('POST', `/play/${code}/join`, {
          name: 'Ada',
          keep: 'page',
          requestId,
        })
        return [status, typeof body.token]
      }),
    )
    expect(tokens).to.deep.equal(Array.from({ length: 5 }, () => [201, 'string']))
    expect(await students()).to.have.length(1)
    const tablet = new Client(server.url)
    await tablet.call('GET', `/play/${code}`)
    await tablet.call('POST', `/play/${code}/join`, { name: 'Bo' })
    await move(tablet, code, { type: 'choose', choices: [0] })
    await tablet.call('POST', `/play/${code}/leave`, {})
    await tablet.call('POST', `/play/${code}/join`, { name: 'Cy' })
    await tablet.call('POST', `/play/${code}/leave`, {})
    const { body } = await tablet.call('POST', `/play/${code}/join`, { name: 'bo' })
    expect([body.player.name, body.play.moves], 'who left at this device goes on').to.deep.equal(['Bo', 1])
    expect((await tablet.call('POST', `/play/${code}/join`, { name: 'Bo', same: 'other' })).body.player.name).to.equal(
      'Bo 2',
    )
    expect(await students()).to.have.length(4)
  })

  it('of 20 who give one name at the same moment, one has it and all others are asked', async () => {
    const { code, students } = await shared()
    const replies = await Promise.all(
      Array.from({ length: 20 }, () => new Client(server.url).call('POST', `/play/${code}/join`, { name: 'Ada' })),
    )
    const statuses = replies.map(({ status }) => status)
    expect(
      [statuses.filter((status) => status === 201), statuses.filter((status) => status === 409)].map(
        ({ length }) => length,
      ),
    ).to.deep.equal([1, 19])
    expect(await students()).to.have.length(1)
  })

  it('is here while its page is open, whoever has merely joined is not', async () => {
    const { teacher, id, code } = await shared()
    const [open, away] = [await join(code, 'Ada'), await join(code, 'Bo')]
    expect((await open.call('POST', `/play/${code}/here`, {})).status).to.equal(204)
    const here = async (): Promise<unknown> =>
      (await teacher.call('GET', `/links/${id}/here`)).body.students.map((student: { name: string; here: boolean }) => [
        student.name,
        student.here,
      ])
    expect(await here()).to.deep.equal([
      ['Ada', true],
      ['Bo', false],
    ])
    await rows(server, "UPDATE participants SET here_at = here_at - interval '31 seconds' WHERE offer_id = $id", { id })
    await away.call('POST', `/play/${code}/here`, {})
    expect(await here()).to.deep.equal([
      ['Ada', false],
      ['Bo', true],
    ])
    expect((await new Client(server.url).call('POST', `/play/${code}/here`, {})).status).to.equal(401)
    const { client: stranger } = await teacherWithList(server.url, [])
    expect((await stranger.call('GET', `/links/${id}/here`)).status).to.equal(404)
  })

  it('hears at the end which answers to look at once more, and not before', async () => {
    const { code } = await shared('unscramble', { order: 'list' })
    const student = await join(code, 'Ada')
    expect((await student.call('GET', `/play/${code}`)).body.play.missed).to.equal(null)
    await move(student, code, { type: 'skip' })
    const { body } = await student.call('POST', `/play/${code}/moves`, {
      id: randomUUID(),
      attempt: 1,
      move: { type: 'finish' },
    })
    expect(body.play.missed).to.have.members(WORDS)
  })

  it('can’t join a link that is archived until that is opened again; what was done in it stays', async () => {
    const { teacher, id, code, students } = await shared()
    await join(code, 'Ada')
    const change = async (what: object): Promise<unknown> => {
      const { open, archived } = (await teacher.call('PATCH', `/links/${id}`, what)).body
      return [open, archived]
    }
    expect(await change({ archived: true })).to.deep.equal([false, true])
    expect((await new Client(server.url).call('POST', `/play/${code}/join`, { name: 'Bo' })).body.code).to.equal(
      'link-closed',
    )
    expect(await change({ name: 'old' })).to.deep.equal([false, true])
    expect(await students()).to.have.length(1)
    expect(await change({ archived: false })).to.deep.equal([false, false])
    expect(await change({ archived: true })).to.deep.equal([false, true])
    expect(await change({ open: true })).to.deep.equal([true, false])
  })

  it('gives no rude name, nor one that nobody sees', async () => {
    const { code, students } = await shared()
    const refused = async (name: string): Promise<string> =>
      (await new Client(server.url).call('POST', `/play/${code}/join`, { name })).body.code as string
    for (const name of ['shit', 'Big BITCH', 'f.u.c.k', 'Fück'])
      expect(await refused(name), name).to.equal('unkind-name')
    for (const name of ['', '   ', '\u200b\u2060', '\u0000']) expect(await refused(name), name).to.equal('too-little')
    for (const name of ['Fanny', 'Dick van Dyke', 'Peter Cox', 'Essex', 'Cassandra', 'שירה', '小明'])
      expect((await new Client(server.url).call('POST', `/play/${code}/join`, { name })).status, name).to.equal(201)
    expect(await students()).to.have.length(7)
  })

  it('is put together with another and parted again: attempts are counted as one person’s, and nothing is moved', async () => {
    const { teacher, id, code, students } = await shared('pairs', { pairs: 4 })
    const { couples, cards } = await puzzleOf<PairsPuzzle>(server, id)
    const find = async (student: Client, couple: number, attempt = 1): Promise<void> => {
      for (const [card] of [...cards.entries()].filter(([, one]) => one.couple === couple))
        await move(student, code, { type: 'turn', card }, attempt)
    }
    const phone = await join(code, 'Bo')
    await find(phone, 0)
    await move(phone, code, { type: 'finish' })
    const tablet = await join(code, 'Bo again')
    await find(tablet, 1)
    await find(tablet, 2)
    const [first, second] = await students()
    expect([first!.right, second!.right, couples.length >= 3]).to.deep.equal([1, 2, true])
    expect(
      (
        await teacher.call('PUT', `/links/${id}/participants/${second!.participantId}/merged`, {
          into: first!.participantId,
        })
      ).status,
    ).to.equal(204)
    expect(
      (
        await teacher.call('PUT', `/links/${id}/participants/${first!.participantId}/merged`, {
          into: second!.participantId,
        })
      ).status,
    ).to.equal(409)
    const [one, none] = await students()
    expect([one!.right, one!.attempts, one!.merged.map(({ participantId }) => participantId), none]).to.deep.equal([
      2,
      2,
      [second!.participantId],
      undefined,
    ])
    // Both devices are one person now: the attempt that goes on is the second one.
    expect((await phone.call('GET', `/play/${code}`)).body.play.attempt).to.equal(2)
    await find(phone, 0, 2)
    expect((await students())[0]!.right).to.equal(3)
    await teacher.call('PUT', `/links/${id}/participants/${second!.participantId}/merged`, { into: null })
    expect((await students()).map(({ right, attempts }) => [right, attempts])).to.deep.equal([
      [1, 1],
      [3, 1],
    ])
  })

  it('is put together with one who was put together before: all are one, and each can be parted again', async () => {
    const { teacher, id, code, students } = await shared('flashcards', {})
    for (const name of ['Ana', 'Ben', 'Cy']) {
      const student = await join(code, name)
      for (const what of [{ type: 'turn' }, { type: 'rate', knew: true }]) await move(student, code, what)
      await move(student, code, { type: 'finish' })
    }
    const ids = new Map((await students()).map(({ name, participantId }) => [name, participantId]))
    const merge = async (name: string, into: string | null): Promise<number> => {
      const path = `/links/${id}/participants/${ids.get(name)!}/merged`
      return (await teacher.call('PUT', path, { into: into && ids.get(into) })).status
    }
    const told = async (): Promise<unknown[]> =>
      (await students()).map(({ name, attempts, merged }) => [
        name,
        attempts,
        merged.map(({ participantId }) => [...ids].find(([, one]) => one === participantId)![0]).sort(),
      ])
    expect(await merge('Ben', 'Ana')).to.equal(204)
    expect(await merge('Ben', 'Ana'), 'said twice it is the same').to.equal(204)
    expect(await told()).to.deep.equal([
      ['Ana', 2, ['Ben']],
      ['Cy', 1, []],
    ])
    // Whoever was one with Ana goes along with her.
    expect(await merge('Ana', 'Cy')).to.equal(204)
    expect(await told()).to.deep.equal([['Cy', 3, ['Ana', 'Ben']]])
    // And who is put together with one of them is one with all.
    expect(await merge('Cy', 'Ben'), 'they are one already').to.equal(409)
    expect(await merge('Ben', null)).to.equal(204)
    expect(await told()).to.deep.equal([
      ['Ben', 1, []],
      ['Cy', 2, ['Ana']],
    ])
    expect(await merge('Ben', 'Ana')).to.equal(204)
    expect(await told()).to.deep.equal([['Cy', 3, ['Ana', 'Ben']]])
  })

  it('gets an attempt back: it counts no longer, and is begun anew', async () => {
    const { teacher, id, code, students } = await shared('flashcards', {})
    const student = await join(code, 'Cleo')
    for (const knew of [true, false])
      for (const what of [{ type: 'turn' }, { type: 'rate', knew }]) await move(student, code, what)
    await move(student, code, { type: 'finish' })
    await student.call('POST', `/play/${code}/again`)
    const { lastPlayId } = (await students())[0]!
    await teacher.call('POST', `/links/${id}/plays/${lastPlayId}/give-back`)
    expect((await students()).map(({ attempts, right }) => [attempts, right])).to.deep.equal([[1, 1]])
    const { body: results } = await teacher.call('GET', `/links/${id}/results`)
    await teacher.call('POST', `/links/${id}/plays/${(await students())[0]!.lastPlayId}/give-back`)
    expect((await students()).map(({ attempts, right }) => [attempts, right])).to.deep.equal([[0, 0]])
    const answered = (all: { questions: { right: number; wrong: number }[] }): number =>
      all.questions.reduce((sum, { right, wrong }) => sum + right + wrong, 0)
    expect([answered(results), answered((await teacher.call('GET', `/links/${id}/results`)).body)]).to.deep.equal([
      2, 0,
    ])
    expect((await student.call('GET', `/play/${code}`)).body.play).to.include({ attempt: 1, moves: 0 })
    for (const what of [{ type: 'turn' }, { type: 'rate', knew: true }]) await move(student, code, what)
    expect((await students())[0]!.right).to.equal(1)
  })

  it('is told by the best attempt, of equal ones by the first', async () => {
    const { code, students } = await shared('wordsearch', {})
    const student = await join(code, 'Hal')
    for (let attempt = 1; attempt <= 3; attempt++) {
      for (let item = 0; item < attempt; item++) await move(student, code, { type: 'hint', item }, attempt)
      await move(student, code, { type: 'finish' }, attempt)
      await student.call('POST', `/play/${code}/again`)
    }
    const [best] = (await students()) as (Student & { hints: number })[]
    expect([best!.attempts, best!.right, best!.hints]).to.deep.equal([4, 0, 1])
  })

  it('keeps the token in a page of its own where no cookie is taken', async () => {
    const { code } = await shared()
    const { status, body, headers } = await new Client(server.url).call('POST', `/play/${code}/join`, {
      name: 'Dee',
      keep: 'page',
    })
    expect([
      status,
      typeof body.token,
      headers.getSetCookie().some((line) => line.startsWith('otter_player')),
    ]).to.deep.equal([201, 'string', false])
    const reply = await new Client(server.url).call(
      'POST',
      `/play/${code}/moves`,
      { id: randomUUID(), attempt: 1, move: { type: 'choose', choices: [0] } },
      { 'X-Otter-Player': body.token },
    )
    expect([reply.status, reply.body.player.name]).to.deep.equal([200, 'Dee'])
    expect(
      (await new Client(server.url).call('POST', `/play/${code}/again`, {}, { 'X-Otter-Player': `${body.token}x` }))
        .status,
    ).to.equal(401)
  })

  it('is named in one table and nowhere else: not in any other, nor in what is logged', async () => {
    const marker = `Zephyrine${randomUUID().slice(0, 8)}`
    const { teacher, id, code, students } = await shared()
    const student = await join(code, marker)
    await move(student, code, { type: 'choose', choices: [0] })
    await move(student, code, { type: 'nonsense' })
    await student.call('POST', `/play/${code}/join`, { name: marker.repeat(5) })
    const { participantId } = (await students())[0]!
    await teacher.call('PATCH', `/links/${id}/participants/${participantId}`, { name: `${marker} II` })
    await teacher.call('GET', `/links/${id}/results.csv`)
    // A statement that fails in the database with the name among its values.
    await rows(server, "ALTER TABLE participants ADD CONSTRAINT no_such_name CHECK (name <> '') NOT VALID").catch(
      () => undefined,
    )
    await rows(server, `ALTER TABLE participants ADD CONSTRAINT refused CHECK (name NOT LIKE '%refused%')`)
    expect(
      (await new Client(server.url).call('POST', `/play/${code}/join`, { name: `refused ${marker}` })).status,
    ).to.equal(500)
    const holding = async (): Promise<string[]> => {
      const tables = await rows<{ name: string }>(
        server,
        `SELECT table_name AS name FROM information_schema.tables WHERE table_schema = 'public'`,
      )
      const found = await Promise.all(
        tables.map(async ({ name }) => ({
          name,
          rows: await rows(server, `SELECT 1 FROM "${name}" t WHERE t::text LIKE $like LIMIT 1`, {
            like: `%${marker}%`,
          }),
        })),
      )
      return found.filter((table) => table.rows.length > 0).map(({ name }) => name)
    }
    expect(await holding()).to.deep.equal(['participants'])
    expect(server.logged()).to.include('participants').and.not.include(marker)
    expect((await teacher.call('DELETE', `/links/${id}/participants/${participantId}`)).status).to.equal(204)
    expect(await holding()).to.deep.equal([])
    expect(
      await rows(server, 'SELECT 1 FROM plays y JOIN offers o ON o.id = y.offer_id WHERE o.id = $id', { id }),
    ).to.deep.equal([])
  })

  it('plays on after weeks: time away does not count, and no number grows out of its column', async () => {
    const { id, code, students } = await shared('quiz', { order: 'list', seconds: 0 })
    const student = await join(code, 'Eli')
    await rows(
      server,
      `UPDATE plays SET moved_at = now() - interval '400 days', started_at = now() - interval '400 days'
        WHERE offer_id = $id`,
      { id },
    )
    expect((await move(student, code, { type: 'choose', choices: [0] })).status).to.equal(200)
    expect((await students())[0]!.milliseconds).to.equal(60_000)
    await rows(server, 'UPDATE plays SET milliseconds = 999999000 WHERE offer_id = $id', { id })
    for (const what of [{ type: 'next' }, { type: 'choose', choices: [0] }, { type: 'next' }])
      expect((await move(student, code, what)).status).to.equal(200)
  })

  it('is told of changes only where there are some', async () => {
    const { teacher, id, code, students } = await shared()
    const student = await join(code, 'Fay')
    const tag = async (): Promise<string> =>
      (await teacher.call('GET', `/links/${id}/results`)).headers.get('ETag') ?? ''
    const same = async (known: string): Promise<number> =>
      (await teacher.call('GET', `/links/${id}/results`, undefined, { 'If-None-Match': known })).status
    let known = await tag()
    expect(await same(known)).to.equal(304)
    const { participantId } = (await students())[0]!
    const changes: (() => Promise<unknown>)[] = [
      () => move(student, code, { type: 'choose', choices: [0] }),
      () => join(code, 'Gil'),
      () => teacher.call('PATCH', `/links/${id}/participants/${participantId}`, { name: 'Faye' }),
      () => teacher.call('PATCH', `/links/${id}`, { open: false }),
    ]
    for (const change of changes) {
      await change()
      expect(await same(known)).to.equal(200)
      known = await tag()
      expect(await same(known)).to.equal(304)
    }
  })
})
