import { expect } from 'chai'
import fc from 'fast-check'
import { runs } from '../../../scripts/testing/lane.mjs'
import { GAME_KINDS, gameOf, newEntry, randomFrom, type EntryList } from '../src/index.ts'
import {
  recorded,
  redoable,
  redone,
  replayed,
  undoable,
  undone,
  type RecordedMove,
  type Replayed,
} from '../src/wall/history.ts'
import { begin, when } from './playing.ts'
import { idOf } from './sampleWords.ts'

const list: EntryList = {
  title: 'History',
  answerLanguage: 'en',
  promptLanguage: 'en',
  entries: 'amber basil cedar denim ember fjord grape honey ivory jelly koala lemon'.split(' ').map((text, index) =>
    newEntry({
      id: idOf(index),
      answer: { text },
      prompt: { text: `clue ${index}` },
      groups: [['one', 'two', 'three'][index % 3]!],
    }),
  ),
}

/** What a teacher does at the wall: most often a move, now and then one step back or forth. */
const anyActs = fc.array(
  fc.oneof(
    { weight: 6, arbitrary: fc.constant('move' as const) },
    { weight: 3, arbitrary: fc.constant('undo' as const) },
    { weight: 2, arbitrary: fc.constant('redo' as const) },
  ),
  { maxLength: 60 },
)

describe('A record in which anything can be taken back', () => {
  for (const kind of GAME_KINDS)
    it(`gives back exactly what was, and leads to what is shown: ${kind}`, function () {
      this.timeout(60_000)
      const game = gameOf(kind)
      const options = game.options.parse(kind === 'crossword' ? { steps: 20_000 } : kind === 'bingo' ? { size: 3 } : {})
      const puzzle = game.make(list, options, randomFrom('1'))
      const atWall = game.teams ? { teams: 3 } : {}
      fc.assert(
        fc.property(fc.string(), anyActs, (seed, acts) => {
          const random = randomFrom(seed)
          const beginning = (): ReturnType<typeof begin> => begin(seed, atWall)
          const told = (record: readonly RecordedMove[]): Replayed => replayed(game, puzzle, beginning(), record)
          let record: readonly RecordedMove[] = []
          // What was seen before each move that can be undone, and after each that can be done again.
          const past: Replayed[] = []
          let ahead: Replayed[] = []
          let clock = 0
          for (const act of acts) {
            const before = told(record)
            if (act === 'undo') {
              const was = past.pop()
              const next = undone(record)
              if (was === undefined) expect(next).to.equal(record)
              else {
                expect(told(next)).to.deep.equal(was)
                ahead.push(before)
              }
              record = next
            } else if (act === 'redo') {
              const will = ahead.pop()
              const next = redone(record)
              if (will === undefined) expect(next).to.equal(record)
              else {
                expect(told(next)).to.deep.equal(will)
                past.push(before)
              }
              record = next
            } else {
              const move = game.moves.parse(game.sample.move(random.below.bind(random)))
              clock += 1000
              const live = game.move(puzzle, before.play, move, when(clock, atWall))
              // What changes nothing is no move.
              if (live.play === before.play) continue
              record = recorded(record, { move, clock, now: clock })
              expect(told(record).play, 'as it was played').to.deep.equal(live.play)
              past.push(before)
              ahead = []
            }
            expect([undoable(record) >= 0, redoable(record) >= 0]).to.deep.equal([past.length > 0, ahead.length > 0])
          }
          const { play, responses } = told(record)
          const { right } = game.score(puzzle, play)
          expect(right, 'what is counted is what holds').to.equal(
            responses.filter(({ counts, outcome }) => counts && outcome === 'right').length,
          )
          expect(JSON.parse(JSON.stringify(record))).to.deep.equal(record)
        }),
        { numRuns: runs(kind === 'crossword' ? 15 : 40) },
      )
    })

  it('keeps what was dropped, and never does it again', () => {
    const at = (name: string): Omit<RecordedMove, 'standing'> => ({ move: { type: name }, clock: 0, now: 0 })
    const standings = (record: readonly RecordedMove[]): string[] => record.map(({ standing }) => standing)
    let record: readonly RecordedMove[] = recorded(recorded(recorded([], at('a')), at('b')), at('c'))
    record = undone(undone(record))
    expect(standings(record)).to.deep.equal(['done', 'undone', 'undone'])
    expect(redoable(record)).to.equal(1)
    record = recorded(redone(record), at('d'))
    expect(standings(record)).to.deep.equal(['done', 'done', 'dropped', 'done'])
    expect(redone(record)).to.equal(record)
    expect(standings(undone(undone(undone(undone(record)))))).to.deep.equal(['undone', 'undone', 'dropped', 'undone'])
  })
})
