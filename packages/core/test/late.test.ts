import { expect } from 'chai'
import fc from 'fast-check'
import {
  countLate,
  GAME_KINDS,
  gameOf,
  lastOfEach,
  newEntry,
  randomFrom,
  type EntryList,
  type LatePlay,
  type Response,
  type Shared,
} from '../src/index.ts'
import { runs } from '../../../scripts/testing/lane.mjs'
import { quiz, QuizOptions, type QuizMove } from '../src/games/quiz/index.ts'
import { begin, when } from './playing.ts'
import { idOf } from './sampleWords.ts'

const list: EntryList = {
  title: 'Late',
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
const OPEN: Shared = { phase: 'open', calls: null }
const OVER: Shared = { phase: 'over', calls: null }

/** Of several verdicts with one key the last one holds. */
function right(responses: readonly Response[]): number {
  return lastOfEach(responses).filter(({ counts, outcome }) => counts && outcome === 'right').length
}

describe('Answers that came too late', () => {
  for (const kind of GAME_KINDS) {
    const game = gameOf(kind)
    if (game.countLate) continue
    it(`count as if the time had run on, without the help that was asked for: ${kind}`, function () {
      this.timeout(60_000)
      fc.assert(
        fc.property(fc.string(), fc.nat(60), fc.nat(30), (seed, before, after) => {
          const random = randomFrom(seed)
          const options = game.options.parse(
            kind === 'crossword' ? { steps: 20_000 } : kind === 'bingo' ? { size: 3 } : {},
          )
          const puzzle = game.make(list, options, randomFrom('1'))
          const turn = when(5000, { shared: OPEN })
          const over = when(5000, { shared: OVER })
          const move = (): unknown => game.moves.parse(game.sample.move(random.below.bind(random)))
          let going = game.start(puzzle, begin(seed, { shared: OPEN }))
          const responses: Response[] = []
          const goOn = (made: unknown): void => {
            const step = game.move(puzzle, going, made, turn)
            responses.push(...step.responses)
            going = step.play
          }
          for (let count = 0; count < before; count++) goOn(move())
          fc.pre(!game.score(puzzle, going).finished)
          const ended = game.end(puzzle, going, over)
          const kept = [...responses, ...ended.responses]
          let late: LatePlay = { play: ended.play, before: going }
          for (let count = 0; count < after; count++) {
            const made = move()
            const { hints } = game.score(puzzle, game.move(puzzle, going, made, turn).play)
            const isHelp = hints > game.score(puzzle, going).hints || (made as { type: string }).type === 'finish'
            if (!isHelp) goOn(made)
            const counted = countLate(game, puzzle, late, { for: null, move: made }, over)
            if (isHelp) expect(counted.play, 'help comes no more').to.equal(late.play)
            for (const answer of counted.answers) expect(counted.responses).to.deep.include(answer)
            kept.push(...counted.responses)
            late = counted
          }
          expect(late.play).to.deep.equal(game.end(puzzle, going, over).play)
          const score = game.score(puzzle, late.play)
          expect(score.right, 'what is kept says the same').to.equal(right(kept))
          expect(score.finished).to.equal(true)
        }),
        { numRuns: runs(60) },
      )
    })
  }

  it('count for nothing where a play was not ended with its time, or was made for what stood at no time', () => {
    const game = gameOf('wordsearch')
    const puzzle = game.make(list, game.options.parse({}), randomFrom('1'))
    const play = game.start(puzzle, begin('p'))
    const ended = game.end(puzzle, play, when(10)).play
    const move = { type: 'mark', from: { row: 0, col: 0 }, to: { row: 0, col: 1 } }
    const nothing = { answers: [], responses: [] }
    for (const before of [null, play]) {
      const stands = { play: before === null ? ended : play, before }
      expect(countLate(game, puzzle, stands, { for: null, move }, when(20))).to.deep.equal({ ...stands, ...nothing })
    }
    const hangman = gameOf('hangman')
    const words = hangman.make(list, hangman.options.parse({}), randomFrom('1'))
    const going = hangman.start(words, begin('p'))
    const over = { play: hangman.end(words, going, when(10)).play, before: going }
    const other = { for: 'another', move: hangman.moves.parse({ type: 'guess', letter: 'a' }) }
    expect(countLate(hangman, words, over, other, when(20)).play).to.equal(over.play)
  })

  it('of a quiz take the place of nothing, each once, with no points for speed', () => {
    const puzzle = quiz.make(list, QuizOptions.parse({ seconds: 20, speed: 'strong' }), randomFrom('1'))
    fc.assert(
      fc.property(
        fc.array(fc.constantFrom('right', 'wrong', 'none'), { minLength: 12, maxLength: 12 }),
        fc.array(fc.record({ at: fc.nat(11), isRight: fc.boolean() }), { maxLength: 8 }),
        fc.boolean(),
        (given, late, isMixed) => {
          const rules = { ...when(0).rules, order: isMixed ? ('mixed' as const) : ('made' as const), second: false }
          let play = quiz.start(puzzle, begin('p', { rules }))
          const moments: string[] = []
          const asked: number[] = []
          for (const [index, one] of given.entries()) {
            moments.push(quiz.moment!(puzzle, play))
            asked.push(play.queue[0]!)
            const turn = when(index * 30_000 + (one === 'none' ? 25_000 : 0), { rules })
            const answer: QuizMove = one === 'none' ? { type: 'late' } : chosen(play.queue[0]!, one === 'right')
            play = quiz.move(puzzle, play, answer, turn).play
            play = quiz.move(puzzle, play, { type: 'next' }, when((index + 1) * 30_000, { rules })).play
          }
          const before = quiz.score(puzzle, play)
          const open = new Set([...given.keys()].filter((index) => given[index] === 'none'))
          let expected = before.right
          for (const { at, isRight } of late) {
            const sent = { for: moments[at]!, move: chosen(asked[at]!, isRight) }
            const step = quiz.countLate!(puzzle, play, sent, when(200_000, { rules }))
            if (open.delete(at)) {
              if (isRight) expected++
              expect(step.responses.map(({ outcome, points }) => [outcome, points])).to.deep.equal([
                isRight ? ['right', puzzle.questions[asked[at]!]!.worth / 2] : ['wrong', 0],
              ])
              expect(step.responses[0]!.entryId).to.equal(puzzle.questions[asked[at]!]!.entryId)
            } else expect(step.play, 'what was answered stays').to.equal(play)
            play = step.play
          }
          expect(quiz.score(puzzle, play).right).to.equal(expected)
        },
      ),
    )
    function chosen(question: number, isRight: boolean): QuizMove {
      const { choices } = puzzle.questions[question]!
      const key = choices.findIndex((choice) => choice.right)
      return { type: 'choose', choices: [isRight ? key : (key + 1) % choices.length] }
    }
    const play = quiz.start(puzzle, begin('p'))
    for (const [moment, move] of [
      ['2 3 asking', { type: 'claim', isTrue: true }],
      ['1 12 told', chosen(0, true)],
      ['past', chosen(0, true)],
      ['1 12 asking', { type: 'next' }],
      ['1 15 asking', chosen(0, true)],
    ] as const)
      expect(quiz.countLate!(puzzle, play, { for: moment, move }, when(0)).play, moment).to.equal(play)
  })
})
