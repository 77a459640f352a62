import { expect } from 'chai'
import { randomFrom, type Entry, type Thing } from '../src/index.ts'
import { quiz, QuizOptions, type QuizPuzzle } from '../src/games/quiz/index.ts'
import { numbersBeside } from '../src/games/quiz/madeUp.ts'
import { WrongChoices } from '../src/games/quiz/wrongChoices.ts'
import { listOf, SUBJECTS } from './wrongChoicesSubjects.ts'

const SEEDS = 400

describe('Wrong choices', () => {
  for (const { name, language, rows, classes } of SUBJECTS)
    it(`are never right too: ${name}`, () => {
      const list = listOf(rows, language)
      const byId = new Map(list.entries.map((entry) => [entry.id, entry.answer.text]))
      for (let seed = 0; seed < SEEDS; seed++) {
        const puzzle: QuizPuzzle = quiz.make(list, QuizOptions.parse({ order: 'list' }), randomFrom(String(seed)))
        for (const { entryId, choices } of puzzle.questions) {
          const right = byId.get(entryId)!
          const texts = choices.map(({ face }) => face.text)
          const alsoRight = [right, ...classes.filter((one) => one.includes(right)).flat()]
          expect(
            texts.filter((text) => alsoRight.includes(text)),
            `${right} among ${texts.join(', ')}`,
          ).to.deep.equal(choices.length === 0 ? [] : [right])
          for (const one of classes)
            expect(texts.filter((text) => one.includes(text)).length, `${texts.join(', ')}: two are one`).to.be.at.most(
              1,
            )
        }
      }
    })

  it('are near in value where the answer is a number', () => {
    const list = listOf(SUBJECTS[1]!.rows, 'en')
    const wrong = new WrongChoices(list)
    for (let seed = 0; seed < 50; seed++) {
      const texts = wrong.draw(list.entries[0]!, 3, randomFrom(String(seed))).map(({ face }) => face.text)
      expect(texts).to.not.include.members(['4'])
      expect(texts.filter((text) => ['54', '63', '48', '64'].includes(text)).length, texts.join()).to.equal(3)
    }
  })

  it('are of the same group first, however long the list', () => {
    const rows = Array.from(
      { length: 1200 },
      (_, index) => [`word${index}`, `clue ${index}`, `group ${index % 60}`] as const,
    )
    const list = listOf(rows, 'en')
    const wrong = new WrongChoices(list)
    let own = 0
    for (let index = 0; index < 200; index++) {
      const entry = list.entries[index * 6]!
      const drawn = wrong.draw(entry, 3, randomFrom(String(index)))
      own += drawn.filter(({ reason }) => reason === 'group').length
      expect(drawn).to.have.length(3)
    }
    expect(own / 600).to.be.at.least(0.95)
  })

  it('do not leave the right answer alone with what can be seen of it', () => {
    const rows = [
      ['Paris', 'capital'],
      ['rome', 'another'],
      ['London', 'a third'],
      ['berlin', 'a fourth'],
      ['madrid', 'a fifth'],
      ['the sea', 'blue'],
      ['a hill', 'green'],
      ['sand', 'yellow'],
      ['12', 'a dozen'],
      ['7', 'days'],
    ] as const
    const list = listOf(rows, 'en')
    const wrong = new WrongChoices(list)
    for (let seed = 0; seed < 100; seed++) {
      const drawn = (index: number): string[] =>
        wrong.draw(list.entries[index]!, 3, randomFrom(String(seed))).map(({ face }) => face.text)
      expect(
        drawn(0).some((text) => /^[A-Z]/u.test(text)),
        'a capital',
      ).to.equal(true)
      expect(
        drawn(5).some((text) => /^(?:the|a) /u.test(text)),
        'an article',
      ).to.equal(true)
      expect(
        drawn(8).some((text) => /\d/u.test(text)),
        'a number',
      ).to.equal(true)
    }
  })

  it('are no kind of what a picture shows, nor what that is a kind of, as far as things are known', () => {
    const list = listOf(
      ['otter', 'mammal', 'dog', 'puppy', 'car', 'automobile', 'heron', 'pike'].map((name) => [name, ''] as const),
      'en',
      (index) => ({ prompt: { text: '', picture: { id: `${index}`, alt: '', source: 'gallery' } as never } }),
    )
    const things = new Map<string, Thing>([
      ['otter', { kinds: ['mammal'], beside: [] }],
      ['dog', { kinds: ['mammal'], beside: [] }],
      ['puppy', { kinds: ['dog', 'mammal'], beside: [] }],
      ['car', { kinds: ['automobile'], beside: [] }],
    ])
    const seen = list.entries.map(() => new Set<string>())
    const blind = new Set<string>()
    for (let seed = 0; seed < 100; seed++) {
      const drawn = (wrong: WrongChoices, index: number): string[] =>
        wrong.draw(list.entries[index]!, 3, randomFrom(`${seed}`)).map(({ face }) => face.text)
      const wrong = new WrongChoices(list, things)
      seen.forEach((all, index) => drawn(wrong, index).forEach((text) => all.add(text)))
      drawn(new WrongChoices(list), 0).forEach((text) => blind.add(text))
    }
    expect([...seen[0]!]).to.have.members(['dog', 'puppy', 'car', 'automobile', 'heron', 'pike'])
    expect([...seen[1]!], 'nothing that is a mammal').to.have.members(['car', 'automobile', 'heron', 'pike'])
    expect([...seen[3]!]).not.to.include.members(['dog'])
    expect([...seen[5]!], 'another name of it').not.to.include('car')
    expect([...blind], 'unknown things are drawn').to.include('mammal')
  })

  it('come from elsewhere where the list has too few, marked as such, and are never right too', () => {
    const list = listOf(
      [
        ['the otter', 'swims'],
        ['An eel', 'is long'],
        ['3 cm', 'a bee'],
      ],
      'en',
      (index) => (index === 0 ? { accepted: ['the weasel'] } : {}),
    )
    expect(quiz.lookup!(list, QuizOptions.parse({}))).to.deep.equal({
      words: false,
      things: { names: ['otter', 'eel', '3 cm'], beside: true },
    })
    expect(quiz.lookup!(list, QuizOptions.parse({ form: 'typed' })).things.names).to.deep.equal([])
    const things = new Map<string, Thing>([
      ['otter', { kinds: [], beside: ['weasel', 'badger', 'skunk'] }],
      ['eel', { kinds: [], beside: ['ass', 'shark', 'anchovy'] }],
    ])
    const wrong = new WrongChoices(list, things)
    for (let seed = 0; seed < 60; seed++) {
      const [otter, eel, bee] = list.entries.map((entry) => wrong.draw(entry, 3, randomFrom(`${seed}`)))
      const made = (drawn: typeof otter): string[] =>
        drawn!.filter(({ entryId }) => entryId === null).map(({ face, reason }) => `${reason} ${face.text}`)
      expect(made(otter)).to.deep.equal(['dictionary the badger', 'dictionary the skunk'])
      expect(made(eel)).to.deep.equal(['dictionary A shark', 'dictionary An anchovy'])
      expect(made(bee), 'a word would tell more than a number').to.have.length(3)
      for (const one of made(bee)) expect(one).to.match(/^number (?!3 )\d+ cm$/u)
    }
    const fit = (options: object): string[] => quiz.fit(list, QuizOptions.parse(options)).notes.map(({ code }) => code)
    expect([fit({}), fit({ form: 'typed' })]).to.deep.equal([['topped-up'], []])
    const french = { ...listOf([['la loutre', 'elle nage']], 'fr'), promptLanguage: 'fr' }
    const two = { ...french, entries: [...french.entries, ...listOf([['le chien', 'il aboie']], 'fr').entries] }
    expect(quiz.fit(two, QuizOptions.parse({})).notes.map(({ code }) => code)).to.deep.equal(['few-answers'])
  })

  it('make up numbers in the shape of the right one, and none of dates in words or formulas', () => {
    const near = (text: string): string[] => numbersBeside(text, randomFrom('near'))
    for (const text of ['56', '1945', '0.5', '3,20 €', '7', '−4', '90°', '12 cm']) {
      const shape = (one: string): string =>
        one.replace(/\d+/gu, (digits, at: number) => (at > 1 ? 'x'.repeat(digits.length) : 'x'))
      expect(near(text).length, text).to.be.at.least(3)
      for (const one of near(text)) {
        expect(one).not.to.equal(text)
        expect(shape(one), text).to.equal(shape(text))
      }
    }
    for (const text of ['H2O', '1st', 'World War 2', '3 of 4', 'otter', '007', ''])
      expect(near(text), text).to.deep.equal([])
  })

  it('name nothing that a picture shows as well, nor what the clue says or the list accepts', () => {
    const picture = { id: 'otter', alt: 'otter', source: 'gallery' } as unknown as NonNullable<
      Entry['prompt']['picture']
    >
    const rows = [
      ['otter', ''],
      ['sea otter', 'in the sea'],
      ['river otter', 'in a river'],
      ['heron', 'a bird'],
      ['pike', 'a fish'],
      ['carp', 'pike'],
      ['trout', 'lives in brooks'],
    ] as const
    const list = listOf(rows, 'en', (index) =>
      index === 0 ? { prompt: { text: '', picture } } : index === 3 ? { accepted: ['carp'] } : {},
    )
    const wrong = new WrongChoices(list)
    for (let seed = 0; seed < 100; seed++) {
      const drawn = (index: number): string[] =>
        wrong.draw(list.entries[index]!, 3, randomFrom(String(seed))).map(({ face }) => face.text)
      expect(drawn(0).join()).not.to.include('otter')
      expect(drawn(3), 'it is accepted there').not.to.include('carp')
      expect(drawn(5), 'the clue’s own word').not.to.include('pike')
    }
  })

  it('are the same for the same seed, and leave the right answer in every place as often (chi-square)', () => {
    const list = listOf(SUBJECTS[1]!.rows.slice(0, 8), 'en')
    const make = (seed: number): QuizPuzzle =>
      quiz.make(list, QuizOptions.parse({ order: 'list' }), randomFrom(String(seed)))
    expect(make(3)).to.deep.equal(make(3))
    const counts = [0, 0, 0, 0]
    for (let seed = 0; seed < 1000; seed++)
      for (const { choices } of make(seed).questions) counts[choices.findIndex(({ right }) => right)]!++
    const expected = counts.reduce((sum, count) => sum + count, 0) / 4
    const chi = counts.reduce((sum, count) => sum + (count - expected) ** 2 / expected, 0)
    expect(chi, counts.join()).to.be.below(16.27)
  })
})
