import { randomUUID } from 'node:crypto'
import { GAME_KINDS, gameOf, PLAIN_CONTEXT, randomFrom } from '@otter/core'
import { type BingoPuzzle } from '@otter/core/games/bingo'
import { type WordSearchPuzzle } from '@otter/core/games/wordsearch'
import { expect } from 'chai'
import { yardsticks } from '../../core/test/yardsticks.ts'
import {
  Client,
  fileOf,
  puzzleOf,
  rows,
  startTestServer,
  teacherWithList,
  WORDS,
  type Reply,
  type TestServer,
} from './testServer.ts'

const together = <Value>(count: number, one: (index: number) => Promise<Value>): Promise<Value[]> =>
  Promise.all(Array.from({ length: count }, (_, index) => one(index)))
const statuses = (replies: readonly Reply[]): number[] => [...new Set(replies.map(({ status }) => status))]

describe('Many at the same instant', () => {
  let server: TestServer
  before(async () => {
    // With two connections, a request that held one and asked for another would soon wait for ever.
    server = await startTestServer({ connections: 2 })
  })
  after(() => server.close())

  async function shared(
    kind: string,
    options: object = {},
  ): Promise<{ teacher: Client; listId: string; id: string; code: string }> {
    const { client, listId } = await teacherWithList(server.url, WORDS)
    const { body } = await client.call('POST', `/lists/${listId}/links`, { kind, seed: '3', options })
    return { teacher: client, listId, id: body.id, code: body.code }
  }

  async function joined(code: string, count: number): Promise<Client[]> {
    const students = await together(count, () => Promise.resolve(new Client(server.url)))
    expect(
      statuses(
        await Promise.all(
          students.map((student, index) => student.call('POST', `/play/${code}/join`, { name: `Student ${index}` })),
        ),
      ),
    ).to.deep.equal([201])
    return students
  }

  it('35 students make three rounds of moves at the same moment: all are taken, each counts once', async () => {
    const { id, code, teacher } = await shared('wordsearch')
    const { words } = await puzzleOf<WordSearchPuzzle>(server, id)
    const students = await joined(code, 35)
    for (let round = 0; round < 3; round++) {
      const { row, col, dRow, dCol, length } = words[round]!
      const move = {
        type: 'mark',
        from: { row, col },
        to: { row: row + dRow * (length - 1), col: col + dCol * (length - 1) },
      }
      const work = yardsticks()
      const replies = await Promise.all(
        students.map((student) => student.call('POST', `/play/${code}/moves`, { id: randomUUID(), attempt: 1, move })),
      )
      expect(statuses(replies)).to.deep.equal([200])
      expect(work()).to.be.below(150)
      expect(replies.every(({ body }) => body.play.score.right === round + 1 && body.fate === 'taken')).to.equal(true)
    }
    const { body: results } = await teacher.call('GET', `/links/${id}/results`)
    expect(new Set(results.participants.map(({ right }: { right: number }) => right))).to.deep.equal(new Set([3]))
    expect(results.questions.map(({ right }: { right: number }) => right).sort()).to.deep.equal(
      [...Array(7).fill(0), ...Array(3).fill(35)].sort(),
    )
  }).timeout(60_000)

  it('50 join one bingo at once: each has a seat and a card of their own', async () => {
    const { id, code } = await shared('bingo', { size: 3, cards: 60 })
    await joined(code, 50)
    const seats = await rows<{ seat: number; card: number }>(
      server,
      `SELECT p.seat, (y.state ->> 'card')::int AS card FROM participants p JOIN plays y ON y.participant_id = p.id
        WHERE p.offer_id = $id ORDER BY p.seat`,
      { id },
    )
    expect(seats.map(({ seat }) => seat)).to.deep.equal(Array.from({ length: 50 }, (_, index) => index + 1))
    expect(new Set(seats.map(({ card }) => card)).size).to.equal(50)
    const { cards } = await puzzleOf<BingoPuzzle>(server, id)
    expect(cards).to.have.length(60)
  }).timeout(60_000)

  it('one move sent five times, from two tabs, counts once; two different ones both count', async () => {
    const { id, code } = await shared('wordsearch')
    const { words } = await puzzleOf<WordSearchPuzzle>(server, id)
    const mark = (index: number): object => {
      const { row, col, dRow, dCol, length } = words[index]!
      return {
        type: 'mark',
        from: { row, col },
        to: { row: row + dRow * (length - 1), col: col + dCol * (length - 1) },
      }
    }
    const student = (await joined(code, 1))[0]!
    const moveId = randomUUID()
    const same = await together(5, () =>
      student.call('POST', `/play/${code}/moves`, { id: moveId, attempt: 1, move: mark(0) }),
    )
    expect(same.map(({ body }) => body.fate).sort()).to.deep.equal([
      'repeated',
      'repeated',
      'repeated',
      'repeated',
      'taken',
    ])
    // Both tabs say that they come after one move, as both have seen it.
    const tabs = await together(2, (index) =>
      student.call('POST', `/play/${code}/moves`, { id: randomUUID(), attempt: 1, after: 1, move: mark(index + 1) }),
    )
    expect(tabs.map(({ body }) => body.fate)).to.deep.equal(['taken', 'taken'])
    expect((await student.call('GET', `/play/${code}`)).body.play)
      .to.include({ moves: 3 })
      .and.have.nested.property('score.right', 3)
    const { kept } = (
      await rows<{ kept: number }>(
        server,
        'SELECT count(*)::int AS kept FROM responses r JOIN plays y ON y.id = r.play_id WHERE y.offer_id = $id',
        { id },
      )
    )[0]!
    expect(kept).to.equal(3)
  })

  it('a move made for what has passed is kept and told, and changes nothing', async () => {
    const { id, code } = await shared('quiz', { order: 'list' })
    const student = (await joined(code, 1))[0]!
    const {
      body: { play: first },
    } = await student.call('GET', `/play/${code}`)
    const choose = { type: 'choose', choices: [0] }
    const both = await together(2, () =>
      student.call('POST', `/play/${code}/moves`, { id: randomUUID(), attempt: 1, for: first.moment, move: choose }),
    )
    expect(both.map(({ body }) => body.fate).sort()).to.deep.equal(['passed', 'taken'])
    const { body: told } = await student.call('GET', `/play/${code}`)
    const next = await together(3, () =>
      student.call('POST', `/play/${code}/moves`, {
        id: randomUUID(),
        attempt: 1,
        for: told.play.moment,
        move: { type: 'next' },
      }),
    )
    expect(next.map(({ body }) => body.fate).sort()).to.deep.equal(['passed', 'passed', 'taken'])
    const late = await student.call('POST', `/play/${code}/moves`, {
      id: randomUUID(),
      attempt: 1,
      for: first.moment,
      move: choose,
    })
    expect([late.body.fate, late.body.play.view.question.number]).to.deep.equal(['passed', 2])
    const { fates } = (
      await rows<{ fates: string[] }>(
        server,
        `SELECT array_agg(m.fate ORDER BY m.number) AS fates FROM moves m JOIN plays y ON y.id = m.play_id
        WHERE y.offer_id = $id`,
        { id },
      )
    )[0]!
    expect(fates.filter((fate) => fate === 'passed')).to.have.length(4)
    await student.call('POST', `/play/${code}/moves`, { id: randomUUID(), attempt: 1, move: { type: 'finish' } })
    await student.call('POST', `/play/${code}/again`)
    const past = await student.call('POST', `/play/${code}/moves`, { id: randomUUID(), attempt: 1, move: choose })
    expect([past.body.fate, past.body.play.attempt]).to.deep.equal(['passed', 2])
  })

  it('again and again begins one attempt, renew and renew makes one version, of the words as they are', async () => {
    const { teacher, listId, id, code } = await shared('flashcards')
    const student = (await joined(code, 1))[0]!
    await student.call('POST', `/play/${code}/moves`, { id: randomUUID(), attempt: 1, move: { type: 'finish' } })
    const again = await together(8, () => student.call('POST', `/play/${code}/again`))
    expect([statuses(again), new Set(again.map(({ body }) => body.play.attempt))]).to.deep.equal([[200], new Set([2])])
    const { body: list } = await teacher.call('GET', `/lists/${listId}`)
    const renewed = await together(6, async (index) => {
      if (index === 3)
        await teacher.call('PATCH', `/lists/${listId}`, {
          version: list.version,
          put: [{ ...list.entries[0], answer: { text: 'changed meanwhile' } }],
        })
      return teacher.call('POST', `/links/${id}/renew`)
    })
    expect(statuses(renewed)).to.deep.equal([200])
    expect((await teacher.call('POST', `/links/${id}/renew`)).body.outdated).to.equal(false)
    const versions = await rows<{ fingerprint: string; latest: boolean; first: string }>(
      server,
      `SELECT v.fingerprint, m.offer_id IS NOT NULL AS latest, v.puzzle -> 'cards' -> 0 -> 'back' ->> 'text' AS first
      FROM game_versions v LEFT JOIN offer_games m ON m.game_version_id = v.id WHERE v.game_id = (SELECT w.game_id
        FROM offer_games n JOIN game_versions w ON w.id = n.game_version_id WHERE n.offer_id = $id)`,
      { id },
    )
    expect(new Set(versions.map(({ fingerprint }) => fingerprint)).size).to.equal(versions.length)
    expect(versions.filter(({ latest }) => latest).map(({ first }) => first)).to.deep.equal(['changed meanwhile'])
  }).timeout(60_000)

  it('share and share makes one version of the game, and one link for each request', async () => {
    const { client, listId } = await teacherWithList(server.url, WORDS)
    const requestId = randomUUID()
    const doubled = await together(6, () =>
      client.call('POST', `/lists/${listId}/links`, { kind: 'wordsearch', seed: '5', requestId }),
    )
    expect([statuses(doubled), new Set(doubled.map(({ body }) => body.code)).size]).to.deep.equal([[201], 1])
    const others = await together(6, (index) =>
      client.call('POST', `/lists/${listId}/links`, { kind: 'wordsearch', seed: '5', name: `Group ${index}` }),
    )
    expect(new Set(others.map(({ body }) => body.code)).size).to.equal(6)
    const { versions, offers } = (
      await rows<{ versions: number; offers: number }>(
        server,
        `SELECT count(DISTINCT v.id)::int AS versions, count(DISTINCT m.offer_id)::int AS offers
      FROM games g JOIN game_versions v ON v.game_id = g.id JOIN offer_games m ON m.game_version_id = v.id
        WHERE g.list_id = $listId`,
        { listId },
      )
    )[0]!
    expect({ versions, offers }).to.deep.equal({ versions: 1, offers: 7 })
  }).timeout(60_000)

  it('links are made and deleted of one game at the same moment, and nobody meets a half of one', async () => {
    const { client, listId } = await teacherWithList(server.url, WORDS)
    const request = { kind: 'wordsearch', seed: '9' }
    const offers = [(await client.call('POST', `/lists/${listId}/links`, request)).body.id as string]
    for (let round = 0; round < 12; round++) {
      const [made, deleted] = await Promise.all([
        client.call('POST', `/lists/${listId}/links`, request),
        client.call('DELETE', `/links/${offers.pop()}`),
      ])
      expect([made.status, deleted.status], made.text + deleted.text).to.deep.equal([201, 204])
      offers.push(made.body.id as string)
    }
    expect((await client.call('GET', `/lists/${listId}/links`)).body).to.have.length(1)
  }).timeout(60_000)

  it('two saves of one version: one is kept, the other is told; two sign-ups with one address make one account', async () => {
    const { client, listId } = await teacherWithList(server.url, WORDS)
    const saves = await together(6, (index) =>
      client.call('PATCH', `/lists/${listId}`, { version: 1, title: `Title ${index}` }),
    )
    expect(saves.map(({ status }) => status).sort()).to.deep.equal([200, 409, 409, 409, 409, 409])
    const entryId = randomUUID()
    const lists = await together(4, () => client.call('POST', '/lists', {}))
    const stolen = await Promise.all(
      lists.map(({ body }) =>
        client.call('PATCH', `/lists/${body.id}`, {
          version: 0,
          put: [{ id: entryId, position: 1, answer: { text: 'x' }, prompt: { text: '' } }],
        }),
      ),
    )
    expect(stolen.map(({ status }) => status).sort()).to.deep.equal([200, 409, 409, 409])
    const email = `${randomUUID()}@school.example`
    const accounts = await together(5, () =>
      new Client(server.url).call('POST', '/teachers', { name: 'Twin', email, password: 'long otter tails' }),
    )
    expect(accounts.map(({ status }) => status).sort()).to.deep.equal([201, 409, 409, 409, 409])
  }).timeout(60_000)

  it('35 requests at once on every route are answered, none with a 500', async () => {
    const { teacher, listId, id, code } = await shared('quiz')
    const students = await joined(code, 4)
    const { body: list } = await teacher.call('GET', `/lists/${listId}`)
    const {
      body: {
        participants: [{ participantId, lastPlayId }],
        questions: [{ entryId }],
      },
    } = await teacher.call('GET', `/links/${id}/results`)
    const { body: medium } = await teacher.call('POST', '/media/gallery', { set: 'flat', name: 'otter' })
    const job = await teacher.call('POST', `/lists/${listId}/sheets`, { kind: 'quiz', seed: '1' })
    await fileOf(teacher, job)
    const student = students[0]!
    const routes: [Client, string, string, unknown?][] = [
      [teacher, 'GET', '/session'],
      [teacher, 'PATCH', '/session', { name: 'Ines' }],
      [teacher, 'PUT', '/account/email', { email: 'another@school.example', password: 'a long password' }],
      [teacher, 'DELETE', '/account/sessions'],
      [teacher, 'GET', '/account/archive'],
      [new Client(server.url), 'POST', '/password-resets', { email: 'another@school.example' }],
      [teacher, 'GET', '/lists'],
      [teacher, 'POST', '/lists', {}],
      [teacher, 'GET', `/lists/${listId}`],
      [teacher, 'PATCH', `/lists/${listId}`, { version: list.version }],
      [teacher, 'GET', `/lists/${listId}/version`],
      [teacher, 'POST', `/lists/${listId}/duplicate`],
      [teacher, 'PUT', `/lists/${listId}/archived`, { archived: false }],
      [teacher, 'GET', `/lists/${listId}/links`],
      [teacher, 'GET', '/links'],
      [teacher, 'PATCH', `/links/${id}`, { open: true }],
      [teacher, 'POST', `/links/${id}/renew`],
      [teacher, 'GET', `/links/${id}/here`],
      [teacher, 'GET', `/links/${id}/lead`],
      [teacher, 'PUT', `/links/${id}/calls`, { calls: 2 }],
      [student, 'POST', `/play/${code}/here`, {}],
      [teacher, 'GET', `/links/${id}/results`],
      [teacher, 'GET', `/links/${id}/results.csv`],
      [teacher, 'GET', `/links/${id}/questions/${entryId}`],
      [teacher, 'PATCH', `/links/${id}/participants/${participantId}`, { name: 'Ada' }],
      [teacher, 'PUT', `/links/${id}/participants/${participantId}/merged`, { into: null }],
      [teacher, 'POST', `/links/${id}/plays/${lastPlayId}/give-back`],
      [teacher, 'GET', '/media'],
      [teacher, 'POST', '/media/free'],
      [teacher, 'GET', `/media/${medium.id}`],
      [teacher, 'GET', '/gallery?word=otter'],
      [teacher, 'POST', '/gallery/suggestions', { language: 'en', words: ['otter'] }],
      [teacher, 'GET', `/jobs/${job.body.id}`],
      [teacher, 'GET', `/jobs/${job.body.id}/file`],
      [teacher, 'DELETE', `/jobs/${job.body.id}`],
      [teacher, 'POST', `/lists/${listId}/sheets`, { kind: 'quiz', seed: '1' }],
      [teacher, 'POST', `/lists/${listId}/links`, { kind: 'flashcards', seed: '1' }],
      [teacher, 'GET', '/dictionary/en'],
      [student, 'GET', `/play/${code}`],
      [student, 'POST', `/play/${code}/again`],
      [student, 'POST', `/play/${code}/moves`, { attempt: 1, after: 0, move: { type: 'hint' } }],
      [student, 'POST', `/play/${code}/leave`],
      [new Client(server.url), 'POST', '/session', { email: 'nobody@school.example', password: 'wrong' }],
      [teacher, 'DELETE', `/links/${id}/participants/${participantId}`],
      [teacher, 'DELETE', `/links/${id}`],
      [teacher, 'DELETE', `/lists/${listId}`],
    ]
    for (const [client, method, path, body] of routes) {
      const replies = await together(35, () => client.call(method, path, body))
      expect(
        Math.max(...replies.map(({ status }) => status)),
        `${method} ${path} ${replies.find(({ status }) => status >= 500)?.text ?? ''}`,
      ).to.be.below(500)
      const succeeded = replies.filter(({ status }) => status < 400).length
      expect(succeeded, `${method} ${path} ${replies.at(-1)?.text ?? ''}`).to.be.at.least(
        path === '/session' && method === 'POST' ? 0 : 1,
      )
    }
  }).timeout(240_000)

  it('whatever is played, the totals, the results and the state kept agree, and the moves lead to the state again', async () => {
    for (const kind of GAME_KINDS) {
      const { teacher, id, code } = await shared(kind, kind === 'bingo' ? { size: 3 } : {})
      const students = await joined(code, 3)
      const random = randomFrom(`at once ${kind}`)
      const game = gameOf(kind)
      const puzzle = await puzzleOf<unknown>(server, id)
      await Promise.all(
        students.map(async (student) => {
          for (let made = 0; made < 25; made++) {
            const move = game.sample.move((bound) => random.below(bound))
            expect(
              (await student.call('POST', `/play/${code}/moves`, { id: randomUUID(), attempt: 1, move })).status,
              kind,
            ).to.equal(200)
          }
          await student.call('POST', `/play/${code}/moves`, { id: randomUUID(), attempt: 1, move: { type: 'finish' } })
        }),
      )
      const plays = await rows<{
        id: string
        state: unknown
        origin: { random: string; seat: number; now: number }
        right: number
        total: number
        points: number
        bonus: number
        hints: number
        misses: number
        milliseconds: number
        moves: { move: unknown; clock: number; now: number }[]
      }>(
        server,
        `SELECT y.id, y.state, y.origin, y."right", y.total, y.points, y.bonus, y.hints, y.misses, y.milliseconds,
         (SELECT jsonb_agg(jsonb_build_object('move', m.move, 'clock', m.clock, 'now', round(extract(epoch
           FROM m.at) * 1000)) ORDER BY m.number) FROM moves m WHERE m.play_id = y.id AND m.fate = 'taken') AS moves
           FROM plays y WHERE y.offer_id = $id`,
        { id },
      )
      for (const { state, origin, moves, id: _, ...columns } of plays) {
        expect({ ...columns, finished: true }, kind).to.deep.equal(game.score(puzzle, state))
        const again = moves.reduce(
          (play, { move, clock, now }) =>
            game.move(puzzle, play, game.moves.parse(move), { ...PLAIN_CONTEXT, clock, now }).play,
          game.start(puzzle, {
            ...PLAIN_CONTEXT,
            seat: origin.seat,
            now: origin.now,
            random: randomFrom(origin.random),
          }),
        )
        expect(JSON.parse(JSON.stringify(again)), `${kind}: the moves lead to the state again`).to.deep.equal(state)
      }
      const { body: results } = await teacher.call('GET', `/links/${id}/results`)
      const sum = (numbers: readonly number[]): number => numbers.reduce((one, other) => one + other, 0)
      expect(sum(results.participants.map(({ right }: { right: number }) => right)), kind).to.equal(
        sum(plays.map(({ right }) => right)),
      )
      expect(
        sum(
          results.questions
            .filter(({ counts }: { counts: boolean }) => counts)
            .map(({ right }: { right: number }) => right),
        ),
        kind,
      ).to.equal(sum(plays.map(({ right }) => right)))
    }
  }).timeout(120_000)
})
