import { randomUUID } from 'node:crypto'
import { checkClaim, type BingoPuzzle, type BingoView } from '@otter/core/games/bingo'
import { expect } from 'chai'
import { Client, puzzleOf, startTestServer, teacherWithList, WORDS, type Reply, type TestServer } from './testServer.ts'

describe('A teacher who calls for the class', () => {
  let server: TestServer
  before(async () => {
    server = await startTestServer()
  })
  after(() => server.close())

  const MORE = ['queen', 'worker', 'hive', 'frame', 'wax', 'honey']

  async function called(students: number) {
    const { client, listId } = await teacherWithList(server.url, [...WORDS, ...MORE])
    const { body: link } = await client.call('POST', `/lists/${listId}/links`, {
      kind: 'bingo',
      seed: '1',
      options: { size: 3, cards: 12, calling: 'teacher' },
    })
    const puzzle = await puzzleOf<BingoPuzzle>(server, link.id as string)
    const devices = await Promise.all(
      Array.from({ length: students }, async (_, index) => {
        const device = new Client(server.url)
        const { body } = await device.call('POST', `/play/${link.code}/join`, { name: `Student ${index}` })
        return { device, card: (body.play.view as BingoView).cardNumber }
      }),
    )
    return { client, listId, link, puzzle, devices }
  }

  /** Marks what was called on a card, and says bingo. */
  async function claim(device: Client, code: string, puzzle: BingoPuzzle, card: number, calls: number): Promise<Reply> {
    const { cells } = puzzle.cards.find(({ number }) => number === card)!
    const send = (move: object): Promise<Reply> =>
      device.call('POST', `/play/${code}/moves`, { id: randomUUID(), attempt: 1, for: '0', move })
    const { body } = await device.call('GET', `/play/${code}`)
    const { marked } = body.play.view as BingoView
    for (const [place, term] of cells.entries())
      if (term !== null && puzzle.calls.indexOf(term) < calls && !marked.includes(place))
        await send({ type: 'mark', place })
    return send({ type: 'claim' })
  }

  it('has claims from devices checked by the calls that are kept, and hears who has won', async () => {
    const { client, link, puzzle, devices } = await called(12)
    expect(link.led).to.equal(true)
    const firstWin = puzzle.plan.wonBy.findIndex((won) => won > 0) + 1
    const { device, card } = devices.find((one) => checkClaim(puzzle, one.card, firstWin)!.won)!
    const asked = await claim(device, link.code as string, puzzle, card, firstWin)
    expect(asked.body.play.view.lastMark, 'nobody has called here').to.equal('ask')
    for (let calls = 1; calls < firstWin; calls++) await client.call('PUT', `/links/${link.id}/calls`, { calls })
    const early = await claim(device, link.code as string, puzzle, card, firstWin)
    expect([early.body.play.view.lastMark, early.body.play.view.finished]).to.deep.equal(['not-yet', false])
    expect((await client.call('PUT', `/links/${link.id}/calls`, { calls: firstWin })).status).to.equal(204)
    const right = await claim(device, link.code as string, puzzle, card, firstWin)
    expect(right.body.play.view.finished).to.equal(true)
    const { body: lead } = await client.call('GET', `/links/${link.id}/lead`)
    expect([lead.calls, lead.winners.map(({ seat }: { seat: number }) => seat)]).to.deep.equal([firstWin, [card]])
    expect(lead.puzzle.calls, 'the caller sees what is called').to.deep.equal(puzzle.calls)
  })

  it('hears all claims of a class at once, and each is judged by the same calls', async () => {
    const { client, link, puzzle, devices } = await called(35)
    const calls = puzzle.plan.wonBy.findIndex((won) => won > 0) + 2
    await client.call('PUT', `/links/${link.id}/calls`, { calls })
    const replies = await Promise.all(
      devices.map(({ device, card }) => claim(device, link.code as string, puzzle, card, calls)),
    )
    expect(replies.map(({ body }) => body.play.view.finished)).to.deep.equal(
      devices.map(({ card }) => checkClaim(puzzle, card, calls)!.won),
    )
    const { body: lead } = await client.call('GET', `/links/${link.id}/lead`)
    expect(lead.winners.length).to.equal(devices.filter(({ card }) => checkClaim(puzzle, card, calls)!.won).length)
  })

  it('begins anew with a renewed game, and leads no link of another', async () => {
    const { client, listId, link } = await called(1)
    await client.call('PUT', `/links/${link.id}/calls`, { calls: 4 })
    const { body: list } = await client.call('GET', `/lists/${listId}`)
    await client.call('PATCH', `/lists/${listId}`, {
      version: list.version,
      put: [{ ...list.entries[0], answer: { text: 'smoke' } }],
    })
    await client.call('POST', `/links/${link.id}/renew`)
    expect((await client.call('GET', `/links/${link.id}/lead`)).body.calls).to.equal(0)
    const { client: stranger } = await teacherWithList(server.url, [])
    expect([
      (await stranger.call('GET', `/links/${link.id}/lead`)).status,
      (await stranger.call('PUT', `/links/${link.id}/calls`, { calls: 1 })).status,
    ]).to.deep.equal([404, 404])
    const { body: other } = await client.call('POST', `/lists/${listId}/links`, { kind: 'quiz', seed: '1' })
    expect(other.led).to.equal(false)
  })
})
