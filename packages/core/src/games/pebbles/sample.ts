import type { GameSample } from '../sample.ts'

/** What the game is tried out with. */
export const sample: GameSample = {
  options: [
    { pebbles: 6 },
    { pebbles: 8, teams: 3, twists: 'lively', wrong: 'points', values: 'hidden' },
    { pebbles: 8, teams: 2, twists: 'lively', wrong: 'everything', answers: 'all' },
    { teams: 1, answers: 'team', twists: 'gentle' },
  ],
  hidden: {},
  move: (below) =>
    [
      { type: 'open', item: below(10) },
      { type: 'open', item: below(10) },
      { type: 'hint' },
      { type: 'reveal' },
      { type: 'judge', right: below(2) === 0 },
      { type: 'judge', right: below(2) === 0, team: below(4) },
      { type: 'pass-on' },
      { type: 'nobody' },
      { type: 'close' },
      { type: 'close' },
      { type: 'close' },
      { type: 'award', team: below(4), points: below(30) - 10 },
    ][below(12)]!,
}
