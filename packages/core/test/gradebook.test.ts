import fc from 'fast-check'
import { expect } from 'chai'
import { gradeOf } from '../src/results/index.ts'

describe('Marks of a gradebook', () => {
  it('stand on the chosen scale', () => {
    const score = { share: 0.755, points: 83 }
    expect(gradeOf({ type: 'percent' }, score)).to.equal(76)
    expect(gradeOf({ type: 'points' }, score)).to.equal(83)
    expect(gradeOf({ type: 'range', from: 0, to: 20, step: 0.5 }, score)).to.equal(15)
    expect(gradeOf({ type: 'range', from: 6, to: 1, step: 0.1 }, score)).to.equal(2.2)
    const names = {
      type: 'names' as const,
      marks: [
        { name: 'B', from: 0.5 },
        { name: 'A', from: 0.9 },
        { name: 'C', from: 0.2 },
      ],
    }
    expect(gradeOf(names, score)).to.equal('B')
    expect(gradeOf(names, { share: 0.9, points: 0 })).to.equal('A')
    expect(gradeOf(names, { share: 0, points: 0 })).to.equal('C')
  })

  it('never leave their range, and more is never worse', () => {
    fc.assert(
      fc.property(
        fc.double({ min: 0, max: 1, noNaN: true }),
        fc.double({ min: 0, max: 1, noNaN: true }),
        (one, other) => {
          const scale = { type: 'range' as const, from: 6, to: 1, step: 1 }
          const [less, more] = [Math.min(one, other), Math.max(one, other)].map((share) =>
            gradeOf(scale, { share, points: 0 }),
          )
          expect(less).to.be.within(1, 6)
          expect(more).to.be.at.most(less as number)
        },
      ),
    )
  })
})
