import { expect } from 'chai'
import { lettersOf, readDictionary } from '../src/text/dictionary.ts'
import { gameOf, newEntry, randomFrom, type EntryList } from '../src/index.ts'
import { difficulties, hangman, HangmanOptions, type HangmanPuzzle } from '../src/games/hangman/index.ts'
import { begin, when, LOOK } from './playing.ts'
import { idOf, listOf, sampleList } from './sampleWords.ts'

const ALPHABET = 'abcdefghijklmnopqrstuvwxyz'

/** The guesser, written with texts alone: gives the chance of each number of wrong letters. */
function slowMisses(word: string, beliefs: { prior: number; words: Map<string, number> }[]): number[] {
  const chances: number[] = []
  const totals = beliefs.map(({ words }) => [...words.values()].reduce((sum, weight) => sum + weight, 0))
  const guess = (current: Map<string, number>[], asked: string, wrong: number, chance: number): void => {
    if ([...word].every((letter) => asked.includes(letter))) {
      for (let index = chances.length; index <= wrong; index++) chances.push(0)
      chances[wrong]! += chance
      return
    }
    const scores = [...ALPHABET]
      .filter((letter) => !asked.includes(letter))
      .map((letter) => ({
        letter,
        score: current.reduce((sum, words, index) => {
          const all = [...words.values()].reduce((total, weight) => total + weight, 0)
          if (all === 0) return sum
          const having = [...words]
            .filter(([own]) => own.includes(letter))
            .reduce((total, [, weight]) => total + weight, 0)
          return sum + beliefs[index]!.prior * (all / totals[index]!) * (1 - (1 - having / all))
        }, 0),
      }))
      .sort((one, two) => two.score - one.score || (one.letter < two.letter ? -1 : 1))
    const [best, second] = scores
    const branches =
      second === undefined || second.score === 0 || chance * 0.25 < 0.02
        ? [{ ...best, share: 1 }]
        : [
            { ...best, share: 0.75 },
            { ...second, share: 0.25 },
          ]
    for (const { letter, share } of branches) {
      const places = (text: string): string => [...text].map((own) => (own === letter ? '1' : '0')).join('')
      guess(
        current.map((words) => new Map([...words].filter(([own]) => places(own) === places(word)))),
        asked + letter,
        wrong + (word.includes(letter!) ? 0 : 1),
        chance * share,
      )
    }
  }
  guess(
    beliefs.map(({ words }) => words),
    '',
    0,
    1,
  )
  return chances
}

function winning(chances: number[]): number {
  let sum = 0
  return 1 + chances.findIndex((chance) => (sum += chance) >= 0.8)
}

const words = sampleList(320, 'd', 'en', 12).entries.map(({ answer }) => answer.text)
const levels: [number, string[]][] = [
  [10, words.slice(0, 80)],
  [35, words.slice(80, 200)],
  [50, words.slice(200, 300)],
]
const dictionary = readDictionary(levels.map(([level, own]) => `${level}: ${own.join(' ')}`).join('\n'))

describe('How hard a word is to guess by letters', () => {
  it('agrees with a slow guesser that works on texts', function () {
    this.timeout(60_000)
    const weightOf = new Map(
      levels.flatMap(([level, own]) => own.map((word): [string, number] => [word, 2 ** (-level / 10)])),
    )
    for (const group of Array.from({ length: words.length / 40 }, (_, index) =>
      words.slice(index * 40, index * 40 + 40),
    )) {
      const told = difficulties(
        group.map((word) => [lettersOf(word) ?? []]),
        dictionary,
      )
      for (const [index, word] of group.entries()) {
        const same = new Map([...weightOf].filter(([own]) => own.length === word.length))
        if (!weightOf.has(word)) same.set(word, dictionary.least)
        const list = new Map(group.filter((own) => own.length === word.length).map((own): [string, number] => [own, 1]))
        const unknown = slowMisses(word, [{ prior: 1, words: same }])
        const between = slowMisses(word, [
          { prior: 0.3, words: list },
          { prior: 0.7, words: same },
        ])
        expect(told[index]!.expected, word).to.be.closeTo(
          unknown.reduce((sum, chance, wrong) => sum + chance * wrong, 0),
          1e-9,
        )
        expect([told[index]!.missesUnknown, told[index]!.missesKnown], word).to.deep.equal([
          winning(unknown),
          winning(slowMisses(word, [{ prior: 1, words: list }])),
        ])
        expect(told[index]!.missesSuggested, word).to.equal(Math.max(4, Math.min(10, winning(between))))
        expect(told[index]!.band === null, word).to.equal(!weightOf.has(word))
      }
    }
  })

  it('gives the same word the same answer, whatever stands around it', () => {
    const alone = difficulties([[lettersOf('otter') ?? []]], dictionary)[0]!
    const among = difficulties(
      ['lantern', 'otter', 'kelp'].map((word) => [lettersOf(word) ?? []]),
      dictionary,
    )[1]!
    expect([among.expected, among.band, among.missesUnknown]).to.deep.equal([
      alone.expected,
      alone.band,
      alone.missesUnknown,
    ])
  })
})

describe('Hangman', () => {
  const make = (list: EntryList, options: object = {}): HangmanPuzzle =>
    hangman.make(list, HangmanOptions.parse({ order: 'list', ...options }), randomFrom('1'))

  it('shows spaces and hyphens, and takes accents with their letter or apart', () => {
    const list = listOf(['crème brûlée', 'tic-tac', '42', '', 'aa'])
    const folded = make(list)
    expect(folded.words.map(({ text }) => text)).to.deep.equal(['crème brûlée', 'tic-tac'])
    expect(folded.alphabet.join('')).to.equal('ABCDEFGHIJKLMNOPQRSTUVWXYZ')
    expect(make(list, { accents: 'kept' }).alphabet).to.include.members(['È', 'É', 'Û'])
    let play = hangman.start(folded, begin('p'))
    play = hangman.move(folded, play, { type: 'guess', letter: 'e' }, when(1)).play
    expect(
      hangman
        .view(folded, play, LOOK)
        .characters.map((shown) => shown ?? '_')
        .join(''),
    ).to.equal('__È_E ____ÉE')
    expect(make(listOf(['ножницы', 'нитка'])).alphabet).to.include('Я')
  })

  it('is won by the letters that its language’s keyboard has, none of them lost', () => {
    for (const [word, language, letters] of [
      ['ışık', 'tr', 'ışk'],
      ['İstanbul', 'tr', 'istanbul'],
      ['Straße', 'de', 'strase'],
      ['año', 'es', 'año'],
      ['œuf', 'fr', 'oeuf'],
      ['йод', 'ru', 'йод'],
      ['ﬁn', 'en', 'fin'],
    ] as const)
      for (const accents of ['kept', 'folded'] as const) {
        if (accents === 'kept' && word === 'œuf') continue
        const list: EntryList = {
          title: 'T',
          answerLanguage: language,
          promptLanguage: language,
          entries: [newEntry({ id: idOf(0), answer: { text: word }, prompt: { text: 'clue' } })],
        }
        const puzzle = hangman.make(list, HangmanOptions.parse({ accents, misses: 3 }), randomFrom('1'))
        let play = hangman.start(puzzle, begin('p'))
        for (const letter of letters) play = hangman.move(puzzle, play, { type: 'guess', letter }, when(10)).play
        const view = hangman.view(puzzle, play, LOOK)
        expect(view.outcome, `${word}, accents ${accents}: ${view.characters.join(' ')}`).to.equal('won')
      }
    const street = hangman.make(
      {
        title: 'T',
        answerLanguage: 'de',
        promptLanguage: 'de',
        entries: [newEntry({ id: idOf(0), answer: { text: 'Straße' } })],
      },
      HangmanOptions.parse({}),
      randomFrom('1'),
    )
    expect(street.words[0]!.characters.map(({ letter }) => letter).join('')).to.equal('STRASSE')
  })

  it('tells nothing of the word beforehand, counts a lost one once, and brings it back', () => {
    const entries = listOf(['otter', 'kelp']).entries.map((entry, index) =>
      newEntry({
        ...entry,
        id: idOf(index),
        prompt: { text: 'a clue', picture: { id: idOf(7), alt: 'an otter', credit: '' } },
        hint: 'swims',
      }),
    )
    const puzzle = gameOf('hangman').make(
      { ...listOf([]), entries },
      gameOf('hangman').options.parse({ misses: 3, scene: 'boat', order: 'list' }),
      randomFrom('1'),
    ) as HangmanPuzzle
    let play = hangman.start(puzzle, begin('p'))
    expect(JSON.stringify(hangman.view(puzzle, play, LOOK)).toLowerCase()).not.to.match(/otter|kelp|swims/)
    const told: string[] = []
    const say = (...moves: Parameters<typeof hangman.move>[2][]): void => {
      for (const move of moves) {
        const step = hangman.move(puzzle, play, move, when(1000))
        play = step.play
        told.push(...step.responses.map(({ outcome, given, round }) => `${round} ${outcome} ${given}`))
      }
    }
    const guess = (letters: string): void => say(...[...letters].map((letter) => ({ type: 'guess' as const, letter })))
    say({ type: 'hint' })
    guess('oxyz')
    expect(hangman.view(puzzle, play, LOOK)).to.deep.include({
      outcome: 'lost',
      characters: [...'OTTER'],
      missed: [false, true, true, true, true],
    })
    say({ type: 'next' })
    guess('kelp')
    expect(play.outcome).to.equal('won')
    say({ type: 'next' })
    expect(hangman.view(puzzle, play, LOOK).again).to.equal(true)
    guess('oter')
    expect(told).to.deep.equal(['first wrong X Y Z', 'first right kelp', 'back right otter'])
    expect(hangman.score(puzzle, play)).to.include({ right: 1, total: 2, points: 10, hints: 1, finished: true })
  })

  it('lets teams take turns', () => {
    const puzzle = make(listOf(['otter']), { teams: 2 })
    let play = hangman.start(puzzle, begin('p'))
    for (const letter of 'txoer') play = hangman.move(puzzle, play, { type: 'guess', letter }, when(0)).play
    expect(hangman.view(puzzle, play, LOOK).teams.map(({ points }) => points)).to.deep.equal([2 + 1 + 1 + 3, 1])
  })
})

describe('A word of hangman', () => {
  it('is answered with the hint that was asked for, and without the one that was not', () => {
    const list: EntryList = {
      title: 'T',
      answerLanguage: 'en',
      promptLanguage: 'en',
      entries: ['eel', 'ell'].map((text, index) =>
        newEntry({ id: idOf(index), answer: { text }, prompt: { text: 'what?' }, hint: 'swims' }),
      ),
    }
    const puzzle = hangman.make(list, HangmanOptions.parse({ clue: 'hint', order: 'list' }), randomFrom('1'))
    let play = hangman.start(puzzle, begin('p'))
    const hints: number[] = []
    for (const move of [
      { type: 'hint' as const },
      ...['e', 'l'].map((letter) => ({ type: 'guess' as const, letter })),
      { type: 'next' as const },
      ...['e', 'l'].map((letter) => ({ type: 'guess' as const, letter })),
    ]) {
      const step = hangman.move(puzzle, play, hangman.moves.parse(move), when(1000))
      play = step.play
      hints.push(...step.responses.map((response) => response.hints))
    }
    expect(hints).to.deep.equal([1, 0])
  })
})
