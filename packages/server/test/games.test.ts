import { GAME_KINDS, gameOf, type GameKind } from '@otter/core'
import { expect } from 'chai'
import { Client, fileOf, startTestServer, teacherWithList, type TestServer } from './testServer.ts'

const WORDS =
  'anchor basket candle desert engine falcon garden hammer island jacket kettle ladder magnet needle orange pebble quarry ribbon'.split(
    ' ',
  )

/** Joins a game and makes moves. */
async function played(url: string, code: string, moves: readonly object[]): Promise<Client> {
  const student = new Client(url)
  await student.call('POST', `/play/${code}/join`, { name: 'Ben' })
  for (const [after, move] of moves.entries())
    await student.call('POST', `/play/${code}/moves`, { attempt: 1, after, move })
  return student
}

/**
 * Pages of a version with its key, where they are not two: cards two to a page, decks with their backs, cards without a
 * key.
 */
const PAGES: Partial<Record<GameKind, number>> = { sorting: 3, bingo: 15 + 2, flashcards: 6, pairs: 1, quiz: 3 }

/** Games that take no more words than there is room for, or ask none: one word less is not one question less. */
const ROOMY = new Set<GameKind>(['bingo', 'pairs', 'quizboard', 'thread', 'sorting', 'worddraw'])

describe('Every game', () => {
  let server: TestServer
  before(async () => {
    server = await startTestServer()
  })
  after(() => server.close())

  for (const kind of GAME_KINDS) {
    it(`is shared, played to its end, renewed under the same link and printed: ${kind}`, async function () {
      this.timeout(60_000)
      const { client, listId } = await teacherWithList(server.url, WORDS)
      const created = await client.call('POST', `/lists/${listId}/links`, { kind, seed: '3', options: { early: true } })
      expect([created.status, created.body.outdated]).to.deep.equal([201, false])
      const { id, code } = created.body
      const student = new Client(server.url)
      const joined = await student.call('POST', `/play/${code}/join`, { name: 'Ada' })
      expect([joined.body.kind, joined.body.early, joined.body.play.score.finished]).to.deep.equal([kind, true, false])

      const { body: list } = await client.call('GET', `/lists/${listId}`)
      await client.call('PATCH', `/lists/${listId}`, { version: list.version, remove: [list.entries[0].id] })
      expect((await client.call('GET', `/lists/${listId}/links`)).body[0].outdated).to.equal(true)
      const renewed = await client.call('POST', `/links/${id}/renew`)
      expect([renewed.status, renewed.body.code, renewed.body.outdated]).to.deep.equal([200, code, false])

      // Who began goes on with the old words; who comes now gets the new ones.
      const before = joined.body.play
      const ended = await student.call('POST', `/play/${code}/moves`, {
        attempt: 1,
        after: 0,
        move: { type: 'finish' },
      })
      expect(ended.body.play.score).to.include({ finished: true, total: before.score.total })
      const again = await student.call('POST', `/play/${code}/again`)
      expect(again.body.play.attempt).to.equal(2)
      if (!ROOMY.has(kind)) expect(again.body.play.score.total).to.equal(before.score.total - 1)
      const { body: results } = await client.call('GET', `/links/${id}/results`)
      expect(
        results.participants.map(({ name, attempts }: { name: string; attempts: number }) => [name, attempts]),
      ).to.deep.equal([['Ada', 2]])
      const wrong = await student.call('POST', `/play/${code}/moves`, {
        attempt: 2,
        after: 0,
        move: { type: 'nonsense' },
      })
      expect(wrong.status).to.equal(400)

      if (!gameOf(kind).onPaper) return
      const { body: picture } = await client.call('POST', '/media/gallery', {
        set: 'flat',
        name: 'anchor',
        alt: 'an iron hook',
      })
      const { id: entryId, position, answer, prompt, groups } = list.entries[1]
      await client.call('PATCH', `/lists/${listId}`, {
        version: list.version + 1,
        put: [{ id: entryId, position, answer: { ...answer, picture }, prompt: { ...prompt, picture }, groups }],
      })
      const pdf = await fileOf(
        client,
        await client.call('POST', `/lists/${listId}/sheets`, {
          kind,
          seed: '3',
          options: kind === 'wordsearch' ? { show: 'clues' } : {},
          versions: 2,
          code,
          saveInk: kind === 'bingo',
        }),
      )
      expect([pdf.status, pdf.type]).to.deep.equal([200, 'application/pdf'])
      const pages = pdf.bytes.toString('latin1').match(/\/Type \/Page\b/gu)?.length ?? 0
      expect(pages).to.equal(2 * (PAGES[kind] ?? 2))
      expect(pdf.bytes.toString('latin1')).to.include('/Subtype /Image')
    })
  }

  it('counts opinions for those who gave one, and lets spaced review go on where a student left off', async () => {
    const { client, listId } = await teacherWithList(server.url, ['sea', 'rain', 'wind', 'salt'])
    const { body: list } = await client.call('GET', `/lists/${listId}`)
    const { id, position, answer, prompt } = list.entries[0]
    await client.call('PATCH', `/lists/${listId}`, {
      version: list.version,
      put: [{ id, position, answer, prompt, scored: false, choices: [{ text: 'hills', right: false }] }],
    })
    const {
      body: { code },
    } = await client.call('POST', `/lists/${listId}/links`, { kind: 'quiz', seed: '1', options: { order: 'list' } })
    const answers = await Promise.all(
      [0, 0, 1].map(async (choice, index) => {
        const student = new Client(server.url)
        const {
          body: { opinions, play },
        } = await student.call('POST', `/play/${code}/join`, { name: `Student ${index}` })
        expect(opinions).to.deep.equal([])
        const given = play.view.question.choices[choice].text
        await student.call('POST', `/play/${code}/moves`, {
          attempt: 1,
          after: 0,
          move: { type: 'choose', choices: [choice] },
        })
        return { student, given }
      }),
    )
    const told = await answers[2]!.student.call('GET', `/play/${code}`)
    expect(told.body.opinions).to.deep.equal([
      { entryId: id, given: answers[0]!.given, count: 2 },
      { entryId: id, given: answers[2]!.given, count: 1 },
    ])
    expect(told.body.play.view.told.scored).to.equal(false)

    const { body: typed } = await client.call('POST', `/lists/${listId}/links`, {
      kind: 'quiz',
      seed: '1',
      options: { order: 'list', form: 'typed' },
    })
    await played(server.url, typed.code, [
      { type: 'choose', choices: [0] },
      { type: 'next' },
      { type: 'type', text: 'hail' },
    ])
    const { body: results } = await client.call('GET', `/links/${typed.id}/results`)
    expect(
      results.questions
        .filter(({ counts, given }: { counts: boolean; given: unknown[] }) => counts && given.length > 0)
        .map(({ text, given }: { text: string; given: unknown }) => [text, given]),
    ).to.deep.equal([['rain', [{ given: 'hail', count: 1, share: 1 }]]])

    const {
      body: { code: deck },
    } = await client.call('POST', `/lists/${listId}/links`, { kind: 'flashcards', seed: '1' })
    const student = await played(
      server.url,
      deck,
      Array.from({ length: 8 }, (_, move) => (move % 2 === 0 ? { type: 'turn' } : { type: 'rate', knew: true })),
    )
    const { body: again } = await student.call('POST', `/play/${deck}/again`)
    expect([again.play.attempt, again.play.view.left, again.play.view.dueInDays]).to.deep.equal([2, 0, 0])
  })
})
