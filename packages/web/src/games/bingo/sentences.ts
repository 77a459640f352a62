import type { FitNote } from '@otter/core'

/** Words a note about a list and bingo, for the teacher. */
export function sentenceFor({ code, values }: FitNote): string {
  switch (code) {
    case 'ready':
      return `${values.cards} cards of ${values.size}×${values.size} from ${values.terms} terms`
    case 'too-few':
      return `${values.size}×${values.size} needs ${values.more} more ${values.more === 1 ? 'term' : 'terms'}${values.smaller ? `; ${values.smaller}×${values.smaller} works now` : ''}.`
    case 'all-together':
      return 'All cards would be full at the same call. Add terms, or choose a line.'
    case 'repeat':
      return `“${values.text}” is in the list already; it is called once.`
    default:
      return 'Nothing here to put on a card.'
  }
}
