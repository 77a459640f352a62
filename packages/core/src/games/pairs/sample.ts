import type { GameSample } from '../sample.ts'

/** What the game is tried out with. */
export const sample: GameSample = {
  options: [{}, { players: 3 }],
  hidden: {},
  move: (below) => ({ type: 'turn', card: below(16) }),
}
