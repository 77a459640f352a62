import type { SheetPage, SheetSquare } from '../../print/sheet.ts'
import { squareOf } from '../shownFace.ts'
import type { FlashcardsPuzzle } from './puzzle.ts'

/** Columns and rows of cards on a page. */
const PAGES = { duplex: { 4: [2, 2], 8: [2, 4], 16: [4, 4] }, fold: { 4: [1, 4], 8: [2, 4], 16: [2, 8] } } as const

/**
 * Returns the deck to cut: each page with its backs on the next, mirrored for paper turned along its long side; or backs
 * beside to fold.
 */
export function sheet({ cards, perPage, backs }: FlashcardsPuzzle, isKey: boolean): SheetPage[] {
  if (isKey) return []
  const [columns, rows] = PAGES[backs][perPage]
  return Array.from({ length: Math.ceil(cards.length / perPage) }, (_, page) => {
    const printed = Array.from({ length: perPage }, (_place, index) =>
      page * perPage + index < cards.length ? cards[page * perPage + index]! : null,
    )
    const fronts = printed.map((card) => card && squareOf(card.front))
    const reverse = printed.map((card) => card && squareOf(card.back))
    if (backs === 'fold')
      return [
        deck(
          columns * 2,
          rows,
          fronts.flatMap((front, index) => [front, reverse[index]!]),
        ),
      ]
    return [
      deck(columns, rows, fronts),
      deck(
        columns,
        rows,
        reverse.map((_square, index) => reverse[mirrored(index, columns)]!),
      ),
    ]
  }).flat()
}

function mirrored(index: number, columns: number): number {
  return index - (index % columns) + (columns - 1 - (index % columns))
}

function deck(columns: number, rows: number, cells: (SheetSquare | null)[]): SheetPage {
  return { bare: true, blocks: [{ type: 'deck', columns, rows, cells }] }
}
