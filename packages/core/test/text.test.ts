import { expect } from 'chai'
import fc from 'fast-check'
import { cleanText, directionOf, foldAccents, graphemesOf, gridLetters, randomFrom } from '../src/index.ts'

describe('text', () => {
  it('splits into what a reader calls letters, as the platform does', () => {
    expect(graphemesOf('👩‍👩‍👧é🇵🇹')).to.deep.equal(['👩‍👩‍👧', 'é', '🇵🇹'])
    const segmenter = new Intl.Segmenter('en', { granularity: 'grapheme' })
    const letters = fc.string({
      unit: fc.constantFrom('a', 'e\u0301', 'ñ', 'שׁ', 'ב', 'ل', '字', '한', '🐝', '👩‍🚀', ' ', '-', 'ß', '\u0301'),
      maxLength: 20,
    })
    fc.assert(
      fc.property(letters, (text) => {
        expect(graphemesOf(text)).to.deep.equal([...segmenter.segment(text)].map(({ segment }) => segment))
        expect(graphemesOf(text).join('')).to.equal(text)
      }),
    )
  })

  it('leaves out what a keyboard may lack, and no letter of the language’s own', () => {
    for (const [text, language, expected] of [
      ['año', 'es', 'A|Ñ|O'],
      ['canción', 'es', 'C|A|N|C|I|O|N'],
      ['ışık', 'tr', 'I|S|I|K'],
      ['İzmir', 'tr', 'İ|Z|M|İ|R'],
      ['Straße', 'de', 'S|T|R|A|S|S|E'],
      ['Öl', 'de', 'O|L'],
      ['öl', 'sv', 'Ö|L'],
      ['œuf', 'fr', 'O|E|U|F'],
      ['ﬁn', 'en', 'F|I|N'],
      ['йод', 'ru', 'Й|О|Д'],
      ['ёлка', 'ru', 'Е|Л|К|А'],
      ['हिंदी', 'hi', 'हिं|दी'],
      ['がっこう', 'ja', 'が|っ|こ|う'],
      ['ข้าว', 'th', 'ข้|า|ว'],
      ['שָׁלוֹם', 'he', 'ש|ל|ו|ם'],
      ['كِتَاب', 'ar', 'ك|ت|ا|ب'],
    ] as const) {
      const letters = gridLetters(text, { letterCase: 'upper', accents: 'folded', language })
      expect(letters.join('|'), `${text} in ${language}`).to.equal(expected)
      const lower = gridLetters(text, { letterCase: 'lower', accents: 'folded', language })
      expect(lower, 'in small letters as many').to.have.length(letters.length)
    }
  })

  it('prepares letters for a grid: case by language, accents as wished, nothing that is no letter', () => {
    const upper = (text: string, language?: string): string =>
      gridLetters(text, { letterCase: 'upper', accents: 'kept', language }).join('|')
    expect(upper("o'clock")).to.equal('O|C|L|O|C|K')
    expect(upper('Straße')).to.equal('S|T|R|A|S|S|E')
    expect(upper('iğne', 'tr')).to.equal('İ|Ğ|N|E')
    expect(upper('e\u0301te\u0301')).to.equal('É|T|É')
    expect(upper('שָׁלוֹם')).to.equal('שָׁ|ל|וֹ|ם')
    expect(upper('C++ 11')).to.equal('C|+|+|1|1')
    expect(upper('bee 🐝, «wasp»\u200b\u202e')).to.equal('B|E|E|🐝|W|A|S|P')
    expect(gridLetters('שָׁלוֹם Łódź', { letterCase: 'lower', accents: 'folded' }).join('')).to.equal('שלוםlodz')
    fc.assert(
      fc.property(fc.string({ unit: 'binary', maxLength: 30 }), (text) => {
        for (const accents of ['kept', 'folded'] as const) {
          const once = gridLetters(text, { letterCase: 'upper', accents })
          // Some pictures, such as the wavy dash, are signs of punctuation too.
          const letters = once.filter((letter) => !/\p{Extended_Pictographic}/u.test(letter))
          expect(letters.join('')).not.to.match(/[\s\p{P}\p{Cc}]/u)
        }
        expect(foldAccents(foldAccents(text))).to.equal(foldAccents(text))
      }),
    )
  })

  it('knows which way a text is read', () => {
    expect(directionOf('לחם')).to.equal('rtl')
    expect(directionOf('خبز bread')).to.equal('ltr')
    expect(directionOf('מילה (1)')).to.equal('rtl')
    expect(directionOf('42')).to.equal('ltr')
  })

  it('takes out what no screen shows, and nothing else', () => {
    expect(cleanText('a\u0000b\u200bc\ufeff\ud800')).to.equal('abc\ufffd')
    const visible = fc
      .string({ unit: 'grapheme', maxLength: 30 })
      .filter((text) => !/[\p{Cc}\u200b\u2060\ufeff\u2028\u2029]/u.test(text))
    fc.assert(
      fc.property(visible, (text) => {
        expect(cleanText(text)).to.equal(text)
      }),
    )
  })
})

describe('seeded random numbers', () => {
  it('are the same for a seed on every machine', () => {
    const random = randomFrom('otter')
    expect(Array.from({ length: 5 }, () => random.below(1000))).to.deep.equal(OTTER)
    expect(randomFrom('7').shuffled(['a', 'b', 'c', 'd', 'e'])).to.deep.equal(
      randomFrom('7').shuffled(['a', 'b', 'c', 'd', 'e']),
    )
  })

  it('are spread evenly, also over seeds that differ in one letter', () => {
    const counts = new Array<number>(10).fill(0)
    for (let seed = 0; seed < 20_000; seed++) counts[randomFrom(`seed ${seed}`).below(10)]!++
    // Chi-square with nine degrees of freedom stays below 27.9 in 999 of 1,000 cases; the seeds are fixed.
    expect(counts.reduce((sum, count) => sum + (count - 2000) ** 2 / 2000, 0)).to.be.below(27.9)
    const orders = new Map<string, number>()
    const random = randomFrom('orders')
    for (let round = 0; round < 12_000; round++) {
      const order = random.shuffled(['a', 'b', 'c', 'd']).join('')
      orders.set(order, (orders.get(order) ?? 0) + 1)
    }
    expect(orders.size).to.equal(24)
    expect([...orders.values()].reduce((sum, count) => sum + (count - 500) ** 2 / 500, 0)).to.be.below(49.7)
  })
})

const OTTER = [251, 614, 89, 990, 417]
