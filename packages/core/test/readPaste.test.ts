import { expect } from 'chai'
import fc from 'fast-check'
import Papa from 'papaparse'
import { entriesFromTable, guessFields, readPaste } from '../src/index.ts'
import { idOf } from './sampleWords.ts'

const sides = (text: string): [string, string][] =>
  readPaste(text).rows.map(({ cells: [answer = '', prompt = ''] }) => [answer, prompt])

describe('reading pasted text', () => {
  it('splits two columns at tabs, commas, semicolons, dashes or equal signs', () => {
    for (const separator of ['\t', ',', ';', '|', ' - ', ' = ']) {
      const text = `smoker${separator}calms the bees\ndrone${separator}a male bee\n`
      expect(readPaste(text).separator).to.equal(separator)
      expect(sides(text)).to.deep.equal([
        ['smoker', 'calms the bees'],
        ['drone', 'a male bee'],
      ])
    }
    expect(sides('well-known - famous - very\nT-shirt - a shirt')).to.deep.equal([
      ['well-known', 'famous - very'],
      ['T-shirt', 'a shirt'],
    ])
    expect(sides('smoker\ndrone, the male\nbrood')).to.deep.equal([
      ['smoker', ''],
      ['drone, the male', ''],
      ['brood', ''],
    ])
  })

  it('keeps quotes, line breaks and separators inside quoted cells, and takes stray quotes as they are', () => {
    expect(sides('comb\t"six-sided\ncells, of ""wax"""\nveil\tnet')).to.deep.equal([
      ['comb', 'six-sided\ncells, of "wax"'],
      ['veil', 'net'],
    ])
    expect(sides('"smoker\tcalms\ndrone\ta "male" bee')).to.deep.equal([
      ['"smoker', 'calms'],
      ['drone', 'a "male" bee'],
    ])
  })

  it('recognises a header row in several languages, and blank lines', () => {
    const paste = readPaste('Word\tDefinition\n\nsmoker\tcalms\n\n\ndrone\tmale\n')
    expect(paste.header).to.deep.equal(['Word', 'Definition'])
    expect(paste.rows.map(({ cells: [answer], line }) => [answer, line])).to.deep.equal([
      ['smoker', 3],
      ['drone', 6],
    ])
    expect(paste.blankLines).to.equal(3)
    expect(readPaste('מילה\tתרגום\nלחם\tbread').header).to.deep.equal(['מילה', 'תרגום'])
    expect(readPaste('question\tanswer', {}).rows).to.have.length(1)
  })

  it('loses nothing: what a spreadsheet writes comes back, cells beyond the second joined', () => {
    const cell = fc
      .string({ unit: fc.constantFrom('a', 'é', 'ל', '字', ' ', ',', ';', '"', '\n', '-', '='), maxLength: 8 })
      .map((text) => text.trim())
    fc.assert(
      fc.property(
        fc.array(
          fc.tuple(cell, cell).filter(([one, other]) => one !== '' && other !== ''),
          { minLength: 1, maxLength: 8 },
        ),
        (rows) => {
          const text = Papa.unparse(rows, { delimiter: '\t', newline: '\r\n' })
          expect(readPaste(text, { header: false }).rows.map(({ cells }) => cells)).to.deep.equal(rows)
        },
      ),
    )
    const three = readPaste('a\tb\tc\t\nd\te\tf')
    const { entries, joined } = entriesFromTable(three, guessFields(three), () => idOf(0))
    expect(entries.map(({ prompt }) => prompt.text)).to.deep.equal(['b · c', 'e · f'])
    expect(joined).to.equal(2)
    fc.assert(
      fc.property(fc.string({ unit: 'binary', maxLength: 200 }), (text) => {
        const kept = readPaste(text, { header: false })
          .rows.flatMap(({ cells }) => cells)
          .join('')
        for (const letter of text.match(/\p{L}/gu) ?? []) expect(kept).to.include(letter)
      }),
    )
  })

  it('takes any separator between sides and between entries', () => {
    const text = 'smoker::calms\nthe bees//drone::a male::bee//brood'
    const { rows } = readPaste(text, { separator: '::', entrySeparator: '//' })
    expect(rows.map(({ cells, line }) => [line, ...cells])).to.deep.equal([
      [1, 'smoker', 'calms\nthe bees'],
      [2, 'drone', 'a male::bee'],
      [2, 'brood'],
    ])
    expect(
      readPaste('eins,one;zwei,two;drei,three', { separator: ',', entrySeparator: ';' }).rows.map(({ cells }) => cells),
    ).to.deep.equal([
      ['eins', 'one'],
      ['zwei', 'two'],
      ['drei', 'three'],
    ])
  })

  it('assigns columns by their headings, or by what stands in them', () => {
    const fieldsOf = (text: string): string[] => guessFields(readPaste(text))
    expect(
      fieldsOf('Question\tAnswer\tWrong answer 1\tWrong answer 2\tPoints\tUnit\tColour\nq\ta\tb\tc\t5\tu\tx'),
    ).to.deep.equal(['prompt', 'answer', 'wrong', 'wrong', 'worth', 'group', 'skip'])
    expect(fieldsOf('How many?\t4\t5\t6\nWho?\tAma\tBo\tCy')).to.deep.equal(['prompt', 'answer', 'wrong', 'wrong'])
    expect(fieldsOf('Palabra\tTraducción\nperro\tdog')).to.deep.equal(['answer', 'prompt'])
  })

  it('leaves rows out that a field can not hold, and says why', () => {
    const table = readPaste(
      `Answer,Prompt,Points,Seconds,Scored\na,b,5,30,no\nc,d,many,30,yes\ne,f,5,0,yes\ng,h,5,9,perhaps\n${'x'.repeat(2001)},y\n,,7`,
    )
    const { entries, left } = entriesFromTable(table, guessFields(table), () => idOf(0))
    expect(entries.map(({ answer, worth, seconds, scored }) => [answer.text, worth, seconds, scored])).to.deep.equal([
      ['a', 5, 30, false],
    ])
    expect(left.map(({ line, why }) => [line, why])).to.deep.equal([
      [3, 'bad-number'],
      [4, 'bad-number'],
      [5, 'bad-scored'],
      [6, 'too-long'],
      [7, 'no-text'],
    ])
  })

  it('reads 5,000 rows at once', () => {
    const text = Array.from({ length: 5000 }, (_, index) => `word${index}\tmeaning ${index}`).join('\n')
    expect(readPaste(text).rows).to.have.length(5000)
  })
})
