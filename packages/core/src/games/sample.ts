/** Draws a whole number from 0 to below a bound. */
type Below = (bound: number) => number

/** What a game is tried out with, by whoever knows the contract alone. */
export interface GameSample {
  /** Options that make the game as easy and as hard on its rules as it gets. */
  options: readonly object[]
  /** Draws a move without knowing the answers; some fit what is asked, some don't. */
  move(below: Below): object
  /** Options with which no answer stands on the screen at the start; null where choices or both sides always do. */
  hidden: object | null
}
