import { expect } from 'chai'
import fc from 'fast-check'
import { correctedOutcome } from '../src/index.ts'

const wrong = (answer: string, given: string): boolean =>
  correctedOutcome('right', given, { right: [], wrong: [answer] }) === 'wrong'

describe('The teacher’s word on an answer', () => {
  it('holds for it however it is capitalised, spaced and ended', () => {
    for (const given of ['rome', 'Rome', ' ROME ', 'Rome.', '“Rome”', 'Rome!', '(Rome)', 'rome …'])
      expect([given, wrong('rome', given)]).to.deep.equal([given, true])
    expect(wrong('New York', 'new  york,')).to.equal(true)
    expect(wrong('1492', '1492.')).to.equal(true)
    expect(wrong('?!', '?!')).to.equal(true)
  })

  it('holds for nothing else: neither another sign, nor another accent, nor other words', () => {
    for (const [answer, given] of [
      ['5', '-5'],
      ['1.5', '15'],
      ['C', 'C#'],
      ['C', 'C++'],
      ['its', 'it’s'],
      ['apart', 'a part'],
      ['ano', 'año'],
      ['rome', 'romes'],
    ] as const)
      expect([given, wrong(answer, given)]).to.deep.equal([given, false])
  })

  it('is right before it is wrong, and leaves opinions and what was passed over', () => {
    fc.assert(
      fc.property(fc.string({ unit: 'grapheme', minLength: 1 }), (given) => {
        const both = { right: [given], wrong: [given] }
        const expected = given.trim() === '' ? 'wrong' : 'right'
        expect(correctedOutcome('wrong', given, both)).to.equal(expected)
        expect(correctedOutcome('passed', given, both)).to.equal('passed')
        expect(correctedOutcome('opinion', given, both)).to.equal('opinion')
        expect(correctedOutcome('right', given, undefined)).to.equal('right')
      }),
    )
  })
})
