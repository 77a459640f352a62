import { MAX_SIDE } from '../../grid/letterGrid.ts'
import type { EntryList } from '../../list/entry.ts'
import { isEmptyFace, type Face } from '../../list/face.ts'
import { faceLetters } from '../../list/faceLetters.ts'
import type { LetterStyle } from '../../text/gridLetters.ts'
import type { WordSearchOptions } from './options.ts'
import type { UnplacedWord } from './puzzle.ts'

/** More would neither print nor be found. */
const MAX_WORDS = 120
/** Letters that a row has room for on paper, where nobody chose a size: one longer phrase makes no huge grid for all. */
const LONGEST_ON_PAPER = 22

/** An entry's answer in grid letters. */
export interface Word {
  entryId: string
  text: string
  prompt: Face
  letters: readonly string[]
}

/** A word that is spelled inside another: it is found there, and laid with it. */
interface InnerWord extends Word {
  host: Word
  /** Where it begins in its host, and whether it runs against it. */
  offset: number
  backwards: boolean
}

export interface PreparedWords {
  /** Words to lay, none of which is spelled in another. */
  roots: Word[]
  inner: InnerWord[]
  unplaced: UnplacedWord[]
}

/**
 * Sorts a list's answers into words to lay, words that lie inside exactly one other, exactly once, and words that can't
 * be in the grid: with nothing to show, one letter, repeats, and those that would be spelled more than once.
 */
export function prepareWords(list: EntryList, options: WordSearchOptions): PreparedWords {
  const style = styleOf(list, options)
  const bothWays = options.directions === 8
  const unplaced: UnplacedWord[] = []
  const words: Word[] = []
  const firstOf = new Map<string, Word>()
  const tooLong = lettersTooMany(list, options)
  for (const { id, answer, prompt } of list.entries) {
    const text = answer.text.trim()
    const leave = (why: UnplacedWord['why'], others: string[] = []): void => {
      unplaced.push({ entryId: id, text, why, others })
    }
    if (text === '' && isEmptyFace(prompt)) continue
    const letters = faceLetters(answer, style)
    const key = letters.join('\u0000')
    const first = firstOf.get(key)
    if (letters.length === 0) leave('empty')
    else if (letters.length === 1) leave('too-short')
    else if (first !== undefined) leave('repeat', [first.text])
    else if (letters.length > tooLong) leave('too-long')
    else if (words.length >= MAX_WORDS) leave('too-many')
    else {
      const word = { entryId: id, text, prompt, letters }
      firstOf.set(key, word)
      words.push(word)
    }
  }

  const roots: Word[] = []
  const inner: InnerWord[] = []
  for (const word of [...words].sort((one, other) => other.letters.length - one.letters.length)) {
    const found = roots.flatMap((host) => occurrencesIn(word, host, bothWays))
    if (found.length === 0) roots.push(word)
    else if (found.length === 1) inner.push(found[0]!)
    else {
      const others = [...new Set(found.map(({ host }) => host.text))]
      unplaced.push({ entryId: word.entryId, text: word.text, why: 'clash', others })
    }
  }
  return { roots, inner, unplaced }
}

function styleOf({ answerLanguage }: EntryList, { early, letterCase, accents }: WordSearchOptions): LetterStyle {
  return { letterCase: early ? 'lower' : letterCase, accents, language: answerLanguage || undefined }
}

/**
 * Returns how many letters a word may have: as many as the chosen grid has room for; where nobody chose a size and shorter
 * ones are there, as paper has.
 */
export function lettersTooMany(list: EntryList, options: WordSearchOptions): number {
  if (options.size === 'chosen') return Math.max(options.rows, options.cols)
  const style = styleOf(list, options)
  const lengths = list.entries.map(({ answer }) => faceLetters(answer, style).length).filter((length) => length > 1)
  const long = lengths.filter((length) => length > LONGEST_ON_PAPER).length
  // Where they are many, the list is one of phrases.
  return long * 4 <= lengths.length - long ? LONGEST_ON_PAPER : MAX_SIDE
}

function occurrencesIn(word: Word, host: Word, bothWays: boolean): InnerWord[] {
  const found: InnerWord[] = []
  const { letters } = word
  for (let offset = 0; offset + letters.length <= host.letters.length; offset++) {
    if (letters.every((letter, index) => host.letters[offset + index] === letter)) {
      found.push({ ...word, host, offset, backwards: false })
    } else if (
      bothWays &&
      letters.every((letter, index) => host.letters[offset + letters.length - 1 - index] === letter)
    ) {
      found.push({ ...word, host, offset, backwards: true })
    }
  }
  return found
}
