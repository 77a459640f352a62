import { foldText } from '../../text/foldText.ts'
import { graphemesOf } from '../../text/graphemes.ts'

/** Letters at the beginning or end of a word that make a pattern, at least and at most. */
const FEWEST = 2
const MOST = 4

/**
 * Returns the patterns in how a text is spelled that somebody could take for a link, each as a code with its letters:
 * how it begins, how it ends, a letter twice in a row, the same read backwards.
 */
export function patternsOf(text: string): string[] {
  const letters = graphemesOf(foldText(text, { accents: 'folded' }).replace(/\s+/gu, ' '))
  const found: string[] = []
  for (let count = FEWEST; count <= MOST && count < letters.length; count++) {
    found.push(`begins ${letters.slice(0, count).join('')}`, `ends ${letters.slice(-count).join('')}`)
  }
  if (letters.some((letter, index) => letter === letters[index + 1] && /\p{L}/u.test(letter))) found.push('double ')
  if (letters.length > 2 && letters.join('') === [...letters].reverse().join('')) found.push('mirror ')
  return found
}
