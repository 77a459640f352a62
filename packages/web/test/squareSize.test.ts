import { expect } from 'chai'
import fc from 'fast-check'
import { squareSize } from '../src/games/bingo/squareSize.ts'

/** Width of a card on the smallest phone, in pixels. */
const CARD = 336

describe('Type on a bingo card', () => {
  it('is 18 pixels on the smallest phone wherever the words allow it', () => {
    for (const text of ['comb', 'propolis', 'royal jelly', 'worker bee'])
      expect((squareSize(text, 3) * CARD) / 100, text).to.be.at.least(18)
    expect((squareSize('comb', 5) * CARD) / 100).to.be.at.least(18)
  })

  it('never lets a word leave its square, nor more lines into it than it has room for', () => {
    const words = fc.array(fc.string({ minLength: 1, maxLength: 20, unit: fc.constantFrom('a', 'm', 'i') }), {
      minLength: 1,
      maxLength: 8,
    })
    fc.assert(
      fc.property(words, fc.integer({ min: 3, max: 6 }), (each, squares) => {
        const size = squareSize(each.join(' '), squares)
        const square = 100 / squares
        for (const word of each) expect(word.length * 0.6 * size).to.be.at.most(square)
        expect(each.join(' ').length * 0.6 * size * size * 1.2).to.be.at.most(square * square)
      }),
    )
  })

  it('is smaller for a longer text, and for more squares', () => {
    expect(squareSize('chlorophyll production', 5)).to.be.below(squareSize('leaf', 5))
    expect(squareSize('chlorophyll', 5)).to.be.below(squareSize('chlorophyll', 3))
  })
})
