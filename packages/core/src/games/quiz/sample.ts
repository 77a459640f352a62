import type { GameSample } from '../sample.ts'

/** What the game is tried out with. */
export const sample: GameSample = {
  options: [
    {},
    { form: 'typed' },
    { form: 'mixed', seconds: 5, speed: 'strong', order: 'groups' },
    { form: 'true-false', second: false, cards: true, pass: 60 },
  ],
  hidden: { form: 'typed' },
  move: (below) =>
    [
      { type: 'choose', choices: [below(4)] },
      { type: 'type', text: ['', 'bee', 'seven'][below(3)] },
      { type: 'claim', isTrue: below(2) === 0 },
      { type: 'hint' },
      { type: 'late' },
      { type: 'next' },
      { type: 'begin' },
    ][below(7)] ?? {},
}
