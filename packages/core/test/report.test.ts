import fc from 'fast-check'
import { expect } from 'chai'
import {
  cellOf,
  marksOfPlays,
  distributionOf,
  entryCounts,
  mapOf,
  missesOf,
  orderBy,
  progressByAttempt,
  progressByWeek,
  refusedGroups,
  scoresOf,
  shareOfRow,
  standardRows,
  sureWord,
  wilsonInterval,
  isTroubled,
  type MarkCode,
  type ReportAttempt,
  type ReportFacts,
} from '../src/results/index.ts'

const DAY = 86_400_000
const code = fc.constantFrom<MarkCode>('right', 'wrong', 'passed')
const attempt = (one: Partial<ReportAttempt>): ReportAttempt => ({
  person: 0,
  work: 0,
  right: 0,
  total: 10,
  points: 0,
  milliseconds: 1000,
  startedAt: 0,
  ended: true,
  scores: true,
  set: 0,
  ...one,
})

const facts: fc.Arbitrary<ReportFacts> = fc
  .record({
    persons: fc.integer({ min: 1, max: 8 }),
    entries: fc.integer({ min: 1, max: 12 }),
    works: fc.array(fc.boolean(), { minLength: 1, maxLength: 4 }),
  })
  .chain(({ persons, entries, works }) =>
    fc
      .record({
        sets: fc.array(fc.uniqueArray(fc.nat(entries - 1), { minLength: 1 }), { minLength: 1, maxLength: 3 }),
        picked: fc.array(
          fc.tuple(fc.nat(persons - 1), fc.nat(works.length - 1), fc.nat(2), fc.nat(10), fc.nat(60 * DAY)),
          { maxLength: 30 },
        ),
        codes: fc.array(fc.option(fc.tuple(code, code)), { minLength: 96, maxLength: 96 }),
      })
      .map(({ sets, picked, codes }) => {
        const attempts = picked
          .map(([person, work, set, right, startedAt]) =>
            attempt({ person, work, set: set % sets.length, right, startedAt, scores: works[work]! }),
          )
          .sort((one, other) => one.startedAt - other.startedAt)
        const asked = new Set(attempts.flatMap(({ person, set }) => sets[set]!.map((entry) => `${person} ${entry}`)))
        const marks = [...asked].flatMap((key, index) => {
          const [person, entry] = key.split(' ').map(Number) as [number, number]
          const codes2 = codes[index % codes.length]
          return codes2 ? [{ person, entry, first: codes2[0], last: codes2[1] }] : []
        })
        return { persons, entries, sets, marks, attempts }
      }),
  )

describe('A report', () => {
  it('tells apart right, mended, wrong, passed, not reached and not asked, cell by cell', () => {
    fc.assert(
      fc.property(facts, (given) => {
        const map = mapOf(given)
        for (let person = 0; person < given.persons; person++)
          for (let entry = 0; entry < given.entries; entry++) {
            const mark = given.marks.find((one) => one.person === person && one.entry === entry)
            const wasAsked = given.attempts.some((one) => one.person === person && given.sets[one.set]!.includes(entry))
            const expected = mark
              ? mark.first === 'right'
                ? 'right'
                : mark.last === 'right'
                  ? 'mended'
                  : mark.first
              : wasAsked
                ? 'not-reached'
                : 'not-asked'
            expect(cellOf(map[person]![entry])).to.equal(expected)
          }
      }),
    )
  })

  it('takes the first answer from the first play and the last from the last, and nothing of what is taken out', () => {
    const plays = [
      { person: 1, entries: [0, 1, -1, 2], letters: 'w.rm' },
      { person: 1, entries: [1, 0, 2], letters: 'pr.' },
      { person: 0, entries: [2, 1], letters: 'p ' },
    ]
    expect(marksOfPlays({ persons: 2, entries: 3 }, plays)).to.deep.equal([
      { person: 0, entry: 2, first: 'passed', last: 'passed' },
      { person: 1, entry: 0, first: 'wrong', last: 'right' },
      { person: 1, entry: 1, first: 'passed', last: 'passed' },
      { person: 1, entry: 2, first: 'wrong', last: 'right' },
    ])
  })

  it('counts each student once for each entry, and nobody who was not asked', () => {
    fc.assert(
      fc.property(facts, (given) => {
        const counts = entryCounts(given)
        for (const [entry, { right, wrong, passed, notReached, mended }] of counts.entries()) {
          const asked = new Set(
            given.attempts.filter(({ set }) => given.sets[set]!.includes(entry)).map(({ person }) => person),
          )
          expect(right + wrong + passed + notReached).to.equal(asked.size)
          expect(mended).to.be.at.most(wrong + passed)
        }
      }),
    )
  })

  it('scores the best attempt and the first, of work that counts alone', () => {
    fc.assert(
      fc.property(facts, (given) => {
        for (const [person, score] of scoresOf(given).entries()) {
          const tries = given.attempts.filter((one) => one.person === person && one.scores)
          const works = [...new Set(tries.map(({ work }) => work))]
          expect(score.attempts).to.equal(tries.length)
          expect(score.begun).to.equal(works.length)
          if (works.length === 0) {
            expect(score.share).to.equal(null)
            continue
          }
          const best = works.map((work) =>
            Math.max(...tries.filter((one) => one.work === work).map(({ right }) => right)),
          )
          const first = works.map((work) => tries.find((one) => one.work === work)!.right)
          expect(score.share).to.be.closeTo(best.reduce((sum, one) => sum + one / 10, 0) / works.length, 1e-9)
          expect(score.firstShare).to.be.closeTo(first.reduce((sum, one) => sum + one / 10, 0) / works.length, 1e-9)
          expect(score.firstShare).to.be.at.most(score.share! + 1e-9)
        }
      }),
    )
  })

  it('spreads all shares over its steps, the ends too', () => {
    fc.assert(
      fc.property(fc.array(fc.integer({ min: 0, max: 20 }).map((right) => right / 20)), (shares) => {
        const steps = distributionOf(shares)
        for (const { from, to, count } of steps)
          expect(count).to.equal(
            shares.filter((one) => Math.round(one * 100) >= Math.round(from * 100) && (one < to - 1e-9 || to === 1))
              .length,
          )
        expect(steps.reduce((sum, { count }) => sum + count, 0)).to.equal(shares.length)
      }),
    )
  })

  it('sorts by either side: weakest first, what nobody met last, equal ones as they were', () => {
    expect(orderBy([0.5, null, 0.2, 0.5, 1], 'weakest')).to.deep.equal([2, 0, 3, 4, 1])
    expect(orderBy([0.5, null, 0.2, 0.5, 1], 'strongest')).to.deep.equal([4, 0, 3, 2, 1])
    expect(orderBy([0.5, null, 0.2], 'given')).to.deep.equal([0, 1, 2])
    expect(shareOfRow('rm. wp')).to.equal(0.25)
    expect(shareOfRow('. ')).to.equal(null)
    expect(missesOf('rm. wp')).to.deep.equal([1, 4, 5])
    expect(missesOf('rm. wp', { mended: false })).to.deep.equal([4, 5])
    expect(() => cellOf('x')).to.throw('No cell is written x')
  })

  it('tells progress from attempt to attempt of those who tried again, and week by week from Monday on', () => {
    // 1970-01-05 was a Monday.
    const monday = 4 * DAY
    const attempts = [
      attempt({ right: 2, startedAt: monday - 1 }),
      attempt({ right: 6, startedAt: monday }),
      attempt({ person: 1, right: 9, startedAt: monday + 1 }),
      attempt({ person: 1, work: 1, right: 1, startedAt: monday, scores: false }),
    ]
    expect(progressByAttempt({ attempts })).to.deep.equal([
      { at: 1, share: 0.2, count: 1 },
      { at: 2, share: 0.6, count: 1 },
    ])
    expect(progressByWeek({ attempts })).to.deep.equal([
      { at: monday - 7 * DAY, share: 0.2, count: 1 },
      { at: monday, share: 0.9, count: 1 },
    ])
    // An hour east of UTC it is Monday already.
    expect(progressByWeek({ attempts }, 3_600_000)).to.deep.equal([{ at: monday - 3_600_000, share: 0.55, count: 2 }])
  })
})

describe('How sure a share is', () => {
  it('agrees with the published examples of Newcombe (1998, Statistics in Medicine 17, table I)', () => {
    for (const [right, of, from, to] of [
      [81, 263, 0.2553, 0.3662],
      [15, 148, 0.0624, 0.1605],
      [0, 20, 0, 0.1611],
      [1, 29, 0.0061, 0.1718],
    ] as const) {
      const interval = wilsonInterval(right, of)
      expect(interval.from).to.be.closeTo(from, 0.00005)
      expect(interval.to).to.be.closeTo(to, 0.00005)
    }
  })

  it('holds exactly the shares whose own distance from what was seen is small enough', () => {
    // Wilson's interval is where |seen − true| = z·√(true(1 − true)/n): looked for by halving.
    const edge = (right: number, of: number, low: number, high: number): number => {
      const far = (share: number): boolean =>
        Math.abs(right / of - share) > 1.959963984540054 * Math.sqrt((share * (1 - share)) / of)
      let [inside, outside] = [low, high]
      for (let step = 0; step < 60; step++) {
        const middle = (inside + outside) / 2
        if (far(middle)) outside = middle
        else inside = middle
      }
      return inside
    }
    fc.assert(
      fc.property(fc.integer({ min: 2, max: 300 }), fc.nat(300), (of, seed) => {
        const right = 1 + (seed % (of - 1))
        const { from, to } = wilsonInterval(right, of)
        expect(from).to.be.closeTo(edge(right, of, right / of, 0), 1e-6)
        expect(to).to.be.closeTo(edge(right, of, right / of, 1), 1e-6)
      }),
    )
  })

  it('is said in words: too few answers tell nothing', () => {
    expect(sureWord(0, 0)).to.equal('too-few')
    expect(sureWord(3, 3)).to.equal('too-few')
    expect(sureWord(2, 3)).to.equal('too-few')
    expect(sureWord(38, 40)).to.equal('known')
    expect(sureWord(5, 40)).to.equal('not-known')
    expect(sureWord(25, 40)).to.equal('in-between')
  })

  it('is told for each standard over all entries that have it, in the order of numbers', () => {
    const rows = standardRows([
      { standards: ['B.10'], right: 1, wrong: 2, passed: 1 },
      { standards: ['B.2', 'B.10'], right: 3, wrong: 0, passed: 0 },
      { standards: ['A.1'], right: 0, wrong: 0, passed: 0 },
    ])
    expect(rows.map(({ code: name, entries, right, answers }) => [name, entries, right, answers])).to.deep.equal([
      ['A.1', [2], 0, 0],
      ['B.2', [1], 3, 3],
      ['B.10', [0, 1], 4, 7],
    ])
    expect(rows[0]!.interval).to.equal(null)
  })
})

describe('Refused answers', () => {
  it('are put together by what they were, with all ways of writing and everyone who gave it', () => {
    const answers = [
      { entryId: 'a', given: 'Colour', person: 'x' },
      { entryId: 'a', given: 'colour ', person: 'y' },
      { entryId: 'a', given: 'colour', person: 'y' },
      { entryId: 'b', given: 'colour', person: 'x' },
      { entryId: 'a', given: '  ', person: 'z' },
    ]
    expect(refusedGroups(answers)).to.deep.equal([
      { entryId: 'a', given: 'colour', written: ['colour', 'Colour'], persons: ['x', 'y'] },
      { entryId: 'b', given: 'colour', written: ['colour'], persons: ['x'] },
    ])
  })
})

describe('Troubles', () => {
  const none = { gone: 0, place: null, reloads: 0, waited: 0, longestWait: 0, late: 0 }
  it('are told where a score may have suffered from them', () => {
    expect(isTroubled(none)).to.equal(false)
    expect(isTroubled({ ...none, gone: 20_000, reloads: 1, waited: 1, longestWait: 5000 })).to.equal(false)
    expect(isTroubled({ ...none, gone: 240_000 })).to.equal(true)
    expect([29_999, 30_000].map((gone) => isTroubled({ ...none, gone }))).to.deep.equal([false, true])
    expect(isTroubled({ ...none, late: 1 })).to.equal(true)
    expect(isTroubled({ ...none, reloads: 3 })).to.equal(true)
    expect(isTroubled({ ...none, waited: 1, longestWait: 15_000 })).to.equal(true)
  })
})
