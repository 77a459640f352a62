import { expect } from 'chai'
import fc from 'fast-check'
import { runs } from '../../../scripts/testing/lane.mjs'
import { dealCards, sharedBound } from '../src/games/bingo/cards.ts'
import { completingSets, forecast } from '../src/games/bingo/forecast.ts'
import { PuzzleError, randomFrom } from '../src/index.ts'
import { bingo, BingoOptions, checkClaim, type BingoPattern, type BingoPuzzle } from '../src/games/bingo/index.ts'
import { begin, when, LOOK } from './playing.ts'
import { listOf, sampleList } from './sampleWords.ts'

/** Lines as a person sees them, written apart from the code that plays. */
function linesOf(pattern: BingoPattern, size: number): number[][] {
  const at = (row: number, col: number): number => row * size + col
  const range = [...Array(size).keys()]
  if (pattern === 'corners') return [[at(0, 0), at(0, size - 1), at(size - 1, 0), at(size - 1, size - 1)]]
  if (pattern === 'full') return [range.flatMap((row) => range.map((col) => at(row, col)))]
  return [
    ...range.map((row) => range.map((col) => at(row, col))),
    ...range.map((col) => range.map((row) => at(row, col))),
    range.map((index) => at(index, index)),
    range.map((index) => at(index, size - 1 - index)),
  ]
}

/** Plays calls one by one; gives the call at which each card wins. */
function replay(
  pattern: BingoPattern,
  size: number,
  cards: readonly (number | null)[][],
  calls: readonly number[],
): number[] {
  const lines = linesOf(pattern, size)
  return cards.map((cells) => {
    const called = new Set<number | null>([null])
    for (const [index, term] of calls.entries()) {
      called.add(term)
      const complete = lines.filter((line) => line.every((place) => called.has(cells[place]!))).length
      if (complete >= (pattern === 'two-lines' ? 2 : 1)) return index + 1
    }
    return Infinity
  })
}

function made(terms: number, options: object, seed = '1'): BingoPuzzle {
  return bingo.make(sampleList(terms, 's', 'en', 12), BingoOptions.parse(options), randomFrom(seed))
}

describe('Bingo', () => {
  it('counts the sets of squares that complete a pattern as trying all of them does', () => {
    for (const [pattern, size, free] of [
      ['line', 3, true],
      ['line', 3, false],
      ['two-lines', 3, true],
      ['corners', 4, false],
      ['line', 4, false],
      ['two-lines', 4, false],
      ['full', 3, true],
    ] as const) {
      const middle = free && size % 2 === 1 ? (size * size - 1) / 2 : -1
      const places = [...Array(size * size).keys()].filter((place) => place !== middle)
      const lines = linesOf(pattern, size).map((line) =>
        line.filter((place) => place !== middle).reduce((mask, place) => mask | (1 << places.indexOf(place)), 0),
      )
      const counts = Array.from({ length: places.length + 1 }, () => 0)
      for (let set = 0; set < 1 << places.length; set++) {
        if (lines.filter((line) => (set & line) === line).length >= (pattern === 'two-lines' ? 2 : 1))
          counts[set.toString(2).replaceAll('0', '').length]!++
      }
      expect(completingSets(pattern, size, free), `${pattern} ${size}`).to.deep.equal(counts)
    }
  })

  it('forecasts what many games with random cards and calls come to', function () {
    this.timeout(30_000)
    for (const [pattern, size, terms, cards] of [
      ['line', 5, 30, 20],
      ['two-lines', 4, 24, 10],
      ['corners', 3, 14, 12],
    ] as const) {
      const random = randomFrom(`games ${pattern}`)
      const games = 4000
      let sum = 0
      let single = 0
      for (let game = 0; game < games; game++) {
        const all = [...Array(terms).keys()]
        const hands = Array.from({ length: cards }, () => {
          const cells: (number | null)[] = random.shuffled(all).slice(0, size * size)
          if (size % 2 === 1) cells[(size * size - 1) / 2] = null
          return cells
        })
        const wins = replay(pattern, size, hands, random.shuffled(all))
        const first = Math.min(...wins)
        sum += first
        if (wins.filter((win) => win === first).length === 1) single++
      }
      const told = forecast(pattern, size, true, terms, cards)
      expect(told.mean, pattern).to.be.closeTo(sum / games, 0.16)
      expect(told.single, pattern).to.be.closeTo(single / games, 0.025)
    }
  })

  it('is certain where cards hold every term: a full card comes with the last call', () => {
    for (const [size, free] of [
      [3, true],
      [3, false],
      [4, false],
    ] as const) {
      const terms = size * size - (free ? 1 : 0)
      for (const cards of [1, 5, 30]) {
        const { mean, single } = forecast('full', size, free, terms, cards)
        expect(mean).to.be.closeTo(terms, 1e-9)
        expect(single).to.be.closeTo(cards === 1 ? 1 : 0, 1e-9)
        const corners = forecast('corners', size, free, terms, 1).mean
        // Of four marked places among so many, the last comes on average at 4 (n + 1) / 5.
        expect(corners).to.be.closeTo((4 * (terms + 1)) / 5, 1e-9)
      }
    }
  })

  it('deals cards that are all different, as far apart as counting lets them be, with no long lines in common', () => {
    for (const [count, size, terms] of [
      [30, 5, 24],
      [30, 5, 30],
      [12, 4, 24],
      [30, 4, 24],
      [8, 3, 12],
    ] as const) {
      const cards = dealCards(count, size, true, terms, randomFrom(`${count} ${terms}`))
      const squares = size % 2 === 1 ? size * size - 1 : size * size
      expect(new Set(cards.map(({ cells }) => cells.join())).size).to.equal(count)
      for (const [index, one] of cards.entries()) {
        expect(new Set(one.cells).size).to.equal(size * size)
        for (const two of cards.slice(0, index)) {
          expect(one.cells.filter((term) => term !== null && two.cells.includes(term)).length).to.be.at.most(
            sharedBound(count, squares, terms) + 1,
          )
          const alike = linesOf('line', size).flatMap((line) => {
            const terms = line.map((place) => one.cells[place]).filter((term) => term !== null)
            return linesOf('line', size).map(
              (other) => other.filter((place) => terms.includes(two.cells[place] ?? -1)).length,
            )
          })
          expect(Math.max(...alike), `${count} ${size} ${terms}`).to.be.below(4)
        }
      }
    }
  })

  it('plans the calls as wished, and an independent replay agrees', function () {
    this.timeout(60_000)
    for (let game = 0; game < 150; game++) {
      const { cards, calls, plan, size, pattern } = made(
        30 + (game % 3) * 10,
        { size: 5, cards: 10 + (game % 4) * 10, firstWin: [12, 15], winners: 1, fiveBy: 22 },
        `game ${game}`,
      )
      const wins = replay(
        pattern,
        size,
        cards.map(({ cells }) => cells),
        calls,
      )
      const first = Math.min(...wins)
      expect([plan.met, plan.firstWin, plan.winners, plan.wonBy[21]]).to.deep.equal([
        true,
        first,
        1,
        wins.filter((win) => win <= 22).length,
      ])
      expect(first).to.be.within(12, 15)
      expect(wins.filter((win) => win === first).length).to.equal(1)
      expect(plan.wonBy[21]).to.be.at.least(5)
      expect([...calls].sort((one, two) => one - two)).to.deep.equal([...calls.keys()])
    }
    const { plan } = made(24, { size: 5, cards: 40, firstWin: [22, 24] })
    expect(plan.met).to.equal(false)
    expect(plan.reachable?.[0]).to.equal(4)
    expect(plan.reachable?.[1]).to.be.within(8, 15)
  })

  it('favours no card', function () {
    this.timeout(60_000)
    const options = BingoOptions.parse({ size: 4, cards: 10, firstWin: [9, 12], winners: 1 })
    const won = Array.from({ length: 10 }, () => 0)
    const games = 1000
    for (let game = 0; game < games; game++) {
      const { cards, calls } = bingo.make(sampleList(24, 's', 'en', 12), options, randomFrom(`fair ${game}`))
      const wins = replay(
        'line',
        4,
        cards.map(({ cells }) => cells),
        calls,
      )
      won[wins.indexOf(Math.min(...wins))]!++
    }
    const expected = games / won.length
    const chiSquare = won.reduce((sum, count) => sum + (count - expected) ** 2 / expected, 0)
    expect(chiSquare).to.be.below(21.67)
  })

  it('says what too few terms can still be, and refuses a game in which all win together', () => {
    const few = bingo.fit(
      listOf(['a', 'b', 'c', 'd', 'e', 'f', 'g', 'h', 'i', 'j', 'k', 'l']),
      BingoOptions.parse({ size: 5 }),
    )
    expect([few.ready, few.summary.values.count, few.summary.values.smaller]).to.deep.equal([false, 12, 3])
    expect(() => made(24, { size: 5, pattern: 'full' })).to.throw(PuzzleError)
    expect(made(25, { size: 5, pattern: 'full', cards: 3 }).cards.length).to.equal(3)
  })

  it('says where one call would fit two squares', () => {
    const list = listOf(Array.from({ length: 12 }, (_, index) => `word${index}`))
    list.entries[3] = { ...list.entries[3]!, prompt: { text: 'the same clue' } }
    list.entries[5] = { ...list.entries[5]!, prompt: { text: 'The same clue.' } }
    const notes = bingo.fit(list, BingoOptions.parse({})).notes.filter(({ code }) => code === 'same-clue')
    expect(notes.map(({ entryIds, values }) => [entryIds, values.text])).to.deep.equal([
      [[list.entries[5].id], 'The same clue.'],
    ])
  })

  it('takes the largest card that the words fill, where none was chosen', () => {
    const sizeOf = (terms: number, rest: object = {}): number =>
      made(terms, { size: 'automatic', cards: 4, ...rest }).size
    expect([8, 9, 15, 16, 23, 24, 40].map((terms) => sizeOf(terms))).to.deep.equal([3, 3, 3, 4, 4, 5, 5])
    expect(sizeOf(25, { pattern: 'full', free: false })).to.equal(4)
    expect(bingo.fit(listOf(['a', 'b', 'c']), BingoOptions.parse({})).summary).to.deep.include({
      code: 'too-few',
      values: { count: 5, size: 3 },
    })
  })

  it('checks a claim: which line, at which call, or what was not called', () => {
    fc.assert(
      fc.property(
        fc.integer({ min: 1, max: 24 }),
        fc.integer({ min: 1, max: 12 }),
        fc.constantFrom('line' as const, 'two-lines' as const, 'corners' as const),
        fc.string(),
        (called, number, pattern, seed) => {
          const puzzle = made(24, { size: 4, cards: 12, pattern }, seed)
          const win = replay(pattern, 4, [puzzle.cards[number - 1]!.cells], puzzle.calls)[0]!
          const claim = checkClaim(puzzle, number, called)
          expect([claim?.won, claim?.call]).to.deep.equal(win <= called ? [true, win] : [false, 0])
          for (const place of claim?.missing ?? [])
            expect(puzzle.calls.indexOf(puzzle.cards[number - 1]!.cells[place] ?? -1)).to.be.at.least(called)
          expect(checkClaim(puzzle, 13, called)).to.equal(undefined)
        },
      ),
      { numRuns: runs(60) },
    )
  })

  it('is played on a device: marks are judged by the call, and a bingo ends it', () => {
    const puzzle = made(12, { size: 3, cards: 6 })
    let play = bingo.start(puzzle, begin('p'))
    expect(JSON.stringify(bingo.view(puzzle, play, LOOK))).not.to.include('"calls"')
    const outcomes: string[] = []
    for (let call = 0; call < 12 && !bingo.score(puzzle, play).finished; call++) {
      const place = puzzle.cards[play.card]!.cells.indexOf(puzzle.calls[call]!)
      const wrong = puzzle.cards[play.card]!.cells.findIndex(
        (term) => term !== null && puzzle.calls.indexOf(term) > call,
      )
      const moves = [...(call === 0 && wrong >= 0 ? [wrong] : []), ...(place < 0 ? [] : [place])].map((own) => ({
        type: 'mark' as const,
        place: own,
      }))
      for (const move of [...moves, { type: 'claim' as const }, { type: 'next' as const }]) {
        const step = bingo.move(puzzle, play, move, when(call * 1000))
        play = step.play
        outcomes.push(...step.responses.map(({ outcome }) => outcome))
      }
    }
    expect(bingo.score(puzzle, play)).to.include({ finished: true, total: 8 })
    expect(play.bingo).to.equal(true)
    expect(outcomes.filter((outcome) => outcome === 'wrong').length).to.equal(1)
    expect(bingo.view(puzzle, play, LOOK).won.length).to.be.at.least(2)
  })
})
