import fc from 'fast-check'
import { expect } from 'chai'
import { missesOf, teachingGroups } from '../src/results/index.ts'

describe('Groups for teaching', () => {
  it('put together who misses the same, and name it', () => {
    const groups = teachingGroups(['wwrrrr', 'rrrrww', 'wwrrrr', 'rrrrwp', 'rrrrrr', 'wwwrrr', 'rrmrrr'])
    expect(groups).to.deep.equal([
      { persons: [0, 2, 5], misses: [0, 1] },
      { persons: [1, 3], misses: [4, 5] },
    ])
  })

  it('are no larger than asked, hold nobody twice and nobody who misses nothing', () => {
    const row = fc.string({ unit: fc.constantFrom('r', 'm', 'w', 'p', '.', ' '), minLength: 6, maxLength: 6 })
    fc.assert(
      fc.property(fc.array(row, { maxLength: 14 }), fc.integer({ min: 2, max: 6 }), (rows, size) => {
        const groups = teachingGroups(rows, size)
        const all = groups.flatMap(({ persons }) => persons)
        expect(new Set(all).size).to.equal(all.length)
        for (const { persons, misses } of groups) {
          expect(persons.length).to.be.within(2, size)
          expect(misses.length).to.be.greaterThan(0)
          for (const person of persons) expect(missesOf(rows[person]!)).not.to.deep.equal([])
          // Whatever a group is named by, one of it at least has missed.
          for (const entry of misses)
            expect(persons.some((person) => missesOf(rows[person]!).includes(entry))).to.equal(true)
        }
      }),
    )
  })

  it('are as large as they may be', () => {
    expect(teachingGroups(['wr', 'wr', 'wr'], 3)).to.deep.equal([{ persons: [0, 1, 2], misses: [0] }])
    expect(teachingGroups(['wr', 'wr', 'wr'], 2)).to.deep.equal([{ persons: [0, 1], misses: [0] }])
  })

  it('join by the mean distance of all pairs, as worked out slowly', () => {
    // With the mean linkage, of three that miss {0,1}, {0,1,2}, {2,3}: the first two join, the third shares too little.
    expect(teachingGroups(['wwrr', 'wwwr', 'rrww'])).to.deep.equal([{ persons: [0, 1], misses: [0, 1, 2] }])
    // Not reached is not missed, and not known either: only what both met is compared.
    expect(teachingGroups(['ww..', '..ww'])).to.deep.equal([])
    // The one thing that both have met, both miss, whatever else one of them has met.
    expect(teachingGroups(['w.......', 'wwwwwwww'])).to.deep.equal([{ persons: [0, 1], misses: [0, 1, 2, 3] }])
    expect(teachingGroups(['wwwwwwww', 'w.......'])).to.have.length(1)
  })
})
