import type { Couple } from '../partners.ts'

/**
 * Couples to join. `order` has, for each place of the right column, the number of the couple whose answer stands there.
 */
export interface MatchingRound {
  couples: Couple[]
  order: number[]
}

/** Rounds of two columns. */
export interface MatchingPuzzle {
  rounds: MatchingRound[]
  check: 'at-once' | 'at-end'
}
