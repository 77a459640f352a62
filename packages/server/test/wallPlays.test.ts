import { randomUUID } from 'node:crypto'
import type { ResultsReply, WallPlayReply } from '@otter/api'
import type { QuizboardMove, QuizboardView } from '@otter/core/games/quizboard'
import { gameOf, randomFrom } from '@otter/core'
import { expect } from 'chai'
import { Client, rows, startTestServer, teacherWithList, WORDS, type Reply, type TestServer } from './testServer.ts'

const TEAMS = [
  { name: 'Herons', emblem: 'heron', members: ['Ama', 'Bo'] },
  { name: 'Eels', emblem: 'eel' },
  { name: 'Crabs', emblem: 'crab' },
]
const OPTIONS = { tiles: 3, columns: 2, depth: 'worth', wrong: 'points', dive: false }

/** A game on the wall as one screen has it, and what it does there. */
class WallScreen {
  readonly id: string
  readonly client: Client
  state!: WallPlayReply
  private readonly token: string | undefined

  constructor(client: Client, id: string, token?: string) {
    this.client = client
    this.id = id
    this.token = token
  }

  get view(): QuizboardView {
    return this.state.view as QuizboardView
  }

  private get path(): string {
    return this.token === undefined ? `/wall/${this.id}` : '/remote'
  }

  private get headers(): Record<string, string> {
    return this.token === undefined ? {} : { 'X-Otter-Player': this.token }
  }

  async look(): Promise<this> {
    const { status, body } = await this.client.call('GET', this.path, undefined, this.headers)
    expect(status).to.equal(200)
    this.state = body as WallPlayReply
    return this
  }

  async send(act: object, { id = randomUUID(), after = this.state.revision } = {}): Promise<Reply> {
    const reply = await this.client.call('POST', `${this.path}/acts`, { id, after, act }, this.headers)
    if (reply.status === 200) this.state = reply.body as WallPlayReply
    return reply
  }

  async move(...moves: (QuizboardMove | object)[]): Promise<void> {
    for (const move of moves) expect((await this.send({ type: 'move', move })).status).to.equal(200)
  }

  undo = (): Promise<Reply> => this.send({ type: 'undo' })
  redo = (): Promise<Reply> => this.send({ type: 'redo' })
}

describe('A game for teams at the wall', () => {
  let server: TestServer
  let teacher: Client
  let listId: string
  before(async () => {
    server = await startTestServer()
    ;({ client: teacher, listId } = await teacherWithList(server.url, WORDS))
  })
  after(() => server.close())

  const open = async (kind = 'quizboard', options: object = OPTIONS): Promise<WallScreen> => {
    const body = { kind, options, seed: '1', teams: TEAMS, requestId: randomUUID() }
    const { status, body: offer } = await teacher.call('POST', `/lists/${listId}/wall`, body)
    expect([status, offer.teams, offer.players]).to.deep.equal([201, 3, 3])
    return new WallScreen(teacher, offer.id as string).look()
  }
  const stored = (id: string): Promise<{ name: string; outcome: string; first: boolean; held: boolean }[]> =>
    rows(
      server,
      `SELECT p.name, r.outcome, r.is_first AS first, r.withdrawn_at IS NULL AS held FROM responses r
         JOIN participants p ON p.id = r.participant_id WHERE p.offer_id = $id ORDER BY r.id`,
      { id },
    )

  it('is opened once however often it is asked for, and by no game that teams can’t play', async () => {
    const body = { kind: 'quizboard', options: OPTIONS, seed: '1', teams: TEAMS, requestId: randomUUID() }
    const opened = await Promise.all([1, 2, 3, 4].map(() => teacher.call('POST', `/lists/${listId}/wall`, body)))
    expect(new Set(opened.map(({ body: offer }) => offer.id as string)).size).to.equal(1)
    const { status, body: problem } = await teacher.call('POST', `/lists/${listId}/wall`, {
      ...body,
      kind: 'quiz',
      options: {},
      requestId: randomUUID(),
    })
    expect([status, problem.code]).to.deep.equal([400, 'no-team-game'])
  })

  it('goes on where it stood, with points by team, and every award can be taken back and given again', async () => {
    const wall = await open()
    await wall.move({ type: 'open', item: 0 }, { type: 'judge', right: false }, { type: 'pass-on' })
    await wall.move({ type: 'judge', right: true }, { type: 'close' })
    expect(wall.state.standing.points).to.deep.equal([-10, 10, 0])
    expect(await stored(wall.id)).to.deep.equal([
      { name: 'Herons', outcome: 'wrong', first: true, held: true },
      { name: 'Eels', outcome: 'right', first: true, held: true },
    ])
    const before = wall.state
    const other = await new WallScreen(teacher, wall.id).look()
    expect({ ...other.state, now: 0 }).to.deep.equal({ ...before, now: 0 })
    await wall.undo()
    await wall.undo()
    expect(wall.state.standing.points).to.deep.equal([-10, 0, 0])
    expect((await stored(wall.id))[1]).to.include({ name: 'Eels', first: false, held: false })
    await wall.redo()
    await wall.redo()
    expect([wall.state.view, wall.state.standing]).to.deep.equal([before.view, before.standing])
    expect((await stored(wall.id))[1]).to.include({ outcome: 'right', first: true, held: true })
    await wall.undo()
    await wall.move({ type: 'award', team: 2, points: 40 })
    expect([wall.state.canRedo, wall.state.standing.points]).to.deep.equal([false, [-10, 10, 40]])
  })

  it('keeps a team’s first answer the first where it is judged otherwise later', async () => {
    const wall = await open()
    await wall.move({ type: 'open', item: 0 }, { type: 'judge', right: false }, { type: 'nobody' }, { type: 'close' })
    await wall.move({ type: 'open', item: 0 }, { type: 'judge', right: true, team: 0 }, { type: 'close' })
    expect(await stored(wall.id)).to.deep.equal([{ name: 'Herons', outcome: 'right', first: true, held: true }])
  })

  it('does once what is sent twice, and nothing that was meant for what stood there before', async () => {
    const wall = await open()
    const id = randomUUID()
    const award = { type: 'move', move: { type: 'award', team: 0, points: 10 } }
    await wall.send(award, { id })
    await wall.send(award, { id, after: 0 })
    expect(wall.state.standing.points[0]).to.equal(10)
    await wall.send(award, { after: 0 })
    expect(wall.state.standing.points[0], 'another screen has acted meanwhile').to.equal(10)
    const { revision } = wall.state
    const screens = await Promise.all(Array.from({ length: 35 }, () => new WallScreen(teacher, wall.id).look()))
    const all = await Promise.all(screens.map((screen) => screen.send(award, { after: revision })))
    expect(all.every(({ status }) => status === 200)).to.equal(true)
    expect((await wall.look()).state).to.deep.include({ revision: revision + 1 })
    expect(wall.state.standing.points[0]).to.equal(20)
  })

  it('shows no answer on the wall before it is told, and to no other teacher anything', async () => {
    const wall = await open()
    await wall.move({ type: 'open', item: 0 })
    expect(wall.view.question).to.deep.include({ answer: null })
    const mine = await teacher.call('GET', `/wall/${wall.id}?screen=teacher`)
    expect((mine.body as WallPlayReply).view).to.have.nested.property('question.answer.text')
    const { client: other } = await teacherWithList(server.url, WORDS)
    for (const [method, path, body] of [
      ['GET', '', undefined],
      ['POST', '/acts', { id: randomUUID(), after: 0, act: { type: 'undo' } }],
      ['PATCH', '', { counts: false }],
      ['POST', '/pass', {}],
      ['POST', '/remotes', {}],
      ['DELETE', '/remotes', undefined],
    ] as const)
      expect((await other.call(method, `/wall/${wall.id}${path}`, body)).status, `${method} ${path}`).to.equal(404)
  })

  it('is joined by nobody, whatever its code', async () => {
    const wall = await open()
    const [row] = await rows<{ code: string }>(server, 'SELECT code FROM offers WHERE id = $id', { id: wall.id })
    const code = row!.code
    const student = new Client(server.url)
    expect((await student.call('GET', `/play/${code}`)).status).to.equal(404)
    expect((await student.call('POST', `/play/${code}/join`, { name: 'Ada' })).status).to.equal(404)
  })

  it('reaches the results: by team, and by question, where what one team missed is missed', async () => {
    const wall = await open()
    await wall.move({ type: 'open', item: 0 }, { type: 'judge', right: false }, { type: 'pass-on' })
    await wall.move({ type: 'judge', right: true }, { type: 'close' })
    await wall.move({ type: 'open', item: 1 }, { type: 'judge', right: true }, { type: 'close' })
    const results = (await teacher.call('GET', `/links/${wall.id}/results`)).body as ResultsReply
    expect(results.participants).to.deep.equal([])
    expect(
      results.teams.map(({ name, points, right, wrong, members }) => [name, points, right, wrong, members]),
    ).to.deep.equal([
      ['Herons', -10, 0, 1, ['Ama', 'Bo']],
      ['Eels', 30, 2, 0, []],
      ['Crabs', 0, 0, 0, []],
    ])
    const met = results.questions.map(({ right, wrong, notReached }) => [right, wrong, notReached])
    expect(met.slice(0, 3)).to.deep.equal([
      [1, 1, 0],
      [1, 0, 0],
      [0, 0, 1],
    ])
    const answers = await teacher.call('GET', `/links/${wall.id}/questions/${results.questions[0]!.entryId}`)
    expect(
      answers.body.answers.map(({ name, outcome }: { name: string; outcome: string }) => [name, outcome]),
    ).to.deep.equal([
      ['Herons', 'wrong'],
      ['Eels', 'right'],
    ])
    const csv = await teacher.call('GET', `/links/${wall.id}/results.csv`)
    expect(csv.text).to.include('Herons,-10,0,1,0,"Ama, Bo"')
  })

  it('tells how hard entries have proved, but by games that do not count', async () => {
    const { client, listId: own } = await teacherWithList(server.url, WORDS)
    const made = await client.call('POST', `/lists/${own}/wall`, {
      kind: 'quizboard',
      options: OPTIONS,
      seed: '1',
      teams: TEAMS,
    })
    const wall = await new WallScreen(client, made.body.id as string).look()
    await wall.move({ type: 'open', item: 0 }, { type: 'judge', right: false }, { type: 'pass-on' })
    await wall.move({ type: 'judge', right: true }, { type: 'close' })
    const proved = async (): Promise<object[]> =>
      Object.values((await client.call('GET', `/lists/${own}/proved`)).body.proved as object)
    expect(await proved()).to.deep.equal([{ met: 2, right: 1 }])
    expect((await client.call('PATCH', `/wall/${wall.id}`, { counts: false })).status).to.equal(204)
    expect([await proved(), (await wall.look()).state.counts]).to.deep.equal([[], false])
  })

  it('is steered by a phone that is paired once, until it is dropped', async () => {
    const wall = await open()
    const { code } = (await teacher.call('POST', `/wall/${wall.id}/remotes`, {})).body as { code: string }
    const phone = new Client(server.url)
    const { status, body } = await phone.call('POST', '/remote', { code: ` ${code.toLowerCase()} ` })
    expect(status).to.equal(201)
    expect((await phone.call('POST', '/remote', { code })).body.code, 'it holds once').to.equal('no-remote-code')
    const remote = await new WallScreen(phone, wall.id, body.token as string).look()
    expect(remote.state.remotes).to.equal(1)
    await remote.move({ type: 'open', item: 1 })
    expect(remote.view.question!.answer, 'it has the answers').not.to.equal(null)
    await remote.move({ type: 'judge', right: true })
    expect((await wall.look()).state.standing.points).to.deep.equal([20, 0, 0])
    expect((await teacher.call('DELETE', `/wall/${wall.id}/remotes`)).status).to.equal(204)
    const refused = await remote.send({ type: 'undo' })
    expect([refused.status, refused.body.code]).to.deep.equal([401, 'remote-dropped'])
    expect((await phone.call('GET', '/remote')).status).to.equal(401)
    const old = (await teacher.call('POST', `/wall/${wall.id}/remotes`, {})).body as { code: string }
    await teacher.call('POST', `/wall/${wall.id}/remotes`, {})
    expect((await phone.call('POST', '/remote', { code: old.code })).status, 'a newer code replaces it').to.equal(404)
  })

  it('lets teams be renamed while it is on, and keeps what they have', async () => {
    const wall = await open()
    await wall.move({ type: 'award', team: 1, points: 30 })
    const teams = wall.state.teams.map((team, index) =>
      index === 1 ? { ...team, name: 'Newts', emblem: 'newt' } : team,
    )
    expect((await teacher.call('PATCH', `/wall/${wall.id}`, { teams })).status).to.equal(204)
    await wall.look()
    expect([wall.state.teams[1]!.name, wall.state.teams[1]!.emblem, wall.state.standing.points[1]]).to.deep.equal([
      'Newts',
      'newt',
      30,
    ])
  })

  it('takes nothing after its end but what takes the end back', async () => {
    const wall = await open()
    await wall.move({ type: 'award', team: 0, points: 10 }, { type: 'finish' })
    expect(wall.state.finished).to.equal(true)
    const { revision } = wall.state
    await wall.move({ type: 'award', team: 0, points: 10 })
    expect([wall.state.revision, wall.state.standing.points[0]]).to.deep.equal([revision, 10])
    await wall.undo()
    expect(wall.state.finished).to.equal(false)
    const [row] = await rows<{ ended: boolean }>(
      server,
      'SELECT ended_at IS NOT NULL AS ended FROM plays WHERE offer_id = $id',
      { id: wall.id },
    )
    expect(row!.ended).to.equal(false)
  })

  it('keeps of move after move what its whole record leads to, whatever is taken back between', async function () {
    this.timeout(60_000)
    const { sample } = gameOf('quizboard')
    let held = 0
    for (const seed of ['1', '2', '3']) {
      const wall = await open()
      const random = randomFrom(seed)
      const kept = (): Promise<object[]> =>
        rows(
          server,
          `SELECT r.entry_id, r.round, r.occasion, r.outcome, r.points, r.counts, r.is_first, p.name FROM responses r
             JOIN participants p ON p.id = r.participant_id WHERE p.offer_id = $id AND r.withdrawn_at IS NULL
             ORDER BY r.entry_id, r.occasion`,
          { id: wall.id },
        )
      for (let acts = 0; acts < 70; acts++) {
        const drawn = random.below(10)
        await wall.send(
          drawn === 0
            ? { type: 'undo' }
            : drawn === 1
              ? { type: 'redo' }
              : { type: 'move', move: sample.move(random.below.bind(random)) },
        )
        if (acts % 10 !== 9 || !wall.state.canUndo) continue
        const before = await kept()
        // Undo and redo read all of it anew.
        await wall.undo()
        await wall.redo()
        expect(await kept(), `${seed} after ${acts}`).to.deep.equal(before)
        held += before.length
      }
    }
    expect(held).to.be.above(10)
  })

  it('plays every game of teams, from its first act to its end', async () => {
    for (const kind of ['hangman', 'pairs', 'pebbles', 'worddraw']) {
      const wall = await open(kind, {})
      await wall.move({ type: 'award', team: 1, points: 5 }, { type: 'set-timer', seconds: 20 }, { type: 'finish' })
      expect([wall.state.finished, wall.state.standing.points], kind).to.deep.equal([true, [0, 5, 0]])
    }
  })
})
