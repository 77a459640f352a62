import { expect } from 'chai'
import fc from 'fast-check'
import {
  command,
  LiveRules,
  newEntry,
  openSession,
  passTime,
  randomFrom,
  sharedOf,
  upgradedPuzzle,
  wayOf,
  type EntryList,
  type HostCommand,
  type Session,
  type Turn,
} from '../src/index.ts'
import { runs } from '../../../scripts/testing/lane.mjs'
import { quizboard, QuizboardOptions, type DeviceView, type QuizboardPuzzle } from '../src/games/quizboard/index.ts'
import type { QuizboardPlay } from '../src/games/quizboard/state.ts'
import { anyStudents, expectInStep, type Asking } from './inStepCheck.ts'
import { begin, when } from './playing.ts'
import { idOf } from './sampleWords.ts'

const list: EntryList = {
  title: 'Board',
  answerLanguage: 'en',
  promptLanguage: 'en',
  entries: ['amber', 'basil', 'cedar', 'denim', 'ember', 'fiber', 'gamer'].map((text, index) =>
    newEntry({
      id: idOf(index),
      answer: { text },
      prompt: { text: `clue ${index}` },
      choices: [{ text: `not ${text}`, right: false }],
      groups: [index % 2 ? 'One' : 'Two'],
      fact: `fact of ${text}`,
    }),
  ),
}
const puzzle = quizboard.make(list, QuizboardOptions.parse({ columns: 2, tiles: 3 }), randomFrom('1'))
const rules = LiveRules.parse({ way: 'board', wayOptions: { seconds: 20 } })
const setting = {
  rules,
  game: { steps: quizboard.inStep!.questions(puzzle), hasBoard: quizboard.inStep!.hasBoard },
}

/** A host who does one thing after another, each so many milliseconds after the last. */
const anyHost = fc.array(
  fc.tuple(
    fc.oneof(
      fc.integer({ min: 0, max: 7 }).map((place): HostCommand => ({ type: 'pick', place })),
      fc.constant<HostCommand>({ type: 'next' }),
    ),
    fc.integer({ min: 0, max: 9000 }),
  ),
  { maxLength: 30 },
)

/** Returns how a session stands at a moment, that a host leads so; it is ended at 850 s. */
function sessionAt(steps: readonly (readonly [HostCommand, number])[], moment: number): Session {
  let session = command(openSession(rules), { type: 'start' }, setting, 0)
  let now = 0
  for (const [wanted, later] of [...steps, [{ type: 'end' }, 850_000] as const]) {
    now = wanted.type === 'end' ? later : now + later
    if (now > moment) break
    session = command(passTime(session, setting, now), wanted, setting, now)
  }
  return passTime(session, setting, moment)
}

const asking: Asking<QuizboardPuzzle, ReturnType<typeof quizboard.start>> = {
  // A board knows no “next” and no “begin”; what it does not know, it leaves.
  game: quizboard as unknown as Asking<QuizboardPuzzle, ReturnType<typeof quizboard.start>>['game'],
  puzzle,
  quiz: puzzle.onDevices,
  answersOf: (play) => (play as QuizboardPlay).device!.answers,
  quizView: (view) => (view as DeviceView).device,
  secret: (place) => puzzle.questions[place]!.fact,
}

describe('A quiz board on devices', () => {
  it('asks the questions of the board, each for what it is worth there', () => {
    const { columns, questions, onDevices } = puzzle
    expect(onDevices.questions.map(({ entryId }) => entryId)).to.deep.equal(questions.map(({ entryId }) => entryId))
    expect(onDevices.questions.map(({ worth }) => worth)).to.deep.equal(questions.map(({ value }) => value))
    expect(columns.flatMap(({ items }) => items)).to.have.length(6)
    expect(onDevices.questions.at(-1)!.worth, 'the dive lies deepest').to.equal(100)
  })

  it('counts each answer once, to what the host picked while it could be answered, and adds up', () => {
    fc.assert(
      fc.property(anyHost, anyStudents(180_000), (host, students) =>
        expectInStep(asking, students, (now): Turn => ({
          ...when(now),
          shared: sharedOf(sessionAt(host, now), rules, null),
        })),
      ),
      { numRuns: runs(300) },
    )
  })

  it('of a board that was laid before there were devices is played at the wall, and on none of them', () => {
    const { onDevices: _, ...before } = puzzle
    const upgraded = upgradedPuzzle(quizboard, before, 1)
    const board = upgraded as QuizboardPuzzle
    const steps = quizboard.inStep!.questions(board)
    expect(wayOf('board').suits({ steps, hasBoard: true })).to.equal(false)
    const play = quizboard.start(board, begin('p', { teams: 2 }))
    const opened = quizboard.move(board, play, { type: 'open', item: 0 }, when(10)).play
    expect(opened.open?.item).to.equal(0)
  })

  it('takes no move of a wall, and a wall takes none of a device', () => {
    const shared = sharedOf(sessionAt([[{ type: 'pick', place: 0 }, 10]], 20), rules, null)
    const onDevice = quizboard.start(puzzle, begin('p', { shared }))
    const atWall = quizboard.start(puzzle, begin('p', { teams: 2 }))
    for (const move of [
      { type: 'award', team: 0, points: 50 } as const,
      { type: 'open', item: 0 } as const,
      { type: 'judge', right: true } as const,
      { type: 'dive' } as const,
    ])
      expect(quizboard.move(puzzle, onDevice, move, when(100, { shared })).play, move.type).to.equal(onDevice)
    const chosen = quizboard.move(puzzle, atWall, { type: 'choose', choices: [0] }, when(100))
    expect(chosen.play).to.equal(atWall)
  })

  it('shows who looks which questions are still there, and no more of them', () => {
    const shared = sharedOf(sessionAt([[{ type: 'pick', place: 1 }, 10]], 20), rules, null)
    const play = quizboard.start(puzzle, begin('p', { shared }))
    const view = quizboard.view(puzzle, play, { ...when(20, { shared }), audience: 'wall' }) as DeviceView
    expect(view.columns.flatMap(({ tiles }) => tiles.map(({ state }) => state))).to.deep.equal(
      puzzle.columns.flatMap(({ items }) => items.map((item) => (item === 1 ? 'open' : 'there'))),
    )
    expect(view.dive).to.deep.equal({ item: 6, value: 100, state: 'there', team: null })
    expect(JSON.stringify({ ...view, device: null })).not.to.match(/clue|amber|fact/u)
  })

  it('counts an answer that came too late to the question it was made for, whatever the order', () => {
    const turn = (steps: [HostCommand, number][], now: number): Turn => ({
      ...when(now),
      shared: sharedOf(sessionAt(steps, now), rules, null),
    })
    const asked: [HostCommand, number][] = [[{ type: 'pick', place: 4 }, 10]]
    const begun = turn(asked, 20)
    const play = quizboard.inStep!.follow(puzzle, quizboard.start(puzzle, begin('p', begun)), begun).play
    const madeFor = quizboard.moment!(puzzle, play)
    const later = turn([...asked, [{ type: 'next' }, 10], [{ type: 'next' }, 10], [{ type: 'pick', place: 2 }, 10]], 50)
    const passed = quizboard.inStep!.follow(puzzle, play, later)
    expect(passed.responses.map(({ entryId, outcome }) => [entryId, outcome])).to.deep.equal([
      [puzzle.questions[4]!.entryId, 'passed'],
    ])
    const right = puzzle.onDevices.questions[4]!.choices.findIndex((choice) => choice.right)
    const sent = { for: madeFor, move: { type: 'choose' as const, choices: [right] } }
    const counted = quizboard.countLate!(puzzle, passed.play, sent, later)
    expect(counted.responses.map(({ entryId, outcome }) => [entryId, outcome])).to.deep.equal([
      [puzzle.questions[4]!.entryId, 'right'],
    ])
    expect(quizboard.countLate!(puzzle, counted.play, sent, later).play, 'once').to.equal(counted.play)
  })
})
