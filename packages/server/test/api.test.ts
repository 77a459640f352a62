import { randomUUID } from 'node:crypto'
import type { WordSearchPuzzle } from '@otter/core/games/wordsearch'
import { expect } from 'chai'
import { Client, fileOf, puzzleOf, startTestServer, teacherWithList, WORDS, type TestServer } from './testServer.ts'

describe('the API', () => {
  let server: TestServer
  before(async () => {
    server = await startTestServer()
  })
  after(() => server.close())

  const markOf = ({ words }: WordSearchPuzzle, index: number): object => {
    const { row, col, dRow, dCol, length } = words[index]!
    return { type: 'mark', from: { row, col }, to: { row: row + dRow * (length - 1), col: col + dCol * (length - 1) } }
  }

  it('signs up, in and out, and tells nobody which of address and password was wrong', async () => {
    const client = new Client(server.url)
    const account = { name: 'Ada', email: 'Ada@School.example', password: 'correct horse' }
    expect((await client.call('POST', '/teachers', account)).status).to.equal(201)
    expect((await client.call('POST', '/teachers', account)).body.path).to.equal('email')
    expect((await client.call('GET', '/session')).body.teacher.email).to.equal('ada@school.example')
    expect((await client.call('DELETE', '/session')).status).to.equal(204)
    expect((await client.call('GET', '/session')).body.teacher).to.equal(null)
    const wrong = await client.call('POST', '/session', { email: 'ada@school.example', password: 'wrong' })
    const unknown = await client.call('POST', '/session', { email: 'eve@school.example', password: 'wrong' })
    expect([wrong.status, wrong.text]).to.deep.equal([unknown.status, unknown.text])
    expect(
      (await client.call('POST', '/session', { email: 'ada@school.example', password: 'correct horse' })).status,
    ).to.equal(200)
    const stored = await server.database.teachers.findOne({
      where: { email: 'ada@school.example' },
      rejectOnEmpty: true,
    })
    expect(stored.passwordHash).to.match(/^scrypt\$1024\$/)
    expect((await client.call('POST', '/session/sample')).status).to.equal(404)
  })

  it('slows down who guesses passwords, and refuses changes that another site asks for', async () => {
    const client = new Client(server.url)
    const tries = []
    for (let index = 0; index < 12; index++)
      tries.push((await client.call('POST', '/session', { email: 'x@y.example', password: 'p' })).status)
    expect(tries.filter((status) => status === 429)).to.have.length(2)
    for (const [name, value] of [
      ['Sec-Fetch-Site', 'cross-site'],
      ['Sec-Fetch-Site', 'same-site'],
      ['Origin', 'https://evil.example'],
    ] as const) {
      expect((await client.call('POST', '/lists', {}, { [name]: value })).status).to.equal(403)
    }
  })

  it('saves what changed, refuses what is outdated, and keeps entries in order', async () => {
    const { client, listId } = await teacherWithList(server.url, WORDS)
    const { body: list } = await client.call('GET', `/lists/${listId}`)
    expect(list.entries.map((entry: { answer: { text: string } }) => entry.answer.text)).to.deep.equal(WORDS)
    const [first, second] = list.entries
    const put = [
      { ...first, answer: { text: 'smoke\u0000r\ud800' } },
      { id: randomUUID(), position: 1.5, answer: { text: 'hive' }, prompt: { text: '' } },
    ]
    expect(
      (await client.call('PATCH', `/lists/${listId}`, { version: list.version, put, remove: [second.id], title: '🐝' }))
        .body,
    ).to.deep.equal({ version: list.version + 1 })
    expect((await client.call('PATCH', `/lists/${listId}`, { version: list.version, title: 'late' })).status).to.equal(
      409,
    )
    const { body: after } = await client.call('GET', `/lists/${listId}`)
    expect(after.title).to.equal('🐝')
    expect(after.entries.slice(0, 3).map((entry: { answer: { text: string } }) => entry.answer.text)).to.deep.equal([
      'smoker\ufffd',
      'hive',
      'brood',
    ])
  })

  it('shares a list, lets students play, resume and play again, and counts a repeated move once', async () => {
    const { client, listId } = await teacherWithList(server.url, WORDS)
    const request = { kind: 'wordsearch', options: {}, seed: '7' }
    const { body: link } = await client.call('POST', `/lists/${listId}/links`, request)
    expect((await client.call('POST', `/lists/${listId}/links`, { ...request, name: 'Tuesday group' })).body)
      .to.include({ name: 'Tuesday group' })
      .and.not.include({ code: link.code })
    const puzzle = await puzzleOf<WordSearchPuzzle>(server, link.id)
    const student = new Client(server.url)
    const path = `/play/${link.code.toLowerCase()}`
    expect((await student.call('GET', path)).body).to.include({ player: null, play: null, open: true, title: 'Words' })
    const joined = await new Client(server.url).call('POST', `/play/${link.code}/join`, { name: '  =1+1\u200b ' })
    expect(joined.body.player.name).to.equal('=1+1')
    expect(
      (await student.call('POST', path + '/moves', { attempt: 1, after: 0, move: markOf(puzzle, 0) })).body.code,
    ).to.equal('who-are-you')
    await student.call('POST', path + '/join', { name: 'Ama' })
    for (let repeat = 0; repeat < 2; repeat++) {
      const { body } = await student.call('POST', path + '/moves', { attempt: 1, after: 0, move: markOf(puzzle, 0) })
      expect(body.play).to.deep.include({ moves: 1 })
      expect(body.play.score.right).to.equal(1)
    }
    await student.call('POST', path + '/moves', { attempt: 1, after: 1, move: { type: 'hint', item: 1 } })
    expect((await student.call('POST', path + '/again')).body.play.attempt).to.equal(1)
    await student.call('POST', path + '/moves', { attempt: 1, after: 2, move: { type: 'finish' } })
    expect((await student.call('POST', path + '/again')).body.play).to.deep.include({ attempt: 2, moves: 0 })
    await student.call('POST', path + '/moves', { attempt: 2, after: 0, move: { type: 'finish' } })

    const { body: results } = await client.call('GET', `/links/${link.id}/results`)
    expect(
      results.participants.map(({ name, right, firstRight, total, hints, attempts }: Record<string, unknown>) => ({
        name,
        right,
        firstRight,
        total,
        hints,
        attempts,
      })),
    ).to.deep.equal([
      { name: '=1+1', right: 0, firstRight: 0, total: 10, hints: 0, attempts: 1 },
      { name: 'Ama', right: 1, firstRight: 1, total: 10, hints: 1, attempts: 2 },
    ])
    expect(
      results.questions.filter(({ right }: { right: number }) => right === 1).map(({ text }: { text: string }) => text),
    ).to.deep.equal([puzzle.words[0]!.text])
    const csv = await client.call('GET', `/links/${link.id}/results.csv`)
    expect(csv.text.split('\r\n')[1]).to.match(/^"'=1\+1",0,0,10,/)

    await client.call('PATCH', `/links/${link.id}`, { open: false })
    expect((await student.call('POST', path + '/again')).body.code).to.equal('link-closed')
    expect((await new Client(server.url).call('POST', path + '/join', { name: 'Late' })).status).to.equal(403)
    expect((await client.call('PATCH', `/links/${link.id}`, { open: true })).body.open).to.equal(true)
    expect((await new Client(server.url).call('POST', path + '/join', { name: 'Late' })).status).to.equal(201)
  })

  it('tells a student no position of a word not yet found, in anything it sends', async () => {
    const { client, listId } = await teacherWithList(server.url, WORDS)
    const { body: link } = await client.call('POST', `/lists/${listId}/links`, {
      kind: 'wordsearch',
      options: { show: 'clues', directions: 8 },
      seed: 'secret',
    })
    const puzzle = await puzzleOf<WordSearchPuzzle>(server, link.id)
    const student = new Client(server.url)
    const replies = [await student.call('POST', `/play/${link.code}/join`, { name: 'Spy' })]
    for (let index = 0; index < 4; index++)
      replies.push(
        await student.call('POST', `/play/${link.code}/moves`, {
          attempt: 1,
          after: index,
          move: markOf(puzzle, index),
        }),
      )
    replies.push(await student.call('GET', `/play/${link.code}`))
    replies.forEach(({ text, body }, index) => {
      const foundSoFar = Math.min(index, 4)
      const { rows, items, ...rest } = body.play.view
      expect(rows).to.deep.equal(puzzle.rows)
      items.forEach((item: { found: unknown; hint: unknown }, word: number) => {
        const { text: answer, row, col } = puzzle.words[word]!
        if (word < foundSoFar) expect(item.found).to.deep.include({ text: answer, row, col })
        else expect(item).to.include({ found: null, hint: null })
      })
      const open = JSON.stringify([rest, items.slice(foundSoFar), body.play.score, body.player, body.title])
      expect(open).not.to.match(/"(row|col|dRow|dCol|seed|words|puzzle|entryId)"/)
      for (const { text: answer, entryId } of puzzle.words.slice(foundSoFar)) {
        expect(open).not.to.include(answer)
        expect(text).not.to.include(entryId)
      }
    })
  })

  it("lets no teacher read or change what is another's, on any route, and nobody in who is not signed in", async () => {
    const { client: owner, listId } = await teacherWithList(server.url, WORDS)
    const { body: link } = await owner.call('POST', `/lists/${listId}/links`, { kind: 'wordsearch', seed: '1' })
    await new Client(server.url).call('POST', `/play/${link.code}/join`, { name: 'Ama' })
    const {
      body: {
        participants: [{ participantId, lastPlayId }],
        questions: [{ entryId }],
      },
    } = await owner.call('GET', `/links/${link.id}/results`)
    const { client: other } = await teacherWithList(server.url, ['otter'])
    const routes: [string, string, unknown?][] = [
      ['GET', `/lists/${listId}`],
      ['PATCH', `/lists/${listId}`, { version: 1, title: 'mine' }],
      ['DELETE', `/lists/${listId}`],
      ['GET', `/lists/${listId}/links`],
      ['POST', `/lists/${listId}/links`, { kind: 'wordsearch', seed: '1' }],
      ['POST', `/lists/${listId}/sheets`, { kind: 'wordsearch', seed: '1' }],
      ['GET', `/lists/${listId}/version`],
      ['POST', `/lists/${listId}/duplicate`],
      ['PUT', `/lists/${listId}/archived`, { archived: true }],
      ['PATCH', `/links/${link.id}`, { open: false }],
      ['POST', `/links/${link.id}/renew`],
      ['GET', `/links/${link.id}/results`],
      ['GET', `/links/${link.id}/results.csv`],
      ['DELETE', `/links/${link.id}`],
      ['GET', `/links/${link.id}/questions/${entryId}`],
      ['PATCH', `/links/${link.id}/participants/${participantId}`, { name: 'mine' }],
      ['PUT', `/links/${link.id}/participants/${participantId}/merged`, { into: null }],
      ['DELETE', `/links/${link.id}/participants/${participantId}`],
      ['POST', `/links/${link.id}/plays/${lastPlayId}/give-back`],
    ]
    const before = await owner.call('GET', `/lists/${listId}`)
    for (const [method, path, body] of routes) {
      const reply = await other.call(method, path, body)
      expect(reply.status, `${method} ${path}`).to.equal(404)
      expect((await new Client(server.url).call(method, path, body)).status, `${method} ${path}`).to.equal(401)
    }
    // Nor by a link of one's own: what is under it must be under it.
    const {
      body: { id: foreignList },
    } = await other.call('POST', '/lists', { title: 'x' })
    await other.call('PATCH', `/lists/${foreignList}`, {
      version: 0,
      put: [{ id: randomUUID(), position: 1, answer: { text: 'otter' }, prompt: { text: 'swims' } }],
    })
    const { body: bridge } = await other.call('POST', `/lists/${foreignList}/links`, { kind: 'flashcards', seed: '1' })
    for (const [method, path, body] of [
      ['PATCH', `participants/${participantId}`, { name: 'mine' }],
      ['PUT', `participants/${participantId}/merged`, { into: participantId }],
      ['DELETE', `participants/${participantId}`],
      ['POST', `plays/${lastPlayId}/give-back`],
    ] as const) {
      expect((await other.call(method, `/links/${bridge.id}/${path}`, body)).status, `${method} ${path}`).to.equal(404)
    }
    for (const path of ['/lists', '/session', '/links'])
      expect((await other.call('GET', path)).text).not.to.include(listId)
    const { body: own } = await other.call('POST', '/lists', { title: 'thief' })
    const stolen = await other.call('PATCH', `/lists/${own.id}`, {
      version: 0,
      put: [{ ...before.body.entries[0], answer: { text: 'mine' } }],
    })
    expect(stolen.status).to.equal(409)
    expect((await owner.call('GET', `/lists/${listId}`)).text).to.equal(before.text)
    const { body: results } = await owner.call('GET', `/links/${link.id}/results`)
    expect([results.offer.open, results.participants[0].name, results.participants[0].attempts]).to.deep.equal([
      true,
      'Ama',
      1,
    ])
  })

  it('answers bad input clearly, and never with a 500', async () => {
    const { client, listId } = await teacherWithList(server.url, ['otter'])
    const entry = (answer: unknown): object => ({
      version: 1,
      put: [{ id: randomUUID(), position: 9, answer, prompt: { text: '' } }],
    })
    const bodies: [string, string, unknown][] = [
      ['POST', '/session', '{"email": '],
      ['POST', '/session', 'null'],
      ['POST', '/session', '[]'],
      ['POST', '/teachers', { name: 'x', email: 'no', password: 'short' }],
      ['PATCH', `/lists/${listId}`, {}],
      ['PATCH', `/lists/${listId}`, entry({ text: 7 })],
      ['PATCH', `/lists/${listId}`, entry({ text: 'x'.repeat(3000) })],
      ['PATCH', `/lists/${listId}`, { version: 1, put: [{ id: 'x', position: 'y' }] }],
      ['GET', '/lists/nonsense', undefined],
      ['GET', "/lists/' OR 1=1 --", undefined],
      ['POST', `/lists/${listId}/links`, { kind: 'poker', seed: '1' }],
      ['POST', `/lists/${listId}/links`, { kind: 'wordsearch', seed: '1', options: { rows: 1e9 } }],
      [
        'POST',
        `/lists/${listId}/links`,
        { kind: 'wordsearch', seed: '1', options: { size: 'chosen', rows: 20, cols: 20, message: 'hi' } },
      ],
      ['POST', `/lists/${listId}/sheets`, { kind: 'wordsearch', seed: '1', versions: 31 }],
      ['GET', '/play/NOSUCH', undefined],
      ['POST', '/play/%00/join', { name: 'x' }],
      ['POST', '/play/NOSUCH/moves', { attempt: 1, after: 0, move: {} }],
      ['POST', '/lists', `{"title": "${'x'.repeat(10_000_000)}"}`],
    ]
    for (const [method, path, body] of bodies) {
      const reply = await client.call(method, path, body)
      expect(reply.status, `${method} ${path} ${JSON.stringify(body)?.slice(0, 80)}`).to.be.within(400, 499)
      expect(reply.type).to.include('application/problem+json')
      expect(reply.body.title)
        .to.be.a('string')
        .and.not.match(/error|undefined|expected|invalid/i)
    }
    const strange = ['👩‍👩‍👧 family', '\u200b\u200e\u0007', '\u202eabc', 'e\u0301'.repeat(50), '🐝🐝🐝', ' ']
    const put = strange.map((text, index) => ({
      id: randomUUID(),
      position: index,
      answer: { text },
      prompt: { text },
    }))
    expect((await client.call('PATCH', `/lists/${listId}`, { version: 1, put })).status).to.equal(200)
    const { status, body } = await client.call('POST', `/lists/${listId}/links`, { kind: 'wordsearch', seed: '👩‍👩‍👧' })
    expect([status, body.players]).to.deep.equal([201, 0])
  })

  it('takes 5,000 rows in one save, and asks the database as often for many rows as for one', async () => {
    const { client, listId } = await teacherWithList(server.url, [])
    const put = Array.from({ length: 5000 }, (_, index) => ({
      id: randomUUID(),
      position: index,
      answer: { text: `word ${index}` },
      prompt: { text: `meaning ${index}` },
    }))
    expect((await client.call('PATCH', `/lists/${listId}`, { version: 1, put })).status).to.equal(200)
    expect(
      (await client.call('PATCH', `/lists/${listId}`, { version: 2, put: [{ ...put[0], id: randomUUID() }] })).status,
    ).to.equal(400)
    const { client: small, listId: smallId } = await teacherWithList(server.url, ['otter'])
    const count = async (who: Client, paths: string[]): Promise<number> => {
      server.queries.length = 0
      for (const path of paths) await who.call('GET', path)
      // The timekeeper asks in between.
      return server.queries.filter((sql) => !/START TRANSACTION|COMMIT|due_at/u.test(sql)).length
    }
    const { body: one } = await small.call('POST', `/lists/${smallId}/links`, { kind: 'wordsearch', seed: '1' })
    const { body: many } = await client.call('POST', `/lists/${listId}/links`, { kind: 'wordsearch', seed: '1' })
    for (let index = 0; index < 8; index++)
      await new Client(server.url).call('POST', `/play/${many.code}/join`, { name: `student ${index}` })
    await new Client(server.url).call('POST', `/play/${one.code}/join`, { name: 'student' })
    const routes = (list: string, link: string): string[] => [
      '/lists',
      `/lists/${list}`,
      `/lists/${list}/links`,
      `/links/${link}/results`,
    ]
    expect(await count(client, routes(listId, many.id))).to.equal(await count(small, routes(smallId, one.id)))
  }).timeout(300_000)

  it('packs large replies for who can unpack them, and sends small ones as they are', async () => {
    const { client, listId } = await teacherWithList(
      server.url,
      Array.from({ length: 60 }, (_, index) => `word ${index}`),
    )
    const packed = async (path: string, encoding: string): Promise<string | null> =>
      (await client.call('GET', path, undefined, { 'Accept-Encoding': encoding })).headers.get('content-encoding')
    expect([
      await packed(`/lists/${listId}`, 'gzip, br'),
      await packed(`/lists/${listId}`, 'identity'),
      await packed(`/lists/${listId}/version`, 'gzip, br'),
    ]).to.deep.equal(['br', null, null])
  })

  it('prints versions and their keys as a PDF', async () => {
    const { client, listId } = await teacherWithList(server.url, WORDS)
    const queued = await client.call('POST', `/lists/${listId}/sheets`, {
      kind: 'wordsearch',
      seed: '1',
      versions: 3,
      code: 'KFTW73',
    })
    expect(queued.status).to.equal(202)
    const { status, type, text } = await fileOf(client, queued)
    expect([status, type]).to.deep.equal([200, 'application/pdf'])
    expect(text.slice(0, 5)).to.equal('%PDF-')
    expect(text.match(/\/Type \/Page\b/g)).to.have.length(6)
  }).timeout(300_000)
})
