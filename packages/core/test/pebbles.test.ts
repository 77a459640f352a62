import { expect } from 'chai'
import fc from 'fast-check'
import { runs } from '../../../scripts/testing/lane.mjs'
import { newEntry, NO_KNOWLEDGE, randomFrom, type EntryList, type Response, type TeamMove } from '../src/index.ts'
import {
  pebbles,
  PebblesOptions,
  swingOf,
  TWISTS,
  type PebblesMove,
  type PebblesPuzzle,
  type PebblesView,
} from '../src/games/pebbles/index.ts'
import { enumeratedSwing, simulatedSwing, type SwingSetting } from '../src/games/pebbles/swing.ts'
import {
  effectOf,
  hideTwists,
  lastQuarter,
  narrows,
  needsAnswer,
  turnsLeft,
  twistChances,
} from '../src/games/pebbles/twists.ts'
import { playThrough, type Playthrough } from './playthrough.ts'
import { idOf } from './sampleWords.ts'
import { yardsticks } from './yardsticks.ts'

const list: EntryList = {
  title: 'T',
  answerLanguage: 'en',
  promptLanguage: 'en',
  entries: Array.from({ length: 24 }, (_, index) =>
    newEntry({
      id: idOf(index),
      answer: { text: `answer${index}` },
      prompt: { text: `clue ${index}` },
      groups: [index < 18 ? 'big' : index < 22 ? 'small' : 'tiny'],
      worth: index,
    }),
  ),
}
const make = (options: object = {}, seed = '1'): PebblesPuzzle =>
  pebbles.make(list, PebblesOptions.parse(options), randomFrom(seed))
type Run = Playthrough<ReturnType<typeof pebbles.start>, PebblesMove | TeamMove, PebblesView>
const run = (puzzle: PebblesPuzzle): Run => playThrough(pebbles, puzzle)
const at = (play: Run, ...moves: (PebblesMove | TeamMove)[]): Response[] => play.at(1000, ...moves)
const points = (play: Run): number[] => play.view().teams.map((team) => team.points)

const anyScene = fc.integer({ min: 2, max: 6 }).chain((teams) =>
  fc.record({
    points: fc.array(fc.integer({ min: -40, max: 200 }), { minLength: teams, maxLength: teams }),
    team: fc.integer({ min: 0, max: teams - 1 }),
    right: fc.constantFrom(true, false, null),
    value: fc.constantFrom(5, 10, 20),
  }),
)

describe('Pebbles in the riverbed', () => {
  it('cover all groups of the list, and are worth what was chosen', () => {
    const { questions } = make({ pebbles: 6 })
    const groups = questions.map(({ entryId }) => list.entries.find(({ id }) => id === entryId)!.groups[0])
    expect(new Set(groups)).to.deep.equal(new Set(['big', 'small', 'tiny']))
    expect(groups.filter((group) => group === 'tiny')).to.have.length(2)
    expect(make({ values: 'list' }).questions.every(({ entryId, value }) => idOf(value) === entryId)).to.equal(true)
    const hidden = make({ values: 'hidden' })
    const drawn = run(hidden).play().values
    expect(new Set(drawn).size, 'drawn anew, and not all the same').to.be.above(1)
  })

  it('cost what was chosen where the answer was wrong, and take it back where it is judged otherwise', () => {
    const cost = (wrong: string, had: number): number[] => {
      const play = run(make({ wrong, teams: 2, pebbles: 8 }))
      at(play, { type: 'award', team: 0, points: had }, { type: 'open', item: 0 }, { type: 'judge', right: false })
      const after = points(play)[0]!
      at(play, { type: 'judge', right: true, team: 0 })
      return [after, points(play)[0]!]
    }
    expect(cost('nothing', 50)).to.deep.equal([50, 60])
    expect(cost('points', 50)).to.deep.equal([40, 60])
    expect(cost('everything', 50)).to.deep.equal([0, 60])
    expect(cost('everything', -5), 'nobody loses what it has not').to.deep.equal([-5, 5])
  })

  it('are answered by whom it was said: the team, the next one too, or all in writing', () => {
    const tries = (answers: string): number => {
      const play = run(make({ answers, teams: 4, pebbles: 8 }))
      at(play, { type: 'open', item: 0 })
      let count = 0
      while (!play.view().question!.over && count < 9) {
        at(play, { type: 'judge', right: false, ...(answers === 'all' ? { team: count } : {}) }, { type: 'pass-on' })
        count++
      }
      return count
    }
    expect([tries('team'), tries('next'), tries('all')]).to.deep.equal([1, 2, 4])
  })
})

describe('Twists', () => {
  it('take nothing that another does not get, but for what rising water and a won answer bring', () => {
    fc.assert(
      fc.property(
        anyScene,
        fc.constantFrom(...TWISTS),
        fc.double({ min: 0, max: 0.999, noNaN: true }),
        (scene, twist, luck) => {
          const { changes, again } = effectOf({ twist, luck }, scene)
          const sum = changes.reduce((total, change) => total + change, 0)
          const after = scene.points.map((has, team) => has + changes[team]!)
          expect(changes.every(Number.isInteger)).to.equal(true)
          if (twist === 'low-bridge' || twist === 'ferry') expect(sum + 0).to.equal(0)
          else if (twist !== 'heavy-net') expect(sum).to.be.at.least(0)
          if (needsAnswer(twist) && scene.right !== true)
            expect([again, changes.every((change) => change <= 0)]).to.deep.equal([false, true])
          if (twist === 'high-water') expect(Math.max(...after)).to.equal(Math.max(...scene.points))
          // Nobody who was behind is put ahead of the first by more than a pebble, but by its own answer.
          const most = Math.max(...scene.points)
          for (const [team, has] of scene.points.entries())
            if (has < most && team !== scene.team && twist !== 'rising-water')
              expect(after[team]! - Math.max(most, ...after.filter((_, one) => one !== team))).to.be.at.most(
                scene.value,
              )
        },
      ),
      { numRuns: runs(2000) },
    )
  })

  it('lie under about as many pebbles as they should, each by its weight', () => {
    const riverbed = { pebbles: 20, teams: 3 }
    const random = randomFrom('lie')
    const counts = new Map<string, number>()
    const games = 5000
    for (let game = 0; game < games; game++)
      for (const hidden of hideTwists('lively', riverbed, random))
        if (hidden) counts.set(hidden.twist, (counts.get(hidden.twist) ?? 0) + 1)
    const chi = twistChances('lively', riverbed).reduce((sum, { twist, chance }) => {
      const expected = chance * 20 * games
      return sum + ((counts.get(twist) ?? 0) - expected) ** 2 / expected
    }, 0)
    // Ten kinds: 99.9 % of draws stay below this.
    expect(chi).to.be.below(29.6)
    expect(twistChances('off', riverbed)).to.deep.equal([])
  })

  it('are rarer the more teams share the riverbed', () => {
    const share = (teams: number): number =>
      twistChances('lively', { pebbles: 20, teams }).reduce((sum, { chance }) => sum + chance, 0)
    expect(share(2)).to.be.closeTo(share(3), 1e-9)
    expect(share(6)).to.be.closeTo(share(3) / 2, 1e-9)
    expect(share(9)).to.be.closeTo(share(3) / 3, 1e-9)
  })

  it('tell of each answer how many questions came before it', () => {
    const play = run(make({ teams: 2, pebbles: 8 }))
    const placeOf = (item: number): number[] =>
      at(play, { type: 'open', item }, { type: 'judge', right: true }, { type: 'close' }).map(({ place }) => place)
    expect([4, 1, 6].flatMap(placeOf)).to.deep.equal([0, 1, 2])
  })

  it('need an answer, and say so before it; others come as a surprise, and are shown with what they brought', () => {
    let told = 0
    let surprised = 0
    for (let seed = 0; seed < 40; seed++) {
      const puzzle = make({ twists: 'lively', teams: 3, pebbles: 12 }, String(seed))
      const play = run(puzzle)
      for (let item = 0; item < 12 && !play.view().finished; item++) {
        at(play, { type: 'open', item })
        const hidden = play.play().hidden[item]
        const shown = play.view().twist
        expect(shown).to.equal(hidden && needsAnswer(hidden.twist) ? hidden.twist : null)
        at(play, { type: 'judge', right: true })
        const before = points(play)
        at(play, { type: 'close' })
        const { events } = play.view()
        const after = before.map((has, team) => has + events.reduce((sum, event) => sum + event.changes[team]!, 0))
        expect(points(play), 'what is shown is what happened').to.deep.equal(after)
        if (events.some(({ twist }) => twist !== 'narrows')) {
          if (shown) told++
          else surprised++
        }
      }
    }
    expect(told).to.be.above(20)
    expect(surprised).to.be.above(20)
  })

  it('let the same team go again after an eddy, and only after a right answer', () => {
    const puzzle = make({ twists: 'lively', teams: 3, pebbles: 12 })
    const begun = run(puzzle).play()
    const eddies: typeof begun = { ...begun, hidden: begun.hidden.map(() => ({ twist: 'eddy', luck: 0 })) }
    const turnAfter = (right: boolean): number => {
      let play = eddies
      for (const move of [{ type: 'open', item: 3 }, { type: 'judge', right }, { type: 'nobody' }, { type: 'close' }])
        play = pebbles.move(puzzle, play, pebbles.moves.parse(move), {
          seat: 1,
          rules: { order: 'made', together: false, hints: true, second: true, telling: 'at-once' },
          shared: null,
          knowledge: NO_KNOWLEDGE,
          clock: 1,
          now: 1,
        }).play
      return play.teams.turn
    }
    expect([turnAfter(true), turnAfter(false)]).to.deep.equal([0, 1])
  })

  it('leave nobody out of the running before the last quarter of a lively game', () => {
    fc.assert(
      fc.property(
        fc.integer({ min: 2, max: 10 }).chain((teams) =>
          fc.record({
            points: fc.array(fc.integer({ min: -100, max: 400 }), { minLength: teams, maxLength: teams }),
            turn: fc.integer({ min: 0, max: teams - 1 }),
          }),
        ),
        fc.integer({ min: 4, max: 60 }),
        fc.constantFrom<'team' | 'next' | 'all'>('team', 'next', 'all'),
        ({ points: had, turn }, count, answers) => {
          const left = lastQuarter(count)
          const turns = turnsLeft(left, turn, { teams: had.length, answers })
          const lift = narrows(had, turns, 10)
          const after = had.map((has, team) => has + lift[team]!)
          expect(Math.max(...after)).to.equal(Math.max(...had))
          for (const [team, has] of after.entries()) {
            expect(lift[team]).to.be.at.least(0)
            // By its own answers, or by the gift of one pebble, it can still come first, or share it.
            expect(has + Math.max(1, turns[team]!) * 10).to.be.at.least(Math.max(...after))
          }
        },
      ),
    )
  })

  it('bring the narrows just once, as the last quarter of a lively game begins', () => {
    const puzzle = make({ twists: 'lively', teams: 2, pebbles: 12, answers: 'team' })
    const play = run(puzzle)
    at(play, { type: 'award', team: 0, points: 5000 })
    let met = 0
    for (let item = 0; item < 12; item++) {
      at(play, { type: 'open', item }, { type: 'nobody' }, { type: 'close' })
      if (play.view().events.some(({ twist }) => twist === 'narrows')) {
        met++
        expect(12 - item - 1).to.equal(lastQuarter(12))
        expect(points(play)[0]! - points(play)[1]!).to.be.at.most(2 * 10)
      }
    }
    expect(met).to.equal(1)
  })
})

describe('The forecast of a game of pebbles', () => {
  const setting = (rest: Partial<SwingSetting>): SwingSetting => ({
    answers: 'team',
    wrong: 'nothing',
    twists: 'lively',
    teams: 2,
    pebbles: 20,
    ...rest,
  })

  it('agrees with going through all that can happen in small games', function () {
    this.timeout(60_000)
    for (const small of [
      setting({ pebbles: 3, twists: 'off' }),
      setting({ pebbles: 4, answers: 'next', wrong: 'points' }),
      setting({ pebbles: 3, answers: 'all', wrong: 'everything', twists: 'gentle' }),
      setting({ pebbles: 3, teams: 3 }),
    ]) {
      const games = 12_000
      const exact = enumeratedSwing(small)
      // Three times the standard error of a share.
      const error = 3 * Math.sqrt((exact * (1 - exact)) / games)
      expect(Math.abs(simulatedSwing(small, games) - exact), JSON.stringify(small)).to.be.below(error + 0.002)
    }
  })

  it('finds that lively Twists leave it to knowing: 6 of 10 with two teams, three quarters of the share elsewhere', function () {
    this.timeout(120_000)
    const sizes = [
      [2, 20],
      [2, 40],
      [4, 20],
      [6, 60],
      [8, 16],
      [10, 60],
    ] as const
    for (const answers of ['team', 'next', 'all'] as const)
      for (const wrong of ['nothing', 'points', 'everything'] as const)
        for (const [teams, count] of sizes) {
          const game = setting({ answers, wrong, teams, pebbles: count })
          const { share, plain } = swingOf(game)
          if (teams === 2) expect(share, JSON.stringify(game)).to.be.at.least(0.6)
          expect(share / plain, JSON.stringify(game)).to.be.at.least(0.75)
        }
  })

  it('is there in a moment, whatever is chosen', function () {
    this.timeout(60_000)
    for (const game of [setting({}), setting({ teams: 10, pebbles: 60, answers: 'all' }), setting({ pebbles: 60 })]) {
      // The quickest of up to twelve: what a machine does beside it is no work of the forecast.
      const times: number[] = []
      while (times.length < 12 && Math.min(...times) >= 7.5) {
        const work = yardsticks()
        swingOf(game)
        times.push(work())
      }
      expect(Math.min(...times)).to.be.below(7.5)
    }
  })
})
