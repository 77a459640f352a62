import type { GameSample } from '../sample.ts'

/** What the game is tried out with. */
export const sample: GameSample = {
  options: [{ groups: 2 }, { groups: 3, check: 'at-end', items: 6 }, { teams: 3, groups: 2, shows: 'both' }],
  hidden: null,
  move: (below) =>
    [
      { type: 'put', item: below(12), group: below(3) },
      { type: 'put', item: below(12), group: below(3) },
      { type: 'put', item: below(12), group: below(3) },
      { type: 'take-out', item: below(12) },
      { type: 'check' },
    ][below(5)]!,
}
