import type { SheetItems, SheetPage } from '../../print/sheet.ts'
import { squareOf } from '../shownFace.ts'
import { cellsOf, type CrosswordPuzzle } from './puzzle.ts'

/** Returns a crossword, or its key, as printed pages. */
export function sheet({ rows, cols, words, direction }: CrosswordPuzzle, isKey: boolean): SheetPage[] {
  const cells: ({ text: string; number?: number } | null)[] = Array.from({ length: rows * cols }, () => null)
  for (const word of words) {
    cellsOf(word).forEach(({ row, col }, index) => {
      const cell = cells[row * cols + col] ?? { text: isKey ? word.letters[index]! : '' }
      cells[row * cols + col] = index === 0 ? { ...cell, number: word.number } : cell
    })
  }
  const clues = (dir: 'across' | 'down'): SheetItems => ({
    type: 'items',
    heading: dir,
    columns: 1,
    items: words
      .filter((word) => word.dir === dir)
      .map(({ number, prompt, pattern, text }) => ({
        ...squareOf(prompt),
        label: String(number),
        note: `(${pattern})`,
        answer: isKey ? text : '',
      })),
  })
  return [
    {
      blocks: [
        { type: 'grid', rows, cols, direction, framed: true, cells, lines: [] },
        { type: 'row', blocks: [clues('across'), clues('down')] },
      ],
    },
  ]
}
