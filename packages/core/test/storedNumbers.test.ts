import { expect } from 'chai'
import { clockAt, IDLE_GAP, LONGEST_CLOCK } from '../src/games/clock.ts'
import { boundedStep, responseOf } from '../src/games/response.ts'

describe('Numbers that are stored', () => {
  it('are whole, and fit their columns whatever a game says', () => {
    const wild = responseOf({
      entryId: 'x',
      outcome: 'right',
      milliseconds: 9e15,
      place: -3,
      points: 1e12,
      hints: Number.NaN,
      given: 'x'.repeat(9000),
    })
    const {
      responses: [bounded],
    } = boundedStep({ play: {}, responses: [wild] })
    expect(bounded).to.include({ milliseconds: 86_400_000, place: 0, points: 1_000_000, hints: 0 })
    expect(bounded!.given).to.have.length(2000)
  })

  it('count playing time alone: a gap for a minute at most, or until a deadline has passed', () => {
    const at = (clock: number, gap: number, deadline: number | null = null): number =>
      clockAt({ clock, movedAt: 1e12 }, 1e12 + gap, deadline)
    expect([at(5000, 3000), at(5000, IDLE_GAP), at(5000, IDLE_GAP + 1), at(5000, 9e10), at(5000, -4000)]).to.deep.equal(
      [8000, 65_000, 65_000, 65_000, 5000],
    )
    // A question of two minutes can't be thought over for an hour: its time runs out.
    expect([at(5000, 3_600_000, 128_001), at(5000, 90_000, 128_001)]).to.deep.equal([128_001, 95_000])
    expect(at(LONGEST_CLOCK - 1, 50_000)).to.equal(LONGEST_CLOCK)
  })
})
