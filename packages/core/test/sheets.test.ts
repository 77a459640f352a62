import { expect } from 'chai'
import { gameOf, newEntry, randomFrom, type EntryList, type GameKind, type SheetBlock } from '../src/index.ts'
import { idOf } from './sampleWords.ts'

const listOf = (count: number, long = false): EntryList => ({
  title: 'Sheets',
  answerLanguage: 'en',
  promptLanguage: 'en',
  entries: Array.from({ length: count }, (_, index) =>
    newEntry({
      id: idOf(index),
      answer: { text: `w${[...String(index)].map((digit) => 'abcdefghij'[Number(digit)]).join('')}xyz` },
      prompt: {
        text: `clue ${index}${long ? ' and so on'.repeat(16) : ''}`,
        ...(index === 0 && { picture: { id: idOf(900), alt: 'a bee', credit: '' } }),
      },
    }),
  ),
})
function pages(kind: GameKind, list: EntryList, options: object, isKey = false): SheetBlock[][] {
  const game = gameOf(kind)
  return game
    .sheet(game.make(list, game.options.parse(options), randomFrom('sheet')), isKey)
    .map(({ blocks }) => blocks)
}
const itemsOf = (blocks: readonly SheetBlock[]): Extract<SheetBlock, { type: 'items' }>['items'] =>
  blocks.flatMap((block) => (block.type === 'items' ? block.items : []))

describe('Games on paper', () => {
  it('a quiz asks every question once, in order, on pages that are full but not over', () => {
    for (const [long, most] of [
      [false, 14],
      [true, 8],
    ] as const) {
      const sheet = pages('quiz', listOf(40, long), { form: 'typed', order: 'list' })
      expect(sheet.flatMap((blocks) => itemsOf(blocks).map(({ label }) => label))).to.deep.equal(
        Array.from({ length: 40 }, (_, index) => String(index + 1)),
      )
      const counts = sheet.map((blocks) => itemsOf(blocks).length)
      expect(new Set(counts.slice(0, -1))).to.deep.equal(new Set([most]))
      expect(counts.at(-1)).to.be.above(0)
    }
  })

  it('a quiz has lines to write on, or its choices, or what is claimed; its key has what is right', () => {
    const [typed] = pages('quiz', listOf(6), { form: 'typed', order: 'list' })
    expect(itemsOf(typed!).every(({ below }) => below?.length === 1 && /^_+$/u.test(below[0]!))).to.equal(true)
    const [choices] = pages('quiz', listOf(6), { form: 'choice', choices: 3, order: 'list' })
    for (const { below } of itemsOf(choices!)) expect(below!.join(' ').match(/○ [ABC]/gu)).to.have.length(3)
    const [claims] = pages('quiz', listOf(6), { form: 'true-false', order: 'list' })
    for (const { below, answer } of itemsOf(claims!))
      expect([below!.join(), answer]).to.satisfy(
        ([line, told]: string[]) => line!.includes('✓') && line!.includes('×') && told === '',
      )
    const [key] = pages('quiz', listOf(6), { form: 'typed', order: 'list' }, true)
    expect(itemsOf(key!).map(({ answer }) => answer)).to.deep.equal(listOf(6).entries.map(({ answer }) => answer.text))
    const [marked] = pages('quiz', listOf(6), { form: 'choice', order: 'list' }, true)
    itemsOf(marked!).forEach(({ answer }, index) =>
      expect(answer)
        .to.match(/^[A-D] /u)
        .and.include(listOf(6).entries[index]!.answer.text),
    )
  })

  it('bingo cuts its cards into pages, each card once, with the calls and all tokens as key', () => {
    const list = listOf(30)
    for (const perPage of [1, 2, 4] as const) {
      const sheet = pages('bingo', list, { cards: 7, size: 4, perPage })
      const cards = sheet.map((blocks) => blocks.flatMap((block) => (block.type === 'cards' ? block.cards : [])))
      expect(cards.map(({ length }) => length)).to.deep.equal(
        Array.from({ length: Math.ceil(7 / perPage) }, (_, page) => Math.min(perPage, 7 - page * perPage)),
      )
      expect(cards.flat().map(({ label }) => label)).to.deep.equal(['1', '2', '3', '4', '5', '6', '7'])
    }
    const [calls, ...tokens] = pages('bingo', listOf(50), { cards: 7, size: 4 }, true)
    expect(new Set(itemsOf(calls!).map(({ answer }) => answer)).size).to.equal(50)
    expect(
      tokens.map((blocks) =>
        blocks.reduce((sum, block) => sum + (block.type === 'tokens' ? block.tokens.length : 0), 0),
      ),
    ).to.deep.equal([40, 10])
  })

  it('a word search asks by its clues with their pictures, and tells the words on its key', () => {
    const [clues] = pages('wordsearch', listOf(8), { show: 'clues' })
    const byText = new Map(itemsOf(clues!).map((item) => [item.text, item]))
    expect(byText.get('clue 0')).to.include({ picture: idOf(900), note: '(5)', answer: '' })
    expect(byText.get('clue 1')).not.to.have.property('picture')
    expect(itemsOf(pages('wordsearch', listOf(8), { show: 'words' })[0]!)[0]).not.to.have.property('picture')
    const [key] = pages('wordsearch', listOf(8), { show: 'clues' }, true)
    expect(new Set(itemsOf(key!).map(({ answer }) => answer.toLowerCase()))).to.deep.equal(
      new Set(listOf(8).entries.map(({ answer }) => answer.text)),
    )
    const [lines] = key!.flatMap((block) => (block.type === 'grid' ? [block.lines] : []))
    expect(lines).to.have.length(8)
  })

  it('letters are small for early readers, whatever was chosen', () => {
    const letters = (options: object): string =>
      pages('wordsearch', listOf(8), options)[0]!
        .flatMap((block) => (block.type === 'grid' ? block.cells.map((cell) => cell?.text ?? '') : []))
        .join('')
    expect(letters({ early: true, letterCase: 'upper' })).to.match(/^[a-z]+$/u)
    expect(letters({ letterCase: 'upper' })).to.match(/^[A-Z]+$/u)
  })
})
