import type { GameSample } from '../sample.ts'

/** What the game is tried out with. */
export const sample: GameSample = {
  options: [{ size: 3 }, { size: 3, marking: 'helped' }, { size: 3, calling: 'teacher' }],
  hidden: null,
  move: (below) => [{ type: 'mark', place: below(25) }, { type: 'next' }, { type: 'claim' }][below(3)] ?? {},
}
