import type { GameSample } from '../sample.ts'

/** What the game is tried out with. */
export const sample: GameSample = {
  options: [{}, { repeats: true, weights: 'missed' }],
  hidden: null,
  move: (below) =>
    [
      { type: 'draw', count: 1 },
      { type: 'draw', count: 1 + below(9) },
      { type: 'anew' },
      { type: 'award', team: 0, points: below(20) - 10 },
    ][below(4)]!,
}
