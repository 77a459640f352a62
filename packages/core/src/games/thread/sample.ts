import type { GameSample } from '../sample.ts'

/** What the game is tried out with. */
export const sample: GameSample = {
  options: [{ links: 3 }, { links: 3, say: 'choices', teams: 3 }, { links: 3, say: 'off', hard: 'harder' }],
  hidden: null,
  move: (below) =>
    [
      { type: 'choose', items: [below(9), below(9), below(9)] },
      { type: 'choose', items: [below(9), below(9), below(9)] },
      { type: 'choose', items: [below(9), below(9), below(9)] },
      { type: 'choose', items: [below(9), below(9), below(9)] },
      { type: 'say', link: ['one', 'two', 'three'][below(3)]! },
      { type: 'tell' },
      { type: 'heard', right: below(2) === 0 },
    ][below(7)]!,
}
