import type { GameSample } from '../sample.ts'

/** What the game is tried out with. */
export const sample: GameSample = {
  options: [{ columns: 2, tiles: 3 }, { columns: 1, tiles: 4, wrong: 'points', teams: 2, fill: true }, { teams: 1 }],
  hidden: {},
  move: (below) =>
    [
      { type: 'open', item: below(8) },
      { type: 'open', item: below(8) },
      { type: 'hint' },
      { type: 'reveal' },
      { type: 'judge', right: below(2) === 0 },
      { type: 'judge', right: below(2) === 0, team: below(4) },
      { type: 'pass-on' },
      { type: 'nobody' },
      { type: 'close' },
      { type: 'close' },
      { type: 'close' },
      { type: 'dive' },
      { type: 'award', team: below(4), points: below(30) - 10 },
      { type: 'give-turn', team: below(4) },
    ][below(14)]!,
}
