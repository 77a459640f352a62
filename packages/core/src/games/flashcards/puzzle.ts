import type { Face } from '../../list/face.ts'
import type { FlashcardsOptions } from './options.ts'

export interface Flashcard {
  entryId: string
  front: Face
  back: Face
  hint: string
  fact: string
}

/** A deck. */
export interface FlashcardsPuzzle extends Pick<FlashcardsOptions, 'order' | 'perPage' | 'backs'> {
  cards: Flashcard[]
}
