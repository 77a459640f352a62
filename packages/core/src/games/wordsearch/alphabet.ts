import { blockedWords, type BlockedWords } from '../../grid/blockTrie.ts'
import { WordTrie } from '../../grid/wordTrie.ts'
import { alphabetFor } from '../../text/alphabets.ts'
import { gridLetters, type LetterStyle } from '../../text/gridLetters.ts'
import type { Word } from './words.ts'

/** The letters of one puzzle as small numbers, and all that must not be spelled by accident. */
export interface PuzzleAlphabet {
  letters: string[]
  numbers: Map<string, number>
  /** Letter numbers of the list's words, each as often as it occurs in them: what filler is drawn from. */
  pool: number[]
  /** Numbers of the script's other letters: where no letter of the list will do. */
  others: number[]
  /** The list's words, forwards and backwards. */
  trie: WordTrie
  blocked: BlockedWords
}

/** Numbers the letters of the words, the message and the words' script, and builds what watches over them. */
export function puzzleAlphabet(words: readonly Word[], message: readonly string[], style: LetterStyle): PuzzleAlphabet {
  const numbers = new Map<string, number>()
  const numberOf = (letter: string): number => {
    const known = numbers.get(letter)
    if (known !== undefined) return known
    numbers.set(letter, numbers.size)
    return numbers.size - 1
  }
  const pool = words.flatMap((word) => word.letters.map(numberOf))
  message.forEach(numberOf)
  const count = numbers.size
  gridLetters(alphabetFor(numbers.keys()), style).forEach(numberOf)
  const letters = [...numbers.keys()]
  const others = letters.map((_, index) => index).slice(count)

  const trie = new WordTrie(letters.length)
  for (const word of words) {
    const spelled = word.letters.map(numberOf)
    trie.add(spelled)
    trie.add(spelled.reverse())
  }
  return {
    letters,
    numbers,
    pool,
    others,
    trie,
    blocked: blockedWords(letters, style.language ?? '', message.join('')),
  }
}
