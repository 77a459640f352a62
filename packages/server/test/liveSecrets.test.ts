import { GAME_KINDS, gameOf, WAY_KINDS, wayOf, type WayKind } from '@otter/core'
import type { QuizPuzzle } from '@otter/core/games/quiz'
import { expect } from 'chai'
import { readPass, signPass } from '../src/live/passes.ts'
import { LiveRooms, StudentScreen, until } from './liveScreens.ts'
import { puzzleOf, rows, teacherWithList, WORDS } from './testServer.ts'

/** All that a student was told, in small letters. */
function heardBy({ heard }: StudentScreen): string {
  return heard.join('\n').toLowerCase()
}

function isSuited(way: WayKind, inStep: ReturnType<typeof gameOf>['inStep']): boolean {
  return wayOf(way).suits({ steps: inStep ? [{ seconds: 0 }] : [], hasBoard: inStep?.hasBoard ?? false })
}

describe('What a live session tells', () => {
  const rooms = new LiveRooms()

  for (const way of WAY_KINDS)
    for (const kind of GAME_KINDS) {
      const { sample, inStep } = gameOf(kind)
      if (sample.hidden === null || !isSuited(way, inStep)) continue
      it(`holds no answer to ${kind} in any message before it was given or asked for: ${way}`, async () => {
        const { host: teacher, code } = await rooms.host({ kind, options: sample.hidden, live: { way } })
        const screen = await rooms.student(code, { name: 'Ama' })
        await teacher.command({ type: 'start' })
        await until('the game', () => screen.reply!.play !== null)
        if (way === 'board') {
          await until('the host', () => teacher.facts!.phase === 'running')
          await teacher.command({ type: 'pick', place: 0 })
          await until('the question', () => screen.reply!.live!.round !== null)
        }
        await screen.look()
        await teacher.command({ type: 'pause' })
        await until('the pause', () => screen.reply!.live!.phase === 'paused')
        const all = heardBy(screen) + JSON.stringify(screen.reply).toLowerCase()
        for (const word of WORDS) expect(all, word).not.to.include(word)
        expect(all).not.to.match(/"right":true|"key":\["/u)
      })
    }

  it('tells an answer to nobody who plays, not even who has just given it, while others can still answer', async () => {
    const {
      host: teacher,
      id,
      code,
    } = await rooms.host({
      kind: 'quiz',
      options: { form: 'typed', order: 'list' },
      live: { way: 'together', wayOptions: { seconds: 0, rankingBetween: true } },
    })
    const ama = await rooms.student(code, { name: 'Ama' })
    const bo = await rooms.student(code, { name: 'Bo' })
    await teacher.command({ type: 'start' })
    await until('the question', () => bo.reply!.play !== null && ama.reply!.play !== null)
    const { questions } = await puzzleOf<QuizPuzzle>(rooms.server, id)
    const answer = questions[0]!.answer.text
    await ama.move({ type: 'type', text: 'no idea' })
    await ama.look()
    // Long enough for the ranking to be told to who waits.
    await new Promise((resolve) => setTimeout(resolve, 3600))
    for (const screen of [ama, bo]) {
      const all = heardBy(screen) + JSON.stringify(screen.reply).toLowerCase()
      expect(all).not.to.include(answer)
      expect(all).not.to.match(/"right":true|"points":[1-9]/u)
      expect(screen.reply!.live!.me!.rank, 'a place would tell it too').to.equal(null)
    }
    await until('the host to see the answer', () => teacher.named('Ama')?.moves === 1)
    await teacher.command({ type: 'next' })
    await until('the answer', () => JSON.stringify(bo.reply).includes(answer))
  })

  it('opens no socket to whom it does not belong, and lets nobody answer for another', async () => {
    const { id, code } = await rooms.host({ kind: 'hangman', live: { way: 'ownpace' } })
    const ama = await rooms.student(code, { name: 'Ama' })
    const participantId = ama.reply!.live!.me!.participantId
    const holder = { audience: 'player' as const, offerId: id, participantId, personId: participantId }
    const [content, signature] = signPass('for tests alone', holder).split('.')
    expect(readPass('for tests alone', `${content}.${signature}`)).to.include({ participantId })
    const other = Buffer.from(JSON.stringify({ ...holder, participantId: id, until: Date.now() + 9e6 })).toString(
      'base64url',
    )
    for (const forged of [undefined, 'x', `${other}.${signature}`, `${content}.`, signPass('another secret', holder)])
      expect(readPass('for tests alone', forged)).to.equal(undefined)
    expect(readPass('for tests alone', `${content}.${signature}`, Date.now() + 61_000), 'it is old').to.equal(undefined)
    const stranger = new StudentScreen(rooms.server.url, code)
    expect((await stranger.client.call('POST', `/play/${code}/pass`, {})).body.code).to.equal('who-are-you')
    const { client } = await teacherWithList(rooms.server.url, WORDS)
    for (const path of [`/live/${id}`, `/live/${id}/wall`])
      expect((await client.call('GET', path)).status, 'another teacher').to.equal(404)
    expect((await client.call('POST', `/live/${id}/passes/teacher`, {})).status).to.equal(404)
    expect(
      (await client.call('POST', `/live/${id}/commands`, { command: { type: 'end' }, revision: 0 })).status,
    ).to.equal(404)
  })

  it('keeps names: rude ones wait, who was sent out stays out, a code brings back, doors lock', async () => {
    const { host: teacher, id, code } = await rooms.host({ kind: 'hangman', live: { way: 'ownpace', late: false } })
    const rude = await rooms.student(code, { name: 'Sh1t' })
    const shown = rude.reply!
    expect(shown.player!.name).not.to.match(/sh1t/iu)
    expect(shown.live!.me!.heldName).to.equal('Sh1t')
    await until('the host to see it', () => [...teacher.students.values()].some(({ heldName }) => heldName === 'Sh1t'))
    const { participantId } = [...teacher.students.values()][0]!
    const path = `/live/${id}/participants/${participantId}/name`
    expect((await teacher.client.call('PUT', path, { allowed: true })).status).to.equal(204)
    expect((await rude.look()).player!.name).to.equal('Sh1t')
    const returnCode = shown.live!.me!.returnCode
    const tablet = await rooms.student(code, { returnCode: returnCode.toLowerCase() })
    expect(tablet.reply!.live!.me!.participantId).to.equal(participantId)
    const wrong = await new StudentScreen(rooms.server.url, code).client.call('POST', `/play/${code}/join`, {
      returnCode: 'XXXX',
    })
    expect([wrong.status, wrong.body.code]).to.deep.equal([404, 'no-return-code'])
    await teacher.client.call('PATCH', `/links/${id}/participants/${participantId}`, { removed: true })
    const again = await rude.client.call('POST', `/play/${code}/join`, { name: 'Somebody else' })
    expect(again.body.code, 'the browser is known').to.equal('taken-out')
    await teacher.command({ type: 'lock', locked: true })
    const locked = await new StudentScreen(rooms.server.url, code).client.call('POST', `/play/${code}/join`, {
      name: 'Bo',
    })
    expect(locked.body.code).to.equal('door-locked')
    await until('the lock', () => teacher.facts!.locked)
    await teacher.command({ type: 'lock', locked: false })
    await teacher.command({ type: 'start' })
    const late = await new StudentScreen(rooms.server.url, code).client.call('POST', `/play/${code}/join`, {
      name: 'Bo',
    })
    expect(late.body.code).to.equal('no-latecomers')
  })

  it('makes kind names, takes names from a list, and puts teams of equal size together', async () => {
    const given = await rooms.host({
      kind: 'hangman',
      live: { way: 'ownpace', names: 'given', teams: { by: 'drawn', names: ['River', 'Meadow'] } },
    })
    const names = new Set<string>()
    for (let index = 0; index < 6; index++) names.add((await rooms.student(given.code, {})).reply!.player!.name)
    expect(names.size).to.equal(6)
    for (const name of names) expect(name).to.match(/^\p{Lu}\p{L}+ \p{Lu}\p{L}+$/u)
    const sizes = await rows<{ count: number }>(
      rooms.server,
      'SELECT count(*)::int AS count FROM participants WHERE offer_id = $id GROUP BY team_id',
      { id: given.id },
    )
    expect(sizes.map(({ count }) => count)).to.deep.equal([3, 3])
    const listed = await rooms.host({ kind: 'hangman', live: { names: 'list' }, roster: ['Ama', 'Bo'] })
    const open = await new StudentScreen(rooms.server.url, listed.code).look()
    expect(open.live!.roster).to.deep.equal(['Ama', 'Bo'])
    const ama = await rooms.student(listed.code, { name: 'ama' })
    expect(ama.reply!.player!.name).to.equal('Ama')
    const stranger = new StudentScreen(rooms.server.url, listed.code)
    expect((await stranger.look()).live!.roster, 'a name is given once').to.deep.equal(['Bo'])
    expect((await stranger.client.call('POST', `/play/${listed.code}/join`, { name: 'Zed' })).body.code).to.equal(
      'not-on-list',
    )
  })

  it('offers another round, and plays what was missed once more', async () => {
    const {
      host: teacher,
      id,
      code,
    } = await rooms.host({ kind: 'quiz', options: { second: false, form: 'typed' }, live: { way: 'ownpace' } })
    const screen = await rooms.student(code, { name: 'Ama' })
    await teacher.command({ type: 'start' })
    await until('the game', () => screen.reply!.play !== null)
    await screen.move({ type: 'type', text: 'no idea' })
    await screen.move({ type: 'finish' })
    const { body: second } = await screen.client.call('POST', `/play/${code}/again`, {})
    expect([second.play.attempt, second.play.score.total]).to.deep.equal([2, WORDS.length])
    const versions = await rows<{ position: number; game_version_id: string }>(
      rooms.server,
      'SELECT position, game_version_id FROM offer_games WHERE offer_id = $id ORDER BY position',
      { id },
    )
    expect(versions.map(({ position }) => position)).to.deep.equal([0, 1])
    expect(versions[0]!.game_version_id, 'an order drawn anew').not.to.equal(versions[1]!.game_version_id)
    await teacher.command({ type: 'end' })
    await until('the end', () => teacher.facts!.phase === 'over')
    const requestId = crypto.randomUUID()
    const wanted = { title: 'Once more', requestId }
    const [one, other] = [
      await teacher.client.call('POST', `/live/${id}/again`, wanted),
      await teacher.client.call('POST', `/live/${id}/again`, wanted),
    ]
    expect([one.status, other.body.id]).to.deep.equal([201, one.body.id])
    const list = (await teacher.client.call('GET', `/lists/${one.body.listId}`)).body
    expect([list.title, list.entries.length]).to.deep.equal(['Once more', WORDS.length])
    expect((await teacher.client.call('GET', `/live/${one.body.id}`)).body.facts.phase).to.equal('lobby')
  })
})
