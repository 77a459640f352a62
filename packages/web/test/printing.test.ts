import { MAX_VERSIONS } from '@otter/api'
import { gameOf, newEntry, randomFrom, type EntryList, type GameKind } from '@otter/core'
import { expect } from 'chai'
import { pagesOf, PRINTING, printingAfter } from '../src/pages/print/printing.ts'

const LIST: EntryList = {
  title: 'Bees',
  answerLanguage: 'en',
  promptLanguage: 'en',
  entries: [
    'drone',
    'queen',
    'brood',
    'comb',
    'nectar',
    'pollen',
    'veil',
    'swarm',
    'smoker',
    'super',
    'wax',
    'hive',
  ].map((text, index) =>
    newEntry({
      id: `00000000-0000-4000-8000-${String(index).padStart(12, '0')}`,
      answer: { text },
      prompt: { text: `clue ${index}` },
    }),
  ),
}
const puzzles = (kind: GameKind, count: number, options: object = {}): unknown[] =>
  Array.from({ length: count }, (_, index) =>
    gameOf(kind).make(LIST, gameOf(kind).options.parse(options), randomFrom(String(index))),
  )

describe('Printing', () => {
  it('keeps the number of versions whole, and within what can be printed', () => {
    const versions = (typed: number): number => printingAfter(PRINTING, { versions: typed }).versions
    expect([NaN, -3, 0, 1, 2.4, 2.6, MAX_VERSIONS, MAX_VERSIONS + 1, 1e9].map(versions)).to.deep.equal([
      1,
      1,
      1,
      1,
      2,
      3,
      MAX_VERSIONS,
      MAX_VERSIONS,
      MAX_VERSIONS,
    ])
  })

  it('changes one thing at a time', () => {
    const changed = printingAfter(printingAfter(PRINTING, { paper: 'letter' }), { key: false, saveInk: true })
    expect(changed).to.deep.equal({ versions: 1, paper: 'letter', key: false, code: undefined, saveInk: true })
  })

  it('puts every version before every key, each with all its pages', () => {
    const made = puzzles('wordsearch', 3)
    expect(pagesOf('wordsearch', made, true).map(({ index, isKey }) => `${index}${isKey ? 'k' : ''}`)).to.deep.equal([
      '0',
      '1',
      '2',
      '0k',
      '1k',
      '2k',
    ])
    expect(pagesOf('wordsearch', made, false)).to.have.length(3)
    expect(pagesOf('wordsearch', [], true)).to.deep.equal([])
    const cards = pagesOf('bingo', puzzles('bingo', 2, { size: 3, cards: 5, perPage: 2 }), false)
    expect(cards.map(({ index, page }) => `${index}.${page}`)).to.deep.equal(['0.0', '0.1', '0.2', '1.0', '1.1', '1.2'])
    expect(
      cards.every(({ bare }) => bare),
      'cards have no line for a name',
    ).to.equal(true)
    expect(pagesOf('wordsearch', made, false).some(({ bare }) => bare)).to.equal(false)
  })
})
