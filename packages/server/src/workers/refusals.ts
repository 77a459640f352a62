import type { FitNote, GameKind } from '@otter/core'

type Note = Pick<FitNote, 'code' | 'values'>

const REFUSALS: Partial<Record<GameKind, (note: Note) => string>> = {
  wordsearch: ({ code, values }) => {
    if (code === 'no-words') return 'No entry of this list has an answer of two letters or more. Add some words first.'
    if (code === 'message-length')
      return `The hidden message has ${values.length} letters; with this grid it needs ${values.least} to ${values.most}. Change its length, or let the size be automatic.`
    return 'These words leave no letters to fill the grid with. Try a larger grid, or fewer words.'
  },
  bingo: ({ code, values }) =>
    code === 'all-together'
      ? 'With as many terms as squares, all cards are full at the same call. Add terms, or choose a line.'
      : `Cards of ${values.size}×${values.size} need ${values.squares} terms; this list has ${values.terms}.`,
  hangman: () => 'No answer of this list has letters to guess. Add some words first.',
  crossword: () => 'A crossword needs two words that share a letter. Add some words first.',
}

/** Says why a list can't become a game. */
export function refusalOf(kind: GameKind, note: Note): string {
  return (
    REFUSALS[kind]?.(note) ??
    'This list has too little for this game: a word and its prompt on more rows would make it one.'
  )
}
