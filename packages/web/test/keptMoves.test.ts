import type { SendMove } from '@otter/api'
import { expect } from 'chai'
import { keepMoves, setAside, takeKeptMoves } from '../src/pages/play/keptMoves.ts'

const move = (number: number): SendMove => ({
  id: `00000000-0000-4000-8000-${String(number).padStart(12, '0')}`,
  attempt: 1,
  move: { number },
})

/** A device's storage: what it holds are its own properties, as in a browser. */
const storage = (): Record<string, string> =>
  Object.create({
    getItem(this: Record<string, string>, key: string) {
      return this[key] ?? null
    },
    setItem(this: Record<string, string>, key: string, value: string) {
      this[key] = value
    },
    removeItem(this: Record<string, string>, key: string) {
      Reflect.deleteProperty(this, key)
    },
  }) as Record<string, string>

describe('Moves kept on a device', () => {
  const before = Object.getOwnPropertyDescriptor(globalThis, 'localStorage')
  let kept: Record<string, string>
  beforeEach(() => {
    kept = storage()
    Object.defineProperty(globalThis, 'localStorage', { value: kept, configurable: true })
  })
  after(() => {
    if (before) Object.defineProperty(globalThis, 'localStorage', before)
    else Reflect.deleteProperty(globalThis, 'localStorage')
  })

  it('stay another tab’s when this one has sent all, and are taken once by whoever opens the game next', () => {
    kept['otter-moves GAME another-tab'] = JSON.stringify([move(1), move(2)])
    kept['otter-moves GAMES another-tab'] = JSON.stringify([move(7)])
    keepMoves('GAME', [move(3)])
    keepMoves('GAME', [])
    expect(Object.keys(kept)).to.have.members(['otter-moves GAME another-tab', 'otter-moves GAMES another-tab'])
    keepMoves('GAME', [move(4)])
    expect(takeKeptMoves('GAME')).to.have.deep.members([move(1), move(2), move(4)])
    expect(takeKeptMoves('GAME')).to.deep.equal([])
    expect(Object.keys(kept)).to.deep.equal(['otter-moves GAMES another-tab'])
  })

  it('are set aside for their game alone where they can never be taken, and forgotten with the one who leaves', () => {
    keepMoves('GAME', [move(1)])
    expect([setAside('GAME', move(2)), setAside('GAME', move(3)), setAside('GAMES', move(4))]).to.deep.equal([1, 2, 1])
    expect([setAside('GAME'), setAside('GAMES'), setAside('OTHER')]).to.deep.equal([2, 1, 0])
    expect(takeKeptMoves('GAME'), 'what waits is none of them').to.deep.equal([move(1)])
    takeKeptMoves('aside GAME')
    expect([setAside('GAME'), setAside('GAMES')]).to.deep.equal([0, 1])
    expect(setAside('FULL', ...Array.from({ length: 150 }, (_, number) => move(number)))).to.equal(100)
  })

  it('are none where the device keeps nothing', () => {
    Object.defineProperty(globalThis, 'localStorage', { value: undefined, configurable: true })
    keepMoves('GAME', [move(1)])
    expect(takeKeptMoves('GAME')).to.deep.equal([])
  })
})
