import type { GameSample } from '../sample.ts'

/** What the game is tried out with. */
export const sample: GameSample = {
  options: [{}, { teams: 3, freeLetters: 1, order: 'list' }],
  hidden: {},
  move: (below) =>
    [{ type: 'guess', letter: 'abcdefghijklmnopqrstuvwxyz'.charAt(below(26)) }, { type: 'next' }, { type: 'hint' }][
      below(3)
    ] ?? {},
}
