import type { LateAnswers } from '@otter/api'
import type { QuizPuzzle, QuizView } from '@otter/core/games/quiz'
import type { WordSearchPuzzle } from '@otter/core/games/wordsearch'
import { expect } from 'chai'
import { LiveRooms, until, type HostScreen } from './liveScreens.ts'
import { puzzleOf, rows, teacherWithList, WORDS } from './testServer.ts'

describe('Answers that came too late', () => {
  const rooms = new LiveRooms()

  const lateOf = async (host: HostScreen, participantId: string): Promise<LateAnswers['answers']> =>
    (await host.client.call('GET', `/links/${host.id}/participants/${participantId}/late`)).body.answers
  const count = async (host: HostScreen, participantId: string): Promise<number> =>
    (await host.client.call('POST', `/links/${host.id}/participants/${participantId}/late`, {})).status
  const totals = (id: string): Promise<{ name: string; right: number; points: number; score: number }[]> =>
    rows(
      rooms.server,
      `SELECT p.name, y."right", y.points, (SELECT count(*)::int FROM responses r WHERE r.play_id = y.id
         AND r.outcome = 'right' AND r.counts) AS score
       FROM plays y JOIN participants p ON p.id = y.participant_id WHERE y.offer_id = $id ORDER BY p.seat`,
      { id },
    )

  it('are kept, shown to the teacher alone, and count at the teacher’s word, once', async () => {
    const { host, id, code } = await rooms.host({
      kind: 'quiz',
      options: { order: 'list', speed: 'strong' },
      live: { way: 'together', wayOptions: { seconds: 20 } },
    })
    const ama = await rooms.student(code, { name: 'Ama' })
    const bo = await rooms.student(code, { name: 'Bo' })
    await host.command({ type: 'start' })
    await until('the first question', () => ama.reply!.play !== null && bo.reply!.play !== null)
    const { questions } = await puzzleOf<QuizPuzzle>(rooms.server, id)
    const right = questions[0]!.choices.findIndex((choice) => choice.right)
    const moment = bo.reply!.play!.moment!
    await ama.move({ type: 'choose', choices: [right] })
    await until('the host to see it', () => host.facts!.round?.phase === 'asking')
    await host.command({ type: 'next' })
    await until('the answer', () => (bo.reply!.play!.view as QuizView).told !== null)
    const sent = { id: crypto.randomUUID(), for: moment, madeAt: 1_000_000, sentAt: 1_030_000 }
    const late = await bo.move({ type: 'choose', choices: [right] }, sent)
    expect(late.fate).to.equal('late')
    expect((await bo.move({ type: 'choose', choices: [right] }, sent)).fate, 'the same once more').to.equal('repeated')
    expect((await bo.move({ type: 'hint' }, { for: moment })).fate, 'no answer').to.equal('passed')
    await until('the host to see it', () => host.named('Bo')?.late === true)
    expect(host.named('Ama')!.late).to.equal(false)
    const { participantId } = host.named('Bo')!
    expect(await lateOf(host, participantId)).to.deep.equal([
      { text: questions[0]!.answer.text, given: questions[0]!.answer.text, outcome: 'right', wasOffline: false },
    ])
    expect((await totals(id))[1]).to.include({ right: 0, points: 0 })
    expect(await Promise.all([count(host, participantId), count(host, participantId)])).to.deep.equal([204, 204])
    const bos = (await totals(id))[1]!
    expect(bos).to.deep.include({ right: 1, points: questions[0]!.worth / 2, score: 1 })
    await until('the host to see it counted', () => host.named('Bo')!.right === 1 && !host.named('Bo')!.late)
    expect(host.questions.get(questions[0]!.entryId)).to.include({ right: 2, passed: 0 })
    expect((await bo.look()).play!.score.points).to.equal(bos.points)
    // The game goes on from there.
    await until('the host to see it closed', () => host.facts!.round?.phase === 'told')
    await host.command({ type: 'next' })
    await until('the second question', () => bo.reply!.live!.round?.number === 2)
    const next = questions[1]!.choices.findIndex((choice) => choice.right)
    expect((await bo.move({ type: 'choose', choices: [next] })).fate).to.equal('taken')
    await host.command({ type: 'end' })
    await until('the end', () => bo.reply!.live!.phase === 'over')
    expect((await totals(id))[1]).to.deep.include({ right: 2, score: 2 })
    const { body } = await host.client.call('GET', `/links/${id}/questions/${questions[0]!.entryId}`)
    expect(
      (body.answers as { name: string; late: boolean }[]).map(({ name, late: isLate }) => [name, isLate]),
    ).to.deep.equal([
      ['Ama', false],
      ['Bo', true],
    ])
    expect((await host.client.call('GET', `/links/${id}/results`)).body.participants[1]).to.include({ late: false })
  })

  it('of any game go on from where the end of its session found it, though the end was seen', async () => {
    const { host, id, code } = await rooms.host({ kind: 'wordsearch', live: { way: 'ownpace' } })
    const ama = await rooms.student(code, { name: 'Ama' })
    await host.command({ type: 'start' })
    await until('the game', () => ama.reply!.play !== null)
    const { words } = await puzzleOf<WordSearchPuzzle>(rooms.server, id)
    const line = (index: number): object => {
      const { row, col, dRow, dCol, length } = words[index]!
      const last = length - 1
      return { type: 'mark', from: { row, col }, to: { row: row + dRow * last, col: col + dCol * last } }
    }
    expect((await ama.move(line(0))).fate).to.equal('taken')
    await host.command({ type: 'end' })
    await until('the end', () => ama.reply!.live!.phase === 'over')
    await until('the play to be ended', async () => (await ama.look()).play!.score.finished)
    expect((await ama.move(line(1))).fate).to.equal('late')
    expect((await ama.move({ type: 'hint', item: 2 })).fate, 'no help any more').to.equal('passed')
    const miss = { type: 'mark', from: { row: 0, col: 0 }, to: { row: 0, col: 0 } }
    expect((await ama.move(miss)).fate, 'no answer').to.equal('passed')
    expect((await ama.move(line(1))).fate, 'found already').to.equal('passed')
    expect((await ama.move(line(2))).fate).to.equal('late')
    expect((await ama.move({ type: 'count', moves: [3] }).catch((error: Error) => error)).toString()).to.include(
      'invalid',
    )
    await until('the host to see it', () => host.named('Ama')?.late === true)
    const { participantId } = host.named('Ama')!
    expect((await lateOf(host, participantId)).map(({ outcome }) => outcome)).to.deep.equal(['right', 'right'])
    expect((await totals(id))[0]).to.include({ right: 1, score: 1 })
    expect(await count(host, participantId)).to.equal(204)
    expect((await totals(id))[0]).to.include({ right: 3, score: 3 })
    expect((await ama.look()).play!.score).to.include({ right: 3, finished: true })
    expect((await ama.move(line(3))).fate, 'and once more').to.equal('late')
    expect(await count(host, participantId)).to.equal(204)
    expect((await totals(id))[0]).to.include({ right: 4, score: 4 })
    expect(await lateOf(host, participantId)).to.deep.equal([])
    // Whoever sends without end has nothing judged any more.
    await rows(
      rooms.server,
      `INSERT INTO moves (play_id, number, id, move, at, clock, rules, fate, author)
       SELECT y.id, 1000 + n, gen_random_uuid(), '{"type":"finish"}', now(), 0, 1, 'passed', 'player'
       FROM plays y, generate_series(1, 200) n WHERE y.offer_id = $id`,
      { id },
    )
    expect((await ama.move(line(4))).fate).to.equal('passed')
  })

  it('are nobody’s business but the teacher’s whose session it is', async () => {
    const { host, id, code } = await rooms.host({ kind: 'hangman', live: { way: 'ownpace' } })
    const ama = await rooms.student(code, { name: 'Ama' })
    await until('the host to see it', () => host.named('Ama') !== undefined)
    const path = `/links/${id}/participants/${host.named('Ama')!.participantId}/late`
    const { client: other } = await teacherWithList(rooms.server.url, WORDS)
    for (const client of [other, ama.client])
      expect([(await client.call('GET', path)).status, (await client.call('POST', path, {})).status]).to.satisfy(
        (all: number[]) => all.every((status) => status === 404 || status === 401 || status === 403),
      )
  })
})
