import type { FitNote } from '@otter/core'

/** Words a note about a list and hangman, for the teacher. */
export function sentenceFor({ code, values }: FitNote): string {
  switch (code) {
    case 'ready':
      return `${values.words} ${values.words === 1 ? 'word' : 'words'}`
    case 'no-words':
      return 'Add a word with two letters or more.'
    case 'empty':
      return 'No answer in letters here; the row is left out.'
    case 'too-long':
      return 'More than 40 characters are no word to guess; it is left out.'
    default:
      return `“${values.text}” has too few letters to guess.`
  }
}
