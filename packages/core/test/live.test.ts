import { expect } from 'chai'
import fc from 'fast-check'
import {
  command,
  dueOf,
  LiveRules,
  newEntry,
  noticeAbsence,
  noticeCount,
  openSession,
  passTime,
  randomFrom,
  sharedOf,
  wayOf,
  type EntryList,
  type HostCommand,
  type Session,
  type SessionSetting,
  type Turn,
} from '../src/index.ts'
import { runs } from '../../../scripts/testing/lane.mjs'
import { quiz, QuizOptions, type QuizPuzzle, type QuizView } from '../src/games/quiz/index.ts'
import type { QuizPlay } from '../src/games/quiz/play.ts'
import { anyStudents, expectInStep, type Asking } from './inStepCheck.ts'
import { begin, when } from './playing.ts'
import { idOf } from './sampleWords.ts'

const QUESTIONS = 5

function settingOf(rules: Parameters<typeof LiveRules.parse>[0], seconds = 20): SessionSetting {
  return {
    rules: LiveRules.parse(rules),
    game: { steps: Array.from({ length: QUESTIONS }, () => ({ seconds })), hasBoard: true },
  }
}

const inStep = (wayOptions: object = {}): SessionSetting => settingOf({ way: 'together', wayOptions })

/** Does commands one after another, each so many milliseconds after the last, passing time by as a server does. */
function run(setting: SessionSetting, steps: readonly [HostCommand | null, number][]): Session {
  let now = 0
  let session = openSession(setting.rules)
  for (const [wanted, later] of steps) {
    now += later
    session = passTime(session, setting, now)
    if (wanted) session = command(session, wanted, setting, now)
  }
  return session
}

const anyCommand: fc.Arbitrary<HostCommand | null> = fc.oneof(
  fc.constant(null),
  ...(['start', 'pause', 'resume', 'next', 'end'] as const).map((type) => fc.constant({ type })),
  fc.integer({ min: 0, max: QUESTIONS }).map((place) => ({ type: 'pick' as const, place })),
  fc.boolean().map((locked) => ({ type: 'lock' as const, locked })),
  fc.integer({ min: 5, max: 90 }).map((seconds) => ({ type: 'add-time' as const, seconds })),
  fc
    .option(fc.integer({ min: 1, max: 3 }), { nil: null })
    .map((minutes) => ({ type: 'set-end' as const, end: { minutes, points: null, allDone: false } })),
)
const anySetting = fc
  .record({
    way: fc.constantFrom('together' as const, 'ownpace' as const, 'board' as const),
    minutes: fc.option(fc.integer({ min: 1, max: 3 }), { nil: null }),
    itself: fc.boolean(),
    seconds: fc.constantFrom(0, 20),
  })
  .map(({ way, minutes, itself, seconds }) =>
    settingOf(
      { way, end: { minutes }, wayOptions: way === 'together' ? { next: itself ? 'itself' : 'key', seconds } : {} },
      seconds,
    ),
  )

describe('A live session', () => {
  it('keeps its order whatever two hosts press, and whenever a server looks', () => {
    const order = { lobby: 0, running: 1, paused: 1, over: 2 }
    fc.assert(
      fc.property(
        anySetting,
        fc.array(fc.tuple(anyCommand, fc.integer({ min: 0, max: 40_000 })), { maxLength: 40 }),
        (setting, steps) => {
          let now = 0
          let session = openSession(setting.rules)
          let asked: readonly number[] = []
          for (const [wanted, later] of steps) {
            now += later
            for (const next of [
              passTime(session, setting, now),
              ...(wanted ? [command(passTime(session, setting, now), wanted, setting, now)] : []),
            ]) {
              expect(order[next.phase]).to.be.at.least(order[session.phase])
              const shared = sharedOf(next, setting.rules, null)
              expect(shared.asked!.slice(0, asked.length), 'what was asked stays asked').to.deep.equal(asked)
              expect(new Set(shared.asked).size, 'no question comes back').to.equal(shared.asked!.length)
              if (shared.standing) expect(shared.standing.place).to.equal(shared.asked!.at(-1))
              asked = shared.asked!
              const due = dueOf(next, setting)
              if (next.phase !== 'running') expect(due, 'only what runs has a time').to.equal(null)
              else if (due !== null) expect(due, 'what is due is yet to come').to.be.greaterThan(now)
              expect(next.phase === 'over').to.equal(next.endedAt !== null)
              expect(next.phase === 'paused').to.equal(next.pausedAt !== null)
              session = next
            }
          }
        },
      ),
    )
  })

  it('stands still in a pause: all that was left is left after it', () => {
    fc.assert(
      fc.property(
        anySetting,
        fc.integer({ min: 0, max: 10_000 }),
        fc.integer({ min: 0, max: 10 * 60_000 }),
        (setting, played, still) => {
          const before = run(setting, [
            [{ type: 'start' }, 5],
            [{ type: 'pause' }, played],
          ])
          const after = command(before, { type: 'resume' }, setting, before.pausedAt! + still)
          const running = command(openSession(setting.rules), { type: 'start' }, setting, 5)
          const due = dueOf(running, setting)
          expect(dueOf(after, setting)).to.equal(due === null ? null : due + still)
          expect(passTime(before, setting, before.pausedAt! + still), 'no time passes').to.equal(before)
        },
      ),
    )
  })

  it('ends by the clock, by points, when all are done, or once nobody cares any more', () => {
    const timed = run(settingOf({ end: { minutes: 1 } }), [
      [{ type: 'start' }, 0],
      [null, 61_000],
    ])
    expect([timed.phase, timed.endedBy, timed.endedAt]).to.deep.equal(['over', 'time', 61_000])
    const more = run(settingOf({ end: { minutes: 1 } }), [
      [{ type: 'start' }, 0],
      [{ type: 'add-time', seconds: 60 }, 30_000],
      [null, 62_000],
    ])
    expect([more.phase, more.endsAt]).to.deep.equal(['running', 120_000])
    const setting = settingOf({ end: { points: 50, allDone: true } })
    const running = run(setting, [[{ type: 'start' }, 0]])
    expect(noticeCount(running, { here: 3, done: 2, points: 49 }, 9)).to.equal(running)
    expect(noticeCount(running, { here: 0, done: 0, points: 0 }, 9), 'nobody came yet').to.equal(running)
    expect(noticeCount(running, { here: 3, done: 3, points: 0 }, 9).endedBy).to.equal('all-done')
    expect(noticeCount(running, { here: 3, done: 0, points: 50 }, 9).endedBy).to.equal('points')
    const away = settingOf({ hostAway: 'pause' })
    const left = noticeAbsence(run(away, [[{ type: 'start' }, 0]]), 'short', away, 9)
    expect([left.phase, left.pausedBy]).to.deep.equal(['paused', 'absence'])
    expect(noticeAbsence(left, 'long', away, 9).endedBy).to.equal('absence')
    expect(noticeAbsence(running, 'short', setting, 9), 'goes on where it is set so').to.equal(running)
  })

  it('changes its end while it runs, and counts new minutes from then', () => {
    const setting = settingOf({ end: { minutes: 10 } })
    const session = run(setting, [
      [{ type: 'start' }, 0],
      [{ type: 'set-end', end: { minutes: 2, points: null, allDone: true } }, 30_000],
    ])
    expect([session.endsAt, session.end.allDone]).to.deep.equal([150_000, true])
    const same = command(session, { type: 'set-end', end: { ...session.end, points: 5 } }, setting, 40_000)
    expect(same.endsAt, 'minutes that stay are counted as they were').to.equal(150_000)
  })

  it('goes from question to question by key or by itself, and ends after the last', () => {
    const keyed = run(inStep(), [
      [{ type: 'start' }, 0],
      [{ type: 'next' }, 1000],
      [null, 500_000],
    ])
    expect(keyed.way).to.include({ place: 0, phase: 'told', dueAt: null })
    const byItself = run(inStep({ next: 'itself', after: 10 }), [
      [{ type: 'start' }, 0],
      [null, 66_000],
    ])
    expect(byItself.way, '20 s for each, then 10 s for its answer').to.include({ place: 2, phase: 'asking' })
    const over = run(inStep({ next: 'itself', after: 10 }), [
      [{ type: 'start' }, 0],
      [null, QUESTIONS * 32_000],
    ])
    expect([over.phase, over.endedBy]).to.deep.equal(['over', 'played-out'])
  })

  it('asks from the board what the host picks, each once, and ends when all of it was asked', () => {
    const setting = settingOf({ way: 'board', wayOptions: { seconds: 0 } }, 0)
    const picks = (...places: number[]): [HostCommand, number][] =>
      places.flatMap((place) => [
        [{ type: 'pick', place }, 10],
        [{ type: 'next' }, 10],
        [{ type: 'next' }, 10],
      ])
    const chosen = run(setting, [[{ type: 'start' }, 0], ...picks(3, 3, 0)])
    expect(chosen.way).to.deep.include({ phase: 'choosing', asked: [3, 0] })
    expect(sharedOf(chosen, setting.rules, null)).to.deep.include({ standing: null, asked: [3, 0] })
    const standing = run(setting, [
      [{ type: 'start' }, 0],
      [{ type: 'pick', place: 2 }, 10],
      [{ type: 'pick', place: 1 }, 10],
    ])
    expect(standing.way, 'one at a time').to.deep.include({ phase: 'asking', asked: [2] })
    expect(run(setting, [[{ type: 'start' }, 0], ...picks(QUESTIONS)]).way).to.deep.include({ asked: [] })
    const all = run(setting, [[{ type: 'start' }, 0], ...picks(3, 0, 1, 4, 2)])
    expect([all.phase, all.endedBy]).to.deep.equal(['over', 'played-out'])
  })

  it('refuses what its way of playing does not know', () => {
    expect(LiveRules.safeParse({ way: 'ownpace', wayOptions: { change: true } }).success).to.equal(false)
    expect(LiveRules.safeParse({ way: 'together', wayOptions: { change: true } }).success).to.equal(true)
    const steps = [{ seconds: 0 }]
    expect(wayOf('together').suits({ steps: [], hasBoard: false }), 'a game without questions').to.equal(false)
    expect(wayOf('board').suits({ steps, hasBoard: false }), 'a game without a board').to.equal(false)
    expect(wayOf('board').suits({ steps, hasBoard: true })).to.equal(true)
  })
})

const list: EntryList = {
  title: 'Live',
  answerLanguage: 'en',
  promptLanguage: 'en',
  entries: ['amber', 'basil', 'cedar', 'denim', 'ember'].map((text, index) =>
    newEntry({
      id: idOf(index),
      answer: { text },
      prompt: { text: `clue ${index}` },
      choices: [{ text: `not ${text}`, right: false }],
      fact: `fact of ${text}`,
    }),
  ),
}
const puzzle = quiz.make(list, QuizOptions.parse({ order: 'list', speed: 'strong' }), randomFrom('1'))

describe('A quiz without a connection', () => {
  it('goes on to just what comes after each answer, whatever that is, and is told no answer', () => {
    const free = quiz.make(list, QuizOptions.parse({ order: 'list' }), randomFrom('1'))
    fc.assert(
      fc.property(fc.array(fc.boolean(), { minLength: 3, maxLength: 3 }), fc.boolean(), (answers, atEnd) => {
        const rules = { ...when(0).rules, telling: atEnd ? ('at-end' as const) : ('at-once' as const) }
        const sight = { ...when(0, { rules }), audience: 'player' as const }
        let play = quiz.start(free, begin('p', { rules }))
        const steps = quiz.ahead!(free, play, sight)
        expect(steps).to.have.length(3)
        expect(JSON.stringify(steps)).not.to.match(/fact of|"right":true/u)
        for (const [index, isRight] of answers.entries()) {
          const right = free.questions[index]!.choices.findIndex((choice) => choice.right)
          const choice = isRight ? right : 1 - right
          play = quiz.move(free, play, { type: 'choose', choices: [choice] }, when(index + 1, { rules })).play
          const { by, moment, view } = steps[index]!
          if (by) {
            expect(by.for).to.equal(quiz.moment!(free, play))
            play = quiz.move(free, play, by.move, when(index + 1, { rules })).play
          }
          expect(moment).to.equal(quiz.moment!(free, play))
          expect(view).to.deep.equal(quiz.view(free, play, sight))
        }
      }),
    )
    expect(quiz.ahead!(puzzle, quiz.start(puzzle, begin('p')), { ...when(0), audience: 'player' })).to.have.length(3)
    const timed = quiz.make(list, QuizOptions.parse({ seconds: 20 }), randomFrom('1'))
    expect(
      quiz.ahead!(timed, quiz.start(timed, begin('p')), { ...when(0), audience: 'player' }),
      'time runs',
    ).to.deep.equal([])
  })
})

describe('A quiz in step', () => {
  it('counts each answer once, to the question that stood while it could be answered, and adds up', () => {
    const setting = inStep({ next: 'itself', after: 10 })
    const asking: Asking<QuizPuzzle, QuizPlay> = {
      game: quiz,
      puzzle,
      quiz: puzzle,
      answersOf: ({ answers }) => answers,
      quizView: (view) => view as QuizView,
      secret: (place) => `fact of ${list.entries[place]!.answer.text}`,
    }
    fc.assert(
      fc.property(anyStudents(140_000), fc.boolean(), (students, change) => {
        const rules = LiveRules.parse({ ...setting.rules, wayOptions: { next: 'itself', after: 10, change } })
        expectInStep(asking, students, (now) => {
          const begun = command(openSession(rules), { type: 'start' }, setting, 0)
          return { ...when(now), shared: sharedOf(passTime(begun, { ...setting, rules }, now), rules, null) }
        })
      }),
      { numRuns: runs(300) },
    )
  })

  const shared = (open: boolean): Turn['shared'] => ({
    phase: 'open',
    calls: null,
    inStep: true,
    standing: { place: 0, openedAt: 1000, open, change: false },
    asked: [0],
  })

  it('shows just the choices that were chosen while they can be changed, whatever is written in them', () => {
    const texts = ['salt; water', 'salt', 'water', 'sand']
    const one = puzzle.questions[0]!
    const choices = texts.map((text, index) => ({
      ...one.choices[0]!,
      face: { ...one.choices[0]!.face, text },
      right: index < 3,
    }))
    const several: QuizPuzzle = { ...puzzle, questions: [{ ...one, choices }, ...puzzle.questions.slice(1)] }
    fc.assert(
      fc.property(fc.uniqueArray(fc.nat(3), { minLength: 1 }), (chosen) => {
        const turn = { shared: shared(true) }
        const { play } = quiz.move(
          several,
          quiz.start(several, begin('p', turn)),
          { type: 'choose', choices: chosen },
          when(4000, turn),
        )
        const { sent } = quiz.view(several, play, { ...when(5000), audience: 'player', ...turn })
        expect(sent?.choices).to.have.members(chosen).and.to.have.length(chosen.length)
      }),
    )
  })

  it('holds what an answer came to until nobody can answer any more', () => {
    const right = puzzle.questions[0]!.choices.findIndex((choice) => choice.right)
    const asked = quiz.start(puzzle, begin('p', { shared: shared(true) }))
    const { play } = quiz.move(
      puzzle,
      asked,
      { type: 'choose', choices: [right] },
      when(4000, { shared: shared(true) }),
    )
    const sight = { ...when(5000), audience: 'player' as const }
    const open = quiz.view(puzzle, play, { ...sight, shared: shared(true) })
    expect([open.phase, open.told, open.sent?.choices]).to.deep.equal(['asking', null, [right]])
    expect(quiz.score(puzzle, play, shared(true)).points).to.equal(0)
    const closed = quiz.view(puzzle, play, { ...sight, shared: shared(false) })
    expect([closed.phase, closed.told?.right, closed.sent]).to.deep.equal(['told', true, null])
    expect(quiz.score(puzzle, play, shared(false)).points).to.be.greaterThan(0)
    const wall = quiz.view(puzzle, play, { ...sight, audience: 'wall', shared: shared(true) })
    expect([wall.told, wall.sent, wall.key]).to.deep.equal([null, null, []])
  })
})
