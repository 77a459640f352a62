import type { Entry, EntryList } from '../../list/entry.ts'
import { faceLetters } from '../../list/faceLetters.ts'
import { isEmptyFace } from '../../list/face.ts'
import { gridLetters, type LetterStyle } from '../../text/gridLetters.ts'
import { LONGEST_WORD } from './lattice.ts'
import type { CrosswordOptions } from './options.ts'
import type { UnplacedWord } from './puzzle.ts'

/** More would fit no page. */
const MAX_WORDS = 100

/** An entry's answer in grid letters. */
export interface Word {
  entry: Entry
  text: string
  letters: readonly string[]
  pattern: string
}

/** Returns how the words of a list are written in the grid. */
export function styleOf(
  list: EntryList,
  { letterCase, accents, early }: Pick<CrosswordOptions, 'letterCase' | 'accents' | 'early'>,
): LetterStyle {
  return { letterCase: early ? 'lower' : letterCase, accents, language: list.answerLanguage || undefined }
}

/** Sorts a list's answers into words to lay, and those that can't be in a crossword, with the reason. */
export function prepareWords(
  list: EntryList,
  options: Pick<CrosswordOptions, 'letterCase' | 'accents' | 'early'>,
): { words: Word[]; unplaced: UnplacedWord[] } {
  const style = styleOf(list, options)
  const unplaced: UnplacedWord[] = []
  const words: Word[] = []
  const seen = new Set<string>()
  const holders = new Map<string, number>()
  for (const entry of list.entries) {
    const text = entry.answer.text.trim()
    if (isEmptyFace(entry.answer) && isEmptyFace(entry.prompt)) continue
    const letters = faceLetters(entry.answer, style)
    const key = letters.join('\u0000')
    const why =
      letters.length === 0
        ? 'empty'
        : isEmptyFace(entry.prompt)
          ? 'no-clue'
          : letters.length === 1
            ? 'too-short'
            : letters.length > LONGEST_WORD
              ? 'too-long'
              : seen.has(key)
                ? 'repeat'
                : words.length >= MAX_WORDS
                  ? 'too-many'
                  : undefined
    if (why) {
      unplaced.push({ entryId: entry.id, text, why })
      continue
    }
    seen.add(key)
    words.push({ entry, text, letters, pattern: patternOf(text, letters.length) })
    for (const letter of new Set(letters)) holders.set(letter, (holders.get(letter) ?? 0) + 1)
  }
  const alone =
    words.length === 1 ? [] : words.filter(({ letters }) => letters.every((letter) => holders.get(letter) === 1))
  for (const { entry, text } of alone) unplaced.push({ entryId: entry.id, text, why: 'no-shared-letter' })
  return { words: words.filter((word) => !alone.includes(word)), unplaced }
}

/** Returns the lengths of a text's parts as a clue shows them: "3,5" for two words, "4-2" where a hyphen joins them. */
function patternOf(text: string, length: number): string {
  if (!/[\s\-\u2010-\u2015]/u.test(text)) return String(length)
  const parts = text.split(/([\s\-\u2010-\u2015]+)/u)
  let pattern = ''
  for (const [index, part] of parts.entries()) {
    if (index % 2 === 1) continue
    const count = gridLetters(part, { letterCase: 'upper', accents: 'folded' }).length
    if (count > 0) pattern += `${pattern === '' ? '' : /\s/u.test(parts[index - 1]!) ? ',' : '-'}${count}`
  }
  return pattern
}
