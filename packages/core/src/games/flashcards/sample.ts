import type { GameSample } from '../sample.ts'

/** What the game is tried out with. */
export const sample: GameSample = {
  options: [{}, { order: 'random' }],
  hidden: {},
  move: (below) => [{ type: 'turn' }, { type: 'rate', knew: below(3) > 0 }, { type: 'all' }][below(3)] ?? {},
}
