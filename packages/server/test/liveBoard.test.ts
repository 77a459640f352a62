import type { DeviceView, QuizboardPuzzle } from '@otter/core/games/quizboard'
import { expect } from 'chai'
import { LiveRooms, until, type HostScreen, type StudentScreen } from './liveScreens.ts'
import { puzzleOf } from './testServer.ts'

const MEMBERS = [
  ['Ama', 'Bo', 'Chi', 'Dario'],
  ['Ede', 'Fay'],
]

describe('A quiz board on everyone’s device', () => {
  const rooms = new LiveRooms()

  interface Room {
    host: HostScreen
    id: string
    code: string
    students: StudentScreen[]
    puzzle: QuizboardPuzzle
  }

  async function begin(members = MEMBERS): Promise<Room> {
    const { host, id, code } = await rooms.host({
      kind: 'quizboard',
      options: { columns: 2, tiles: 3 },
      live: {
        way: 'board',
        wayOptions: { seconds: 0 },
        teams: { by: 'drawn', names: ['Herons', 'Otters'], members },
      },
    })
    const students = await Promise.all(members.flat().map((name) => rooms.student(code, { name })))
    await host.command({ type: 'start' })
    await until('the game', () => students.every(({ reply }) => reply!.play !== null))
    await until('the host', () => host.facts!.phase === 'running')
    return { host, id, code, students, puzzle: await puzzleOf<QuizboardPuzzle>(rooms.server, id) }
  }

  const answer = async ({ puzzle, students }: Room, item: number, right: readonly number[]): Promise<void> => {
    const { choices } = puzzle.onDevices.questions[item]!
    const place = choices.findIndex((choice) => choice.right)
    await Promise.all(
      students.map((student, index) =>
        student.move({ type: 'choose', choices: [right.includes(index) ? place : (place + 1) % choices.length] }),
      ),
    )
  }

  it('opens what a team names, gives each team its share right, and asks nothing twice', async () => {
    const room = await begin()
    const { host, students, puzzle } = room
    const { wall } = await rooms.wall(host)
    const item = puzzle.columns[1]!.items[2]!
    const { worth, entryId, prompt } = puzzle.onDevices.questions[item]!
    expect([wall.now!.facts.round, wall.now!.chooser]).to.deep.equal([null, 'Herons'])
    expect((students[0]!.reply!.play!.view as DeviceView).device, 'nothing is asked yet').to.equal(null)
    await host.command({ type: 'pick', place: item })
    await until('the question', () =>
      students.every(({ reply }) => reply!.live!.round?.entryId === entryId && reply!.play !== null),
    )
    expect((students[5]!.reply!.play!.view as DeviceView).device!.question!.prompt).to.deep.include({
      text: prompt.text,
    })
    await answer(room, item, [0, 1, 2, 4])
    await until('all answers', () => wall.now!.answered === 6)
    expect(wall.now!.facts.round!.split, 'nothing is told while others can answer').to.equal(null)
    expect(wall.now!.ranking).to.equal(null)
    await until('the host to see it', () => host.facts!.round !== null)
    await host.command({ type: 'next' })
    await until('the shares', () => Boolean(wall.now!.facts.round?.split))
    expect(wall.now!.facts.round!.split!.teams).to.deep.equal([
      { name: 'Herons', right: 3, of: 4 },
      { name: 'Otters', right: 1, of: 2 },
    ])
    expect(wall.now!.ranking!.teams.map(({ name, score }) => [name, score])).to.deep.equal([
      ['Herons', worth * 0.75],
      ['Otters', worth * 0.5],
    ])
    expect(wall.now!.ranking!.rows, 'no student has a place while it is played').to.deep.equal([])
    await until('what a device is told', () => Boolean(students[3]!.reply!.live!.round?.split))
    expect(students[3]!.reply!.live!.ranking!.rows).to.deep.equal([])
    await host.command({ type: 'next' })
    await until('the board', () => wall.now!.facts.round === null && host.facts!.round === null)
    expect(wall.now!.chooser, 'one team after the other').to.equal('Otters')
    const { columns } = wall.now!.facts.view as DeviceView
    expect(columns[1]!.tiles[2]!.state).to.equal('used')
    await host.command({ type: 'pick', place: item })
    expect((await host.client.call('GET', `/live/${room.id}`)).body.facts.round, 'each is asked once').to.equal(null)
  })

  it('counts who is here and says nothing, and who is asked comes in late, as one of the team', async () => {
    const room = await begin()
    const { host, students, code, puzzle } = room
    const { wall } = await rooms.wall(host)
    const item = puzzle.columns[0]!.items[0]!
    await host.command({ type: 'pick', place: item })
    await until('the question', () => students.every(({ reply }) => reply!.live!.round !== null))
    const late = await rooms.student(code, { name: 'Gus' })
    await until('the question for who came late', () => late.reply!.live!.round !== null)
    expect((late.reply!.play!.view as DeviceView).device!.question).not.to.equal(null)
    const right = puzzle.onDevices.questions[item]!.choices.findIndex((choice) => choice.right)
    await students[4]!.move({ type: 'choose', choices: [right] })
    await until('the host to see it', () => host.facts!.round !== null)
    await host.command({ type: 'next' })
    await until('the end of the question', () => Boolean(host.facts!.round?.split))
    const { teams } = host.facts!.round!.split!
    expect(teams, 'the smaller team gets the newcomer').to.deep.equal([
      { name: 'Herons', right: 0, of: 4 },
      { name: 'Otters', right: 1, of: 3 },
    ])
    await until('the ranking', () => wall.now!.ranking !== null)
    const { worth } = puzzle.onDevices.questions[item]!
    const scores = new Map(wall.now!.ranking!.teams.map(({ name, score }) => [name, score]))
    expect(scores.get('Herons'), 'all of them silent').to.equal(0)
    expect(scores.get('Otters'), 'two of three silent').to.be.closeTo(worth / 3, 1e-9)
  })

  it('takes the answers of a class of 35 at one instant, each once', async () => {
    const names = Array.from({ length: 35 }, (_, index) => `Student ${index}`)
    const room = await begin([names.slice(0, 20), names.slice(20)])
    const { host, students, puzzle } = room
    const item = puzzle.columns[0]!.items[1]!
    await host.command({ type: 'pick', place: item })
    await until('the question', () => students.every(({ reply }) => reply!.live!.round !== null))
    await answer(
      room,
      item,
      [...names.keys()].filter((index) => index % 2 === 0),
    )
    await until('the host to see it', () => host.facts!.round !== null)
    await host.command({ type: 'next' })
    await until('the shares', () => Boolean(host.facts!.round?.split))
    const { teams, answers } = host.facts!.round!.split!
    expect(answers.reduce((sum, { count }) => sum + count, 0)).to.equal(35)
    expect(teams).to.deep.equal([
      { name: 'Herons', right: 10, of: 20 },
      { name: 'Otters', right: 8, of: 15 },
    ])
  })

  it('of two picks at one instant takes one, and no pick of who does not host', async () => {
    const room = await begin()
    const { host, students, id } = room
    const { revision } = host.facts!
    const places = room.puzzle.columns.flatMap(({ items }) => items)
    await Promise.all(places.map((place) => host.command({ type: 'pick', place }, revision)))
    const { body } = await host.client.call('GET', `/live/${id}`)
    expect(body.facts.round.number).to.equal(1)
    const states = (body.facts.view as DeviceView).columns.flatMap(({ tiles }) => tiles.map(({ state }) => state))
    expect(states.filter((state) => state === 'open')).to.have.length(1)
    expect(states.filter((state) => state === 'used')).to.have.length(0)
    const { status } = await students[0]!.client.call('POST', `/live/${id}/commands`, {
      command: { type: 'pick', place: 1 },
      revision: body.facts.revision,
    })
    expect(status).to.equal(401)
  })

  it('is no way for a game without a board', async () => {
    let problem = ''
    await rooms.host({ kind: 'quiz', live: { way: 'board' } }).catch((error: Error) => (problem = error.message))
    expect(problem).to.include('not-in-step')
  })
})
