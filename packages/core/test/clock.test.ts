import { expect } from 'chai'
import fc from 'fast-check'
import { clockAt, momentOf, type PlayClock } from '../src/index.ts'

const anyClock = fc.record<Required<PlayClock>>({
  clock: fc.nat(3_600_000),
  movedAt: fc.nat(1e12),
  factor: fc.constantFrom(1, 1.25, 1.5, 2, 3.7),
  paused: fc.nat(600_000),
})

describe('The clock of a play', () => {
  it('shows a deadline at the very moment that is worked out for it, and not a second before', () => {
    fc.assert(
      fc.property(anyClock, fc.nat(600_000), (clock, ahead) => {
        const deadline = clock.clock + ahead
        const moment = Math.ceil(momentOf(clock, deadline))
        expect(clockAt(clock, moment, deadline)).to.be.at.least(deadline)
        if (ahead > 2000) expect(clockAt(clock, moment - 1000 * clock.factor - 1, deadline)).to.be.below(deadline)
      }),
    )
  })

  it('never runs back, and never faster than the clock on the wall', () => {
    fc.assert(
      fc.property(anyClock, fc.nat(9e8), fc.nat(9e8), fc.option(fc.nat(7e6)), (clock, one, two, deadline) => {
        const [earlier, later] = [Math.min(one, two), Math.max(one, two)].map((gap) => clock.movedAt + gap)
        const shown = [earlier, later].map((now) => clockAt(clock, now!, deadline))
        expect(shown[0]).to.be.at.least(clock.clock)
        expect(shown[1]).to.be.at.least(shown[0]!)
        expect(shown[1]! - clock.clock).to.be.at.most(later! - clock.movedAt + 1)
      }),
    )
  })

  it('counts a minute at most of a gap, half as much for who has twice the time, and no pause', () => {
    const clock = { clock: 1000, movedAt: 5_000_000 }
    expect(clockAt(clock, 5_030_000, null)).to.equal(31_000)
    expect(clockAt(clock, 9_000_000, null)).to.equal(61_000)
    expect(clockAt(clock, 9_000_000, 500_000), 'but a deadline passes').to.equal(500_000)
    expect(clockAt({ ...clock, factor: 2 }, 5_030_000, null)).to.equal(16_000)
    expect(clockAt({ ...clock, paused: 20_000 }, 5_030_000, null)).to.equal(11_000)
    expect(clockAt({ ...clock, paused: 90_000 }, 5_030_000, null)).to.equal(1000)
    expect(momentOf({ ...clock, factor: 2, paused: 5000 }, 11_000)).to.equal(5_025_000)
    expect(momentOf(clock, 0), 'what has passed is due since the last move').to.equal(5_000_000)
  })
})
