import { expect } from 'chai'
import fc from 'fast-check'
import { randomFrom } from '../src/index.ts'
import { chancesOf, draw, mostDrawn, NOTHING_DRAWN, type Drawable, type Drawn } from '../src/wall/draw.ts'

const poolOf = (weights: readonly number[]): Drawable[] => weights.map((weight, id) => ({ id: `${id}`, weight }))
const anyPool = fc.array(fc.integer({ min: 1, max: 9 }), { minLength: 1, maxLength: 12 }).map(poolOf)

/** Pearson's statistic of counts against what is expected of them. */
function chiSquare(counts: readonly number[], expected: readonly number[]): number {
  return counts.reduce((sum, count, index) => sum + (count - expected[index]!) ** 2 / expected[index]!, 0)
}

function manyDraws(pool: readonly Drawable[], repeats: boolean, count: number, seed: string): number[] {
  const random = randomFrom(seed)
  const counts = pool.map(() => 0)
  let drawn: Drawn = NOTHING_DRAWN
  for (let index = 0; index < count; index++) {
    // Counts of all draws are kept apart: here each draw is one by itself.
    const next = draw(pool, repeats ? NOTHING_DRAWN : drawn, { repeats, random })
    drawn = next.drawn
    counts[Number(next.id)]!++
  }
  return counts
}

describe('A draw', () => {
  it('is fair: of 100,000 draws each comes as often as it should', () => {
    // Of nine degrees of freedom, 27.88 is passed once in a thousand times.
    const even = manyDraws(poolOf(Array<number>(10).fill(1)), true, 100_000, 'even')
    expect(chiSquare(even, Array<number>(10).fill(10_000))).to.be.lessThan(27.88)
    const weights = [1, 2, 3, 4]
    const heavy = manyDraws(poolOf(weights), true, 100_000, 'heavy')
    // Of three, 16.27.
    expect(
      chiSquare(
        heavy,
        weights.map((weight) => weight * 10_000),
      ),
    ).to.be.lessThan(16.27)
    // The test itself tells an unfair draw.
    expect(
      chiSquare([11_000, 9000, ...Array<number>(8).fill(10_000)], Array<number>(10).fill(10_000)),
    ).to.be.greaterThan(27.88)
  })

  it('is fair in which comes first and which comes last of a round, too', () => {
    const pool = poolOf([1, 1, 1, 1, 1])
    const random = randomFrom('rounds')
    const [firsts, lasts] = [pool.map(() => 0), pool.map(() => 0)]
    let drawn: Drawn = NOTHING_DRAWN
    for (let round = 0; round < 20_000; round++)
      for (let place = 0; place < pool.length; place++) {
        const next = draw(pool, drawn, { repeats: false, random })
        drawn = next.drawn
        if (place === 0) firsts[Number(next.id)]!++
        if (place === pool.length - 1) lasts[Number(next.id)]!++
      }
    // Of four degrees of freedom, 18.47 is passed once in a thousand times.
    for (const counts of [firsts, lasts])
      expect(
        chiSquare(
          counts,
          pool.map(() => 4000),
        ),
      ).to.be.lessThan(18.47)
  })

  it('lets nobody come twice before everybody has come once, whoever is away meanwhile', () => {
    fc.assert(
      fc.property(
        anyPool,
        fc.string(),
        fc.array(fc.array(fc.boolean(), { minLength: 12, maxLength: 12 })),
        (all, seed, days) => {
          const random = randomFrom(seed)
          let drawn: Drawn = NOTHING_DRAWN
          let came = new Set<string>()
          for (const here of days) {
            const pool = all.filter((_, index) => here[index])
            if (pool.length === 0) {
              expect(() => draw(pool, drawn, { repeats: false, random })).to.throw(RangeError)
              continue
            }
            const left = pool.filter(({ id }) => !came.has(id))
            const chances = chancesOf(pool, drawn, false)
            const next = draw(pool, drawn, { repeats: false, random })
            if (left.length > 0) expect(left.map(({ id }) => id)).to.include(next.id)
            else came = new Set()
            came.add(next.id)
            expect(chances.get(next.id)).to.be.greaterThan(0)
            expect([...chances.values()].reduce((sum, chance) => sum + chance, 0)).to.be.closeTo(1, 1e-9)
            drawn = JSON.parse(JSON.stringify(next.drawn)) as Drawn
          }
          const total = Object.values(drawn.counts).reduce((sum, count) => sum + count, 0)
          expect(total).to.equal(days.filter((here) => all.some((_, index) => here[index])).length)
        },
      ),
    )
  })

  it('is the same for the same seed, and names what came most', () => {
    const pool = poolOf([1, 1, 1])
    const once = (): Drawn => {
      const random = randomFrom('seed')
      let drawn: Drawn = NOTHING_DRAWN
      for (let count = 0; count < 10; count++) drawn = draw(pool, drawn, { repeats: true, random }).drawn
      return drawn
    }
    expect(once()).to.deep.equal(once())
    expect(mostDrawn(pool, NOTHING_DRAWN)).to.deep.equal({ ids: [], count: 0 })
    expect(mostDrawn(pool, { cycle: [], counts: { 0: 2, 1: 3, 2: 3 } })).to.deep.equal({ ids: ['1', '2'], count: 3 })
  })
})
