import { expect } from 'chai'
import fc from 'fast-check'
import Papa from 'papaparse'
import { readPaste } from '../src/index.ts'

const sides = (text: string): [string, string][] => readPaste(text).rows.map(({ answer, prompt }) => [answer, prompt])

describe('reading pasted text', () => {
  it('splits two columns at tabs, commas, semicolons, dashes or equal signs', () => {
    for (const [separator, name] of [['\t', 'tab'], [',', 'comma'], [';', 'semicolon'], [' - ', 'dash'], [' = ', 'equals']]) {
      const text = `smoker${separator}calms the bees\ndrone${separator}a male bee\n`
      expect(readPaste(text).separator).to.equal(name)
      expect(sides(text)).to.deep.equal([['smoker', 'calms the bees'], ['drone', 'a male bee']])
    }
    expect(sides('well-known - famous - very\nT-shirt - a shirt')).to.deep.equal([['well-known', 'famous - very'], ['T-shirt', 'a shirt']])
    expect(sides('smoker\ndrone, the male\nbrood')).to.deep.equal([['smoker', ''], ['drone, the male', ''], ['brood', '']])
  })

  it('keeps quotes, line breaks and separators inside quoted cells, and takes stray quotes as they are', () => {
    expect(sides('comb\t"six-sided\ncells, of ""wax"""\nveil\tnet')).to.deep.equal([['comb', 'six-sided\ncells, of "wax"'], ['veil', 'net']])
    expect(sides('"smoker\tcalms\ndrone\ta "male" bee')).to.deep.equal([['"smoker', 'calms'], ['drone', 'a "male" bee']])
  })

  it('recognises a header row in several languages, and blank lines', () => {
    const paste = readPaste('Word\tDefinition\n\nsmoker\tcalms\n\n\ndrone\tmale\n')
    expect(paste.header).to.deep.equal(['Word', 'Definition'])
    expect(paste.rows.map(({ answer, line }) => [answer, line])).to.deep.equal([['smoker', 3], ['drone', 6]])
    expect(paste.blankLines).to.equal(3)
    expect(readPaste('מילה\tתרגום\nלחם\tbread').header).to.deep.equal(['מילה', 'תרגום'])
    expect(readPaste('question\tanswer', {}).rows).to.have.length(1)
  })

  it('loses nothing: what a spreadsheet writes comes back, cells beyond the second joined', () => {
    const cell = fc.string({ unit: fc.constantFrom('a', 'é', 'ל', '字', ' ', ',', ';', '"', '\n', '-', '='), maxLength: 8 }).map((text) => text.trim())
    fc.assert(fc.property(fc.array(fc.tuple(cell, cell).filter(([one, other]) => one !== '' && other !== ''), { minLength: 1, maxLength: 8 }), (rows) => {
      const text = Papa.unparse(rows, { delimiter: '\t', newline: '\r\n' })
      expect(readPaste(text, { header: false }).rows.map(({ answer, prompt }) => [answer, prompt])).to.deep.equal(rows)
    }))
    expect(readPaste('a\tb\tc\t\nd\te\tf').rows.map(({ prompt, joined }) => [prompt, joined])).to.deep.equal([['b · c', 1], ['e · f', 1]])
    fc.assert(fc.property(fc.string({ unit: 'binary', maxLength: 200 }), (text) => {
      const kept = readPaste(text, { header: false }).rows.flatMap(({ answer, prompt }) => [...answer + prompt]).join('')
      for (const letter of text.match(/\p{L}/gu) ?? []) expect(kept).to.include(letter)
    }))
  })

  it('reads 5,000 rows at once', () => {
    const text = Array.from({ length: 5000 }, (_, index) => `word${index}\tmeaning ${index}`).join('\n')
    expect(readPaste(text).rows).to.have.length(5000)
  })
})
