import fc from 'fast-check'
import { expect } from 'chai'
import { runs } from '../../../scripts/testing/lane.mjs'
import { rememberedOf, type MarkCode, type Recall } from '../src/results/index.ts'

const DAY = 86_400_000
const code = fc.constantFrom<MarkCode>('right', 'wrong', 'passed')
describe('What a student remembers', () => {
  const recall = (at: number, outcome: Recall['outcome'], entryId = 'a', hints = 0): Recall => ({
    entryId,
    outcome,
    hints,
    at,
  })

  it('is known well after right answers days apart, shaky after a miss, forgotten in time', () => {
    const known = [recall(0, 'right'), recall(3 * DAY, 'right'), recall(12 * DAY, 'right')]
    expect(rememberedOf(known, 13 * DAY)[0]).to.include({ word: 'well', answers: 3, right: 3 })
    expect(rememberedOf(known, 500 * DAY)[0]!.word).to.equal('forgotten')
    expect(rememberedOf([...known, recall(20 * DAY, 'wrong')], 20 * DAY + 1)[0]!.word).to.equal('shaky')
    expect(rememberedOf([recall(0, 'wrong'), recall(DAY, 'passed')], 2 * DAY)[0]).to.include({
      word: 'not-yet',
      recall: 0,
    })
  })

  it('fades with time, never grows by itself, and does not depend on the order of what is given', () => {
    const history = fc.uniqueArray(
      fc.record({
        entryId: fc.constantFrom('a', 'b'),
        outcome: code,
        hints: fc.nat(1),
        at: fc.integer({ min: 0, max: 60 }).map((days) => days * DAY),
      }),
      { minLength: 1, maxLength: 12, selector: ({ entryId, at }) => `${entryId} ${at}` },
    )
    fc.assert(
      fc.property(history, fc.integer({ min: 0, max: 90 }), fc.integer({ min: 1, max: 90 }), (recalls, later, more) => {
        const at = (60 + later) * DAY
        const now = new Map(rememberedOf(recalls, at).map((one) => [one.entryId, one.recall]))
        for (const one of rememberedOf([...recalls].reverse(), at + more * DAY))
          expect(one.recall).to.be.at.most(now.get(one.entryId)! + 1e-9)
      }),
      { numRuns: runs(60) },
    )
  })

  it('counts one sitting once: what was just read is no memory', () => {
    const crammed = Array.from({ length: 5 }, (_, index) => recall(index * 60_000, index === 0 ? 'wrong' : 'right'))
    const [once] = rememberedOf([crammed[0]!, recall(DAY, 'right')], 2 * DAY)
    const [often] = rememberedOf([...crammed, recall(DAY, 'right')], 2 * DAY)
    expect(often!.recall).to.equal(once!.recall)
  })
})
