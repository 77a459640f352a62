import type { GameSample } from '../sample.ts'

/** What the game is tried out with. */
export const sample: GameSample = {
  options: [{ rows: 4 }, { rows: 4, check: 'at-end' }],
  hidden: null,
  move: (below) =>
    [
      { type: 'join', left: below(7), right: below(7) },
      { type: 'part', left: below(7) },
      { type: 'check' },
      { type: 'next' },
    ][below(4)] ?? {},
}
