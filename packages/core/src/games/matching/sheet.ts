import type { SheetItems, SheetPage } from '../../print/sheet.ts'
import { squareOf } from '../shownFace.ts'
import type { MatchingPuzzle } from './puzzle.ts'

const LETTERS = 'ABCDEFGHIJKL'

/** Returns the columns to join, or their key, a round after the other. */
export function sheet({ rounds }: MatchingPuzzle, isKey: boolean): SheetPage[] {
  const perPage = Math.max(1, Math.floor(20 / rounds[0]!.couples.length))
  const blocks = rounds.map(({ couples, order }) => {
    const left: SheetItems = {
      type: 'items',
      columns: 1,
      items: couples.map(({ prompt }, row) => ({
        label: String(row + 1),
        note: isKey ? '' : '____',
        answer: isKey ? LETTERS.charAt(order.indexOf(row)) : '',
        ...squareOf(prompt),
      })),
    }
    const right: SheetItems = {
      type: 'items',
      columns: 1,
      items: order.map((couple, place) => ({
        label: LETTERS.charAt(place),
        note: '',
        answer: '',
        ...squareOf(couples[couple]!.answer),
      })),
    }
    return { type: 'row' as const, blocks: [left, right] }
  })
  return Array.from({ length: Math.ceil(blocks.length / perPage) }, (_, page) => ({
    blocks: blocks.slice(page * perPage, (page + 1) * perPage),
  }))
}
