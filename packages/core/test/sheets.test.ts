import { expect } from 'chai'
import { gameOf, newEntry, randomFrom, type EntryList, type GameKind, type SheetBlock, typeFor } from '../src/index.ts'
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
    expect(itemsOf(key!).map(({ text }) => text)).to.deep.equal(listOf(6).entries.map(({ answer }) => answer.text))
    const [marked] = pages('quiz', listOf(6), { form: 'choice', order: 'list' }, true)
    itemsOf(marked!).forEach(({ text }, index) =>
      expect(text)
        .to.match(/^[A-D] /u)
        .and.include(listOf(6).entries[index]!.answer.text),
    )
  })

  it('a quiz has its key on as little paper as its answers need', () => {
    const long: EntryList = {
      ...listOf(60),
      entries: listOf(60).entries.map((entry) => ({
        ...entry,
        answer: { text: `${entry.answer.text} ${'very '.repeat(9)}long` },
      })),
    }
    const columns = (list: EntryList): [number, number] => {
      const key = pages('quiz', list, { form: 'typed', order: 'list' }, true)
      return [key.length, Math.max(...key.flat().map((block) => (block.type === 'items' ? block.columns : 0)))]
    }
    expect([columns(listOf(60)), columns(long)]).to.deep.equal([
      [1, 4],
      [2, 1],
    ])
  })

  it('type is as large as the page allows, never under its least, and larger for early readers', () => {
    const sizeOf = (kind: GameKind, count: number, early = false, height = 645): number =>
      typeFor(pages(kind, listOf(count), { order: 'list' })[0]!, height, early).size
    expect([sizeOf('quiz', 4), sizeOf('quiz', 4, true)]).to.deep.equal([14, 20])
    expect([sizeOf('quiz', 40, false, 200), sizeOf('quiz', 40, true, 200)]).to.deep.equal([10, 14])
    for (let height = 300; height < 900; height += 60)
      expect(sizeOf('quiz', 14, false, height + 60)).to.be.at.least(sizeOf('quiz', 14, false, height))
    const { gridHeight } = typeFor(pages('crossword', listOf(12), {})[0]!, 645, false)
    expect(gridHeight).to.be.within(215, 645)
    const han = (text: string): number =>
      typeFor(
        [
          {
            type: 'items',
            columns: 1,
            items: Array.from({ length: 24 }, () => ({ label: '1', text, note: '', answer: '' })),
          },
        ],
        500,
        false,
      ).size
    expect(han('蜂'.repeat(50)), 'a wide letter takes two narrow ones').to.be.below(han('b'.repeat(50)))
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
    const hidden = { message: 'see you at the lake' }
    const textsOf = (isKey: boolean): string =>
      JSON.stringify(pages('wordsearch', listOf(8), hidden, isKey)[0]!.filter(({ type }) => type === 'text'))
    expect(textsOf(true), 'what the spare letters spell is for the key').to.match(/see you at the lake/iu)
    expect(textsOf(false)).not.to.match(/see you at the lake/iu)
    expect(pages('wordsearch', listOf(8), {}, true)[0]!.some(({ type }) => type === 'text')).to.equal(false)
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
