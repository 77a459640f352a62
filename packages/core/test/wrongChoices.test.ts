import { expect } from 'chai'
import { newEntry, randomFrom, type Entry, type EntryList, type Thing } from '../src/index.ts'
import { quiz, QuizOptions, type QuizPuzzle } from '../src/games/quiz/index.ts'
import { numbersBeside } from '../src/games/quiz/madeUp.ts'
import { WrongChoices } from '../src/games/quiz/wrongChoices.ts'
import { idOf } from './sampleWords.ts'

/** A list of answers with clues; what stands in one class by hand is right for the same questions. */
interface Subject {
  name: string
  language: string
  rows: readonly (readonly [answer: string, clue: string, group?: string])[]
  /** Answers that mean the same, as a teacher of the subject would say. */
  classes: readonly (readonly string[])[]
}

const SUBJECTS: readonly Subject[] = [
  {
    name: 'fractions',
    language: 'en',
    rows: [
      ['1/2', 'half of 1'],
      ['0.5', '5 ÷ 10'],
      ['one half', '2 ÷ 4'],
      ['3/4', '3 ÷ 4'],
      ['0.25', '1 ÷ 4'],
      ['1/3', '1 ÷ 3'],
      ['2/3', '2 ÷ 3'],
      ['0.1', '1 ÷ 10'],
    ],
    classes: [['1/2', '0.5', 'one half']],
  },
  {
    name: 'times tables',
    language: 'en',
    rows: [
      ['56', '7 × 8'],
      ['54', '6 × 9'],
      ['63', '7 × 9'],
      ['48', '6 × 8'],
      ['12', '3 × 4'],
      ['64', '8 × 8'],
      ['4', '2 × 2'],
      ['100', '10 × 10'],
      ['fifty-six', '8 × 7'],
    ],
    classes: [['56', 'fifty-six']],
  },
  {
    name: 'feelings',
    language: 'en',
    rows: [
      ['feliz', 'happy, merry'],
      ['alegre', 'merry'],
      ['triste', 'sad'],
      ['cansado', 'tired'],
      ['enojado', 'angry'],
      ['contento', 'happy'],
    ],
    classes: [
      ['feliz', 'alegre'],
      ['feliz', 'contento'],
    ],
  },
  {
    name: 'German nouns',
    language: 'de',
    rows: [
      ['der Hund', 'dog'],
      ['Hund', 'a dog that barks'],
      ['die Katze', 'cat'],
      ['das Pferd', 'horse'],
      ['die Kuh', 'cow'],
      ['der Vogel', 'bird'],
      ['ein Hund', 'hound'],
    ],
    classes: [['der Hund', 'Hund', 'ein Hund']],
  },
  {
    name: 'spelling',
    language: 'en',
    rows: [
      ['colour', 'red is one'],
      ['color', 'blue is one'],
      ['centre', 'the middle'],
      ['center', 'the very middle'],
      ['theatre', 'for plays'],
      ['grey', 'black and white'],
      ['gray', 'like ashes'],
      ['organise', 'put in order'],
      ['organize', 'arrange'],
      ['favour', 'a kind act'],
    ],
    classes: [
      ['colour', 'color'],
      ['centre', 'center'],
      ['grey', 'gray'],
      ['organise', 'organize'],
    ],
  },
  {
    name: 'French words',
    language: 'fr',
    rows: [
      ["l'école", 'school'],
      ['école', 'a school'],
      ['la table', 'table'],
      ['le chien', 'dog'],
      ['un chien', 'a dog'],
      ['cœur', 'heart'],
      ['coeur', 'the heart'],
      ['maison', 'house'],
    ],
    classes: [
      ["l'école", 'école'],
      ['le chien', 'un chien'],
      ['cœur', 'coeur'],
    ],
  },
  {
    name: 'measures',
    language: 'en',
    rows: [
      ['3 cm', 'a fly'],
      ['3cm', 'a bee'],
      ['30 mm', 'a moth'],
      ['5 kg', 'a cat'],
      ['5 kilograms', 'a small dog'],
      ['50%', 'half'],
      ['50 per cent', 'one of two'],
      ['10 m', 'a house'],
      ['90°', 'right angle'],
    ],
    classes: [
      ['3 cm', '3cm'],
      ['5 kg', '5 kilograms'],
      ['50%', '50 per cent'],
    ],
  },
  {
    name: 'history',
    language: 'en',
    rows: [
      ['4 July 1776', 'independence'],
      ['1066', 'Hastings'],
      ['1815', 'Waterloo'],
      ['World War II', 'from 1939'],
      ['World War 2', 'until 1945'],
      ['World War I', 'from 1914'],
      ['1945', 'peace'],
      ['1789', 'Bastille'],
    ],
    classes: [['World War II', 'World War 2']],
  },
  {
    name: 'pairs of things',
    language: 'en',
    rows: [
      ['salt and pepper', 'on a table'],
      ['pepper & salt', 'in two pots'],
      ['bread and butter', 'breakfast'],
      ['black and white', 'zebra'],
      ['knife and fork', 'to eat with'],
      ['cup and saucer', 'for tea'],
    ],
    classes: [['salt and pepper', 'pepper & salt']],
  },
  {
    name: 'Spanish',
    language: 'es',
    rows: [
      ['sí', 'yes'],
      ['si', 'if'],
      ['el perro', 'dog'],
      ['perro', 'the dog'],
      ['la casa', 'house'],
      ['la mesa', 'table'],
      ['el libro', 'book'],
      ['niño', 'boy'],
    ],
    classes: [
      ['sí', 'si'],
      ['el perro', 'perro'],
    ],
  },
  {
    name: 'Hebrew',
    language: 'he',
    rows: [
      ['הבית', 'the house'],
      ['בית', 'house'],
      ['בַּיִת', 'home'],
      ['ספר', 'book'],
      ['ילד', 'boy'],
      ['שמש', 'sun'],
      ['ירח', 'moon'],
    ],
    classes: [['הבית', 'בית', 'בַּיִת']],
  },
  {
    name: 'formulas',
    language: 'en',
    rows: [
      ['x²', 'x times x'],
      ['x^2', 'x squared'],
      ['x³', 'x cubed'],
      ['2x', 'x plus x'],
      ['x + 1', 'one more than x'],
      ['x+1', 'x and one'],
      ['x − 1', 'one less'],
      ['√x', 'root'],
    ],
    classes: [
      ['x²', 'x^2'],
      ['x + 1', 'x+1'],
    ],
  },
  {
    name: 'chemistry',
    language: 'en',
    rows: [
      ['H2O', 'water'],
      ['H₂O', 'ice'],
      ['CO2', 'we breathe it out'],
      ['CO', 'from a bad stove'],
      ['Co', 'cobalt'],
      ['Na⁺', 'sodium as an ion'],
      ['Na+', 'what salt has beside chloride'],
      ['O2', 'we breathe it in'],
      ['O3', 'ozone'],
    ],
    classes: [
      ['H2O', 'H₂O'],
      ['Na⁺', 'Na+'],
    ],
  },
  {
    name: 'geography',
    language: 'en',
    rows: [
      ['USA', 'Washington'],
      ['U.S.A.', 'fifty states'],
      ['the Netherlands', 'Amsterdam'],
      ['Netherlands', 'windmills'],
      ['São Paulo', 'largest city of Brazil'],
      ['Sao Paulo', 'a city of twelve million'],
      ['Ivory Coast', 'Abidjan'],
      ['Côte d’Ivoire', 'Abidjan'],
      ['Trinidad and Tobago', 'two islands'],
      ['Trinidad & Tobago', 'Port of Spain'],
    ],
    classes: [
      ['USA', 'U.S.A.'],
      ['the Netherlands', 'Netherlands'],
      ['São Paulo', 'Sao Paulo'],
      ['Ivory Coast', 'Côte d’Ivoire'],
      ['Trinidad and Tobago', 'Trinidad & Tobago'],
    ],
  },
  {
    name: 'Russian',
    language: 'ru',
    rows: [
      ['ёлка', 'fir'],
      ['елка', 'a Christmas tree'],
      ['лев', 'lion'],
      ['мой', 'my'],
      ['мои', 'my, of several'],
      ['кот', 'cat'],
      ['дом', 'house'],
    ],
    classes: [['ёлка', 'елка']],
  },
]

function listOf(
  rows: Subject['rows'],
  language: string,
  more: (index: number) => Partial<Entry> = () => ({}),
): EntryList {
  return {
    title: 'T',
    answerLanguage: language,
    promptLanguage: 'en',
    entries: rows.map(([answer, clue, group], index) =>
      newEntry({
        id: idOf(index),
        answer: { text: answer },
        prompt: { text: clue },
        groups: group === undefined ? [] : [group],
        ...more(index),
      }),
    ),
  }
}

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
