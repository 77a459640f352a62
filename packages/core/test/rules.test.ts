import { expect } from 'chai'
import { decodeText, guessEncoding } from '../src/formats/delimited/decodeText.ts'
import { joinable, type Couple } from '../src/games/partners.ts'
import { gameOf, newEntry, randomFrom, type EntryList } from '../src/index.ts'
import { bingo, BingoOptions, type BingoPuzzle } from '../src/games/bingo/index.ts'
import { hangman, HangmanOptions, type HangmanPuzzle } from '../src/games/hangman/index.ts'
import { type PairsPuzzle } from '../src/games/pairs/index.ts'
import { type QuizMove, type QuizPuzzle, type QuizView } from '../src/games/quiz/index.ts'
import { begin, when, LOOK } from './playing.ts'
import { idOf } from './sampleWords.ts'

const words = 'amber basil cedar denim ember flint grape honey ivory jewel karma lemon mango north olive'.split(' ')

function listOf(count: number, rest: (index: number) => object = () => ({})): EntryList {
  const entries = words
    .slice(0, count)
    .map((text, index) =>
      newEntry({ id: idOf(index), answer: { text }, prompt: { text: `clue ${index}` }, ...rest(index) }),
    )
  return { title: 'Rules', answerLanguage: 'en', promptLanguage: 'en', entries }
}

/** Plays a quiz: each answer right or wrong, or its time let pass; then as it stands. */
function quizPlayed(options: object, answers: readonly ('right' | 'wrong' | 'late')[], pace = 1000) {
  const quiz = gameOf('quiz')
  const list = listOf(5, () => ({ choices: [{ text: 'never', right: false }] }))
  const puzzle = quiz.make(list, quiz.options.parse({ order: 'list', ...options }), randomFrom('1')) as QuizPuzzle
  let play = quiz.start(puzzle, begin('p'))
  let clock = 0
  const points: number[] = []
  for (const [index, answer] of answers.entries()) {
    clock += answer === 'late' ? 9000 : pace
    const choice = puzzle.questions[index]!.choices.findIndex(({ right }) => right === (answer === 'right'))
    const move: QuizMove = answer === 'late' ? { type: 'late' } : { type: 'choose', choices: [choice] }
    const step = quiz.move(puzzle, play, move, when(clock))
    points.push(...step.responses.map((response) => response.points))
    play = quiz.move(puzzle, step.play, { type: 'next' }, when(clock)).play
  }
  return { view: quiz.view(puzzle, play, LOOK) as QuizView, points }
}

describe('A quiz', () => {
  it('is passed by whoever reaches the mark, and not by one who is just below it', () => {
    const marked = (pass: number): boolean | undefined =>
      quizPlayed({ pass, second: false }, ['right', 'right', 'right', 'wrong', 'wrong']).view.pass?.passed
    expect([marked(59), marked(60), marked(61)]).to.deep.equal([true, true, false])
  })

  it('takes from the slow no more than the share that speed can bring', () => {
    const strong = { speed: 'strong', second: false }
    expect(quizPlayed(strong, ['right'], 20_000).points).to.deep.equal([5])
    expect(quizPlayed(strong, ['right'], 600_000).points).to.deep.equal([5])
    expect(quizPlayed({ speed: 'gentle', second: false }, ['right'], 600_000).points).to.deep.equal([8])
    expect(quizPlayed({ speed: 'off', second: false }, ['right'], 600_000).points).to.deep.equal([10])
  })

  it('asks a question whose time ran out once more', () => {
    const { view } = quizPlayed({ seconds: 5 }, ['right', 'late', 'right', 'wrong', 'right'])
    expect([view.round, view.question?.of, view.question?.entryId]).to.deep.equal([2, 2, idOf(1)])
  })

  it('draws wrong choices of the same group before all others', () => {
    const quiz = gameOf('quiz')
    const list = listOf(15, (index) => ({ groups: [index < 4 ? 'few' : 'many'] }))
    for (let seed = 0; seed < 20; seed++) {
      const { questions } = quiz.make(list, quiz.options.parse({ order: 'list' }), randomFrom(`g${seed}`)) as QuizPuzzle
      for (const { choices } of questions.slice(0, 4)) {
        expect(choices.every(({ face }) => words.indexOf(face.text) < 4)).to.equal(true)
      }
    }
  })
})

describe('Hangman', () => {
  it('opens no whole word by its free letters', () => {
    const list: EntryList = {
      ...listOf(0),
      entries: ['aa', 'aba', 'abc'].map((text, index) =>
        newEntry({ id: idOf(index), answer: { text }, prompt: { text: 'c' } }),
      ),
    }
    const puzzle: HangmanPuzzle = hangman.make(
      list,
      HangmanOptions.parse({ order: 'list', freeLetters: 2 }),
      randomFrom('1'),
    )
    for (const word of puzzle.words.keys()) {
      const play = { ...hangman.start(puzzle, begin('p')), queue: [word, word] }
      const view = hangman.view(puzzle, hangman.move(puzzle, play, { type: 'hint' }, when(0)).play, LOOK)
      expect([view.outcome, view.characters.includes(null)]).to.deep.equal([null, true])
    }
  })
})

describe('Pairs', () => {
  it('lets who finds a pair go on, and passes the turn where there is none', () => {
    const pairs = gameOf('pairs')
    const puzzle = pairs.make(listOf(6), pairs.options.parse({ players: 3 }), randomFrom('1')) as PairsPuzzle
    const cardsOf = (couple: number): number[] =>
      [...puzzle.cards.keys()].filter((card) => puzzle.cards[card]!.couple === couple)
    const turned = (play: unknown, cards: readonly number[]): unknown =>
      cards.reduce((before, card) => pairs.move(puzzle, before, { type: 'turn', card }, when(0)).play, play)
    const turnOf = (play: unknown): number =>
      (pairs.view(puzzle, play, LOOK) as { teams: { turn: boolean }[] }).teams.findIndex(({ turn }) => turn)
    const found = turned(pairs.start(puzzle, begin('p')), cardsOf(0))
    expect(turnOf(found)).to.equal(0)
    const missed = turned(found, [cardsOf(1)[0]!, cardsOf(2)[0]!])
    expect(turnOf(missed)).to.equal(1)
    expect(turnOf(turned(missed, cardsOf(1)))).to.equal(1)
  })
})

describe('Bingo', () => {
  const puzzle: BingoPuzzle = bingo.make(listOf(12), BingoOptions.parse({ size: 3, cards: 4 }), randomFrom('1'))

  it('takes a mark for a call that has passed, and scores nothing for it', () => {
    let play = bingo.start(puzzle, begin('p'))
    const first = puzzle.calls.findIndex((term) => puzzle.cards[play.card]!.cells.includes(term))
    for (let call = 0; call <= first; call++) play = bingo.move(puzzle, play, { type: 'next' }, when(0)).play
    const place = puzzle.cards[play.card]!.cells.indexOf(puzzle.calls[first]!)
    const step = bingo.move(puzzle, play, { type: 'mark', place }, when(0))
    expect([step.responses, step.play.right, step.play.marked]).to.deep.equal([[], [], [place]])
  })

  it('ends after the last call, and not before it was heard', () => {
    let play = bingo.start(puzzle, begin('p'))
    for (let call = 1; call < puzzle.calls.length; call++)
      play = bingo.move(puzzle, play, { type: 'next' }, when(0)).play
    expect([bingo.score(puzzle, play).finished, bingo.view(puzzle, play, LOOK).call?.number]).to.deep.equal([false, 12])
    expect(bingo.score(puzzle, bingo.move(puzzle, play, { type: 'next' }, when(0)).play).finished).to.equal(true)
  })
})

describe('Couples on one table', () => {
  it('leave out one that would stand beside a face that it belongs to by a couple not there', () => {
    const couple = (number: number, prompt: string, answer: string): Couple => ({
      entryId: idOf(number),
      prompt: { text: prompt },
      answer: { text: answer },
    })
    const all = [couple(1, 'cold', 'ice'), couple(2, 'white', 'snow'), couple(3, 'cold', 'snow')]
    expect(joinable([all[0]!, all[1]!], 9, all).map(({ entryId }) => entryId)).to.deep.equal([idOf(1)])
    expect(joinable([all[0]!, all[1]!], 9, [all[0]!, all[1]!])).to.have.length(2)
  })
})

describe('Text of unknown encoding', () => {
  it('is read as UTF-16 of either order, also without a mark', () => {
    const text = 'word,meaning\r\nheron,a grey bird\r\n'
    const little = Buffer.from(text, 'utf16le')
    const big = Buffer.from(little).swap16()
    const read = (bytes: Uint8Array): string => decodeText(bytes, guessEncoding(bytes))
    expect([read(little), read(big)]).to.deep.equal([text, text])
    const marked = (mark: number[], bytes: Buffer): string =>
      read(Buffer.concat([Buffer.from(mark), bytes])).replace('\ufeff', '')
    expect([marked([0xff, 0xfe], little), marked([0xfe, 0xff], big)]).to.deep.equal([text, text])
  })
})
