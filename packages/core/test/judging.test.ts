import { expect } from 'chai'
import fc from 'fast-check'
import { runs } from '../../../scripts/testing/lane.mjs'
import { Judge } from '../src/text/judging/judge.ts'
import { guessLanguage } from '../src/text/judging/guessLanguage.ts'
import { NO_WORDS } from '../src/text/judging/knowledge.ts'
import { JudgeOptionsInput, type JudgeOptions } from '../src/text/judging/options.ts'
import { withDigits } from '../src/text/judging/numberWords.ts'
import { valuesOf } from '../src/text/judging/values.ts'
import { readWordSet, writeWordSet } from '../src/text/judging/wordSet.ts'
import { judgingCases } from './judging/cases.ts'
import { JUDGE, WORDS } from './judging/knowledge.ts'
import { yardsticks } from './yardsticks.ts'

const optionsOf = (options: Partial<JudgeOptions> = {}): JudgeOptions => ({
  ...JudgeOptionsInput.parse({}),
  language: 'en',
  ...options,
})

/** Judges one answer; returns why it counts, or, after a sign, why not. */
function why(
  given: string,
  accepted: string | string[],
  options: Partial<JudgeOptions> = {},
  others: string[] = [],
): string {
  const verdict = JUDGE.judge(given, { accepted: [accepted].flat(), others }, optionsOf(options))
  return `${verdict.right ? '' : '✗ '}${verdict.why}`
}

const anyText = fc.oneof(
  fc.constantFrom(
    'der Hund',
    'año',
    '1,500',
    'x²',
    'H₂O',
    'ice cream',
    '3 cm',
    'כִּתָּה',
    'ışık',
    'がっこう',
    'he/she',
    '-5',
  ),
  fc.string({ maxLength: 12 }),
  fc.string({ unit: 'grapheme', maxLength: 8 }),
)
const anyLanguage = fc.constantFrom('en', 'de', 'es', 'fr', 'he', 'ar', 'tr', 'hi', 'ja', 'ru', 'pt-BR', '')

describe('Typed answers', () => {
  for (const file of [...new Set(judgingCases().map((one) => one.file))])
    it(`count as a teacher would have it: ${file}`, () => {
      const failing = judgingCases()
        .filter((one) => one.file === file)
        .flatMap(({ given, accepted, others, options, right }) => {
          const verdict = JUDGE.judge(given, { accepted, others }, options)
          return verdict.right === right
            ? []
            : [`${options.language}: “${given}” for “${accepted.join('; ')}” is ${verdict.why}`]
        })
      expect(failing.join('\n')).to.equal('')
    })

  it('tell by which rule they count, or why not', () => {
    const cases: [string, string | string[], string, Partial<JudgeOptions>?, string[]?][] = [
      ['propolis', 'propolis', 'exact'],
      ['  Propolis!', 'propolis', 'letters'],
      ['don’t', "don't", 'exact'],
      ['Strasse', 'Straße', 'spelling', { language: 'de' }],
      ['pao', 'pão', 'accents', { language: 'pt' }],
      ['pao', 'pão', '✗ accents-count', { language: 'pt', accents: 'kept' }],
      ['the drone', 'drone', 'article'],
      ['die Hund', 'der Hund', '✗ wrong-article', { language: 'de' }],
      ['Hund', 'der Hund', '✗ no-article', { language: 'de', articles: 'must' }],
      ['der Hund', 'der Hund', 'exact', { language: 'de', articles: 'must' }],
      ['ein Hund', 'der Hund', '✗ wrong-article', { language: 'de', articles: 'asked' }],
      ['twelve', '12', 'number'],
      ['3 m', '3 cm', '✗ unit'],
      ['4 cm', '3 cm', '✗ value'],
      ['3 CM', '3 cm', '✗ capitals'],
      ['nacl', 'NaCl', '✗ capitals'],
      ['x^2', 'x²', 'notation'],
      ['pepper & salt', 'salt and pepper', 'order'],
      ['colour', 'color', 'variant'],
      ['colour', 'color', '✗ spelled', { variants: false }],
      ['necesary', 'necessary', 'slip'],
      ['necesary', 'necessary', '✗ spelled', { slips: 'off' }],
      ['hose', 'house', '✗ spelled'],
      ['huose', 'house', 'slip', { slips: 'generous' }],
      ['nesesarry', 'necessary', '✗ different'],
      ['planet', 'planets', '✗ word'],
      // One slip is forgiven in all of an answer, not one in each of its words; where more is, one in each.
      ['temperture gradient', 'temperature gradient', 'slip'],
      ['temperture gradeint', 'temperature gradient', '✗ different'],
      ['temperture gradeint', 'temperature gradient', 'slip', { slips: 'generous' }],
      ['temprture', 'temperature', '✗ different'],
      ['temprture', 'temperature', 'slip', { slips: 'generous' }],
      // A slip as near to what another entry asks for is neither's.
      ['absorptxon', 'absorption', 'slip'],
      ['adxorption', 'absorption', '✗ other', { slips: 'generous' }, ['adsorption']],
      ['axsorption', 'absorption', '✗ other', {}, ['adsorption']],
      ['axsorption', 'absorption', 'slip', {}, ['evaporation']],
      ['ano', 'año', '✗ letter', { language: 'es' }],
      ['its', "it's", '✗ other', {}, ['its']],
      ['anchorage', ['anchor', 'anchorage'], 'exact'],
      ['queen', 'king', '✗ different'],
      [' ', 'king', '✗ empty'],
      ['red, blue', ['red', 'blue', 'green'], 'exact', { count: 2 }],
      ['red and red', ['red', 'blue', 'green'], '✗ too-few', { count: 2 }],
      ['red, pink', ['red', 'blue', 'green'], '✗ different', { count: 2 }],
      ['漢語', '汉语', 'spelling', { language: 'zh', scripts: 'both' }],
    ]
    for (const [given, accepted, expected, options, others] of cases)
      expect(why(given, accepted, options, others), `${given} for ${[accepted].flat().join()}`).to.equal(expected)
  })

  it('count whatever they are, where they are just what is accepted, in any case of letters', () => {
    fc.assert(
      fc.property(anyText, anyLanguage, fc.array(anyText, { maxLength: 3 }), (text, language, others) => {
        fc.pre(text.trim() !== '')
        expect(JUDGE.judge(text, { accepted: [text], others }, optionsOf({ language })).right).to.equal(true)
      }),
      { numRuns: runs(2000) },
    )
  })

  it('never count where they are another entry’s answer, whatever would be forgiven', () => {
    fc.assert(
      fc.property(anyText, anyText, anyLanguage, (accepted, other, language) => {
        fc.pre(other.trim() !== '' && other.trim() !== accepted.trim())
        const options = optionsOf({ language, slips: 'generous', scripts: 'both' })
        const verdict = JUDGE.judge(other, { accepted: [accepted], others: [other] }, options)
        if (verdict.right) expect(verdict.why, 'the same but for spaces').to.equal('exact')
      }),
      { numRuns: runs(2000) },
    )
  })

  it('count the same way round, where nobody is asked for more than the other', () => {
    const words = [
      'colour',
      'color',
      'ice cream',
      'ice-cream',
      'café',
      'cafe',
      '12',
      'twelve',
      '1/2',
      '0.5',
      'x²',
      'x^2',
      '3:30 pm',
      '15:30',
      'U.S.A.',
      'USA',
      'the sun',
      'sun',
      '4 July 1776',
      'July 4, 1776',
      '5 kg',
      '5kg',
      '50%',
      '50 percent',
    ]
    for (const one of words)
      for (const other of words)
        expect(why(one, other).startsWith('✗'), `${one} and ${other}`).to.equal(why(other, one).startsWith('✗'))
  })

  it('forgive one slip in a long word and none of two, unless it makes another word, or nobody knows the words', () => {
    fc.assert(
      fc.property(
        fc.constantFrom('photosynthesis', 'hippopotamus', 'temperature', 'revolution'),
        fc.nat(20),
        fc.constantFrom('drop', 'double', 'swap', 'other'),
        (word, at, how) => {
          const letters = [...word]
          const place = at % (letters.length - 1)
          if (how === 'drop') letters.splice(place, 1)
          else if (how === 'double') letters.splice(place, 0, letters[place]!)
          else if (how === 'swap') [letters[place], letters[place + 1]] = [letters[place + 1]!, letters[place]!]
          else letters[place] = 'x'
          const typed = letters.join('')
          const expected = typed === word ? 'exact' : WORDS.isWord(typed, 'en') ? '✗ word' : 'slip'
          expect(why(typed, word)).to.equal(expected)
          expect(why(`${typed}zq`, word)).to.equal('✗ different')
          if (typed !== word)
            expect(new Judge(NO_WORDS).judge(typed, { accepted: [word], others: [] }, optionsOf()).why).to.equal(
              'spelled',
            )
        },
      ),
    )
  })

  it('name several things, some of which have a comma or an "and" of their own', () => {
    const islands = ['Antigua and Barbuda', 'Trinidad and Tobago', 'Saint Lucia', 'Cuba']
    const cities = ['Washington, D.C.', 'Lima', 'Quito']
    const music = ['rock and roll', 'rock', 'jazz', 'drum & bass']
    for (const [accepted, count, right, wrong] of [
      [islands, 2, 'Antigua and Barbuda, Cuba', 'Antigua and Cuba'],
      [islands, 2, 'Antigua and Barbuda and Trinidad and Tobago', 'Antigua and Tobago'],
      [islands, 2, 'Cuba & Saint Lucia', 'Cuba & Lucia & Barbuda'],
      [islands, 3, 'Cuba, Trinidad & Tobago and Saint Lucia', 'Cuba, Trinidad & Tobago'],
      [cities, 2, 'Washington, D.C., Lima', 'Washington, D.C., Bonn'],
      [cities, 2, 'Lima and Quito', 'Lima and Lima'],
      [music, 2, 'rock and roll and jazz', 'rock and roll'],
      [music, 2, 'rock and jazz', 'rock and rock'],
      [music, 3, 'jazz, drum and bass, rock & roll', 'jazz, drum, bass'],
    ] as const) {
      expect([right, why(right, [...accepted], { count })]).to.satisfy(([, told]: string[]) => !told!.startsWith('✗'))
      expect([wrong, why(wrong, [...accepted], { count })]).to.satisfy(([, told]: string[]) => told!.startsWith('✗'))
    }
  })

  it('are numbers by their value, as their language writes them', () => {
    const value = (text: string, language: string): string =>
      valuesOf(text, language)
        .map(({ top, bottom }) => `${top}/${bottom}`)
        .join()
    for (const [text, language, expected] of [
      ['1,500', 'en', '1500/1'],
      ['1.500', 'en', '3/2'],
      ['1.500', 'de', '1500/1'],
      ['1,500', 'de', '3/2'],
      ['1,500', 'es-MX', '1500/1'],
      ['12,34,567', 'en', '1234567/1'],
      ['1.234.567,5', 'de', '2469135/2'],
      ['1 1/2', 'en', '3/2'],
      ['-.5', 'en', '-1/2'],
      ['٣٫٥', 'ar', '7/2'],
      ['1/0', 'en', ''],
      ['1,2,3', 'en', ''],
    ] as const)
      expect(value(text, language), `${text} in ${language}`).to.equal(expected)
    fc.assert(
      fc.property(
        fc.integer({ min: 0, max: 2000 }),
        fc.constantFrom('en', 'de', 'fr', 'es', 'ru', 'he', 'tr'),
        (number, language) => {
          expect(withDigits(String(number), language)).to.equal(String(number))
          expect(why(String(number + 1), String(number), { language })).to.equal('✗ value')
        },
      ),
    )
  })

  it('are in the language that the list seems to be in, where nobody has said', () => {
    for (const [texts, language] of [
      [['der Hund', 'die Katze', 'das Pferd'], 'de'],
      [['le chien', 'l’école', 'garçon'], 'fr'],
      [['perro', 'niño', 'canción'], 'es'],
      [['the heart', 'lung', 'breathing'], 'en'],
      [['câine', 'și', 'țară'], 'ro'],
      [['כלב', 'חתול'], 'he'],
      [['کتاب', 'گربه'], 'fa'],
      [['кошка', 'собака'], 'ru'],
      [['її', 'ґанок'], 'uk'],
      [['いぬ', '猫'], 'ja'],
    ] as const)
      expect(guessLanguage(texts, WORDS), texts.join()).to.equal(language)
    expect(guessLanguage(['123'])).to.equal('')
    expect(why('die Hund', 'der Hund', { language: '' })).to.equal('✗ wrong-article')
  })

  it('end in a moment, however long or odd they are', () => {
    const spent = yardsticks()
    for (const text of ['a'.repeat(5000), '(['.repeat(800), 'a/b'.repeat(600), '1,'.repeat(900), '﷽'.repeat(300)]) {
      why(text, 'answer')
      why('answer', text)
      why(text, text)
    }
    expect(spent()).to.be.below(200)
  })
})

describe('A set of words', () => {
  it('has every word that was put in, and hardly one that was not', () => {
    fc.assert(
      fc.property(fc.uniqueArray(fc.string({ minLength: 1 }), { minLength: 1 }), (words) => {
        const set = readWordSet(writeWordSet(new Set(words)))
        for (const word of words) expect(set.has(word)).to.equal(true)
      }),
    )
    const words = new Set(Array.from({ length: 5000 }, (_, index) => `word ${index}`))
    const set = readWordSet(writeWordSet(words))
    const wrong = Array.from({ length: 20_000 }, (_, index) => set.has(`other ${index}`)).filter(Boolean).length
    expect(wrong / 20_000, 'about one in seventy').to.be.below(0.025)
  })
})
