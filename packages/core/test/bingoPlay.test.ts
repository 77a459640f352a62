import { expect } from 'chai'
import { randomFrom, type PlayContext } from '../src/index.ts'
import {
  bingo,
  BingoOptions,
  checkClaim,
  type BingoMove,
  type BingoPuzzle,
  type BingoView,
} from '../src/games/bingo/index.ts'
import type { BingoPlay } from '../src/games/bingo/play.ts'
import { begin } from './playing.ts'
import { playThrough, type Playthrough } from './playthrough.ts'
import { sampleList } from './sampleWords.ts'

const LIST = sampleList(14, 'bingo', 'en', 8)

function made(options: object = {}): BingoPuzzle {
  return bingo.make(LIST, BingoOptions.parse({ size: 3, cards: 4, ...options }), randomFrom('bingo'))
}

/** The square of a player's card on which a call stands; -1 where it has none. */
function placeOf(puzzle: BingoPuzzle, { card }: BingoPlay, call: number): number {
  return puzzle.cards[card]!.cells.indexOf(puzzle.calls[call]!)
}

/** Hears calls until one stands on the player's card. */
function hearOwn(puzzle: BingoPuzzle, run: Playthrough<BingoPlay, never, unknown>, isOwn = true): number {
  while (placeOf(puzzle, run.play(), run.play().called - 1) >= 0 !== isOwn) run.at(1000, { type: 'next' } as never)
  return run.play().called - 1
}

describe('Bingo under way, called by the device', () => {
  it('answers for a call that is marked, let pass, or marked elsewhere', () => {
    const puzzle = made()
    for (const outcome of ['right', 'passed', 'wrong'] as const) {
      const run = playThrough(bingo, puzzle)
      const call = hearOwn(puzzle, run as never)
      const place = placeOf(puzzle, run.play(), call)
      const later = puzzle.cards[run.play().card]!.cells.findIndex(
        (term) => term !== null && puzzle.calls.indexOf(term) > call,
      )
      const responses =
        outcome === 'passed'
          ? run.at(3000, { type: 'next' })
          : run.at(3000, { type: 'mark', place: outcome === 'right' ? place : later })
      expect(responses).to.have.length(1)
      expect(responses[0]).to.include({ outcome, points: outcome === 'right' ? 10 : 0, place: 0 })
      expect(responses[0]!.entryId).to.equal(puzzle.terms[puzzle.calls[call]!]!.entryId)
      expect(responses[0]!.milliseconds).to.equal(call === 0 ? 3000 : 2000)
    }
  })

  it('keeps a mistake off the card, and counts one for each call', () => {
    const puzzle = made()
    const run = playThrough(bingo, puzzle)
    const call = hearOwn(puzzle, run as never)
    const later = [...puzzle.cards[run.play().card]!.cells.entries()]
      .filter(([, term]) => term !== null && puzzle.calls.indexOf(term) > call)
      .map(([place]) => place)
    expect(run.at(2000, { type: 'mark', place: later[0]! })).to.have.length(1)
    expect([run.view().marked, run.view().lastMark]).to.deep.equal([[], 'wrong'])
    expect(run.at(2500, { type: 'mark', place: later[1]! }), 'one mistake for a call is enough').to.deep.equal([])
    const place = placeOf(puzzle, run.play(), call)
    expect(run.at(2600, { type: 'mark', place }), 'the right square after a mistake scores nothing').to.deep.equal([])
    expect([run.view().marked, run.view().lastMark]).to.deep.equal([[place], 'right'])
    expect(run.isVoid({ type: 'mark', place })).to.equal(true)
    expect(run.at(3000, { type: 'next' }), 'it was answered already').to.deep.equal([])
  })

  it('counts no mistake while the call is on other cards alone', () => {
    const puzzle = made()
    const run = playThrough(bingo, puzzle)
    const call = hearOwn(puzzle, run as never, false)
    const later = puzzle.cards[run.play().card]!.cells.findIndex(
      (term) => term !== null && puzzle.calls.indexOf(term) > call,
    )
    expect(run.at(2000, { type: 'mark', place: later })).to.deep.equal([])
    expect(run.view().lastMark).to.equal('wrong')
    expect(bingo.score(puzzle, run.play())).to.include({ right: 0, points: 0 })
  })

  it('takes a claim only where the called squares that are marked make the pattern', () => {
    const puzzle = made()
    const run = playThrough(bingo, puzzle)
    run.at(500, { type: 'claim' })
    expect([run.view().lastMark, run.view().finished, run.view().won]).to.deep.equal(['not-yet', false, []])
    for (let call = 0; !run.view().finished; call++) {
      const place = placeOf(puzzle, run.play(), call)
      if (place >= 0) run.at(1000 * call, { type: 'mark', place })
      run.at(1000 * call, { type: 'claim' })
      if (!run.view().finished) run.at(1000 * call, { type: 'next' })
    }
    const { won, marked } = run.view()
    expect(won.length).to.be.at.least(2)
    expect(marked).to.include.members(won)
    const { right, points, bonus } = bingo.score(puzzle, run.play())
    expect([bonus, points]).to.deep.equal([20, right * 10 + 20])
  })

  it('believes no claim whose squares were called but not marked', () => {
    const puzzle = made()
    const run = playThrough(bingo, puzzle)
    for (let call = 1; call < puzzle.calls.length; call++) run.at(call * 100, { type: 'next' })
    run.at(9000, { type: 'claim' })
    expect([run.view().lastMark, run.view().finished]).to.deep.equal(['not-yet', false])
  })

  it('deals cards by seat, round and round, and asks each player for the terms of that card', () => {
    const puzzle = made()
    const cardOf = (seat: number): number => bingo.start(puzzle, begin('p', { seat })).card
    expect([1, 2, 4, 5].map(cardOf)).to.deep.equal([0, 1, 3, 0])
    const play = bingo.start(puzzle, begin('p', { seat: 2 }))
    expect(bingo.questions(puzzle, play).map(({ entryId }) => entryId)).to.have.members(
      puzzle.cards[1]!.cells.flatMap((term) => (term === null ? [] : [puzzle.terms[term]!.entryId])),
    )
    expect(bingo.questionsKey!(puzzle, play)).to.equal('card 2')
  })
})

describe('Bingo under way, called by the teacher', () => {
  const puzzle = made({ calling: 'teacher' })
  const marks = (card: number, calls: number): { type: 'mark'; place: number }[] =>
    puzzle.cards[card]!.cells.flatMap((term, place) =>
      term !== null && puzzle.calls.indexOf(term) < calls ? [{ type: 'mark', place }] : [],
    )
  const called = (calls: number): Partial<PlayContext> => ({ shared: { phase: 'open', calls } })
  const firstWin = puzzle.plan.wonBy.findIndex((won) => won > 0) + 1
  const winner = puzzle.cards.findIndex(({ number }) => checkClaim(puzzle, number, firstWin)!.won)

  it('takes a claim as soon as the calls make it true, and not a call before', () => {
    const claims = (calls: number): Playthrough<BingoPlay, BingoMove, BingoView> => {
      const run = playThrough(bingo, puzzle, { ...called(calls), seat: winner + 1 })
      run.at(1000, ...marks(winner, calls), { type: 'claim' })
      return run
    }
    const early = claims(firstWin - 1)
    expect([early.view().finished, early.view().lastMark]).to.deep.equal([false, 'not-yet'])
    const right = claims(firstWin)
    expect([right.view().finished, right.view().won.length >= 2]).to.deep.equal([true, true])
    expect(bingo.score(puzzle, right.play())).to.include({ points: 20, bonus: 20, total: 0 })
  })

  it('wants the squares marked, and more than the calls alone', () => {
    const run = playThrough(bingo, puzzle, { ...called(puzzle.calls.length), seat: winner + 1 })
    run.at(1000, { type: 'claim' })
    expect([run.view().finished, run.view().lastMark]).to.deep.equal([false, 'not-yet'])
    run.at(2000, ...marks(winner, puzzle.calls.length))
    expect(run.view().lastMark).to.equal('none')
    run.at(3000, { type: 'claim' })
    expect(run.view().finished).to.equal(true)
  })

  it('sends the student to the teacher where nobody calls here, and gives nothing for it', () => {
    const run = playThrough(bingo, puzzle)
    run.at(1000, ...marks(0, 14), { type: 'claim' })
    expect([run.view().finished, run.view().lastMark, run.view().won]).to.deep.equal([false, 'ask', []])
    expect(bingo.score(puzzle, run.play())).to.include({ points: 0, bonus: 0 })
  })

  it('takes a mark off again, and takes no next call from a device', () => {
    const run = playThrough(bingo, puzzle, called(3))
    run.at(1000, { type: 'mark', place: 0 })
    expect(run.view().marked).to.deep.equal([0])
    run.at(1100, { type: 'mark', place: 0 })
    expect(run.view().marked).to.deep.equal([])
    expect(run.isVoid({ type: 'next' })).to.equal(true)
  })
})

describe('Bingo for the youngest', () => {
  it('marks by itself and answers for nothing, but a bingo is a bingo', () => {
    const puzzle = made({ marking: 'helped' })
    const run = playThrough(bingo, puzzle)
    const responses = []
    for (let call = 0; call < puzzle.calls.length && !run.view().finished; call++) {
      const place = placeOf(puzzle, run.play(), call)
      if (place >= 0) expect(run.view().marked).to.include(place)
      responses.push(...run.at(1000 * call, { type: 'claim' }))
      if (!run.view().finished) responses.push(...run.at(1000 * call, { type: 'next' }))
    }
    expect(responses).to.deep.equal([])
    expect(bingo.score(puzzle, run.play())).to.include({ total: 0, right: 0, points: 20, finished: true })
  })
})
