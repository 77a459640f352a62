import type { Face } from '../../list/face.ts'
import type { Couple } from '../partners.ts'

/** A card on the table, face down. */
export interface PairsCard {
  /** Number of its couple, and the side of it that it shows. */
  couple: number
  side: 'prompt' | 'answer'
}

/** Couples, and the cards on the table in order. */
export interface PairsPuzzle {
  couples: Couple[]
  cards: PairsCard[]
  players: number
}

/** Returns what a card shows. */
export function faceOf({ couples }: PairsPuzzle, { couple, side }: PairsCard): Face {
  return couples[couple]![side]
}
