import { expect } from 'chai'
import fc from 'fast-check'
import {
  givenName,
  helpNotes,
  randomFrom,
  ranked,
  scoreOf,
  tallies,
  teamFor,
  teamScores,
  type NameLanguage,
  type Outcome,
  type Progress,
  type StudentScore,
} from '../src/index.ts'
import { isUnkindName } from '../src/text/unkindName.ts'

const anyStudent: fc.Arbitrary<StudentScore> = fc
  .record({
    participantId: fc.uuid(),
    teamId: fc.constantFrom('a', 'b', null),
    right: fc.integer({ min: 0, max: 10 }),
    points: fc.integer({ min: 0, max: 30 }),
    effort: fc.integer({ min: 0, max: 30 }),
    begun: fc.boolean(),
  })
  .map((student) => ({ ...student, total: 10 }))

describe('A ranking', () => {
  it('orders by score, gives equals one place and leaves as many out as shared it', () => {
    fc.assert(
      fc.property(fc.array(anyStudent), fc.constantFrom('points' as const, 'share' as const), (students, by) => {
        const rows = ranked(students, (student) => scoreOf(student, by))
        expect(rows.map(({ row }) => row)).to.have.members(students)
        for (const { place, score } of rows)
          expect(place, 'one more than those who are better').to.equal(
            1 + students.filter((student) => scoreOf(student, by) > score).length,
          )
      }),
    )
  })

  it('scores a team by the mean of who answered, so that neither size nor the absent matter', () => {
    fc.assert(
      fc.property(fc.array(anyStudent, { minLength: 1 }), (students) => {
        const [team] = teamScores(['a'], students, 'points')
        const begun = students.filter(({ teamId, begun: has }) => teamId === 'a' && has)
        fc.pre(begun.length > 0)
        const doubled = teamScores(['a'], [...students, ...students], 'points')[0]!
        expect(doubled.score).to.be.closeTo(team!.score, 1e-9)
        const absent = { ...begun[0]!, participantId: 'absent', begun: false, points: 0 }
        expect(teamScores(['a'], [...students, absent], 'points')[0]!.score).to.equal(team!.score)
        const points = begun.map((student) => student.points)
        expect(team!.score).to.be.within(Math.min(...points), Math.max(...points))
      }),
    )
  })
})

describe('Teams', () => {
  const come = (strengths: readonly (number | null)[], count: number, isBalanced: boolean): (number | null)[][] => {
    const teams = Array.from({ length: count }, (_, index) => ({
      teamId: `${index}`,
      strengths: [] as (number | null)[],
    }))
    for (const [index, strength] of strengths.entries()) {
      const teamId = teamFor(teams, { isBalanced, strength, random: randomFrom(`${index}`) })
      teams[Number(teamId)]!.strengths.push(strength)
    }
    return teams.map((team) => team.strengths)
  }
  const anyStrength = fc.oneof(fc.constant(null), fc.double({ min: 0, max: 1, noNaN: true }))

  it('never differ in size by more than one, however students come to them', () => {
    fc.assert(
      fc.property(fc.array(anyStrength), fc.integer({ min: 1, max: 12 }), fc.boolean(), (all, count, isBalanced) => {
        const sizes = come(all, count, isBalanced).map((team) => team.length)
        expect(sizes.reduce((sum, size) => sum + size, 0)).to.equal(all.length)
        expect(Math.max(...sizes) - Math.min(...sizes)).to.be.at.most(1)
      }),
    )
    expect(() => come([1], 0, true)).to.throw(RangeError)
  })

  it('are nearer to each other where they are balanced than where chance decides', () => {
    const random = randomFrom('teams')
    const spread = (teams: (number | null)[][]): number => {
      const sums = teams.map((team) => team.reduce<number>((sum, strength) => sum + (strength ?? 0.5), 0))
      return Math.max(...sums) - Math.min(...sums)
    }
    let [balanced, drawn] = [0, 0]
    for (let round = 0; round < 200; round++) {
      const all = Array.from({ length: 24 }, () => random.below(101) / 100)
      balanced += spread(come(all, 4, true))
      drawn += spread(come(random.shuffled(all), 4, false))
    }
    expect(balanced).to.be.lessThan(drawn / 2)
  })

  it('get the strongest and the weakest apart', () => {
    expect(come([1, 0, 1, 0], 2, true)).to.satisfy(([one, other]: number[][]) => one![0] !== other![0])
    const [one, other] = come([0.9, 0.9, 0.1, 0.1], 2, true)
    expect([one, other]).to.deep.equal([
      [0.9, 0.1],
      [0.9, 0.1],
    ])
  })
})

describe('Who may need help', () => {
  const student = (change: Partial<Progress>): Progress => ({
    participantId: 'x',
    connected: true,
    goneAt: null,
    moves: 5,
    met: 5,
    total: 10,
    last: ['right'],
    joinedAt: 0,
    lastAt: 100_000,
    done: false,
    ...change,
  })
  const reasonOf = (change: Partial<Progress>, others: Progress[] = []): string | undefined =>
    helpNotes([student(change), ...others], 0, 100_000).find(({ participantId }) => participantId === 'x')?.reason
  const class10 = Array.from({ length: 5 }, (_, index) => student({ participantId: `o${index}`, met: 10 }))

  it('is told with the reason, and nobody is told of who is done or gets on', () => {
    expect(reasonOf({})).to.equal(undefined)
    expect(reasonOf({ last: ['right', 'wrong', 'passed', 'wrong'] })).to.equal('wrong-in-row')
    expect(reasonOf({ last: ['wrong', 'wrong', 'opinion', 'wrong'] })).to.equal(undefined)
    expect(reasonOf({ connected: false, goneAt: 85_000 })).to.equal('gone')
    expect(reasonOf({ connected: false, goneAt: 95_000 }), 'a hiccup is none').to.equal(undefined)
    expect(reasonOf({ moves: 0, met: 0, last: [] })).to.equal('not-begun')
    expect(reasonOf({ moves: 0, met: 0, last: [], joinedAt: 80_000 }), 'just came').to.equal(undefined)
    expect(reasonOf({ lastAt: 30_000 })).to.equal('idle')
    expect(reasonOf({ met: 3 }, class10)).to.equal('slow')
    expect(reasonOf({ met: 4 }, class10)).to.equal(undefined)
    expect(reasonOf({ done: true, last: ['wrong', 'wrong', 'wrong'] })).to.equal(undefined)
  })

  it('names the most pressing first, with how many or how long', () => {
    const notes = helpNotes(
      [
        student({ participantId: 'slow', met: 1 }),
        student({ participantId: 'gone', connected: false, goneAt: 60_000 }),
        student({ participantId: 'wrong', last: ['wrong', 'wrong', 'wrong', 'wrong'] }),
        ...class10,
      ],
      0,
      100_000,
    )
    expect(notes.map(({ participantId, count }) => [participantId, count])).to.deep.equal([
      ['wrong', 4],
      ['gone', 40],
      ['slow', 1],
    ])
  })
})

describe('How a class stands', () => {
  it('counts every answer once, whatever their order', () => {
    const anyAnswer = fc.record({
      entryId: fc.constantFrom('a', 'b'),
      outcome: fc.constantFrom<Outcome>('right', 'wrong', 'passed', 'opinion'),
      given: fc.constantFrom('', 'veil', 'comb'),
    })
    fc.assert(
      fc.property(fc.array(anyAnswer), (answers) => {
        const counted = tallies(answers)
        for (const entryId of ['a', 'b']) {
          const mine = answers.filter((answer) => answer.entryId === entryId)
          const { right = 0, wrong = 0, passed = 0, given = [] } = counted.get(entryId) ?? {}
          expect(right + wrong + passed).to.equal(mine.filter(({ outcome }) => outcome !== 'opinion').length)
          for (const one of given)
            expect(one.count).to.equal(
              mine.filter((answer) => answer.given === one.given && answer.outcome !== 'right').length,
            )
        }
        expect([...tallies([...answers].reverse())]).to.have.deep.members([...counted])
      }),
    )
  })
})

describe('Names in a session', () => {
  it('are made of two kind words, are never given twice, and never run out', () => {
    for (const language of ['en', 'es', 'fr', 'he'] as NameLanguage[]) {
      const taken = new Set<string>()
      for (let index = 0; index < 1000; index++) {
        const name = givenName(language, taken, randomFrom(`${language} ${index}`))
        expect(taken.has(name.toLowerCase()), name).to.equal(false)
        if (index < 100) expect(name.split(' ').length, name).to.be.within(2, 3)
        expect(isUnkindName(name, language), name).to.equal(false)
        taken.add(name.toLowerCase())
      }
    }
  })

  it('are caught where they are rude, also with signs for letters, drawn out or spaced', () => {
    for (const rude of ['sh1t', 'Sh!t', '$hit', 'shiiiit', 's h i t', 'S.H.I.T', 'SHIT', 'mierd4'])
      expect(isUnkindName(rude, rude.startsWith('m') ? 'es' : 'en'), rude).to.equal(true)
    for (const kind of ['Ama', 'Bo 2', '7B', 'Aaron', 'Lee', 'Class 4a', 'Dick', 'Fanny', 'Scunthorpe', '1234'])
      expect(isUnkindName(kind, 'en'), kind).to.equal(false)
  })
})
