import { expect } from 'chai'
import { readCase } from '../src/formats/index.ts'

const item = (code: string | null, statement: string, more: object = {}): object => ({
  identifier: '6b2f0a4e-0000-11ee-8000-000000000000',
  uri: 'https://standards.example/ims/case/v1p0/CFItems/6b2f0a4e',
  fullStatement: statement,
  ...(code === null ? {} : { humanCodingScheme: code }),
  CFItemType: 'Standard',
  lastChangeDateTime: '2026-01-01T00:00:00+00:00',
  ...more,
})
const fileOf = (...items: object[]): string =>
  JSON.stringify({ CFDocument: { title: 'A made-up framework', creator: 'Harlow Quay School' }, CFItems: items })

describe('A file of standards (CASE 1.0)', () => {
  it('gives codes with what they mean, each once; headings without a code are left out', () => {
    const text = fileOf(
      item(null, 'Number'),
      item('NB.1', 'Count  to\n100.'),
      item(' NB.2 ', 'Add within 20, with objects and drawings.', { abbreviatedStatement: 'Add within 20' }),
      item('NB.1', 'Counted twice'),
    )
    expect(readCase(text)).to.deep.equal([
      { code: 'NB.1', label: 'Count to 100.' },
      { code: 'NB.2', label: 'Add within 20' },
    ])
    expect(readCase(`\ufeff${text}`)).to.have.length(2)
  })

  it('is refused where it is none, or holds no code', () => {
    for (const text of ['', '{', '[]', '{"CFItems":{}}', fileOf(), fileOf(item(null, 'Number'))])
      expect(() => readCase(text), text).to.throw()
  })

  it('takes no more than can be kept, and no code that is longer than an entry takes', () => {
    const many = Array.from({ length: 6000 }, (_, index) => item(`C.${index}`, `Meaning ${index}`))
    expect(readCase(fileOf(...many))).to.have.length(5000)
    expect(readCase(fileOf(item('x'.repeat(101), 'Long'), item('y', 'z'.repeat(900))))[0]!.label).to.have.length(500)
  })
})
