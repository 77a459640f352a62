import { expect } from 'chai'
import fc from 'fast-check'
import { runs } from '../../../scripts/testing/lane.mjs'
import { randomFrom } from '../src/index.ts'
import { makeTeams, type MadeTeams, type Teammate } from '../src/wall/teamMaker.ts'
import type { Wish } from '../src/wall/teamWishes.ts'
import { yardsticks } from './yardsticks.ts'

const classOf = (strengths: readonly number[]): Teammate[] =>
  strengths.map((strength, index) => ({ id: `${index}`, strength }))
const anyWishes = (students: number): fc.Arbitrary<Wish[]> =>
  fc.array(
    fc
      .record({
        type: fc.constantFrom('together' as const, 'apart' as const),
        one: fc.nat(students - 1),
        step: fc.integer({ min: 1, max: Math.max(1, students - 1) }),
      })
      .map(({ type, one, step }): Wish => ({ type, ids: [`${one}`, `${(one + step) % students}`] })),
    { maxLength: 6 },
  )

function keeps(teams: readonly (readonly string[])[], wishes: readonly Wish[]): boolean {
  return wishes.every(({ type, ids: [one, other] }) => {
    const isOne = teams.some((team) => team.includes(one) && team.includes(other))
    return type === 'together' ? isOne : !isOne
  })
}

/** Every way to put students into teams whose sizes differ by one at most, found with no thought at all. */
function* allSplits(students: readonly Teammate[], count: number): Generator<Teammate[][]> {
  const [least, most] = [Math.floor(students.length / count), Math.ceil(students.length / count)]
  for (let code = 0; code < count ** students.length; code++) {
    const teams = Array.from({ length: count }, (): Teammate[] => [])
    let rest = code
    for (const student of students) {
      teams[rest % count]!.push(student)
      rest = Math.floor(rest / count)
    }
    if (teams.every(({ length }) => length >= least && length <= most)) yield teams
  }
}

function idsOf(teams: readonly (readonly Teammate[])[]): string[][] {
  return teams.map((team) => team.map(({ id }) => id))
}

function spreadOf(teams: readonly (readonly Teammate[])[]): number {
  const means = teams.map((team) => team.reduce((sum, { strength }) => sum + strength, 0) / team.length)
  return Math.max(...means) - Math.min(...means)
}

function check(students: readonly Teammate[], count: number, wishes: readonly Wish[], made: MadeTeams): void {
  const sizes = made.teams.map(({ length }) => length)
  expect(made.teams.flat().sort()).to.deep.equal(students.map(({ id }) => id).sort())
  expect(sizes).to.have.length(count)
  expect(Math.max(...sizes) - Math.min(...sizes)).to.be.at.most(1)
  expect(
    keeps(
      made.teams,
      wishes.filter((wish) => !made.refused.includes(wish)),
    ),
  ).to.equal(true)
  const teams = made.teams.map((ids) => ids.map((id) => students.find((student) => student.id === id)!))
  expect(made.spread).to.be.closeTo(spreadOf(teams), 1e-9)
  expect(made.bound).to.be.at.most(made.spread + 1e-9)
}

describe('A team maker', () => {
  it('finds the most equal teams of a small class, refuses just what can’t be, and never bounds too high', () => {
    fc.assert(
      fc.property(
        fc.integer({ min: 2, max: 7 }).chain((students) =>
          fc.record({
            strengths: fc.array(fc.integer({ min: 0, max: 10 }), { minLength: students, maxLength: students }),
            count: fc.integer({ min: 1, max: Math.min(3, students) }),
            wishes: anyWishes(students),
            seed: fc.string(),
          }),
        ),
        ({ strengths, count, wishes, seed }) => {
          const students = classOf(strengths.map((strength) => strength / 10))
          const made = makeTeams(students, count, wishes, randomFrom(seed))
          check(students, count, wishes, made)
          const splits = [...allSplits(students, count)].map((teams) => ({
            spread: spreadOf(teams),
            ids: idsOf(teams),
          }))
          const kept: Wish[] = []
          for (const wish of wishes) {
            const isPossible = splits.some(({ ids }) => keeps(ids, [...kept, wish]))
            expect(made.refused.includes(wish), 'refused is just what can’t be').to.equal(!isPossible)
            if (isPossible) kept.push(wish)
          }
          const least = Math.min(...splits.filter(({ ids }) => keeps(ids, kept)).map(({ spread }) => spread))
          expect(made.spread, 'nothing is more equal').to.be.closeTo(least, 1e-9)
          expect(made.isBest).to.equal(true)
        },
      ),
      { numRuns: runs(150) },
    )
  })

  it('makes teams of a whole class in a moment, far more equal than chance, with every wish that can be', function () {
    this.timeout(60_000)
    const random = randomFrom('classes')
    const times: number[] = []
    for (let round = 0; round < 12; round++) {
      const students = classOf(Array.from({ length: 22 + random.below(14) }, () => random.below(101) / 100))
      const count = 2 + random.below(8)
      const wishes: Wish[] = Array.from({ length: 6 }, (_, index) => ({
        type: index % 2 === 0 ? 'together' : 'apart',
        ids: [`${index * 3}`, `${index * 3 + 1}`],
      }))
      const spent = yardsticks()
      const made = makeTeams(students, count, wishes, randomFrom(`${round}`))
      times.push(spent())
      check(students, count, wishes, made)
      const drawn = Array.from({ length: 50 }, () => {
        const mixed = random.shuffled(students)
        return spreadOf(
          made.teams.map((team, index) => {
            const before = made.teams.slice(0, index).reduce((sum, { length }) => sum + length, 0)
            return mixed.slice(before, before + team.length)
          }),
        )
      })
      expect(made.spread).to.be.lessThan(Math.min(...drawn) / 2)
      expect(makeTeams(students, count, wishes, randomFrom(`${round}`)), 'the same again').to.deep.equal(made)
    }
    times.sort((one, other) => one - other)
    expect(times[Math.floor(times.length / 2)], 'mostly').to.be.below(10)
  })

  it('tells that it can’t be better where one outweighs all, and refuses fewer students than teams', () => {
    const made = makeTeams(classOf([1, ...Array<number>(13).fill(0)]), 7, [], randomFrom('1'))
    expect([made.spread, made.bound < made.spread + 1e-9]).to.deep.equal([0.5, true])
    expect(made.bound).to.be.closeTo(0.5 - 1 / 14, 1e-9)
    expect(() => makeTeams(classOf([1]), 2, [], randomFrom('1'))).to.throw(RangeError)
    const pair: Wish = { type: 'together', ids: ['0', '1'] }
    const both = makeTeams(classOf([0, 1]), 1, [pair, { type: 'apart', ids: ['1', '0'] }], randomFrom('1'))
    expect(both.refused).to.deep.equal([{ type: 'apart', ids: ['1', '0'] }])
  })
})
