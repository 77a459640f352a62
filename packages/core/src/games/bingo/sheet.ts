import type { SheetCard, SheetPage } from '../../print/sheet.ts'
import { squareOf } from '../shownFace.ts'
import type { BingoPuzzle } from './puzzle.ts'

/** Tokens to a page. */
const TOKENS = 40

/** Returns the cards as printed pages; as key, the calls in their planned order, and tokens to cut. */
export function sheet({ size, cards, terms, calls, direction, perPage }: BingoPuzzle, isKey: boolean): SheetPage[] {
  if (!isKey) {
    const printed = cards.map(({ number, cells }): SheetCard => ({
      label: String(number),
      size,
      direction,
      cells: cells.map((term) => (term === null ? null : squareOf(terms[term]!.answer))),
    }))
    return Array.from({ length: Math.ceil(printed.length / perPage) }, (_, page) => ({
      bare: true,
      blocks: [{ type: 'cards', perPage, cards: printed.slice(page * perPage, (page + 1) * perPage) }],
    }))
  }
  const list: SheetPage = {
    blocks: [
      {
        type: 'items',
        columns: 2,
        items: calls.map((term, index) => ({
          ...squareOf(terms[term]!.prompt),
          label: String(index + 1),
          note: '',
          answer: terms[term]!.text,
        })),
      },
    ],
  }
  const tokens = Array.from({ length: Math.ceil(terms.length / TOKENS) }, (_, page): SheetPage => ({
    bare: true,
    blocks: [
      {
        type: 'tokens',
        tokens: terms
          .slice(page * TOKENS, (page + 1) * TOKENS)
          .map(({ prompt, text }) => squareOf({ ...prompt, text: prompt.text || text })),
      },
    ],
  }))
  return [list, ...tokens]
}
