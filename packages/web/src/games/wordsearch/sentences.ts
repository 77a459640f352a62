import type { FitNote } from '@otter/core'

/** Words a note about a list and its word search, for the teacher. */
export function sentenceFor({ code, values }: FitNote): string {
  switch (code) {
    case 'ready':
      return `${values.words} ${values.words === 1 ? 'word' : 'words'}, about ${values.rows}×${values.cols}`
    case 'no-words':
      return 'Add a word of two letters or more.'
    case 'empty':
      return 'No answer here to hide; the row is left out of the word search.'
    case 'too-short':
      return 'One letter is too short to hide.'
    case 'too-long':
      return `Too long for ${values.side} cells; choose a larger grid.`
    case 'repeat':
      return `Same word as “${values.others}”; it is hidden once.`
    case 'clash':
      return `Spelled inside ${values.others}, so it would be there more than once; it is left out.`
    case 'too-many':
      return 'A word search holds 120 words; this one is left out.'
    case 'no-room':
      return values.letters === undefined
        ? 'No room in this grid.'
        : `${values.letters} letters don’t fit into ${values.cells} cells; choose a larger grid.`
    case 'message-length':
      return `The message has ${values.length} letters. With this grid it needs ${values.least} to ${values.most}; or choose the automatic size.`
    default:
      return 'These words leave no letters to fill the grid with. Try a larger grid.'
  }
}
