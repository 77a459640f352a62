import { randomUUID } from 'node:crypto'
import type { ReportReply } from '@otter/api'
import { cellOf } from '@otter/core/results'
import { expect } from 'chai'
import pg from 'pg'
import { migrate } from '../src/db/migrate.ts'
import { marksIn } from '../src/db/queries/marks.ts'
import { reportWorks } from '../src/db/queries/report.ts'
import { sumsOf } from '../src/services/entrySums.ts'
import { readReport } from '../src/services/report.ts'
import { reportsOn } from './reportGround.ts'
import { classesOn } from './testClass.ts'
import { Client, rows, startTestServer, type TestServer } from './testServer.ts'

describe('A report', () => {
  let server: TestServer
  before(async () => {
    server = await startTestServer()
  })
  after(() => server.close())
  const { shared, scopeOf } = reportsOn(() => server)
  const { classOf, signIn, setWork } = classesOn(() => server)
  const cellsOf = (report: ReportReply, name: string): string[] =>
    [...report.map![report.students.findIndex((one) => one.name === name)]!].map(cellOf)
  const countsOf = ({ entries }: ReportReply): unknown[] =>
    entries.map(({ text, right, wrong, passed, notReached, mended }) => [
      text,
      right,
      wrong,
      passed,
      notReached,
      mended,
    ])

  it('tells right, wrong, mended, passed and not reached apart, and counts the first answer though one restarts', async () => {
    const { join, answer, stop, report, code } = await shared()
    const [ama, bo, chi] = [await join('Ama'), await join('Bo'), await join('Chi')]
    await answer(ama, ['colour', 'drone', 'brood'])
    await answer(bo, ['hue', 'drone'])
    await answer(chi, ['hue'])
    await stop(chi)
    await chi.call('POST', `/play/${code}/again`, {})
    await answer(chi, ['colour', 'drum'], 2)
    const told = await report()
    expect(cellsOf(told, 'Ama')).to.deep.equal(['right', 'right', 'right'])
    expect(cellsOf(told, 'Bo')).to.deep.equal(['wrong', 'right', 'not-reached'])
    // What was left by stopping was not met: the first answer to it is the one of the next attempt.
    expect(cellsOf(told, 'Chi')).to.deep.equal(['mended', 'wrong', 'not-reached'])
    expect(countsOf(told)).to.deep.equal([
      ['colour', 1, 2, 0, 0, 1],
      ['drone', 2, 1, 0, 0, 0],
      ['brood', 1, 0, 0, 2, 0],
    ])
    expect(told.brief.teach.map(({ text, leading, leads }) => [text, leading, leads])).to.deep.equal([
      ['colour', 'hue', 2],
      ['drone', null, 0],
    ])
    const scores = told.students.map(({ name, right, total, share, firstShare, attempts }) => [
      name,
      right,
      total,
      share,
      firstShare,
      attempts,
    ])
    expect(scores).to.deep.equal([
      ['Ama', 3, 3, 1, 1, 1],
      ['Bo', 1, 3, 1 / 3, 1 / 3, 1],
      ['Chi', 1, 3, 1 / 3, 0, 2],
    ])
    expect(told.byAttempt.map(({ at, share, count }) => [at, share, count])).to.deep.equal([
      [1, 0, 1],
      [2, 1 / 3, 1],
    ])
    expect(told.distribution.filter(({ count }) => count > 0).map(({ from, count }) => [from, count])).to.deep.equal([
      [0.3, 2],
      [0.9, 1],
    ])
  })

  it('is the same for the results beside it: what was left is passed over nowhere', async () => {
    const { teacher, id, join, answer, stop } = await shared()
    const ama = await join('Ama')
    await answer(ama, ['colour'])
    await stop(ama)
    const { body } = await teacher.call('GET', `/links/${id}/results`)
    const counts = body.questions.map((one: Record<string, number>) => [one.right, one.passed, one.notReached])
    expect(counts).to.deep.equal([
      [1, 0, 0],
      [0, 0, 1],
      [0, 0, 1],
    ])
  })

  it('of one student or one entry tells who gave what, in which game, and how it went next', async () => {
    const { teacher, id, entries, join, answer, stop, code } = await shared()
    const ama = await join('Ama')
    await answer(ama, ['hue'])
    await stop(ama)
    await ama.call('POST', `/play/${code}/again`, {})
    await answer(ama, ['colour'], 2)
    const { body: entry } = await teacher.call('GET', `/reports/entries/${entries[0]}?work=${id}`)
    expect(
      entry.answers.map(({ name, outcome, given, next }: Record<string, unknown>) => [name, outcome, given, next]),
    ).to.deep.equal([['Ama', 'wrong', 'hue', 'right']])
    expect(entry.games).to.deep.equal([{ offerId: id, title: 'Words', kind: 'quiz', right: 1, wrong: 1, passed: 0 }])
    const { body: told } = await teacher.call('GET', `/reports?work=${id}`)
    const { body: own } = await teacher.call('GET', `/reports/students/${told.students[0].id}?work=${id}`)
    expect(own.answers.map(({ given, outcome }: Record<string, unknown>) => [given, outcome])).to.deep.equal([
      ['hue', 'wrong'],
      ['colour', 'right'],
    ])
    expect((await teacher.call('GET', `/reports/students/${randomUUID()}?work=${id}`)).status).to.equal(404)
  })

  it('of a list holds all its games; what students say of themselves and what teams did count towards teaching alone', async () => {
    const { teacher, listId, entries, join, answer, report } = await shared()
    const ama = await join('Ama')
    await answer(ama, ['colour'])
    const { body: cards } = await teacher.call('POST', `/lists/${listId}/links`, {
      kind: 'flashcards',
      seed: '1',
      options: { order: 'list' },
    })
    const bo = new Client(server.url)
    await bo.call('POST', `/play/${cards.code}/join`, { name: 'Bo' })
    const card = (move: object): Promise<unknown> =>
      bo.call('POST', `/play/${cards.code}/moves`, { id: randomUUID(), attempt: 1, move })
    await card({ type: 'turn' })
    await card({ type: 'rate', knew: false })
    const told = await report({ list: listId })
    expect(told.works.map(({ kind, scores }) => [kind, scores])).to.deep.equal([
      ['quiz', true],
      ['flashcards', false],
    ])
    const first = told.entries.find(({ entryId }) => entryId === entries[0])!
    expect([first.right, first.wrong]).to.deep.equal([1, 1])
    expect(told.students.map(({ name, share, attempts }) => [name, share, attempts])).to.deep.equal([
      ['Ama', 1 / 3, 1],
      ['Bo', null, 0],
    ])
    expect(cellsOf(told, 'Bo')).to.deep.equal(['not-asked', 'not-asked', 'not-asked'])
    // Alone, what they say is all there is to see: still for no score.
    const alone = await report({ work: cards.id })
    expect(cellsOf(alone, 'Bo')[0]).to.equal('wrong')
    expect(alone.students[0]!.share).to.equal(null)
    expect(alone.entries.map(({ difficulty, telling }) => [difficulty, telling])).to.deep.equal(
      alone.entries.map(() => [null, null]),
    )
  })

  it('goes by the game that was picked where there are several, and tells a wrong answer once for each student', async () => {
    const made = await classOf(['Ama', 'Bo'])
    const quiz = { kind: 'quiz', options: { form: 'typed', order: 'list', second: false } }
    const cards = { kind: 'flashcards', options: { order: 'list' }, seed: '1' }
    const works = [await setWork(made, { ...quiz, others: [cards] }), await setWork(made, { ...quiz, seed: '2' })]
    const play = async (
      index: number,
      work: { code: string },
      game: number,
      moves: readonly object[],
    ): Promise<void> => {
      const student = new Client(server.url)
      await signIn(student, made.code, made.students[index]!.id)
      expect((await student.call('POST', `/play/${work.code}/join`, { game })).status).to.equal(201)
      for (const move of moves)
        await student.call('POST', `/play/${work.code}/moves`, { id: randomUUID(), attempt: 1, move })
    }
    await play(0, works[0]!, 1, [{ type: 'turn' }, { type: 'rate', knew: true }])
    for (const work of works) await play(1, work, 0, [{ type: 'type', text: 'x' }, { type: 'next' }])
    const { body } = await made.client.call('GET', `/reports?class=${made.id}`)
    const told = body as ReportReply
    expect(
      told.students.map(({ name, attempts, share }) => [name, attempts, share]),
      'by cards there is no score',
    ).to.deep.equal([
      ['Ama', 0, null],
      ['Bo', 2, 0],
    ])
    const first = told.entries.find(({ wrong }) => wrong > 0)!
    expect([first.right, first.wrong], 'cards count towards teaching').to.deep.equal([1, 1])
    expect(
      told.brief.teach.map(({ leading }) => leading),
      'one student, twice, leads nothing',
    ).to.deep.equal([null])
    const { text } = await made.client.call('GET', `/reports/file?class=${made.id}&what=gradebook`)
    expect(text.trimEnd().split('\r\n').slice(1)).to.deep.equal(['Ama,,', 'Bo,0,0'])
  })

  it('holds what began within its span', async () => {
    const { listId, id, join, answer, report } = await shared()
    const [ama, bo] = [await join('Ama'), await join('Bo')]
    await answer(ama, ['colour'])
    await answer(bo, ['hue'])
    await rows(
      server,
      `UPDATE plays y SET started_at = '2026-03-01T12:00:00Z' FROM participants p WHERE p.id = y.participant_id
        AND p.name = 'Ama' AND y.offer_id = $id`,
      { id },
    )
    const names = async (from: string, to: string): Promise<string[]> =>
      (await report({ list: listId, from, to })).students.map(({ name }) => name)
    expect(await names('2026-03-01T00:00:00Z', '2026-03-02T00:00:00Z')).to.deep.equal(['Ama'])
    expect(await names('2026-03-02T00:00:00Z', '2028-01-01T00:00:00Z')).to.deep.equal(['Bo'])
    expect(await names('2026-02-01T00:00:00Z', '2026-03-01T12:00:00Z'), 'its end is no part of it').to.deep.equal([])
  })

  it('hears a correction: what is taken out is nowhere, what counts as right counts', async () => {
    const { teacher, id, entries, join, answer, report } = await shared()
    const ama = await join('Ama')
    await answer(ama, ['hue', 'drum', 'brood'])
    const correct = (entryId: string, correction: object): Promise<unknown> =>
      teacher.call('PUT', `/links/${id}/questions/${entryId}/correction`, correction)
    await correct(entries[0]!, { right: ['hue'] })
    expect(cellsOf(await report(), 'Ama')).to.deep.equal(['right', 'wrong', 'right'])
    await correct(entries[1]!, { takenOut: true })
    const told = await report()
    expect(cellsOf(told, 'Ama')).to.deep.equal(['right', 'right'])
    expect(told.students[0]!.share).to.equal(1)
    await correct(entries[0]!, {})
    await correct(entries[1]!, {})
    expect(cellsOf(await report(), 'Ama')).to.deep.equal(['wrong', 'wrong', 'right'])
  })

  it('from sums is the one told one by one; sums are made anew only where something has changed', async () => {
    const { listId, id, entries, teacher, join, answer, stop, code, report } = await shared()
    const [ama, bo] = [await join('Ama'), await join('Bo')]
    await answer(ama, ['hue', 'drone'])
    await stop(ama)
    await ama.call('POST', `/play/${code}/again`, {})
    await answer(ama, ['colour', 'drone', 'brood'], 2)
    await answer(bo, ['hue'])
    const span = { work: null, list: listId, class: null, from: null, to: null }
    const summed = (): Promise<unknown[]> =>
      scopeOf(listId, async (scope) => {
        const told = await sumsOf(scope, await reportWorks(scope, span), span, 0)
        return told.entries
          .map(({ text, right, wrong, passed, notReached, mended }) => [text, right, wrong, passed, notReached, mended])
          .sort()
      })
    const oneByOne = async (): Promise<unknown[]> => countsOf(await report({ list: listId })).sort()
    expect(await summed()).to.deep.equal(await oneByOne())
    server.queries.length = 0
    await summed()
    expect(
      server.queries.filter((sql) => sql.includes('INSERT INTO entry_sums')),
      'nothing has changed',
    ).to.have.length(0)
    await answer(bo, ['drum'])
    await teacher.call('PUT', `/links/${id}/questions/${entries[2]}/correction`, { takenOut: true })
    expect(await summed()).to.deep.equal(await oneByOne())
  })

  it('is made of marks that agree with the responses of every play, whatever has come of them', async () => {
    const disagreeing = await rows<{ id: string }>(
      server,
      `SELECT y.id, y.marks FROM plays y JOIN offers o ON o.id = y.offer_id WHERE o.rules ->> 'type' <> 'wall' AND y.marks <>
        ${marksIn('y.question_set_id', '(SELECT * FROM responses WHERE play_id = y.id AND withdrawn_at IS NULL) h')}
        AND y.moves > 0`,
    )
    expect(disagreeing).to.deep.equal([])
    const [{ count } = { count: 0 }] = await rows<{ count: number }>(
      server,
      `SELECT count(*)::int AS count FROM plays WHERE marks LIKE '%w%'`,
    )
    expect(count, 'the tests before have made some').to.be.above(8)
  })

  it('asks the same number of statements for one student and for many, and reads no table of responses through', async () => {
    const { listId, id, join, answer, report } = await shared()
    await answer(await join('Ama'), ['hue', 'drone'])
    const statements = async (): Promise<number> => {
      // The server has clocks of its own to look at meanwhile: the fewest of some looks are the report's.
      const counts: number[] = []
      for (let look = 0; look < 4; look++) {
        server.queries.length = 0
        await report({ list: listId })
        counts.push(server.queries.length)
      }
      return Math.min(...counts)
    }
    const few = await statements()
    for (const name of ['Bo', 'Chi', 'Dan', 'Eva', 'Fay']) await answer(await join(name), ['hue', 'drone'])
    expect(await statements()).to.equal(few)
    // Many answers of others: a plan that reads them all would grow with them.
    await rows(
      server,
      `INSERT INTO plays (id, offer_id, participant_id, game_version_id, question_set_id, rules, state, moved_at)
        SELECT gen_random_uuid(), y.offer_id, y.participant_id, y.game_version_id, y.question_set_id, y.rules, '{}', now()
        FROM (SELECT * FROM plays WHERE offer_id <> $id LIMIT 5) y, generate_series(1, 1000)`,
      { id },
    )
    await rows(
      server,
      `INSERT INTO responses (play_id, entry_id, round, occasion, outcome, first_outcome, counts, given, points, milliseconds,
          place, participant_id, at, reached)
        SELECT y.id, gen_random_uuid(), 'first', 0, 'wrong', 'wrong', true, 'x', 0, 1, n, y.participant_id, now(), true
        FROM plays y, generate_series(1, 10) n WHERE y.state = '{}'`,
    )
    await rows(server, 'ANALYZE')
    const client = new pg.Client({ connectionString: server.databaseUrl })
    await client.connect()
    const plans: string[] = []
    await scopeOf(listId, async (scope) => {
      const spying: typeof scope = {
        ...scope,
        query: async (sql, values = {}) => {
          if (sql.includes('responses')) {
            const names: string[] = []
            const text = sql.replace(/\$([a-zA-Z]\w*)/gu, (_, name: string) => {
              if (!names.includes(name)) names.push(name)
              return `$${names.indexOf(name) + 1}`
            })
            const { rows: lines } = await client.query<{ 'QUERY PLAN': string }>(
              `EXPLAIN ${text}`,
              names.map((name) => values[name]),
            )
            plans.push(lines.map((line) => line['QUERY PLAN']).join('\n'))
          }
          return scope.query(sql, values)
        },
      }
      await readReport(spying, { list: listId }, 0)
    })
    await client.end()
    expect(plans.length).to.be.above(1)
    for (const plan of plans) expect(plan).not.to.match(/Seq Scan on responses/u)
  })

  it('counts who is put together as one, and who was taken out as nobody, one by one and in sums', async () => {
    const { teacher, id, listId, join, answer, report } = await shared()
    const [ama, other, bo] = [await join('Ama'), await join('Ama B'), await join('Bo')]
    await answer(ama, ['hue', 'drone'])
    await answer(other, ['colour'])
    await answer(bo, ['hue', 'drum', 'x'])
    const { body } = await teacher.call('GET', `/links/${id}/results`)
    const idOf = (name: string): string =>
      body.participants.find((one: { name: string }) => one.name === name).participantId
    await teacher.call('PUT', `/links/${id}/participants/${idOf('Ama B')}/merged`, { into: idOf('Ama') })
    await teacher.call('PATCH', `/links/${id}/participants/${idOf('Bo')}`, { removed: true })
    const told = await report()
    expect(told.students.map(({ name, attempts }) => [name, attempts])).to.deep.equal([['Ama', 2]])
    expect(cellsOf(told, 'Ama')).to.deep.equal(['mended', 'right', 'not-reached'])
    const span = { work: id, list: null, class: null, from: null, to: null }
    const sums = await scopeOf(listId, async (scope) => sumsOf(scope, await reportWorks(scope, span), span, 0))
    expect(countsOf({ ...told, entries: sums.entries }).sort()).to.deep.equal(countsOf(told).sort())
  })

  it('leaves out what was given back, one by one and in sums: first is then the first answer of those that count', async () => {
    const { teacher, id, listId, code, join, answer, report } = await shared()
    const [ama, bo] = [await join('Ama'), await join('Bo')]
    await answer(ama, ['hue', 'drone', 'x'])
    await ama.call('POST', `/play/${code}/again`, {})
    await answer(ama, ['colour', 'drum', 'brood'], 2)
    await ama.call('POST', `/play/${code}/again`, {})
    await answer(ama, ['colour', 'drone', 'brood'], 3)
    await answer(bo, ['colour', 'drum', 'x'])
    const plays = await rows<{ id: string }>(
      server,
      `SELECT y.id FROM plays y JOIN participants p ON p.id = y.participant_id
        WHERE p.offer_id = $id AND p.name = 'Ama' ORDER BY y.started_at`,
      { id },
    )
    const firsts = async (): Promise<number[]> =>
      (
        await rows<{ place: number }>(
          server,
          `SELECT (SELECT count(*)::int FROM plays z WHERE z.participant_id = y.participant_id AND z.started_at < y.started_at)
              AS place FROM responses r JOIN plays y ON y.id = r.play_id JOIN participants p ON p.id = y.participant_id
            WHERE p.offer_id = $id AND p.name = 'Ama' AND r.is_first`,
          { id },
        )
      ).map(({ place }) => place)
    const sumsAgree = async (): Promise<void> => {
      const span = { work: id, list: null, class: null, from: null, to: null }
      const sums = await scopeOf(listId, async (scope) => sumsOf(scope, await reportWorks(scope, span), span, 0))
      const told = await report()
      expect(countsOf({ ...told, entries: sums.entries }).sort()).to.deep.equal(countsOf(told).sort())
    }
    const ofAma = async (): Promise<unknown[]> => {
      const told = await report()
      const { right, attempts, firstShare } = told.students.find(({ name }) => name === 'Ama')!
      return [cellsOf(told, 'Ama').join(), right, attempts, firstShare]
    }
    expect([await ofAma(), await firsts()]).to.deep.equal([
      ['mended,right,mended', 3, 3, 1 / 3],
      [0, 0, 0],
    ])
    await sumsAgree()
    const giveBack = async (play: number): Promise<void> => {
      const { status } = await teacher.call('POST', `/links/${id}/plays/${plays[play]!.id}/give-back`)
      expect(status).to.be.below(300)
    }
    await giveBack(0)
    expect([await ofAma(), await firsts()]).to.deep.equal([
      ['right,mended,right', 3, 2, 2 / 3],
      [1, 1, 1],
    ])
    await sumsAgree()
    // One that is not the first changes nothing of what is first; given back twice it is the same.
    await giveBack(2)
    await giveBack(2)
    expect([await ofAma(), await firsts()]).to.deep.equal([
      ['right,wrong,right', 2, 1, 2 / 3],
      [1, 1, 1],
    ])
    await sumsAgree()
    await giveBack(1)
    const told = await report()
    expect(told.students.filter(({ attempts }) => attempts > 0).map(({ name }) => name)).to.deep.equal(['Bo'])
    expect([countsOf(told), await firsts()]).to.deep.equal([
      [
        ['colour', 1, 0, 0, 0, 0],
        ['drone', 0, 1, 0, 0, 0],
        ['brood', 0, 1, 0, 0, 0],
      ],
      [],
    ])
    await sumsAgree()
  })

  it('agrees with itself at every look, while thirty students answer at one instant', async () => {
    const { join, answer, report } = await shared()
    const students = await Promise.all(Array.from({ length: 30 }, (_, index) => join(`Student ${index}`)))
    let isDone = false
    const answering = Promise.all(
      students.map((student, index) =>
        answer(student, index % 3 === 0 ? ['hue', 'drone', 'brood'] : ['colour', 'drum', 'x']),
      ),
    ).finally(() => (isDone = true))
    let looks = 0
    while (!isDone) {
      const told = await report()
      looks++
      for (const [place, { right, wrong, notReached }] of told.entries.entries()) {
        const cells = told.map!.map((row) => cellOf(row[place]))
        expect(right).to.equal(cells.filter((cell) => cell === 'right').length)
        expect(wrong).to.equal(cells.filter((cell) => cell === 'wrong').length)
        expect(notReached).to.equal(cells.filter((cell) => cell === 'not-reached').length)
      }
      const rights = told.students.reduce((sum, student) => sum + student.right, 0)
      expect(rights).to.equal(told.entries.reduce((sum, { right }) => sum + right, 0))
    }
    await answering
    expect(looks).to.be.above(1)
    const told = await report()
    expect(told.entries.map(({ right, wrong }) => [right, wrong])).to.deep.equal([
      [20, 10],
      [10, 20],
      [10, 20],
    ])
    expect(told.brief.teach.map(({ text, leading, leads }) => [text, leading, leads])).to.deep.equal([
      ['drone', 'drum', 20],
      ['brood', 'x', 20],
      ['colour', 'hue', 10],
    ])
  })

  it('is filled in for what was played before there were any', async () => {
    const { id, join, answer, stop } = await shared()
    const ama = await join('Ama')
    await answer(ama, ['hue', 'drone'])
    await stop(ama)
    const kept = `SELECT y.id, y.marks, (SELECT jsonb_agg(jsonb_build_array(r.entry_id, r.reached, r.is_first) ORDER BY r.id)
      FROM responses r WHERE r.play_id = y.id) AS responses FROM plays y WHERE y.offer_id = $id`
    const before = await rows<{ marks: string }>(server, kept, { id })
    expect(before[0]!.marks).to.equal('wr.')
    for (const statement of [
      // As it was: what was left was the first answer too.
      `UPDATE responses SET is_first = true WHERE NOT reached AND play_id IN (SELECT id FROM plays WHERE offer_id = '${id}')`,
      'ALTER TABLE responses DROP COLUMN reached',
      'ALTER TABLE plays DROP COLUMN marks, DROP COLUMN given_ms',
      'ALTER TABLE participants DROP COLUMN board_name',
      'ALTER TABLE offers DROP COLUMN summed',
      'DROP TABLE absences, entry_sums, standards',
      `DELETE FROM "SequelizeMeta" WHERE name = '023-reports'`,
    ])
      await rows(server, statement)
    await migrate(server.databaseUrl)
    expect(await rows(server, kept, { id })).to.deep.equal(before)
  })
})
