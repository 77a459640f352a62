import { isEmptyFace } from '../../list/face.ts'
import type { SheetPage } from '../../print/sheet.ts'
import type { WordSearchPuzzle } from './puzzle.ts'

/** Returns a word search, or its key, as printed pages. */
export function sheet({ rows, words, direction, show, message }: WordSearchPuzzle, isKey: boolean): SheetPage[] {
  const cols = rows[0]!.length
  const clues = show === 'clues'
  return [
    {
      blocks: [
        {
          type: 'grid',
          rows: rows.length,
          cols,
          direction,
          framed: false,
          cells: rows.flat().map((text) => ({ text })),
          lines: isKey
            ? words.map(({ row, col, dRow, dCol, length }) => ({
                row,
                col,
                toRow: row + dRow * (length - 1),
                toCol: col + dCol * (length - 1),
              }))
            : [],
        },
        {
          type: 'items',
          columns: clues ? 2 : 4,
          ...(clues ? {} : { direction }),
          items: words.map(({ text, prompt, length }, index) => ({
            label: clues ? String(index + 1) : '',
            text: clues && !isEmptyFace(prompt) ? prompt.text : text,
            note: clues ? `(${length})` : '',
            answer: clues && isKey ? text : '',
            ...(clues && prompt.picture ? { picture: prompt.picture.id } : {}),
          })),
        },
        ...(isKey && message !== '' ? [{ type: 'text' as const, text: message }] : []),
      ],
    },
  ]
}
