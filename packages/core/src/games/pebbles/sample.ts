import { anyQuestionMove } from '../../wall/questionSample.ts'
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
  move: anyQuestionMove,
}
