import type { FitNote } from '@otter/core'

/** Words a note about a list and its crossword, for the teacher. */
export function sentenceFor({ code, values }: FitNote): string {
  switch (code) {
    case 'ready':
      return `${values.words} words`
    case 'no-words':
      return 'Add two words that share a letter.'
    case 'empty':
      return 'No answer in letters here; the row is left out of the crossword.'
    case 'too-short':
      return 'One letter makes no word of a crossword.'
    case 'too-long':
      return 'Longer than 30 letters; it is left out.'
    case 'repeat':
      return 'This word is in the list already; it stands once.'
    case 'too-many':
      return 'A crossword holds 100 words; this one is left out.'
    case 'no-shared-letter':
      return `“${values.text}” shares no letter with any other word; it is left out.`
    case 'no-clue':
      return `“${values.text}” has no clue yet.`
    default:
      return 'This word found no place.'
  }
}
