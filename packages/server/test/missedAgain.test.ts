import type { OfferReply } from '@otter/api'
import type { QuizPuzzle } from '@otter/core/games/quiz'
import type { WordSearchPuzzle } from '@otter/core/games/wordsearch'
import { expect } from 'chai'
import { LiveRooms, until, type HostScreen } from './liveScreens.ts'
import { puzzleOf, type Reply } from './testServer.ts'

describe('What a class missed', () => {
  const rooms = new LiveRooms()

  const again = (host: HostScreen, requestId: string = crypto.randomUUID()): Promise<Reply> =>
    host.client.call('POST', `/live/${host.id}/again`, { title: 'Once more', requestId })
  const wordsOf = async (host: HostScreen, listId: string): Promise<string[]> =>
    (await host.client.call('GET', `/lists/${listId}`)).body.entries.map(
      ({ answer }: { answer: { text: string } }) => answer.text,
    )

  it('is played once more as a list of its own, with what nobody came to', async () => {
    const { host, id, code } = await rooms.host({
      kind: 'wordsearch',
      live: { way: 'ownpace', ranking: 'nobody', teams: { by: 'drawn', names: ['North', 'South'] } },
    })
    const [ama, bo] = [await rooms.student(code, { name: 'Ama' }), await rooms.student(code, { name: 'Bo' })]
    await host.command({ type: 'start' })
    await until('the game', () => ama.reply!.play !== null && bo.reply!.play !== null)
    const { words } = await puzzleOf<WordSearchPuzzle>(rooms.server, id)
    const mark = (index: number): object => {
      const { row, col, dRow, dCol, length } = words[index]!
      const last = length - 1
      return { type: 'mark', from: { row, col }, to: { row: row + dRow * last, col: col + dCol * last } }
    }
    // Both find the first, one the second.
    for (const student of [ama, bo]) await student.move(mark(0))
    await ama.move(mark(1))
    await host.command({ type: 'end' })
    await until('the end', () => ama.reply!.live!.phase === 'over')
    const requestId = crypto.randomUUID()
    const { body, status } = await again(host, requestId)
    const offer = body as OfferReply
    expect([status, offer.kind, offer.live, offer.title]).to.deep.equal([201, 'wordsearch', 'lobby', 'Once more'])
    const missed = await wordsOf(host, offer.listId!)
    expect(missed).to.have.members(words.slice(1).map(({ text }) => text))
    const { rules, teams } = (await host.client.call('GET', `/live/${offer.id}`)).body
    expect([rules.ranking, teams.length]).to.deep.equal(['nobody', 2])
    expect((await again(host, requestId)).body.id, 'a request that comes twice is one session').to.equal(offer.id)
  })

  it('holds nothing that was not asked, is filled up where it is too little to choose from, and may be nothing', async () => {
    const { host, id, code } = await rooms.host({
      kind: 'quiz',
      options: { order: 'list' },
      live: { way: 'together', wayOptions: { seconds: 0 } },
    })
    const ama = await rooms.student(code, { name: 'Ama' })
    await host.command({ type: 'start' })
    await until('the question', () => ama.reply!.play !== null && host.facts!.round !== null)
    const { questions } = await puzzleOf<QuizPuzzle>(rooms.server, id)
    const choose = (place: number, isRight: boolean): object => {
      const right = questions[place]!.choices.findIndex((choice) => choice.right)
      return { type: 'choose', choices: [isRight ? right : (right + 1) % questions[place]!.choices.length] }
    }
    await ama.move(choose(0, true))
    expect((await again(host)).body.code).to.equal('nothing-missed')
    for (const phase of ['told', 'asking'] as const) {
      await host.command({ type: 'next' })
      await until(phase, () => host.facts!.round?.phase === phase && ama.reply!.live!.round?.phase === phase)
    }
    await ama.move(choose(1, false))
    await host.command({ type: 'end' })
    await until('the end', () => ama.reply!.live!.phase === 'over')
    const { body } = await again(host)
    const words = await wordsOf(host, body.listId)
    expect(words).to.have.length(4)
    expect(words).to.include(questions[1]!.answer.text)
  })
})
