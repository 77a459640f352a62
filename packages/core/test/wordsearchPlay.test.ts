import { expect } from 'chai'
import fc from 'fast-check'
import { randomFrom, type Response } from '../src/index.ts'
import { wordsearch, WordSearchOptions, type WordSearchMove } from '../src/games/wordsearch/index.ts'
import { begin, when, LOOK } from './playing.ts'
import { sampleList } from './sampleWords.ts'

const cell = fc.record({ row: fc.nat(12), col: fc.nat(12) })
const anyMove: fc.Arbitrary<WordSearchMove | { find: number }> = fc.oneof(
  { weight: 5, arbitrary: fc.record({ find: fc.nat(9) }) },
  { weight: 2, arbitrary: fc.record({ type: fc.constant('mark' as const), from: cell, to: cell }) },
  { weight: 2, arbitrary: fc.record({ type: fc.constant('hint' as const), item: fc.nat(14) }) },
  { weight: 1, arbitrary: fc.constant({ type: 'finish' as const }) },
)

describe('any play of a word search', () => {
  const list = sampleList(10, 'plays')
  const puzzle = wordsearch.make(
    list,
    WordSearchOptions.parse({ directions: 8, show: 'clues', message: '' }),
    randomFrom('plays'),
  )

  function moveOf(given: WordSearchMove | { find: number }): WordSearchMove {
    if (!('find' in given)) return given
    const { row, col, dRow, dCol, length } = puzzle.words[given.find % puzzle.words.length]!
    return { type: 'mark', from: { row, col }, to: { row: row + dRow * (length - 1), col: col + dCol * (length - 1) } }
  }

  it('gives each word one response at most, scores what the responses say, ends once, and survives being stored', () => {
    fc.assert(
      fc.property(fc.array(fc.tuple(anyMove, fc.integer({ min: -500, max: 5000 })), { maxLength: 40 }), (moves) => {
        let play = wordsearch.start(puzzle, begin('1'))
        let at = 0
        const responses: Response[] = []
        for (const [given, wait] of moves) {
          at += wait
          const before = play
          const step = wordsearch.move(puzzle, play, wordsearch.moves.parse(moveOf(given)), when(at))
          const again = wordsearch.move(
            puzzle,
            JSON.parse(JSON.stringify(before)) as typeof play,
            moveOf(given),
            when(at),
          )
          expect(again.play).to.deep.equal(step.play)
          if (before.finishedAt !== null) expect(step).to.deep.equal({ play: before, responses: [] })
          play = step.play
          responses.push(...step.responses)
        }
        const score = wordsearch.score(puzzle, play)
        expect(new Set(responses.map(({ entryId }) => entryId)).size).to.equal(responses.length)
        const right = responses.filter(({ outcome }) => outcome === 'right')
        expect(score.right).to.equal(right.length)
        expect(score.points).to.equal(right.reduce((sum, { points }) => sum + points, 0))
        expect(responses.length, 'what was not found has no response').to.equal(right.length)
        expect(responses.every(({ milliseconds }) => milliseconds >= 0)).to.equal(true)
        expect(right.reduce((sum, { milliseconds }) => sum + milliseconds, 0)).to.be.at.most(score.milliseconds)
      }),
    )
  })

  it('gives half the points for a word whose place was asked for, once, and counts what was asked for', () => {
    const markOf = (index: number): WordSearchMove => moveOf({ find: index })
    let play = wordsearch.start(puzzle, begin('1'))
    const told: Response[] = []
    for (const made of [{ type: 'hint', item: 1 } as const, { type: 'hint', item: 1 } as const, markOf(0), markOf(1)]) {
      const step = wordsearch.move(puzzle, play, made, when(1000))
      play = step.play
      told.push(...step.responses)
    }
    expect(told.map(({ points, hints }) => [points, hints])).to.deep.equal([
      [10, 0],
      [5, 1],
    ])
    expect(wordsearch.score(puzzle, play)).to.include({ right: 2, points: 15, hints: 1, misses: 0 })
  })

  it('never shows where a word lies that was not found, asked for or given up', () => {
    fc.assert(
      fc.property(
        fc.array(
          anyMove.filter((move) => !('type' in move) || move.type !== 'finish'),
          { maxLength: 12 },
        ),
        (moves) => {
          let play = wordsearch.start(puzzle, begin('1'))
          for (const given of moves) play = wordsearch.move(puzzle, play, moveOf(given), when(1)).play
          if (play.finishedAt !== null) return
          const view = wordsearch.view(puzzle, play, LOOK)
          view.items.forEach((item, index) => {
            if (play.found.includes(index)) return
            expect(item.found).to.equal(null)
            expect(JSON.stringify(item)).not.to.include(puzzle.words[index]!.text)
            if (!play.hinted.includes(index)) expect(item.hint).to.equal(null)
            else expect(item.hint).to.deep.equal({ row: puzzle.words[index]!.row, col: puzzle.words[index]!.col })
          })
        },
      ),
    )
  })
})
