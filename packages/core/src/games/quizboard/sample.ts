import { anyQuestionMove } from '../../wall/questionSample.ts'
import type { GameSample } from '../sample.ts'

/** What the game is tried out with. */
export const sample: GameSample = {
  options: [
    { columns: 2, tiles: 3 },
    { columns: 1, tiles: 4, wrong: 'points', teams: 2, fill: true },
    { teams: 1, form: 'mixed' },
  ],
  hidden: { form: 'typed' },
  move: (below) => (below(14) === 0 ? { type: 'dive' } : anyQuestionMove(below)),
}
