import { expect } from 'chai'
import { newEntry, randomFrom, type EntryList } from '../src/index.ts'
import { hangman, HangmanOptions, type HangmanMove, type HangmanPuzzle } from '../src/games/hangman/index.ts'
import {
  unscramble,
  UnscrambleOptions,
  type UnscrambleMove,
  type UnscramblePuzzle,
} from '../src/games/unscramble/index.ts'
import { NO_THINGS, NO_WORDS } from '../src/index.ts'
import { rudeWords } from '../src/text/blockList.ts'
import { WORDS } from './judging/knowledge.ts'
import { playThrough, rules } from './playthrough.ts'
import { idOf } from './sampleWords.ts'

function listOf(texts: readonly string[], rest: object = {}): EntryList {
  return {
    title: 'L',
    answerLanguage: 'en',
    promptLanguage: 'en',
    entries: texts.map((text, index) =>
      newEntry({
        id: idOf(index),
        answer: { text },
        prompt: { text: `clue ${index}` },
        fact: `fact ${index}`,
        ...rest,
      }),
    ),
  }
}

describe('Hangman under way', () => {
  const made = (texts: readonly string[], options: object = {}, rest: object = { hint: 'swims' }): HangmanPuzzle =>
    hangman.make(listOf(texts, rest), HangmanOptions.parse({ order: 'list', ...options }), randomFrom('1'))
  const guesses = (letters: string): HangmanMove[] => [...letters].map((letter) => ({ type: 'guess', letter }))
  const NEXT: HangmanMove = { type: 'next' }

  it('takes a letter once, whatever its case, and none that is outside the alphabet', () => {
    const run = playThrough(hangman, made(['otter']))
    run.at(100, ...guesses('t'))
    expect(run.view().characters).to.deep.equal([null, 'T', 'T', null, null])
    for (const letter of ['t', 'T', '7', '-', 'я']) expect(run.isVoid({ type: 'guess', letter }), letter).to.equal(true)
    run.at(200, ...guesses('z'))
    expect(run.view()).to.deep.include({ missesMade: 1 })
    expect(run.view().tried).to.deep.equal([
      { letter: 'T', right: true },
      { letter: 'Z', right: false },
    ])
  })

  it('is lost at the last miss, not before', () => {
    const run = playThrough(hangman, made(['otter'], { misses: 5 }))
    run.at(100, ...guesses('zxwq'))
    expect(run.view().outcome).to.equal(null)
    expect(run.at(900, ...guesses('v')).map(({ outcome, milliseconds }) => [outcome, milliseconds])).to.deep.equal([
      ['wrong', 900],
    ])
    expect(run.view()).to.deep.include({ outcome: 'lost', fact: 'fact 0' })
    expect(run.isVoid({ type: 'guess', letter: 'o' })).to.equal(true)
  })

  it('gives ten points for a word, one less for a miss and two for the hint, and never less than one', () => {
    const points = (options: object, moves: HangmanMove[]): number[] =>
      playThrough(hangman, made(['otter'], { misses: 12, ...options }))
        .at(1000, ...moves)
        .map((response) => response.points)
    expect(points({}, guesses('oter'))).to.deep.equal([10])
    expect(points({}, guesses('zxoter'))).to.deep.equal([8])
    expect(points({}, [{ type: 'hint' }, ...guesses('zoter')])).to.deep.equal([7])
    expect(points({}, [{ type: 'hint' }, ...guesses('zxwqvbnmoter')])).to.deep.equal([1])
  })

  it('shows the clue at once or when it is asked for, and the hint only on request', () => {
    const shown = playThrough(hangman, made(['otter']))
    expect([shown.view().prompt?.text, shown.view().hasHint, shown.view().hint]).to.deep.equal(['clue 0', true, null])
    shown.at(100, { type: 'hint' })
    expect([shown.view().hasHint, shown.view().hint, shown.isVoid({ type: 'hint' })]).to.deep.equal([
      false,
      'swims',
      true,
    ])
    const asked = playThrough(hangman, made(['otter'], { clue: 'hint' }, {}))
    expect([asked.view().prompt, asked.view().hasHint]).to.deep.equal([null, true])
    asked.at(100, { type: 'hint' })
    expect([asked.view().prompt?.text, asked.view().hint]).to.deep.equal(['clue 0', null])
    const none = playThrough(hangman, made(['otter'], {}, {}))
    expect([none.view().hasHint, none.isVoid({ type: 'hint' })]).to.deep.equal([false, true])
  })

  it('goes on after a word is over, says which word it is, and brings a lost one back last', () => {
    const run = playThrough(hangman, made(['ox', 'elk', 'bat'], { misses: 5 }))
    expect(run.isVoid(NEXT)).to.equal(true)
    expect(run.view()).to.include({ number: 1, total: 3, again: false })
    run.at(1000, ...guesses('zwqvy'))
    expect(run.view()).to.include({ outcome: 'lost', number: 1 })
    run.at(1500, NEXT, ...guesses('elk'))
    expect(run.view()).to.include({ outcome: 'won', number: 2 })
    run.at(2000, NEXT)
    expect(run.view()).to.include({ number: 3, again: false })
    run.at(2400, ...guesses('bat'))
    expect(run.view().finished).to.equal(false)
    run.at(3000, NEXT)
    expect(run.view()).to.include({ number: 3, again: true })
    const [back] = run.at(3600, ...guesses('ox'))
    expect(back).to.include({ round: 'back', counts: false, outcome: 'right', points: 0, milliseconds: 600, place: 0 })
    expect(hangman.score(made(['ox', 'elk', 'bat']), run.play())).to.include({ right: 2, points: 20, finished: true })
  })

  it('brings nothing back where the rules say so', () => {
    const run = playThrough(hangman, made(['ox'], { misses: 5 }), rules({ second: false }))
    run.at(1000, ...guesses('zwqvy'))
    expect(run.view().finished).to.equal(true)
  })

  it('opens free letters at the beginning of each word, for no points', () => {
    const run = playThrough(hangman, made(['elk', 'bat'], { freeLetters: 1 }))
    expect(run.view().characters).to.deep.equal(['E', null, null])
    expect(run.at(100, ...guesses('lk'))).to.have.length(1)
    run.at(200, NEXT)
    expect(run.view().characters).to.deep.equal(['B', null, null])
  })

  it('gives teams a point for each letter, three for the last, and turns by turn', () => {
    const run = playThrough(hangman, made(['otter'], { teams: 3 }))
    const points = (): number[] => run.view().teams.map((team) => team.points)
    const turn = (): number => run.view().teams.findIndex((team) => team.turn)
    expect(turn()).to.equal(0)
    run.at(100, ...guesses('t'))
    expect([points(), turn()]).to.deep.equal([[2, 0, 0], 1])
    run.at(200, ...guesses('zo'))
    expect([points(), turn()]).to.deep.equal([[2, 0, 1], 0])
    run.at(300, ...guesses('er'))
    expect(points()).to.deep.equal([3, 1 + 3, 1])
    expect(playThrough(hangman, made(['otter'])).view().teams).to.deep.equal([])
  })
})

describe('Unscramble under way', () => {
  const made = (texts: readonly string[], options: object = {}, rest: object = {}): UnscramblePuzzle =>
    unscramble.make(listOf(texts, rest), UnscrambleOptions.parse({ order: 'list', ...options }), randomFrom('1'))
  const solution = (puzzle: UnscramblePuzzle, item: number): UnscrambleMove => ({
    type: 'lay',
    order: puzzle.items[item]!.pieces.map((_, place) => puzzle.items[item]!.mixed.indexOf(place)),
  })
  /** An order that is wrong: the solution with its first two pieces changed. */
  const wrong = (puzzle: UnscramblePuzzle, item: number): UnscrambleMove => {
    const { order } = solution(puzzle, item) as { order: number[] }
    return { type: 'lay', order: [order[1]!, order[0]!, ...order.slice(2)] }
  }

  it('takes only orders that use each piece once', () => {
    const puzzle = made(['otter', 'heron'])
    const run = playThrough(unscramble, puzzle)
    for (const order of [[0, 1, 2, 3], [0, 1, 2, 3, 3], [0, 1, 2, 3, 5], [], [0, 1, 2, 3, 4, 5]])
      expect(run.isVoid({ type: 'lay', order }), order.join()).to.equal(true)
    run.at(100, wrong(puzzle, 0))
    expect(run.view()).to.include({ tries: 1, outcome: null, answer: null })
  })

  it('gives ten points, one less for each try and two for each piece shown, and never less than one', () => {
    const puzzle = made(['otter'])
    const points = (...moves: UnscrambleMove[]): number =>
      playThrough(unscramble, puzzle).at(1000, ...moves, solution(puzzle, 0))[0]!.points
    const tries = (count: number): UnscrambleMove[] => Array.from({ length: count }, () => wrong(puzzle, 0))
    expect(points()).to.equal(10)
    expect(points(...tries(3))).to.equal(7)
    expect(points({ type: 'hint' }, { type: 'hint' }, wrong(puzzle, 0))).to.equal(5)
    expect(points(...tries(30))).to.equal(1)
  })

  it('shows piece after piece on request, but never the whole word', () => {
    const puzzle = made(['otter', 'heron'], {}, { hint: 'an animal' })
    const run = playThrough(unscramble, puzzle)
    expect(run.view()).to.deep.include({ start: [], hint: '', canHint: true })
    for (let piece = 1; piece < 5; piece++) {
      run.at(piece * 100, { type: 'hint' })
      const { start, pieces } = run.view()
      expect(start.map((place) => pieces[place]).join('')).to.equal('otter'.slice(0, piece))
    }
    expect([run.view().hint, run.view().canHint, run.isVoid({ type: 'hint' })]).to.deep.equal([
      'an animal',
      false,
      true,
    ])
    expect(run.at(900, solution(puzzle, 0))[0]).to.include({ hints: 4, points: 2 })
    run.at(1000, { type: 'next' })
    expect(run.view()).to.deep.include({ start: [], hint: '', number: 2 })
  })

  it('goes on once a word is over, and tells it and its fact until then', () => {
    const puzzle = made(['otter', 'heron'])
    const run = playThrough(unscramble, puzzle)
    expect(run.isVoid({ type: 'next' })).to.equal(true)
    const [skipped] = run.at(1500, { type: 'skip' })
    expect(skipped).to.include({ outcome: 'passed', given: '', points: 0, milliseconds: 1500, place: 0 })
    expect(run.view().answer).to.deep.equal({ text: 'otter', fact: 'fact 0' })
    expect(run.isVoid(solution(puzzle, 0)) && run.isVoid({ type: 'skip' }) && run.isVoid({ type: 'hint' })).to.equal(
      true,
    )
    run.at(2000, { type: 'next' })
    expect(run.view()).to.deep.include({ outcome: null, answer: null, tries: 0, number: 2, total: 2 })
    const [solved] = run.at(2600, solution(puzzle, 1))
    expect(solved).to.include({ outcome: 'right', given: 'heron', milliseconds: 600, place: 1 })
    expect(unscramble.score(puzzle, run.play())).to.include({ finished: true, right: 1, total: 2, points: 10 })
  })

  it('keeps what was tried last when a word is given up', () => {
    const puzzle = made(['otter', 'heron'])
    const [response] = playThrough(unscramble, puzzle).at(1000, wrong(puzzle, 0), { type: 'skip' })
    expect(response).to.include({ outcome: 'wrong', points: 0 })
    expect(response!.given.toLowerCase()).to.equal('toter')
  })

  it('takes another spelling that the teacher accepts, where it is made of the same letters', () => {
    const entries = [
      newEntry({ id: idOf(0), answer: { text: 'listen' }, accepted: ['silent', 'hear'], prompt: { text: 'c' } }),
    ]
    const puzzle = unscramble.make(
      { ...listOf([]), entries },
      UnscrambleOptions.parse({ by: 'letters' }),
      randomFrom('1'),
    )
    expect(puzzle.items[0]!.accepted).to.have.length(1)
    const places = [...'silent'].map((letter) =>
      puzzle.items[0]!.pieces.findIndex((piece) => piece.toLowerCase() === letter),
    )
    const order = places.map((place) => puzzle.items[0]!.mixed.indexOf(place))
    expect(playThrough(unscramble, puzzle).at(500, { type: 'lay', order })[0]).to.include({
      outcome: 'right',
      points: 10,
    })
  })

  it('mixes the words of a phrase, and the letters of two words with the space between them kept', () => {
    const sentence = made(['the bees make honey'])
    expect(sentence.items[0]).to.deep.include({ by: 'words', pieces: ['the', 'bees', 'make', 'honey'], spaces: [] })
    const two = made(['sea star'])
    expect([two.items[0]!.by, two.items[0]!.pieces.length, two.items[0]!.spaces]).to.deep.equal(['letters', 7, [2]])
    expect(made(['sea star'], { by: 'words' }).items[0]!.pieces).to.deep.equal(['sea', 'star'])
    expect(made(['the bees make honey'], { by: 'letters' }).items[0]!.spaces).to.deep.equal([2, 6, 10])
  })

  it('says which words cannot be mixed, and why', () => {
    const why = (text: string): string[] =>
      unscramble.fit(listOf([text, 'otter']), UnscrambleOptions.parse({ by: 'letters' })).notes.map(({ code }) => code)
    expect(why('aaa')).to.deep.equal(['nothing-to-mix'])
    expect(why('otter')).to.deep.equal(['repeat'])
    expect(why('a'.repeat(29) + 'bc')).to.deep.equal(['too-long'])
    expect(why('a'.repeat(28) + 'bc')).to.deep.equal([])
    expect(why('')).to.deep.equal(['no-text'])
  })

  it('never mixes a rude word, nor another word of the language or the list where it need not', () => {
    const list = listOf(['this', 'north', 'spot', 'night', 'analyst', 'dog', 'tea'])
    const spelledIn = (seed: number, words = WORDS): string[] =>
      unscramble
        .make(list, UnscrambleOptions.parse({ order: 'list', letterCase: 'lower' }), randomFrom(`${seed}`), {
          words,
          things: NO_THINGS,
        })
        .items.map(({ pieces, mixed }) => mixed.map((place) => pieces[place]).join(''))
    const rude = new RegExp([...rudeWords('en')].filter((word) => /^[a-z]{3,8}$/u.test(word)).join('|'), 'u')
    for (let seed = 0; seed < 400; seed++)
      for (const [index, text] of spelledIn(seed).entries()) {
        expect(text, `seed ${seed}`).not.to.match(rude)
        const isForced = ['tea', 'dog'].includes(list.entries[index]!.answer.text)
        if (!isForced) expect(WORDS.isWord(text, 'en'), `${text} is a word`).to.equal(false)
      }
    expect(
      Array.from({ length: 400 }, (_, seed) => spelledIn(seed, NO_WORDS)[1]),
      'without words nobody knows better',
    ).to.include('thorn')
  })

  it('tells the true number of words that can be mixed', () => {
    const list = listOf(['on', 'no', 'otter', 'ass'])
    const options = UnscrambleOptions.parse({ by: 'letters', order: 'list' })
    const { summary, notes } = unscramble.fit(list, options)
    const { items } = unscramble.make(list, options, randomFrom('1'), { words: WORDS, things: NO_THINGS })
    expect(summary.values.count).to.equal(items.length)
    expect(notes.map(({ code, values }) => `${code} ${values.text}`)).to.include('nothing-to-mix on')
  })
})
