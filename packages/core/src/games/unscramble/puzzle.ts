import type { Face } from '../../list/face.ts'
import type { ReadingDirection } from '../../text/direction.ts'

/** A word or phrase in pieces. */
export interface UnscrambleItem {
  entryId: string
  text: string
  by: 'letters' | 'words'
  /** The pieces in their right order, and the order in which they are shown: numbers of places. */
  pieces: string[]
  mixed: number[]
  /** Pieces after which a space stands. */
  spaces: number[]
  /** Other texts that can be made of the same pieces and count as right. */
  accepted: string[]
  prompt: Face
  hint: string
  fact: string
}

/** A round of mixed words. */
export interface UnscramblePuzzle {
  items: UnscrambleItem[]
  direction: ReadingDirection
}

/** Returns the text of pieces as they lie. */
export function textOfPieces({ by }: Pick<UnscrambleItem, 'by'>, pieces: readonly string[]): string {
  return pieces.join(by === 'words' ? ' ' : '')
}
