import type { Face } from '../../list/face.ts'

/** A word that can be drawn, and what is said of it. */
export interface DrawnWord {
  entryId: string
  face: Face
  /** The sentence, or whatever else stands on its other side. */
  sentence: Face
  /** Above 0: the greater, the sooner it comes. */
  weight: number
}

/** Words in the stream. */
export interface WorddrawPuzzle {
  words: DrawnWord[]
  repeats: boolean
}
