import type { GameSample } from '../sample.ts'

/** What the game is tried out with. */
export const sample: GameSample = {
  options: [{}],
  hidden: {},
  move: (below) =>
    [
      { type: 'write', cells: [{ cell: below(200), letter: 'abcdefghij'.charAt(below(10)) }] },
      { type: 'check', scope: 'all', cell: 0, word: 0 },
      { type: 'hint', word: below(12) },
      { type: 'reveal', scope: ['letter', 'word'][below(2)], cell: below(200), word: below(12) },
    ][below(4)] ?? {},
}
