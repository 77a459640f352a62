import type { QuizPuzzle, QuizQuestion } from './puzzle.ts'

/** What is left of the points after the hint. */
const AFTER_HINT = 0.7

/** Share of the points that goes to the quick. */
const SPEED = { off: 0, gentle: 0.2, strong: 0.5 }

/** The time for them where there is no limit, in seconds. */
export const UNHURRIED = 20

/** Returns the points for a right answer that took so long. */
export function pointsFor(
  { speed }: QuizPuzzle,
  { worth, seconds }: QuizQuestion,
  milliseconds: number,
  hinted: boolean,
): number {
  const used = Math.min(1, milliseconds / 1000 / (seconds || UNHURRIED))
  return Math.round(worth * (1 - SPEED[speed] * used) * (hinted ? AFTER_HINT : 1))
}
