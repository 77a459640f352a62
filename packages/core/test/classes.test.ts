import { expect } from 'chai'
import fc from 'fast-check'
import {
  admissionOf,
  attemptsFor,
  endOfAttempt,
  factorFor,
  isOpenAt,
  localAt,
  momentFrom,
  namesPasted,
  showsAnswers,
  standingOf,
  WorkRules,
  type Attempt,
  type WorkTimes,
} from '../src/index.ts'
import { runs } from '../../../scripts/testing/lane.mjs'

const BO = '00000000-0000-4000-8000-000000000001'
const NO_TIMES: WorkTimes = { opensAt: null, dueAt: null, closesAt: null }
const rules = (given: Partial<WorkRules> = {}): WorkRules => WorkRules.parse(given)

const attempt = fc
  .record({
    total: fc.integer({ min: 0, max: 20 }),
    share: fc.double({ min: 0, max: 1, noNaN: true }),
    end: fc.nat(1000),
  })
  .map(({ total, share, end }): Attempt => ({ right: Math.floor(total * share), total, endedAt: end }))
const shareOf = ({ right, total }: Attempt): number => (total === 0 ? 0 : right / total)

describe('Set work', () => {
  it('gives who has more time exactly so much more, and takes away no pause', () => {
    fc.assert(
      fc.property(
        fc.integer({ min: 1, max: 300 }),
        fc.constantFrom(1, 1.25, 1.5, 2, 4),
        fc.nat(10_000_000),
        fc.nat(10_000_000),
        (minutes, factor, begunAt, paused) => {
          const given = rules({ minutes, factorOf: { [BO]: factor }, attempts: 2, attemptsOf: { [BO]: 5 } })
          expect([
            factorFor(given, BO),
            factorFor(given, null),
            attemptsFor(given, BO),
            attemptsFor(given, null),
          ]).to.deep.equal([factor, 1, 5, 2])
          const end = (more: number): number => endOfAttempt(given, { begunAt, factor: more, paused })!
          expect((end(factor) - begunAt - paused) / (end(1) - begunAt - paused)).to.be.closeTo(factor, 1e-9)
          expect(end(1) - begunAt - paused).to.equal(minutes * 60_000)
          expect(endOfAttempt(rules(), { begunAt, factor, paused })).to.equal(null)
        },
      ),
    )
  })

  it('counts the best, the first, the last or the mean of what is over', () => {
    fc.assert(
      fc.property(fc.array(attempt, { minLength: 1, maxLength: 8 }), (attempts) => {
        const share = (counted: WorkRules['counted']): number =>
          standingOf(rules({ counted }), NO_TIMES, attempts, 5000).share!
        const shares = attempts.map(shareOf)
        expect(share('best')).to.equal(Math.max(...shares))
        expect(share('first')).to.equal(shares[0])
        expect(share('last')).to.equal(shares.at(-1))
        expect(share('mean')).to.be.closeTo(shares.reduce((sum, one) => sum + one, 0) / shares.length, 1e-12)
        for (const counted of ['first', 'last', 'mean'] as const)
          expect(share('best') - share(counted)).to.be.gte(-1e-12)
      }),
    )
  })

  it('is never worse for one more attempt where the best counts, and unmoved by it where the first does', () => {
    fc.assert(
      fc.property(fc.array(attempt, { minLength: 1, maxLength: 6 }), attempt, (attempts, more) => {
        const share = (counted: WorkRules['counted'], list: Attempt[]): number =>
          standingOf(rules({ counted }), NO_TIMES, list, 5000).share!
        expect(share('best', [...attempts, more])).to.be.at.least(share('best', attempts))
        expect(share('first', [...attempts, more])).to.equal(share('first', attempts))
      }),
    )
  })

  it('says who has not begun, is in the middle or is done, and what was left counts once it is closed', () => {
    const times = { ...NO_TIMES, closesAt: 100 }
    const half: Attempt = { right: 5, total: 10, endedAt: null }
    const full: Attempt = { right: 10, total: 10, endedAt: 50 }
    const at = (attempts: Attempt[], now: number): unknown => {
      const { state, share, attempts: count } = standingOf(rules({ counted: 'last' }), times, attempts, now)
      return [state, share, count]
    }
    expect(at([], 10)).to.deep.equal(['not-begun', null, 0])
    expect(at([], 200)).to.deep.equal(['not-begun', null, 0])
    expect(at([half], 10)).to.deep.equal(['under-way', null, 1])
    expect(at([half], 100), 'left when it closed').to.deep.equal(['done', 0.5, 1])
    expect(at([full, half], 60), 'the one under way does not count yet').to.deep.equal(['under-way', 1, 2])
    expect(at([full, half], 200)).to.deep.equal(['done', 0.5, 2])
  })

  it('is late by what counts, and passed at the very mark', () => {
    const times = { ...NO_TIMES, dueAt: 100 }
    const early: Attempt = { right: 7, total: 10, endedAt: 100 }
    const late: Attempt = { right: 9, total: 10, endedAt: 101 }
    const standing = (counted: WorkRules['counted']): unknown => {
      const { late: isLate, passed } = standingOf(rules({ counted, pass: 70 }), times, [early, late], 500)
      return [isLate, passed]
    }
    expect([standing('first'), standing('best'), standing('last'), standing('mean')]).to.deep.equal([
      [false, true],
      [true, true],
      [true, true],
      [true, true],
    ])
    for (let total = 1; total <= 40; total++)
      for (let right = 0; right <= total; right++) {
        const { passed } = standingOf(rules({ pass: 70 }), NO_TIMES, [{ right, total, endedAt: 1 }], 5)
        expect(passed, `${right} of ${total}`).to.equal(right * 100 >= 70 * total)
      }
    expect(standingOf(rules(), NO_TIMES, [early], 5).passed, 'without a mark').to.equal(null)
  })

  it('is late by the earliest of attempts that are equally good', () => {
    const times = { ...NO_TIMES, dueAt: 100 }
    const attempt = (right: number, total: number, endedAt: number): Attempt => ({ right, total, endedAt })
    const isLate = (...attempts: Attempt[]): boolean =>
      standingOf(rules({ counted: 'best' }), times, attempts, 500).late
    expect(isLate(attempt(7, 10, 90), attempt(7, 10, 200)), 'the same once more, too late').to.equal(false)
    expect(isLate(attempt(1, 2, 90), attempt(5, 10, 200)), 'as large a share').to.equal(false)
    expect(isLate(attempt(6, 10, 90), attempt(7, 10, 200)), 'better, too late').to.equal(true)
    expect(isLate(attempt(7, 10, 200), attempt(7, 10, 300), attempt(1, 10, 50))).to.equal(true)
  })

  it('lets nobody begin more attempts than are given, and everybody go on with the one begun', () => {
    fc.assert(
      fc.property(
        fc.option(fc.integer({ min: 1, max: 20 }), { nil: null }),
        fc.option(fc.integer({ min: 1, max: 20 }), { nil: undefined }),
        fc.nat(25),
        fc.boolean(),
        (most, own, begun, isUnderWay) => {
          const given = rules({ attempts: most, attemptsOf: own === undefined ? {} : { [BO]: own } })
          const admission = admissionOf(given, NO_TIMES, { studentId: BO, begun, isUnderWay }, 5)
          const allowed = own ?? most
          expect(admission).to.equal(
            isUnderWay ? 'go-on' : allowed !== null && begun >= allowed ? 'no-attempts' : 'begin',
          )
        },
      ),
    )
  })

  it('opens and closes at its moments, for those it is set for', () => {
    const times = { opensAt: 100, dueAt: 200, closesAt: 300 }
    const at = (now: number, isUnderWay = false): string =>
      admissionOf(rules(), times, { studentId: null, begun: 0, isUnderWay }, now)
    expect([99, 100, 200, 299, 300].map((now) => at(now))).to.deep.equal([
      'not-yet',
      'begin',
      'begin',
      'begin',
      'closed',
    ])
    expect([at(299, true), at(300, true)]).to.deep.equal(['go-on', 'closed'])
    for (const now of [0, 99, 100, 250, 299, 300, 400])
      expect(isOpenAt(times, now)).to.equal(['begin', 'go-on'].includes(at(now)))
    const chosen = rules({ students: [BO] })
    const admitted = (studentId: string | null): string =>
      admissionOf(chosen, NO_TIMES, { studentId, begun: 0, isUnderWay: true }, 5)
    expect([admitted(BO), admitted(null), admitted('other')]).to.deep.equal(['go-on', 'not-for-you', 'not-for-you'])
  })

  it('shows right answers as it was said: at once, never, or once it was due', () => {
    const times = { ...NO_TIMES, dueAt: 100 }
    const shows = (shown: WorkRules['shown'], now: number, given: WorkTimes = times): boolean =>
      showsAnswers(rules({ shown }), given, now)
    expect([shows('all', 0), shows('score', 500), shows('after-due', 99), shows('after-due', 100)]).to.deep.equal([
      true,
      false,
      false,
      true,
    ])
    expect(shows('after-due', 99, { ...NO_TIMES, closesAt: 100 }), 'by its end where nothing is due').to.equal(false)
    expect(shows('after-due', 0, NO_TIMES), 'nothing is waited for').to.equal(true)
  })
})

describe('Local times', () => {
  const ZONES = ['Europe/Berlin', 'America/New_York', 'Asia/Kolkata', 'Australia/Lord_Howe', 'Pacific/Apia', 'UTC']

  it('come back as they were written, but for those that clocks skip', () => {
    fc.assert(
      fc.property(
        fc.constantFrom(...ZONES),
        fc.integer({ min: Date.UTC(2015, 0, 1), max: Date.UTC(2035, 0, 1) }),
        (zone, moment) => {
          const local = localAt(moment, zone)
          const back = momentFrom(local, zone)
          expect(localAt(back, zone)).to.equal(local)
          expect(back).to.be.at.most(Math.floor(moment / 60_000) * 60_000)
        },
      ),
      { numRuns: runs(500) },
    )
  })

  it('are the first of two as summer time ends, and moved on where it begins', () => {
    const iso = (local: string, zone: string): string => new Date(momentFrom(local, zone)).toISOString()
    expect(iso('2026-10-25T02:30', 'Europe/Berlin')).to.equal('2026-10-25T00:30:00.000Z')
    expect(iso('2026-10-25T03:30', 'Europe/Berlin')).to.equal('2026-10-25T02:30:00.000Z')
    expect(iso('2026-03-29T02:30', 'Europe/Berlin')).to.equal('2026-03-29T01:30:00.000Z')
    expect(iso('2026-11-01T01:30', 'America/New_York')).to.equal('2026-11-01T05:30:00.000Z')
    expect(iso('2026-04-05T01:45', 'Australia/Lord_Howe')).to.equal('2026-04-04T14:45:00.000Z')
    expect(iso('2026-03-28T23:59', 'Europe/Berlin')).to.equal('2026-03-28T22:59:00.000Z')
    for (const wrong of ['2026-02-30T10:00', '2026-01-01', '2026-01-01T24:00', ''])
      expect(() => momentFrom(wrong, 'UTC'), wrong).to.throw(RangeError)
  })
})

describe('Names of a class', () => {
  const names = (text: string, known: string[] = []): string[] =>
    namesPasted(text, known).map(({ name, why }) => (why ? `${name} (${why})` : name))

  it('are read one a line, from columns, and from lists with numbers', () => {
    expect(names('Bo\nIda\r\n\n Mina  Ray \n')).to.deep.equal(['Bo', 'Ida', 'Mina Ray'])
    expect(names('1. Bo\n2) Ida\n• Mina\n- Ole')).to.deep.equal(['Bo', 'Ida', 'Mina', 'Ole'])
    expect(names('Lund, Bo\nRay, Mina Sol')).to.deep.equal(['Bo Lund', 'Mina Sol Ray'])
    expect(names('Bo\tLund\t5b\nIda\tMoor\t5b')).to.deep.equal(['Bo Lund', 'Ida Moor'])
    expect(names('Bo\t12\nIda\tida@school.example')).to.deep.equal(['Bo', 'Ida'])
  })

  it('are joined from the columns that a heading names, in any order', () => {
    expect(names('Last name\tFirst name\tBorn\nLund\tBo\t2014\nMoor\tIda\t2015')).to.deep.equal(['Bo Lund', 'Ida Moor'])
    expect(names('Nr\tName\n7\tBo Lund\n8\tIda')).to.deep.equal(['Bo Lund', 'Ida'])
    expect(names('Nachname\tVorname\nLund\tBo')).to.deep.equal(['Bo Lund'])
  })

  it('say which the class has, which come twice, and which are no names', () => {
    expect(names('Bo\nIDA\nida\nOle', ['bo'])).to.deep.equal(['Bo (known)', 'IDA', 'ida (repeat)', 'Ole'])
    expect(names('x'.repeat(41))).to.deep.equal([`${'x'.repeat(41)} (too-long)`])
    expect(names('12\n---\n\n')).to.deep.equal([])
    expect(names('José\nJosé'), 'however its accent is written').to.deep.equal(['José', 'José (repeat)'])
    expect(names('דנה\n蜂蜜\nعلي')).to.deep.equal(['דנה', '蜂蜜', 'علي'])
  })
})
