import { expect } from 'chai'
import { moved } from '../src/games/quizboard/laid.ts'

describe('A quiz board that is laid by hand', () => {
  const columns = [
    { name: 'One', entryIds: ['a', 'b'] },
    { name: 'Two', entryIds: ['c'] },
  ]
  const laid = (...move: [string, number | null]): string[] =>
    moved(columns, ...move, 3).map(({ name, entryIds }) => `${name}: ${entryIds.join('')}`)

  it('takes a question to the end of another column, from another or from outside', () => {
    expect(laid('a', 1)).to.deep.equal(['One: b', 'Two: ca'])
    expect(laid('z', 0)).to.deep.equal(['One: abz', 'Two: c'])
  })

  it('takes a question off the board, and a column that is empty then', () => {
    expect(laid('a', null)).to.deep.equal(['One: b', 'Two: c'])
    expect(laid('c', null)).to.deep.equal(['One: ab'])
  })

  it('leaves all as it is where there is no room, or where it is already', () => {
    expect(laid('a', 0)).to.deep.equal(['One: ab', 'Two: c'])
    expect(moved(columns, 'c', 0, 2)).to.deep.equal(columns)
  })
})
