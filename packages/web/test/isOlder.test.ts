import type { PlayReply } from '@otter/api'
import { expect } from 'chai'
import { isOlder } from '../src/pages/play/isOlder.ts'

const reply = (revision: number, attempt?: number, moves = 0): PlayReply =>
  ({ live: { revision }, play: attempt === undefined ? null : { attempt, moves } }) as PlayReply

describe('A reply that comes later', () => {
  it('is older where the session or the play has gone on meanwhile, however it came', () => {
    for (const how of ['asked', 'told'] as const) {
      expect(isOlder(reply(1), reply(2, 1), how), 'the lobby, asked for before the start').to.equal(true)
      expect(isOlder(reply(2, 1, 3), reply(2, 1, 4), how), 'a move was answered meanwhile').to.equal(true)
      expect(isOlder(reply(2, 1, 4), reply(2, 1, 4), how)).to.equal(false)
      expect(isOlder(reply(2, 2, 0), reply(2, 1, 9), how), 'the next attempt').to.equal(false)
      expect(isOlder(reply(3, 1, 4), reply(2, 1, 4), how)).to.equal(false)
      expect(isOlder(reply(2, 1), undefined, how)).to.equal(false)
    }
  })

  it('goes back to an attempt before where that was asked for, as after one was given back, and not by itself', () => {
    expect(isOlder(reply(2, 1, 5), reply(2, 2, 0), 'asked')).to.equal(false)
    expect(isOlder(reply(2, 1, 5), reply(2, 2, 0), 'told')).to.equal(true)
  })
})
