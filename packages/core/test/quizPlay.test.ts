import { expect } from 'chai'
import { newEntry, randomFrom, type EntryList } from '../src/index.ts'
import { quiz, QuizOptions, type QuizMove, type QuizPuzzle } from '../src/games/quiz/index.ts'
import { LOOK } from './playing.ts'
import { playThrough, rules } from './playthrough.ts'
import { idOf } from './sampleWords.ts'

const LIST: EntryList = {
  title: 'Rivers',
  answerLanguage: 'en',
  promptLanguage: 'en',
  entries: ['Nile', 'Seine', 'Amazon', 'Jordan'].map((text, index) =>
    newEntry({
      id: idOf(index),
      answer: { text },
      prompt: { text: `river ${index}` },
      hint: index === 3 ? '' : `hint ${index}`,
      fact: `fact ${index}`,
      choices: [{ text: 'Danube', right: false }],
    }),
  ),
}

function made(options: object = {}, list = LIST): QuizPuzzle {
  return quiz.make(list, QuizOptions.parse({ order: 'list', ...options }), randomFrom('rivers'))
}

function answer(puzzle: QuizPuzzle, question: number, right: boolean): QuizMove {
  return {
    type: 'choose',
    choices: [puzzle.questions[question]!.choices.findIndex((choice) => choice.right === right)],
  }
}

const NEXT: QuizMove = { type: 'next' }

describe('A quiz under way', () => {
  it('takes one answer to a question, and goes on only after it', () => {
    const puzzle = made()
    const run = playThrough(quiz, puzzle)
    expect(run.isVoid(NEXT)).to.equal(true)
    expect(run.at(1500, answer(puzzle, 0, true))).to.have.length(1)
    expect(run.isVoid(answer(puzzle, 0, true)) && run.isVoid({ type: 'hint' })).to.equal(true)
    expect(run.view().told).to.deep.include({
      right: true,
      given: 'Nile',
      answers: ['Nile'],
      fact: 'fact 0',
      late: false,
    })
    expect(run.view().told?.choices).to.deep.equal(puzzle.questions[0]!.choices.map(({ right }) => right))
    run.at(2000, NEXT)
    expect(run.view()).to.deep.include({ told: null, phase: 'asking' })
    expect(run.view().question).to.include({ number: 2, of: 4, entryId: idOf(1) })
  })

  it('times each answer from when its question was asked', () => {
    const puzzle = made({ second: false })
    const run = playThrough(quiz, puzzle)
    const times = [
      ...run.at(1500, answer(puzzle, 0, true)),
      ...run.at(9000, NEXT, answer(puzzle, 1, false)),
      ...run.at(9000, NEXT),
      ...run.at(9750, answer(puzzle, 2, true)),
    ].map(({ milliseconds, place, outcome }) => [milliseconds, place, outcome])
    expect(times).to.deep.equal([
      [1500, 0, 'right'],
      [0, 1, 'wrong'],
      [750, 2, 'right'],
    ])
  })

  it('gives a hint once where there is one, for a part of the points, and forgets it at the next question', () => {
    const puzzle = made({ second: false })
    const run = playThrough(quiz, puzzle)
    expect(run.view().question).to.include({ hasHint: true, hint: null })
    run.at(100, { type: 'hint' })
    expect(run.view().question).to.include({ hasHint: false, hint: 'hint 0' })
    expect(run.isVoid({ type: 'hint' })).to.equal(true)
    const [first] = run.at(200, answer(puzzle, 0, true))
    const [second] = run.at(300, NEXT, answer(puzzle, 1, true))
    expect([first!.points, first!.hints, second!.points, second!.hints]).to.deep.equal([7, 1, 10, 0])
    run.at(400, NEXT, answer(puzzle, 2, true), NEXT)
    expect(run.view().question).to.include({ hasHint: false })
    expect(run.isVoid({ type: 'hint' })).to.equal(true)
    expect(quiz.score(puzzle, run.play())).to.include({ hints: 1, right: 3, points: 27 })
  })

  it('gives no hint where the rules allow none', () => {
    const run = playThrough(quiz, made(), rules({ hints: false }))
    expect(run.view().question).to.include({ hasHint: false })
    expect(run.isVoid({ type: 'hint' })).to.equal(true)
  })

  it('tells nothing before the end where the rules say so, and asks nothing again', () => {
    const puzzle = made()
    const run = playThrough(quiz, puzzle, rules({ telling: 'at-end' }))
    for (const question of [0, 1, 2]) {
      run.at(1000 * (question + 1), answer(puzzle, question, question !== 1))
      expect(run.view()).to.deep.include({ told: null, phase: 'asking', review: [] })
    }
    run.at(4000, answer(puzzle, 3, true))
    expect([run.view().finished, run.view().second]).to.deep.equal([true, null])
    expect(run.view().review.map(({ right }) => right)).to.deep.equal([true, false, true, true])
  })

  it('asks in another order for each student where the rules say so', () => {
    const order = (mixed: 'made' | 'mixed'): string[] => {
      const puzzle = made()
      const run = playThrough(quiz, puzzle, rules({ order: mixed, telling: 'at-end' }))
      return [1, 2, 3, 4].flatMap((round) => {
        const question = puzzle.questions.findIndex(({ entryId }) => entryId === run.view().question!.entryId)
        return run.at(round * 1000, answer(puzzle, question, true)).map(({ entryId }) => entryId)
      })
    }
    expect(order('made')).to.deep.equal([0, 1, 2, 3].map(idOf))
    expect(order('mixed')).to.have.members([0, 1, 2, 3].map(idOf))
    expect(order('mixed')).not.to.deep.equal(order('made'))
  })

  it('keeps questions of one group together where they are mixed so, each group anew for each student', () => {
    const grouped: EntryList = {
      ...LIST,
      entries: Array.from({ length: 12 }, (_, index) =>
        newEntry({
          id: idOf(index),
          answer: { text: `river ${index}` },
          prompt: { text: `clue ${index}` },
          groups: [['Africa', 'Asia', 'Europe'][Math.floor(index / 4)]!],
        }),
      ),
    }
    const puzzle = made({ form: 'typed' }, grouped)
    const orders = ['a', 'b', 'c'].map((seed) => {
      const play = quiz.start(puzzle, {
        ...rules({ order: 'mixed', together: true }),
        random: randomFrom(seed),
        now: 0,
      } as never)
      return (play as { queue: number[] }).queue
    })
    for (const queue of orders)
      expect(queue.map((number) => Math.floor(number / 4))).to.deep.equal([0, 0, 0, 0, 1, 1, 1, 1, 2, 2, 2, 2])
    expect(new Set(orders.map((queue) => queue.join())).size).to.equal(3)
  })

  it('asks what was missed once more at the end, for no points, and counts it apart', () => {
    const puzzle = made({ order: 'list' })
    const run = playThrough(quiz, puzzle)
    for (const question of [0, 1, 2, 3]) run.at(1000, answer(puzzle, question, question % 2 === 0), NEXT)
    expect(run.view().question).to.include({ number: 1, of: 2, entryId: idOf(1) })
    expect(run.view().second).to.deep.equal({ right: 0, total: 2 })
    const [again] = run.at(2000, answer(puzzle, 1, true))
    expect(again).to.include({ round: 'second', counts: false, outcome: 'right', points: 0, place: 0 })
    const [last] = run.at(3000, NEXT, answer(puzzle, 3, false))
    expect(last).to.include({ round: 'second', outcome: 'wrong', place: 1 })
    expect(run.view().finished).to.equal(false)
    run.at(3500, NEXT)
    expect(run.view().second).to.deep.equal({ right: 1, total: 2 })
    expect(quiz.score(puzzle, run.play())).to.include({ right: 2, total: 4, points: 20, finished: true })
    expect(run.view().review.map(({ second }) => second)).to.deep.equal([null, true, null, false])
  })

  it('stopped in the first round, passes what was not answered and answers nothing for it', () => {
    const puzzle = made()
    const run = playThrough(quiz, puzzle)
    run.at(1000, answer(puzzle, 0, true), NEXT)
    expect(run.at(2000, { type: 'finish' })).to.deep.equal([])
    expect(run.view().review.map(({ late, right, given }) => [late, right, given])).to.deep.equal([
      [false, true, 'Nile'],
      [true, false, ''],
      [true, false, ''],
      [true, false, ''],
    ])
  })

  it('stopped while an answer is told, keeps that answer once', () => {
    const puzzle = made()
    const run = playThrough(quiz, puzzle)
    run.at(1000, answer(puzzle, 0, false))
    run.at(2000, { type: 'finish' })
    expect(run.view().review).to.have.length(4)
    expect(quiz.score(puzzle, run.play())).to.include({ right: 0, total: 4 })
  })

  it('stopped in the second round, passes nothing twice', () => {
    const puzzle = made()
    const run = playThrough(quiz, puzzle)
    for (const question of [0, 1, 2, 3]) run.at(1000, answer(puzzle, question, false), NEXT)
    run.at(2000, { type: 'finish' })
    expect(run.view().review).to.have.length(4)
    expect(run.view().second).to.deep.equal({ right: 0, total: 4 })
  })

  it('takes an answer just within the grace of a limit, and none beyond it', () => {
    const puzzle = made({ seconds: 10, second: false })
    const outcomeAt = (clock: number): string =>
      playThrough(quiz, puzzle).at(clock, answer(puzzle, 0, true))[0]!.outcome
    expect([outcomeAt(10_000), outcomeAt(13_000), outcomeAt(13_001)]).to.deep.equal(['right', 'right', 'wrong'])
    const lateAt = (clock: number): boolean => playThrough(quiz, puzzle).isVoid({ type: 'late' }, clock)
    expect([lateAt(8499), lateAt(8500)]).to.deep.equal([true, false])
    expect(playThrough(quiz, made()).isVoid({ type: 'late' }, 1e6), 'no limit, no time up').to.equal(true)
  })

  it('gives its points to the quick in even steps', () => {
    const puzzle = made({ seconds: 20, speed: 'strong', second: false })
    const pointsAt = (clock: number): number => playThrough(quiz, puzzle).at(clock, answer(puzzle, 0, true))[0]!.points
    expect([0, 4000, 8000, 12_000, 16_000, 20_000].map(pointsAt)).to.deep.equal([10, 9, 8, 7, 6, 5])
  })

  it('begins with its cards where it has them, once', () => {
    const puzzle = made({ cards: true })
    const run = playThrough(quiz, puzzle)
    expect(run.view().cards.map(({ front, back }) => [front.text, back.text])).to.deep.equal([
      ['river 0', 'Nile'],
      ['river 1', 'Seine'],
      ['river 2', 'Amazon'],
      ['river 3', 'Jordan'],
    ])
    expect(run.isVoid(answer(puzzle, 0, true))).to.equal(true)
    run.at(5000, { type: 'begin' })
    expect(run.view()).to.deep.include({ phase: 'asking', cards: [] })
    expect(run.isVoid({ type: 'begin' }, 6000)).to.equal(true)
    expect(run.at(6500, answer(puzzle, 0, true))[0]!.milliseconds).to.equal(1500)
  })

  it('has no cards where nothing is right or wrong', () => {
    const opinions = { ...LIST, entries: LIST.entries.map((entry) => ({ ...entry, scored: false })) }
    const run = playThrough(quiz, made({ cards: true }, opinions))
    expect(run.view().phase).to.equal('asking')
  })

  it('lets a student see the opinions of others once the own is given', () => {
    const list = { ...LIST, entries: LIST.entries.map((entry, index) => ({ ...entry, scored: index !== 0 })) }
    const puzzle = made({ second: false }, list)
    const run = playThrough(quiz, puzzle)
    expect(quiz.opinions!(puzzle, run.play())).to.deep.equal([])
    const [given] = run.at(1000, { type: 'choose', choices: [0] })
    expect(given).to.include({ outcome: 'opinion', counts: false, points: 0 })
    expect(quiz.opinions!(puzzle, run.play())).to.deep.equal([idOf(0)])
    run.at(2000, NEXT)
    expect(quiz.opinions!(puzzle, run.play())).to.deep.equal([])
    run.at(3000, { type: 'finish' })
    expect(quiz.opinions!(puzzle, run.play())).to.deep.equal([idOf(0)])
  })

  it('is passed by nobody where nothing counts, and has no mark where none was set', () => {
    const opinions = { ...LIST, entries: LIST.entries.map((entry) => ({ ...entry, scored: false })) }
    const ended = (options: object, list = LIST): unknown => {
      const run = playThrough(quiz, made(options, list))
      run.at(1000, { type: 'finish' })
      return run.view().pass
    }
    expect(ended({ pass: 50 }, opinions)).to.deep.equal({ mark: 50, passed: false })
    expect(ended({ pass: 0 })).to.equal(null)
  })

  it('shows the teacher the answer to each question, and the wall no review', () => {
    const puzzle = made()
    const run = playThrough(quiz, puzzle)
    run.at(1000, answer(puzzle, 0, true), NEXT)
    expect(quiz.view(puzzle, run.play(), { ...LOOK, audience: 'teacher' }).key).to.deep.equal(['Seine'])
    run.at(2000, { type: 'finish' })
    expect(quiz.view(puzzle, run.play(), { ...LOOK, audience: 'teacher' }).key).to.deep.equal([])
    expect(quiz.view(puzzle, run.play(), { ...LOOK, audience: 'wall' }).review).to.deep.equal([])
    expect(quiz.view(puzzle, run.play(), { ...LOOK, audience: 'teacher' }).review).to.have.length(4)
  })
})
