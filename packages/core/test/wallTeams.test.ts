import { expect } from 'chai'
import fc from 'fast-check'
import { gameOf, newEntry, randomFrom, timerLeft, upgradedPlay, type EntryList, type TeamState } from '../src/index.ts'
import { hangman, HangmanOptions } from '../src/games/hangman/index.ts'
import { pairs, PairsOptions } from '../src/games/pairs/index.ts'
import { startTeams, teamsMoved, type TeamMove } from '../src/wall/teams.ts'
import { begin, LOOK, when } from './playing.ts'
import { idOf } from './sampleWords.ts'

const list: EntryList = {
  title: 'T',
  answerLanguage: 'en',
  promptLanguage: 'en',
  entries: 'amber basil cedar denim ember fjord'
    .split(' ')
    .map((text, index) => newEntry({ id: idOf(index), answer: { text }, prompt: { text: `clue ${index}` } })),
}

const anyMove: fc.Arbitrary<TeamMove> = fc.oneof(
  fc.record({
    type: fc.constant('award' as const),
    team: fc.integer({ min: 0, max: 9 }),
    points: fc.integer({ min: -50, max: 50 }),
  }),
  fc.record({ type: fc.constant('give-turn' as const), team: fc.integer({ min: 0, max: 9 }) }),
  fc.record({ type: fc.constant('set-timer' as const), seconds: fc.integer({ min: 1, max: 60 }) }),
  fc.constantFrom<TeamMove>({ type: 'pause-timer' }, { type: 'run-timer' }, { type: 'stop-timer' }),
)

describe('What all games of teams share', () => {
  it('gives and takes points that add up, and a turn to teams that are there alone', () => {
    fc.assert(
      fc.property(fc.integer({ min: 1, max: 10 }), fc.array(anyMove, { maxLength: 40 }), (count, moves) => {
        let state: TeamState = startTeams(count)
        const sums = Array<number>(count).fill(0)
        for (const [index, move] of moves.entries()) {
          state = teamsMoved(state, move, { now: 1000 * index })
          if (move.type === 'award' && move.team < count) sums[move.team]! += move.points
        }
        expect(state.points).to.deep.equal(sums)
        expect(state.turn).to.be.within(0, count - 1)
      }),
    )
  })

  it('stops a timer with what is left, and lets it run on from there', () => {
    let state = teamsMoved(startTeams(2), { type: 'set-timer', seconds: 30 }, { now: 5000 })
    expect(timerLeft(state.timer!, 15_000)).to.equal(20_000)
    state = teamsMoved(state, { type: 'pause-timer' }, { now: 15_000 })
    expect(timerLeft(state.timer!, 99_000)).to.equal(20_000)
    expect(teamsMoved(state, { type: 'pause-timer' }, { now: 99_000 })).to.equal(state)
    state = teamsMoved(state, { type: 'run-timer' }, { now: 100_000 })
    expect([timerLeft(state.timer!, 110_000), timerLeft(state.timer!, 900_000)]).to.deep.equal([10_000, 0])
    expect(teamsMoved(state, { type: 'stop-timer' }, { now: 110_000 }).timer).to.equal(null)
  })

  it('is there in every game of teams, for as many teams as the wall has', () => {
    for (const kind of ['hangman', 'pairs', 'quizboard', 'pebbles', 'sorting', 'thread', 'worddraw'] as const) {
      const game = gameOf(kind)
      const grouped = {
        ...list,
        entries: [...list.entries, ...list.entries.map((entry, index) => ({ ...entry, id: idOf(20 + index) }))].map(
          (entry, index) => ({
            ...entry,
            answer: { text: `${entry.answer.text}${index > 5 ? 'x' : ''}` },
            prompt: { text: `clue ${index}` },
            groups: [['one', 'two', 'three'][index % 3]!],
          }),
        ),
      }
      const puzzle = game.make(grouped, game.options.parse({}), randomFrom('1'))
      const atWall = { ...LOOK, teams: 7 }
      const play = game.start(puzzle, begin('w', atWall))
      expect(game.teams!(play).points, kind).to.have.length(7)
      for (const team of [0, 6])
        expect(game.moves.safeParse({ type: 'give-turn', team }).success, `${kind}, team ${team}`).to.equal(true)
      expect(game.moves.safeParse({ type: 'give-turn', team: -1 }).success, kind).to.equal(false)
      const move = game.moves.parse({ type: 'award', team: 6, points: -20 })
      const after = game.move(puzzle, play, move, when(1000, atWall))
      expect([game.teams!(after.play).points[6], after.responses], kind).to.deep.equal([-20, []])
      const ended = game.end(puzzle, after.play, when(2000, atWall)).play
      expect(game.move(puzzle, ended, move, when(3000, atWall)).play, 'nothing after the end').to.equal(ended)
    }
  })

  it('takes over the turns that were kept before', () => {
    const words = hangman.make(list, HangmanOptions.parse({ teams: 3, order: 'list' }), randomFrom('1'))
    const { teams: _, ...before } = hangman.start(words, begin('p'))
    const stored = { ...before, turn: 2, teamPoints: [4, 0, 1] }
    const hung = upgradedPlay(hangman, stored, 3, words) as ReturnType<typeof hangman.start>
    expect(hung.teams).to.deep.equal({ turn: 2, points: [4, 0, 1], timer: null })
    expect(hangman.view(words, hung, LOOK).teams.map(({ turn }) => turn)).to.deep.equal([false, false, true])
    const cards = pairs.make(list, PairsOptions.parse({ players: 2, pairs: 4 }), randomFrom('1'))
    const { teams: __, ...begun } = pairs.start(cards, begin('p'))
    const found = [{ cards: [0, 1], player: 1 }]
    const laid = upgradedPlay(pairs, { ...begun, player: 0, found }, 2, cards) as ReturnType<typeof pairs.start>
    expect([laid.teams.points, laid.found[0]]).to.deep.equal([[0, 1], { cards: [0, 1], team: 1 }])
  })
})
