import { expect } from 'chai'
import { keepWithin } from '../src/services/keeping.ts'
import { PuzzleCache } from '../src/services/puzzleCache.ts'
import { Client, rows, startTestServer, teacherWithList, WORDS, type TestServer } from './testServer.ts'

describe('Results are kept', () => {
  let server: TestServer
  before(async () => {
    server = await startTestServer()
  })
  after(() => server.close())

  const housekeeping = (): Promise<void> => keepWithin({ database: server.database, puzzles: new PuzzleCache() })
  const played = async (): Promise<{ teacher: Client; offerId: string; mail: string }> => {
    const { client: teacher, listId } = await teacherWithList(server.url, WORDS)
    const { body } = await teacher.call('POST', `/lists/${listId}/links`, { kind: 'hangman', seed: '1' })
    for (const name of ['Old', 'New']) await new Client(server.url).call('POST', `/play/${body.code}/join`, { name })
    const { body: session } = await teacher.call('GET', '/session')
    return { teacher, offerId: body.id, mail: session.teacher.email }
  }
  const age = (offerId: string, name: string, years: number): Promise<unknown> =>
    rows(
      server,
      `WITH aged AS (UPDATE participants SET created_at = created_at - make_interval(years => $years)
          WHERE offer_id = $offerId AND name = $name RETURNING id)
        UPDATE plays SET started_at = started_at - make_interval(years => $years),
          last_seen_at = last_seen_at - make_interval(years => $years) WHERE participant_id IN (SELECT id FROM aged)`,
      { offerId, name, years },
    )
  const names = async (teacher: Client, offerId: string): Promise<string[]> =>
    (await teacher.call('GET', `/links/${offerId}/results`)).body.participants.map(({ name }: { name: string }) => name)
  const mails = (mail: string): Promise<{ subject: string }[]> =>
    rows(server, `SELECT subject FROM mails WHERE recipient = $mail AND subject LIKE 'Old results%'`, { mail })

  it('two school years beside the one that runs, then deleted a month after their teacher was told, once', async () => {
    const { teacher, offerId, mail } = await played()
    const other = await played()
    await age(offerId, 'Old', 4)
    await age(other.offerId, 'Old', 1)
    expect((await teacher.call('GET', '/account/keeping')).body).to.deep.include({ years: 2, notice: null })
    await Promise.all([housekeeping(), housekeeping()])
    await housekeeping()
    expect(await mails(mail), 'told once').to.have.length(1)
    expect(await mails(other.mail)).to.have.length(0)
    const { notice } = (await teacher.call('GET', '/account/keeping')).body
    expect(notice.games).to.equal(1)
    expect((Date.parse(notice.deletesAt) - Date.now()) / 86_400_000).to.be.closeTo(30, 0.1)
    expect(await names(teacher, offerId), 'nothing is deleted before').to.deep.equal(['New', 'Old'])
    await rows(server, `UPDATE teachers SET notice_at = notice_at - interval '31 days' WHERE email = $mail`, { mail })
    await Promise.all([housekeeping(), housekeeping()])
    expect(await names(teacher, offerId)).to.deep.equal(['New'])
    expect(await names(other.teacher, other.offerId)).to.deep.equal(['New', 'Old'])
    expect((await teacher.call('GET', '/account/keeping')).body.notice).to.equal(null)
  })

  it('for longer where the teacher says so, also after the notice', async () => {
    const { teacher, offerId, mail } = await played()
    await age(offerId, 'Old', 4)
    await housekeeping()
    expect((await teacher.call('PATCH', '/session', { keepYears: 5 })).status).to.equal(204)
    await rows(server, `UPDATE teachers SET notice_at = notice_at - interval '31 days' WHERE email = $mail`, { mail })
    expect((await teacher.call('GET', '/account/keeping')).body).to.deep.include({ years: 5, notice: null })
    await housekeeping()
    expect(await names(teacher, offerId)).to.deep.equal(['New', 'Old'])
    expect((await teacher.call('PATCH', '/session', { keepYears: 0 })).status).to.equal(400)
    // Shortened again, it is told anew.
    await teacher.call('PATCH', '/session', { keepYears: 1 })
    await housekeeping()
    expect(await mails(mail)).to.have.length(2)
    expect(await names(teacher, offerId)).to.deep.equal(['New', 'Old'])
  })

  it('and so are students of classes, until those have long been in the archive', async () => {
    const { teacher, offerId, mail } = await played()
    await age(offerId, 'Old', 6)
    const make = async (name: string): Promise<string> => {
      const { body } = await teacher.call('POST', '/classes', { name })
      await teacher.call('POST', `/classes/${body.id}/students`, {
        students: [{ id: crypto.randomUUID(), name: `Student of ${name}` }],
      })
      return body.id
    }
    const [gone] = [await make('gone'), await make('running')]
    await rows(
      server,
      "UPDATE students SET created_at = created_at - interval '6 years' WHERE name LIKE 'Student of %'",
    )
    await rows(server, `UPDATE classes SET archived_at = now() - interval '5 years' WHERE id = '${gone}'`)
    await housekeeping()
    await rows(server, `UPDATE teachers SET notice_at = notice_at - interval '31 days' WHERE email = $mail`, { mail })
    await housekeeping()
    expect(await rows(server, "SELECT name FROM students WHERE name LIKE 'Student of %'")).to.deep.equal([
      { name: 'Student of running' },
    ])
  })
})
