import { expect } from 'chai'
import fc from 'fast-check'
import { difficultyWord, figuresOf, isPerhapsMiskeyed, tellingWord, toTeachAgain, type Mark } from '../src/index.ts'

/** Marks of a class that met everything. */
const whole = fc
  .tuple(fc.integer({ min: 8, max: 25 }), fc.integer({ min: 5, max: 12 }))
  .chain(([students, questions]) =>
    fc.array(fc.array(fc.boolean(), { minLength: questions, maxLength: questions }), {
      minLength: students,
      maxLength: students,
    }),
  )
const ones = (row: readonly Mark[]): number[] => row.map((mark) => (mark ? 1 : 0))
const sum = (numbers: readonly number[]): number => numbers.reduce((all, one) => all + one, 0)
const mean = (numbers: readonly number[]): number => sum(numbers) / numbers.length

/** Covariance as the mean of products less the product of means: another way than the core's. */
const covariance = (one: readonly number[], other: readonly number[]): number =>
  mean(one.map((value, index) => value * other[index]!)) - mean(one) * mean(other)

describe('Figures of questions', () => {
  it('are put in words from the very figure on that is their bound', () => {
    const difficulties = [0, 0.4999, 0.5, 0.8499, 0.85, 1].map((difficulty) => difficultyWord({ difficulty }))
    expect(difficulties).to.deep.equal(['hard', 'hard', 'middling', 'middling', 'easy', 'easy'])
    const telling = [-1, -0.1001, -0.1, 0.0999, 0.1, 0.2999, 0.3, 1].map((discrimination) =>
      tellingWord({ discrimination }),
    )
    expect(telling).to.deep.equal([
      ...['against', 'against', 'tells-nothing', 'tells-nothing'],
      ...['tells-little', 'tells-little', 'tells-well', 'tells-well'],
    ])
    expect([difficultyWord({ difficulty: null }), tellingWord({ discrimination: null })]).to.deep.equal([null, null])
    // More than half of those who met it, and more than were right: neither alone is enough.
    const met = (mostGiven: number, right: number, students = 10): boolean =>
      isPerhapsMiskeyed({ met: students, difficulty: right / students, discrimination: 0.2 }, { right, mostGiven })
    expect([met(6, 4), met(5, 4), met(6, 6), met(5, 3, 7), met(5, 3, 8)]).to.deep.equal([
      true,
      false,
      false,
      false,
      true,
    ])
    expect(
      isPerhapsMiskeyed({ met: 8, difficulty: 0.9, discrimination: -0.1 }, { right: 7, mostGiven: 1 }),
      'at the bound nothing is said',
    ).to.equal(false)
  })

  it('agree with Cronbach’s alpha and with correlations worked out from covariances', () => {
    fc.assert(
      fc.property(whole, (marks) => {
        const questions = marks[0]!.length
        const columns = Array.from({ length: questions }, (_, index) => ones(marks.map((row) => row[index]!)))
        const totals = marks.map((row) => sum(ones(row)))
        const { items, reliability } = figuresOf(marks, questions)
        const spread = covariance(totals, totals)
        if (spread > 1e-9) {
          // Alpha by covariances between questions; for right and wrong it is KR-20.
          let between = 0
          for (const [index, one] of columns.entries())
            for (const [at, other] of columns.entries()) if (index !== at) between += covariance(one, other)
          expect(reliability).to.be.closeTo((questions / (questions - 1)) * (between / spread), 1e-9)
        } else expect(reliability).to.equal(null)
        for (const [index, { met, difficulty, discrimination }] of items.entries()) {
          const rest = totals.map((total, student) => (total - columns[index]![student]!) / (questions - 1))
          expect([met, difficulty]).to.deep.equal([marks.length, mean(columns[index]!)])
          const both = covariance(columns[index]!, columns[index]!) * covariance(rest, rest)
          if (both > 1e-9)
            expect(discrimination).to.be.closeTo(covariance(columns[index]!, rest) / Math.sqrt(both), 1e-6)
        }
      }),
    )
  })

  it('are those of a table worked out by hand', () => {
    // Ten students, five questions; shares × their rests sum to 0.95, the totals spread by 2.81: KR-20 is 5/4 × (1 − 0.95/2.81).
    const rows = ['11111', '11111', '11110', '11110', '11100', '11000', '11000', '10000', '00000', '10000']
    const { items, reliability } = figuresOf(
      rows.map((row) => [...row].map((mark) => mark === '1')),
      5,
    )
    expect(items.map(({ difficulty }) => difficulty)).to.deep.equal([0.9, 0.7, 0.5, 0.4, 0.2])
    const within = 0.09 + 0.21 + 0.25 + 0.24 + 0.16
    const totals = [5, 5, 4, 4, 3, 2, 2, 1, 0, 1]
    const spread = mean(totals.map((total) => total ** 2)) - mean(totals) ** 2
    expect(spread).to.be.closeTo(2.81, 1e-9)
    expect(reliability).to.be.closeTo(1.25 * (1 - within / 2.81), 1e-9)
    expect(reliability).to.be.closeTo(0.8274, 1e-4)
  })

  it('say nothing where there are too few, where all are alike, and of what was not met', () => {
    const few = figuresOf(
      Array.from({ length: 7 }, (_, student) => [true, student % 2 === 0]),
      2,
    )
    expect(few.items[1]).to.deep.equal({ met: 7, difficulty: 4 / 7, discrimination: null })
    expect(few.reliability).to.equal(null)
    const alike = figuresOf(
      Array.from({ length: 12 }, () => [true, true, true, true, true]),
      5,
    )
    expect([alike.reliability, alike.items[0]!.discrimination]).to.deep.equal([null, null])
    const unmet = figuresOf(
      Array.from({ length: 9 }, (_, student): Mark[] => [student > 3, null]),
      2,
    )
    expect(unmet.items[1]).to.deep.equal({ met: 0, difficulty: null, discrimination: null })
    expect(difficultyWord(unmet.items[1]!)).to.equal(null)
  })

  it('flag a question that those who know most miss, and one whose leading wrong answer leads the right one', () => {
    // Who knows the first four is wrong on the last, and the other way.
    const marks = Array.from({ length: 10 }, (_, student) =>
      [0, 1, 2, 3].map((at) => student > at * 2).concat(student < 4),
    )
    const { items } = figuresOf(marks, 5)
    expect(tellingWord(items[4]!)).to.equal('against')
    expect(isPerhapsMiskeyed(items[4]!, { right: 4, mostGiven: 1 })).to.equal(true)
    expect(items.slice(0, 4).map(tellingWord)).not.to.include('against')
    const fair = { met: 10, difficulty: 0.3, discrimination: 0.4 }
    expect(isPerhapsMiskeyed(fair, { right: 3, mostGiven: 6 })).to.equal(true)
    expect(isPerhapsMiskeyed(fair, { right: 3, mostGiven: 5 })).to.equal(false)
    expect(isPerhapsMiskeyed({ ...fair, met: 7 }, { right: 0, mostGiven: 7 })).to.equal(false)
  })

  it('name what to teach again, the least known first, and the wrong answer that leads', () => {
    const question = (text: string, right: number, wrong: number, given: [string, number][] = [], counts = true) => ({
      text,
      counts,
      right,
      wrong,
      given: given.map(([one, count]) => ({ given: one, count })),
    })
    const teach = toTeachAgain([
      question('known', 9, 0),
      question('half', 5, 4, [['haf', 1]]),
      question('least', 1, 8, [
        ['lest', 6],
        ['last', 2],
      ]),
      question('opinion', 0, 9, [], false),
      question('third', 3, 6),
      question('fourth', 4, 5),
    ])
    expect(teach.map(({ text, leading }) => [text, leading])).to.deep.equal([
      ['least', 'lest'],
      ['third', null],
      ['fourth', null],
    ])
    expect(toTeachAgain([question('two', 1, 3, [['too', 2]])])[0]!.leading, 'two who say the same').to.equal('too')
    expect(toTeachAgain([question('one', 1, 3, [['won', 1]])])[0]!.leading).to.equal(null)
    expect(toTeachAgain([question('nobody', 0, 0)])).to.deep.equal([])
  })
})
