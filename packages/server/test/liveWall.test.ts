import type { StudentAnswers } from '@otter/api'
import type { LiveRules } from '@otter/core'
import type { QuizPuzzle, QuizView } from '@otter/core/games/quiz'
import { expect } from 'chai'
import type { StudentScreen } from './liveScreens.ts'
import { LiveRooms, until } from './liveScreens.ts'
import { puzzleOf, teacherWithList, WORDS } from './testServer.ts'

describe('The wall of a live session', () => {
  const rooms = new LiveRooms()

  it('shows who is here, what is asked and how many have answered, and nothing that is private', async () => {
    const { host, id, code } = await rooms.host({
      kind: 'quiz',
      options: { order: 'list' },
      live: { way: 'together', wayOptions: { seconds: 0 } },
    })
    const { wall, first } = await rooms.wall(host)
    expect([first.code, first.facts.phase, first.here, first.names]).to.deep.equal([code, 'lobby', 0, []])
    expect(first.address).to.match(new RegExp(`/p/${code}$`, 'u'))
    const ama = await rooms.student(code, { name: 'Ama', note: 'third row' })
    const rude = await rooms.student(code, { name: 'Sh1t' })
    await until('both on the wall', () => wall.now!.here === 2)
    expect(wall.now!.names.map(({ name }) => name)).to.deep.equal(['Ama', rude.reply!.player!.name])
    await host.command({ type: 'start' })
    await until('the question', () => ama.reply!.play !== null && wall.now!.facts.round?.phase === 'asking')
    const { questions } = await puzzleOf<QuizPuzzle>(rooms.server, id)
    const right = questions[0]!.choices.findIndex((choice) => choice.right)
    await ama.move({ type: 'choose', choices: [right] })
    await until('the answer to be counted', () => wall.now!.answered === 1)
    const view = wall.now!.facts.view as QuizView
    expect([view.told, view.key]).to.deep.equal([null, []])
    expect([wall.now!.facts.round!.split, wall.now!.ranking, wall.now!.found.total]).to.deep.equal([null, null, 0])
    const before = wall.heard.join('\n')
    expect(before).not.to.match(/"right":true|third row|sh1t|returnCode|participantId/iu)
    await until('the host to see it', () => host.facts!.round?.phase === 'asking')
    await host.command({ type: 'next' })
    await until('the split', () => wall.now!.facts.round!.phase === 'told' && wall.now!.facts.round!.split !== null)
    const { split } = wall.now!.facts.round!
    expect([split!.first, split!.answers]).to.deep.equal([
      'Ama',
      [{ given: questions[0]!.answer.text, right: true, count: 1 }],
    ])
    expect(wall.now!.ranking, 'the ranking is for the end').to.equal(null)
    await host.command({ type: 'end' })
    await until('the finish', () => wall.now!.facts.phase === 'over' && wall.now!.found.total > 0)
    expect(wall.now!.ranking!.rows.map(({ place, name }) => [place, name])).to.deep.equal([[1, 'Ama']])
    await until('the end of both plays', async () => {
      const { body } = await host.client.call('GET', `/live/${id}/wall`)
      return body.found.right === 1 && body.found.total === 1
    })
    expect(wall.heard.join('\n')).not.to.match(/third row|sh1t|returnCode|participantId/iu)
  })

  it('ranks as it was set, and every student knows the own place however that is', async () => {
    const shown: Record<LiveRules['ranking'], number | null> = {
      everyone: 7,
      'first-five': 5,
      teacher: null,
      nobody: null,
    }
    for (const [ranking, count] of Object.entries(shown)) {
      const { host, id, code } = await rooms.host({
        kind: 'quiz',
        options: { order: 'list' },
        live: { way: 'ownpace', ranking },
      })
      const { wall } = await rooms.wall(host)
      const students: StudentScreen[] = []
      for (let index = 0; index < 7; index++) students.push(await rooms.student(code, { name: `Student ${index}` }))
      await host.command({ type: 'start' })
      await until('the game', () => students.every(({ reply }) => reply!.play !== null))
      const { questions } = await puzzleOf<QuizPuzzle>(rooms.server, id)
      const right = questions[0]!.choices.findIndex((choice) => choice.right)
      for (const [index, student] of students.entries())
        await student.move({ type: 'choose', choices: [index === 3 ? right : (right + 1) % 4] })
      await host.command({ type: 'end' })
      await until('the finish', () => wall.now!.facts.phase === 'over')
      const { body } = await host.client.call('GET', `/live/${id}/wall`)
      expect(body.ranking?.rows.length ?? null, ranking).to.equal(count)
      if (count !== null) expect(body.ranking.rows[0]).to.include({ place: 1, name: 'Student 3', right: 1 })
      await until('their ends', () => students.every(({ reply }) => reply!.live!.phase === 'over'))
      const places = await Promise.all(students.map(async (student) => (await student.look()).live!.me!.rank?.place))
      expect(places, ranking).to.deep.equal([2, 2, 2, 1, 2, 2, 2])
      const seen = students[0]!.reply!.live!.ranking
      expect(seen?.rows.length ?? null, ranking).to.equal(count)
      rooms.close()
    }
  })

  it('shows teams under the names that their students gave them, kind ones', async () => {
    const { host, id, code } = await rooms.host({
      kind: 'hangman',
      live: { way: 'ownpace', teams: { by: 'chosen', names: ['North', 'South'] } },
    })
    const { wall } = await rooms.wall(host)
    const ama = await rooms.student(code, { name: 'Ama' })
    const [north, south] = ama.reply!.live!.teams
    expect([north!.name, south!.name]).to.deep.equal(['North', 'South'])
    const change = (student: StudentScreen, body: object) => student.client.call('PATCH', `/play/${code}/me`, body)
    const chosen = await change(ama, {
      teamId: south!.teamId,
      note: ' by the window ',
      look: { fur: 1, hat: 2, thing: 3 },
    })
    expect(chosen.body.live.me).to.deep.include({ note: 'by the window', look: { fur: 1, hat: 2, thing: 3 } })
    expect(chosen.body.live.me.team).to.deep.equal({ name: 'South', members: ['Ama'] })
    expect((await change(ama, { teamName: 'Sh1t' })).body.code).to.equal('unkind-name')
    expect((await change(ama, { teamName: 'The Terns' })).body.live.me.team.name).to.equal('The Terns')
    await until('the wall to show it', () => wall.now!.names[0]?.team === 'The Terns')
    await until('the host to see it', () => host.named('Ama')?.note === 'by the window')
    // A team of another session is no team here.
    const other = await rooms.host({ kind: 'hangman', live: { teams: { by: 'chosen', names: ['East', 'West'] } } })
    const foreign = (await other.host.client.call('GET', `/live/${other.id}`)).body.teams[0].teamId
    expect((await change(ama, { teamId: foreign })).body.live.me.team.name).to.equal('The Terns')
    await host.command({ type: 'start' })
    await until('the start', () => ama.reply!.live!.phase === 'running')
    expect((await change(ama, { teamName: 'Too late' })).body.live.me.team.name).to.equal('The Terns')
    expect((await host.client.call('GET', `/live/${id}/wall`)).body.names).to.deep.include({
      name: 'Ama',
      look: { fur: 1, hat: 2, thing: 3 },
      team: 'The Terns',
    })
  })

  it('is another’s neither to see nor to open; what a student answered is the teacher’s alone', async () => {
    const { host, id, code } = await rooms.host({ kind: 'quiz', options: { order: 'list' }, live: { way: 'ownpace' } })
    const ama = await rooms.student(code, { name: 'Ama' })
    await host.command({ type: 'start' })
    await until('the game', () => ama.reply!.play !== null)
    const { questions } = await puzzleOf<QuizPuzzle>(rooms.server, id)
    const right = questions[0]!.choices.findIndex((choice) => choice.right)
    await ama.move({ type: 'choose', choices: [right] })
    await ama.move({ type: 'next' })
    await ama.move({ type: 'hint' })
    const next = questions[1]!.choices.findIndex((choice) => choice.right)
    await ama.move({ type: 'choose', choices: [(next + 1) % 4] })
    await until('the host to see it', () => host.named('Ama')?.met === 2)
    const path = `/live/${id}/participants/${host.named('Ama')!.participantId}/answers`
    const { answers } = (await host.client.call('GET', path)).body as StudentAnswers
    expect(answers.map(({ text, outcome, round }) => [text, outcome, round])).to.deep.equal([
      [questions[1]!.answer.text, 'wrong', 'first'],
      [questions[0]!.answer.text, 'right', 'first'],
    ])
    expect(answers[0]!.given).not.to.equal(questions[1]!.answer.text)
    const { client: other } = await teacherWithList(rooms.server.url, WORDS)
    for (const [method, where] of [
      ['GET', path],
      ['GET', `/live/${id}`],
      ['GET', `/live/${id}/wall`],
      ['POST', `/live/${id}/passes/wall`],
      ['POST', `/live/${id}/passes/teacher`],
    ] as const)
      expect((await other.call(method, where, method === 'POST' ? {} : undefined)).status, where).to.equal(404)
    expect((await ama.client.call('GET', `/live/${id}/wall`)).status).to.equal(401)
  })
})
