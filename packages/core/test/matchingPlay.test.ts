import { expect } from 'chai'
import { newEntry, randomFrom, type EntryList } from '../src/index.ts'
import { matching, MatchingOptions, type MatchingMove, type MatchingPuzzle } from '../src/games/matching/index.ts'
import { playThrough } from './playthrough.ts'
import { idOf, sampleList } from './sampleWords.ts'

const LIST = sampleList(6, 'join', 'en', 8)

function made(check: 'at-once' | 'at-end', rows = 3, list: EntryList = LIST): MatchingPuzzle {
  return matching.make(list, MatchingOptions.parse({ rows, check }), randomFrom('join'))
}

/** The move that joins a row with the answer of a couple of its round. */
function join(puzzle: MatchingPuzzle, left: number, couple = left, round = 0): MatchingMove {
  return { type: 'join', left, right: puzzle.rounds[round]!.order.indexOf(couple) }
}

describe('Matching under way, judged at once', () => {
  it('keeps right lines, takes wrong ones away, and counts the first line of each row', () => {
    const puzzle = made('at-once')
    const run = playThrough(matching, puzzle)
    const [right] = run.at(1200, join(puzzle, 0))
    expect(right).to.include({
      outcome: 'right',
      points: 10,
      milliseconds: 1200,
      place: 0,
      entryId: puzzle.rounds[0]!.couples[0]!.entryId,
    })
    const [wrong] = run.at(2000, join(puzzle, 1, 2))
    expect(wrong).to.include({ outcome: 'wrong', points: 0, milliseconds: 800, place: 1 })
    expect(wrong!.detail).to.deep.equal({ type: 'entry', entryId: puzzle.rounds[0]!.couples[2]!.entryId })
    expect(run.view().wrong).to.deep.equal({ left: 1, right: puzzle.rounds[0]!.order.indexOf(2) })
    expect(run.view().joins[1]).to.equal(null)
    expect(run.at(3000, join(puzzle, 1)), 'the second line of a row answers nothing').to.deep.equal([])
    expect(run.view().marks).to.deep.equal(['right', 'later', null])
    expect(matching.score(puzzle, run.play())).to.include({ right: 1, points: 10, total: 6, finished: false })
  })

  it('leaves a right line alone', () => {
    const puzzle = made('at-once')
    const run = playThrough(matching, puzzle)
    run.at(1000, join(puzzle, 0))
    expect(run.isVoid({ type: 'part', left: 0 })).to.equal(true)
    expect(run.isVoid(join(puzzle, 0, 1)), 'a row that is right').to.equal(true)
    expect(run.isVoid(join(puzzle, 1, 0)), 'an answer that is taken').to.equal(true)
    expect(run.isVoid({ type: 'check' }), 'there is nothing to check').to.equal(true)
  })

  it('goes to the next round once all rows are right, and is over with the last', () => {
    const puzzle = made('at-once')
    const run = playThrough(matching, puzzle)
    run.at(1000, join(puzzle, 0), join(puzzle, 1))
    expect([run.view().done, run.view().solution, run.isVoid({ type: 'next' })]).to.deep.equal([false, null, true])
    run.at(2000, join(puzzle, 2))
    expect([run.view().done, run.view().finished]).to.deep.equal([true, false])
    expect(run.view().solution).to.deep.equal([0, 1, 2].map((couple) => puzzle.rounds[0]!.order.indexOf(couple)))
    run.at(2500, { type: 'next' })
    expect(run.view()).to.deep.include({ round: 2, rounds: 2, joins: [null, null, null], done: false })
    run.at(3000, join(puzzle, 0, 0, 1), join(puzzle, 1, 1, 1), join(puzzle, 2, 2, 1))
    expect(run.view().finished).to.equal(true)
    expect(matching.score(puzzle, run.play())).to.include({ right: 6, points: 60, finished: true })
  })

  it('stopped in the midst, answers for nothing that was not joined', () => {
    const puzzle = made('at-once')
    const run = playThrough(matching, puzzle)
    run.at(1000, join(puzzle, 0))
    expect(run.at(2000, { type: 'finish' })).to.deep.equal([])
    expect(run.view().marks).to.deep.equal(['right', 'wrong', 'wrong'])
  })

  it('takes no row or answer that is not there', () => {
    const puzzle = made('at-once')
    const run = playThrough(matching, puzzle)
    expect(run.isVoid({ type: 'join', left: 3, right: 0 })).to.equal(true)
    expect(run.isVoid({ type: 'join', left: 0, right: 3 })).to.equal(true)
    expect(run.isVoid({ type: 'part', left: 3 })).to.equal(true)
  })
})

describe('Matching under way, judged at the end', () => {
  it('lets lines be moved until the round is checked as a whole', () => {
    const puzzle = made('at-end')
    const run = playThrough(matching, puzzle)
    expect(run.at(1000, join(puzzle, 0, 1), join(puzzle, 1, 2))).to.deep.equal([])
    expect(run.view().marks).to.deep.equal([null, null, null])
    expect(run.isVoid({ type: 'check' }), 'a row is open').to.equal(true)
    run.at(1500, join(puzzle, 2, 1))
    expect(run.view().joins[0], 'the answer is with one row only').to.equal(null)
    run.at(2000, { type: 'part', left: 1 }, join(puzzle, 0, 0))
    expect(run.view().joins).to.deep.equal([
      puzzle.rounds[0]!.order.indexOf(0),
      null,
      puzzle.rounds[0]!.order.indexOf(1),
    ])
    run.at(2500, join(puzzle, 1, 2))
    const responses = run.at(6000, { type: 'check' })
    expect(responses.map(({ outcome, points, place }) => [outcome, points, place])).to.deep.equal([
      ['right', 10, 0],
      ['wrong', 0, 1],
      ['wrong', 0, 2],
    ])
    expect(responses.map(({ milliseconds }) => milliseconds)).to.deep.equal([2000, 2000, 2000])
    expect(run.view().marks).to.deep.equal(['right', 'wrong', 'wrong'])
    expect(run.isVoid({ type: 'check' }), 'once is enough').to.equal(true)
  })

  it('counts the time of the next round from the last check', () => {
    const puzzle = made('at-end')
    const run = playThrough(matching, puzzle)
    run.at(3000, join(puzzle, 0), join(puzzle, 1), join(puzzle, 2), { type: 'check' }, { type: 'next' })
    const later = run.at(4500, join(puzzle, 0, 0, 1), join(puzzle, 1, 1, 1), join(puzzle, 2, 2, 1), { type: 'check' })
    expect(later.map(({ milliseconds, place }) => [milliseconds, place])).to.deep.equal([
      [500, 3],
      [500, 4],
      [500, 5],
    ])
    expect(run.view().finished).to.equal(true)
  })

  it('stopped in the midst, judges the lines that are drawn and no others', () => {
    const puzzle = made('at-end')
    const run = playThrough(matching, puzzle)
    run.at(1000, join(puzzle, 0), join(puzzle, 1, 2))
    expect(run.at(2000, { type: 'finish' }).map(({ outcome }) => outcome)).to.deep.equal(['right', 'wrong'])
    expect(matching.score(puzzle, run.play())).to.include({ right: 1, points: 10, total: 6, finished: true })
  })

  it('stopped after a check, judges nothing twice', () => {
    const puzzle = made('at-end')
    const run = playThrough(matching, puzzle)
    run.at(1000, join(puzzle, 0), join(puzzle, 1), join(puzzle, 2), { type: 'check' })
    expect(run.at(2000, { type: 'finish' })).to.deep.equal([])
    expect(matching.score(puzzle, run.play())).to.include({ right: 3, points: 30 })
  })
})

describe('Matching with answers that look the same', () => {
  it('takes either of them', () => {
    const entries = [
      ['ice', 'cold'],
      ['snow', 'cold'],
      ['fire', 'hot'],
    ].map(([prompt, answer], index) =>
      newEntry({ id: idOf(index), prompt: { text: prompt! }, answer: { text: answer! } }),
    )
    const puzzle = made('at-once', 3, { ...LIST, entries })
    const [{ couples } = { couples: [] }] = puzzle.rounds
    const texts = couples.map(({ answer }) => answer.text)
    const colds = [...couples.keys()].filter((couple) => texts[couple] === 'cold')
    for (const left of colds) {
      for (const right of colds) {
        const run = playThrough(matching, puzzle)
        expect(run.at(1000, join(puzzle, left, right))[0]!.outcome).to.equal('right')
      }
    }
    expect(colds.length).to.be.at.least(1)
  })
})
