import { cellOf } from '@otter/core/results'
import { expect } from 'chai'
import fc from 'fast-check'
import { mapReducer, orderOf, START, type MapState } from '../src/pages/report/mapOrder.ts'
import { spanOf } from '../src/pages/report/SpanChoice.tsx'

const entry = (right: number, wrong: number): never => ({ right, wrong, passed: 0 }) as never

describe('The map of a report', () => {
  const map = ['rrw', 'wr.', 'mrr']
  const report = { map, entries: [entry(1, 2), entry(3, 0), entry(1, 1)] }
  const sorted = (state: Partial<MapState>): { rows: number[]; columns: number[] } =>
    orderOf({ ...START, ...state }, report)

  it('shows students as they are and the weakest words first, until it is sorted', () => {
    expect(sorted({})).to.deep.equal({ rows: [0, 1, 2], columns: [0, 2, 1] })
    expect(sorted({ students: { order: 'strongest' } }).rows).to.deep.equal([0, 2, 1])
    expect(sorted({ students: { order: 'weakest' }, entries: { order: 'given' } })).to.deep.equal({
      rows: [1, 0, 2],
      columns: [0, 1, 2],
    })
  })

  it('is sorted by one word, or by one student: what needs a look comes first, equal ones as they were', () => {
    expect(sorted({ students: { by: 0 } }).rows, 'wrong, mended, right').to.deep.equal([1, 2, 0])
    expect(sorted({ students: { by: 2 } }).rows, 'what was not reached comes last').to.deep.equal([0, 2, 1])
    expect(sorted({ entries: { by: 0 } }).columns).to.deep.equal([2, 0, 1])
  })

  it('is in its own order again where what it was sorted by is gone', () => {
    expect(sorted({ students: { by: 9 }, entries: { by: 9 } })).to.deep.equal({ rows: [0, 1, 2], columns: [0, 1, 2] })
  })

  it('holds everyone and everything once, however it is sorted', () => {
    const row = fc.array(fc.constantFrom('r', 'm', 'w', 'p', '.', ' '), { minLength: 4, maxLength: 4 })
    const sorting = fc.oneof(
      fc.constantFrom('given' as const, 'weakest' as const, 'strongest' as const).map((order) => ({ order })),
      fc.nat(3).map((by) => ({ by })),
    )
    fc.assert(
      fc.property(fc.array(row, { minLength: 4, maxLength: 9 }), sorting, sorting, (rows, students, entries) => {
        const letters = rows.map((one) => one.join(''))
        const counts = [0, 1, 2, 3].map((column) =>
          entry(
            letters.filter((one) => one[column] === 'r').length,
            letters.filter((one) => one[column] === 'w').length,
          ),
        )
        const order = orderOf({ students, entries }, { map: letters, entries: counts })
        expect([...order.rows].sort((one, other) => one - other)).to.deep.equal([...letters.keys()])
        expect([...order.columns].sort((one, other) => one - other)).to.deep.equal([0, 1, 2, 3])
        if ('by' in students) {
          const cells = order.rows.map((place) => cellOf(letters[place]![students.by]))
          expect(cells.lastIndexOf('wrong'), 'no wrong one stands behind a right one').to.be.below(
            cells.includes('right') ? cells.indexOf('right') : Infinity,
          )
        }
      }),
    )
  })

  it('begins at its beginning where it is sorted anew, and never before it', () => {
    const later = mapReducer(START, { type: 'page', side: 'entries', first: 48 })
    expect(later.firstEntry).to.equal(48)
    expect(mapReducer(later, { type: 'page', side: 'entries', first: -24 }).firstEntry).to.equal(0)
    const again = mapReducer(later, { type: 'sort', side: 'entries', sorting: { by: 1 } })
    expect([again.firstEntry, again.entries]).to.deep.equal([0, { by: 1 }])
    expect(mapReducer(later, { type: 'sort', side: 'students', sorting: { by: 1 } }).firstEntry).to.equal(48)
  })
})

describe('The span of a report', () => {
  const today = new Date(2026, 10, 28, 15, 30)
  const local = (moment: string | undefined): number[] | undefined => {
    if (moment === undefined) return undefined
    const date = new Date(moment)
    return [date.getFullYear(), date.getMonth() + 1, date.getDate(), date.getHours(), date.getMinutes()]
  }

  it('is whole days of the browser’s own time', () => {
    expect(spanOf({ days: 'all', from: '', to: '' }, today)).to.deep.equal({})
    const week = spanOf({ days: '7', from: '', to: '' }, today)
    expect(local(week.from)).to.deep.equal([2026, 11, 21, 0, 0])
    expect(week.to).to.equal(undefined)
  })

  it('holds its last day whole, and is open where one side is not said', () => {
    const own = spanOf({ days: 'own', from: '2026-09-01', to: '2026-12-31' }, today)
    expect(local(own.from)).to.deep.equal([2026, 9, 1, 0, 0])
    expect(local(own.to), 'the last day is in it').to.deep.equal([2027, 1, 1, 0, 0])
    expect(Object.keys(spanOf({ days: 'own', from: '2026-09-01', to: '' }, today))).to.deep.equal(['from'])
    expect(spanOf({ days: 'own', from: '', to: '' }, today)).to.deep.equal({})
  })
})
