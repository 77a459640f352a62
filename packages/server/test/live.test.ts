import type { HostState } from '@otter/api'
import type { QuizPuzzle, QuizView } from '@otter/core/games/quiz'
import type { WordSearchPuzzle } from '@otter/core/games/wordsearch'
import { expect } from 'chai'
import { inScope } from '../src/db/scope.ts'
import { passAbsences } from '../src/services/livePassing.ts'
import { sendCommand } from '../src/services/liveSessions.ts'
import { PuzzleCache } from '../src/services/puzzleCache.ts'
import { LiveRooms, openLive, StudentScreen, until } from './liveScreens.ts'
import { puzzleOf, rows, teacherWithList, WORDS } from './testServer.ts'

describe('A live session', () => {
  const rooms = new LiveRooms()

  it('is played together: a question for all, a lock on answers, and nothing told before it is closed', async () => {
    const {
      host: teacher,
      id,
      code,
    } = await rooms.host({
      kind: 'quiz',
      options: { order: 'list', speed: 'strong' },
      live: { way: 'together', wayOptions: { seconds: 0 } },
    })
    const ama = await rooms.student(code, { name: 'Ama' })
    const bo = await rooms.student(code, { name: 'Bo' })
    expect(ama.reply!.play, 'in the lobby nothing is to be seen of the game').to.equal(null)
    expect(ama.reply!.live!.phase).to.equal('lobby')
    await until('both in the lobby', () => teacher.students.size === 2)
    expect(await teacher.command({ type: 'start' })).to.equal(204)
    await until('the first question', () => ama.reply!.play !== null && bo.reply!.play !== null)
    const puzzle = await puzzleOf<QuizPuzzle>(rooms.server, id)
    const rightOf = (place: number): number => puzzle.questions[place]!.choices.findIndex(({ right }) => right)
    const right = rightOf(0)
    const wrong = (right + 1) % puzzle.questions[0]!.choices.length
    const answered = await ama.move({ type: 'choose', choices: [right] })
    expect(answered.fate).to.equal('taken')
    const view = answered.play!.view as QuizView
    expect([view.told, view.sent?.choices, answered.play!.score.points]).to.deep.equal([null, [right], 0])
    expect((await ama.move({ type: 'choose', choices: [wrong] })).fate, 'it locks').to.equal('void')
    await bo.move({ type: 'choose', choices: [wrong] })
    await until('the host to see both', () => teacher.named('Ama')?.moves === 2 && teacher.named('Bo')?.moves === 1)
    const seen = teacher.questions.get(puzzle.questions[0]!.entryId)!
    expect([seen.right, seen.wrong]).to.deep.equal([1, 1])
    const [one, other] = await Promise.all([teacher.command({ type: 'next' }), teacher.command({ type: 'next' })])
    expect([one, other]).to.deep.equal([204, 204])
    await until('the answer', () => (ama.reply!.play!.view as QuizView).told !== null)
    const told = ama.reply!
    expect((told.play!.view as QuizView).told!.right).to.equal(true)
    expect(told.play!.score.points).to.be.greaterThan(0)
    expect(told.live!.round).to.deep.include({ number: 1, phase: 'told' })
    expect(told.live!.round!.split!.first).to.equal('Ama')
    expect(told.live!.round!.split!.answers.map(({ count, right: isRight }) => [count, isRight])).to.have.deep.members([
      [1, true],
      [1, false],
    ])
    await until('the host to see it closed', () => teacher.facts!.round?.phase === 'told')
    // Late: made for the question that is closed.
    await teacher.command({ type: 'next' })
    await until('the second question', () => bo.reply!.live!.round?.number === 2)
    const late = await rooms.student(code, { name: 'Late' })
    expect((late.reply!.play!.view as QuizView).question!.number, 'who comes late begins here').to.equal(2)
    const past = await bo.move({ type: 'choose', choices: [right] }, { for: told.play!.moment! })
    expect(past.fate).to.equal('passed')
    await teacher.command({ type: 'end' })
    await until('the end', () => bo.reply!.live!.phase === 'over')
    expect(bo.reply!.play!.score.finished).to.equal(true)
    await until('all plays to be ended', async () => {
      const open = await rows(rooms.server, 'SELECT 1 FROM plays WHERE offer_id = $id AND ended_at IS NULL', { id })
      return open.length === 0
    })
    const { body } = await teacher.client.call('GET', `/links/${id}/results`)
    const byName = Object.fromEntries(
      (body.participants as { name: string; right: number }[]).map(({ name, right: count }) => [name, count]),
    )
    expect(byName).to.deep.equal({ Ama: 1, Bo: 0, Late: 0 })
    expect(body.questions[1]).to.include({ passed: 3, notReached: 0 })
    expect(body.questions[0]).to.include({ right: 1, wrong: 1, passed: 0, notReached: 0 })
  })

  it('stands still where its host is away and it is set so, goes on with the host, and ends once nobody cares', async () => {
    const {
      host: teacher,
      id,
      code,
    } = await rooms.host({ kind: 'hangman', live: { way: 'ownpace', hostAway: 'pause' } })
    const ama = await rooms.student(code, { name: 'Ama' })
    await teacher.command({ type: 'start' })
    await until('the start', () => teacher.facts!.phase === 'running')
    const source = { database: rooms.server.database, puzzles: new PuzzleCache() }
    const look = async (ago: string): Promise<string[]> => {
      const changed: string[] = []
      const moved = `UPDATE live_sessions SET host_at = now() - $ago::interval, touched_at = now() - $ago::interval
        WHERE offer_id = $id RETURNING 1`
      await rows(rooms.server, moved, { id, ago })
      const onFailure = (error: unknown): void => expect.fail(String(error))
      await passAbsences(source, { onChange: (offerId) => changed.push(offerId), onFailure })
      return changed
    }
    expect(await look('30 seconds')).to.deep.equal([])
    expect(await look('2 minutes')).to.deep.equal([id])
    const state = async (): Promise<{ phase: string; pausedBy: string | null; endedBy: string | null }> =>
      (await teacher.client.call('GET', `/live/${id}`)).body.facts
    expect(await state()).to.include({ phase: 'paused', pausedBy: 'absence' })
    const { facts } = (await teacher.client.call('GET', `/live/${id}`)).body
    await teacher.command({ type: 'resume' }, facts.revision)
    expect((await state()).phase).to.equal('running')
    await rows(
      rooms.server,
      "UPDATE plays SET last_seen_at = now() - interval '4 hours' WHERE offer_id = $id RETURNING 1",
      {
        id,
      },
    )
    expect(await look('4 hours')).to.deep.equal([id])
    expect(await state()).to.include({ phase: 'over', endedBy: 'absence' })
    expect((await ama.look()).live!.phase, 'and is kept').to.equal('over')
  })

  it('is told within moments though the word of the server that changed it was lost', async () => {
    const { host: teacher, id, code } = await rooms.host({ kind: 'hangman', live: { way: 'ownpace' } })
    const ama = await rooms.student(code, { name: 'Ama' })
    const [offer] = await rows<{ teacher_id: string }>(rooms.server, 'SELECT teacher_id FROM offers WHERE id = $id', {
      id,
    })
    const source = { database: rooms.server.database, puzzles: new PuzzleCache() }
    await inScope(source, { teacherId: offer!.teacher_id }, (scope) =>
      sendCommand(scope, id, { command: { type: 'start' }, revision: 0 }),
    )
    await until('the start', () => ama.reply!.live!.phase === 'running' && teacher.facts!.phase === 'running')
  })

  it('that is deleted, or can’t be read, takes nothing from the others', async () => {
    const gone = await rooms.host({ kind: 'hangman', live: { way: 'ownpace' } })
    const broken = await rooms.host({ kind: 'quiz', live: { way: 'ownpace', end: { minutes: 1 } } })
    const kept = await rooms.host({ kind: 'quiz', live: { way: 'ownpace', end: { minutes: 1 } } })
    const ama = await rooms.student(kept.code, { name: 'Ama' })
    for (const one of [broken, kept]) await one.host.command({ type: 'start' })
    await until('the start', () => kept.host.facts!.phase === 'running' && broken.host.facts!.phase === 'running')
    let isClosed = false
    gone.host.socket!.on('disconnect', () => (isClosed = true))
    expect((await gone.host.client.call('DELETE', `/links/${gone.id}`)).status).to.equal(204)
    await until('its screens to be closed', () => isClosed)
    // Both are over by now; the one that comes first has a state of a version that is not known here.
    const late = `UPDATE live_sessions SET state = jsonb_set(state, '{endsAt}', '1000'), due_at = now() - $ago::interval,
      version = $version WHERE offer_id = $id RETURNING 1`
    await rows(rooms.server, late, { id: broken.id, ago: '2 minutes', version: 99 })
    await rows(rooms.server, late, { id: kept.id, ago: '1 minute', version: 1 })
    await until('the other one to end', () => ama.reply!.live!.phase === 'over')
    await until('its host to see it', () => kept.host.facts!.endedBy === 'time')
  })

  it('is played at one’s own pace with any game, and ends for all at once', async () => {
    const { host: teacher, code } = await rooms.host({ kind: 'wordsearch', live: { way: 'ownpace' } })
    const ama = await rooms.student(code, { name: 'Ama' })
    await teacher.command({ type: 'start' })
    await until('the game', () => ama.reply!.play !== null)
    await ama.move({ type: 'hint', item: 0 })
    await until('the host to see it', () => teacher.named('Ama')?.moves === 1)
    await teacher.command({ type: 'end' })
    await until('the end', () => ama.reply!.live!.phase === 'over')
    expect((await ama.move({ type: 'hint', item: 1 })).fate, 'nothing after the end').to.equal('passed')
  })

  it('believes no answer to have waited on a device that was connected then, nor from before it was last heard of', async () => {
    const { host: teacher, id, code } = await rooms.host({ kind: 'wordsearch', live: { way: 'ownpace' } })
    const ama = await rooms.student(code, { name: 'Ama' })
    await teacher.command({ type: 'start' })
    await until('the game', () => ama.reply!.play !== null)
    const pause = (milliseconds: number): Promise<void> => new Promise((resolve) => setTimeout(resolve, milliseconds))
    /** Returns the delays that are kept of the moves so far, in milliseconds. */
    const delays = async (): Promise<number[]> =>
      (
        await rows<{ delay: number }>(
          rooms.server,
          `SELECT m.delay_ms AS delay FROM moves m JOIN plays y ON y.id = m.play_id WHERE y.offer_id = $id AND m.author = 'player'
            ORDER BY m.number`,
          { id },
        )
      ).map(({ delay }) => delay)
    const waited = (milliseconds: number): { madeAt: number; sentAt: number } => ({
      madeAt: Date.now() - milliseconds,
      sentAt: Date.now(),
    })
    await pause(2000)
    await ama.move({ type: 'hint', item: 0 }, waited(1800))
    expect(await delays(), 'it was connected for longer').to.deep.equal([0])
    ama.socket!.disconnect()
    await pause(2400)
    const sent = { id: crypto.randomUUID(), attempt: 1, move: { type: 'hint', item: 1 }, ...waited(1800) }
    expect((await ama.client.call('POST', `/play/${code}/moves`, sent)).status).to.equal(200)
    expect((await delays())[1], 'it had no connection').to.equal(1800)
    const older = { id: crypto.randomUUID(), attempt: 1, move: { type: 'hint', item: 2 }, ...waited(50_000) }
    expect((await ama.client.call('POST', `/play/${code}/moves`, older)).status).to.equal(200)
    expect((await delays())[2], 'no longer than since it was heard of').to.be.within(1800, 20_000)
  })

  it('ends once somebody has the points that were set, also where these are set while it runs', async () => {
    const { host: teacher, id, code } = await rooms.host({ kind: 'quiz', options: { order: 'list' } })
    const ama = await rooms.student(code, { name: 'Ama' })
    await teacher.command({ type: 'start' })
    await until('the game', () => ama.reply!.play !== null)
    const { questions } = await puzzleOf<QuizPuzzle>(rooms.server, id)
    const answer = async (place: number): Promise<void> => {
      await ama.move({ type: 'choose', choices: [questions[place]!.choices.findIndex(({ right }) => right)] })
      await ama.move({ type: 'next' })
    }
    await answer(0)
    const points = (questions[0]?.worth ?? 0) + (questions[1]?.worth ?? 0)
    await until('the host to see it', () => teacher.facts!.phase === 'running')
    const { facts } = (await teacher.client.call('GET', `/live/${id}`)).body
    const end = { minutes: null, points, allDone: false }
    expect(await teacher.command({ type: 'set-end', end }, facts.revision)).to.equal(204)
    await until('the new end', () => teacher.facts!.end.points === points)
    await new Promise((resolve) => setTimeout(resolve, 1500))
    expect(teacher.facts!.phase, 'half of them are not enough').to.equal('running')
    await answer(1)
    await until('the end', () => ama.reply!.live!.phase === 'over' && teacher.facts!.phase === 'over')
    expect(teacher.facts!.endedBy).to.equal('points')
  })

  it('puts students into teams by how they did before', async () => {
    const { client, listId } = await teacherWithList(rooms.server.url, WORDS)
    const earlier = (await client.call('POST', `/lists/${listId}/links`, { kind: 'wordsearch', seed: '1' })).body
    const { words } = await puzzleOf<WordSearchPuzzle>(rooms.server, earlier.id)
    for (const name of ['Ama', 'Bo', 'Chi', 'Dario']) {
      const student = new StudentScreen(rooms.server.url, earlier.code)
      await student.join({ name })
      const good = name === 'Ama' || name === 'Bo' ? words : []
      for (const { row, col, dRow, dCol, length } of good) {
        const to = { row: row + dRow * (length - 1), col: col + dCol * (length - 1) }
        const move = { type: 'mark', from: { row, col }, to }
        const sent = { id: crypto.randomUUID(), attempt: 1, move }
        expect((await student.client.call('POST', `/play/${earlier.code}/moves`, sent)).status).to.equal(200)
      }
    }
    const { id, code } = await openLive(
      { client, listId },
      {
        kind: 'hangman',
        live: { way: 'ownpace', teams: { by: 'balanced', names: ['North', 'South'] } },
      },
    )
    for (const name of ['ama', 'Bo', 'Chi', 'Dario', 'New'])
      await new StudentScreen(rooms.server.url, code).join({ name })
    const { students, teams } = (await client.call('GET', `/live/${id}`)).body as HostState
    const teamOf = (name: string): string | null => students.find((one) => one.name === name)!.teamId
    expect(teams).to.have.length(2)
    expect([teamOf('ama') === teamOf('Bo'), teamOf('Chi') === teamOf('Dario')]).to.deep.equal([false, false])
    expect(teams.map(({ teamId }) => teamId)).to.include(teamOf('New'))
  })

  it('puts who is named in a team into it, whatever the letters, and draws a team for the others', async () => {
    const { client, listId } = await teacherWithList(rooms.server.url, WORDS)
    const members = [['Ama', 'Bo', 'Chi'], ['Dario']]
    const live = { way: 'ownpace', teams: { by: 'drawn', names: ['North', 'South'], members } }
    const { id, code } = await openLive({ client, listId }, { kind: 'hangman', live })
    for (const name of ['ama', 'Bo', 'CHI', 'Dario', 'New'])
      await new StudentScreen(rooms.server.url, code).join({ name })
    const { students, teams } = (await client.call('GET', `/live/${id}`)).body as HostState
    const teamOf = (name: string): string | undefined =>
      teams.find(({ teamId }) => teamId === students.find((one) => one.name === name)!.teamId)?.name
    expect(['ama', 'Bo', 'CHI', 'Dario', 'New'].map(teamOf)).to.deep.equal([
      'North',
      'North',
      'North',
      'South',
      'South',
    ])
  })
})
