import type { SheetPage } from '../../print/sheet.ts'
import { squareOf } from '../shownFace.ts'
import type { SortingPuzzle } from './puzzle.ts'

const LINE = '______________________________'
/** Groups beside each other on a page. */
const COLUMNS = 2

/** Returns a table of the groups, and slips to cut out and lay on it; on the key what belongs in each group. */
export function sheet({ groups, items }: SortingPuzzle, isKey: boolean): SheetPage[] {
  const rows = Math.ceil(items.length / groups.length) + 2
  const table: SheetPage = {
    bare: isKey,
    blocks: [
      {
        type: 'items',
        columns: COLUMNS,
        items: groups.map((group, place) => ({
          label: '',
          text: group,
          note: '',
          answer: '',
          below: isKey
            ? items.filter((item) => item.groups.includes(place)).map(({ text }) => text)
            : Array.from({ length: rows }, () => LINE),
        })),
      },
    ],
  }
  if (isKey) return [table]
  return [table, { bare: true, blocks: [{ type: 'tokens', tokens: items.map(({ face }) => squareOf(face)) }] }]
}
