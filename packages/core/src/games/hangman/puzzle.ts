import type { Face } from '../../list/face.ts'
import type { ReadingDirection } from '../../text/direction.ts'
import type { LetterStyle } from '../../text/gridLetters.ts'
import type { Scene } from './options.ts'

/** One character of a word as it is shown; `letter` is what must be asked for it, null where it is always there. */
export interface WordCharacter {
  shown: string
  letter: string | null
}

export interface HangmanWord {
  entryId: string
  text: string
  characters: WordCharacter[]
  prompt: Face
  hint: string
  fact: string
}

/** A round of words with their answers. */
export interface HangmanPuzzle {
  words: HangmanWord[]
  scene: Scene
  misses: number
  alphabet: string[]
  direction: ReadingDirection
  style: LetterStyle
  clue: 'shown' | 'hint'
  order: 'random' | 'list'
  freeLetters: number
  teams: number
}
