import { expect } from 'chai'
import fc from 'fast-check'
import { randomFrom } from '../src/index.ts'
import { mixTeams, type Missing } from '../src/wall/mixedTeams.ts'
import { yardsticks } from './yardsticks.ts'

const anyStudents = (least: number, most: number): fc.Arbitrary<Missing[]> =>
  fc
    .array(fc.uniqueArray(fc.constantFrom('a', 'b', 'c', 'd'), { maxLength: 4 }), { minLength: least, maxLength: most })
    .map((all) => all.map((missed, index) => ({ id: `s${index}`, missed })))

function alikeIn(teams: readonly (readonly string[])[], students: readonly Missing[]): number {
  const missed = new Map(students.map((student) => [student.id, student.missed]))
  const pairs = teams.flatMap((team) =>
    team.flatMap((one, index) => team.slice(index + 1).map((other) => [one, other] as const)),
  )
  const sum = pairs.reduce((total, [one, other]) => {
    const all = new Set([...missed.get(one)!, ...missed.get(other)!])
    const both = missed.get(one)!.filter((entry) => missed.get(other)!.includes(entry))
    return total + (all.size === 0 ? 0 : both.length / all.size)
  }, 0)
  return pairs.length === 0 ? 0 : sum / pairs.length
}

/** Returns the least likeness of all ways to make two teams. */
function bestOfTwo(students: readonly Missing[]): number {
  const size = Math.ceil(students.length / 2)
  let best = Infinity
  for (let bits = 0; bits < 2 ** students.length; bits++) {
    const one = students.filter((_, index) => (bits >> index) & 1).map(({ id }) => id)
    if (one.length !== size) continue
    const other = students.map(({ id }) => id).filter((id) => !one.includes(id))
    best = Math.min(best, alikeIn([one, other], students))
  }
  return best
}

describe('Teams mixed by what they miss', () => {
  it('have as little in common as any teams of small classes, and say how much', () => {
    fc.assert(
      fc.property(anyStudents(2, 9), fc.string(), (students, seed) => {
        const { teams, alike, isBest } = mixTeams(students, 2, [], randomFrom(seed))
        expect(teams.flat().sort()).to.deep.equal(students.map(({ id }) => id).sort())
        expect(Math.abs(teams[0]!.length - teams[1]!.length)).to.be.at.most(1)
        expect(alike).to.be.closeTo(alikeIn(teams, students), 1e-9)
        expect(alike).to.be.closeTo(bestOfTwo(students), 1e-9)
        expect(isBest).to.equal(true)
      }),
    )
  })

  it('keep wishes, and part a class of thirty better than chance does, in a moment', () => {
    const students = Array.from({ length: 30 }, (_, index) => ({ id: `s${index}`, missed: ['abcde'[index % 5]!] }))
    const wishes = [
      { type: 'together' as const, ids: ['s0', 's5'] as const },
      { type: 'apart' as const, ids: ['s1', 's2'] as const },
    ]
    const work = yardsticks()
    const { teams, alike, refused } = mixTeams(students, 6, wishes, randomFrom('1'))
    expect(work()).to.be.below(50)
    const teamOf = (id: string): number => teams.findIndex((team) => team.includes(id))
    expect([refused, teamOf('s0') === teamOf('s5'), teamOf('s1') === teamOf('s2')]).to.deep.equal([[], true, false])
    // Five in each that all miss something else, but for the two who want to be together: one pair of sixty.
    expect(alike).to.be.at.most(2 / 60)
  })

  it('refuse to make more teams than there are students', () => {
    expect(() => mixTeams([{ id: 'a', missed: [] }], 2, [], randomFrom('1'))).to.throw(RangeError)
  })
})
