import type { GameSample } from '../sample.ts'

/** What the game is tried out with. */
export const sample: GameSample = {
  options: [{}, { show: 'clues' }],
  hidden: { show: 'clues' },
  move: (below) => {
    const cell = (): object => ({ row: below(15), col: below(15) })
    return below(2) === 0 ? { type: 'mark', from: cell(), to: cell() } : { type: 'hint', item: below(12) }
  },
}
