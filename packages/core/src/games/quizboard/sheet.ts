import type { SheetPage } from '../../print/sheet.ts'
import { squareOf } from '../shownFace.ts'
import type { QuizboardPuzzle } from './puzzle.ts'

/** Questions on a page, with room for headings of their columns. */
const PER_PAGE = 22

/** Returns the questions of the board by column with their points, for the teacher; on the key with their answers. */
export function sheet({ columns, questions }: QuizboardPuzzle, isKey: boolean): SheetPage[] {
  const lines = columns.flatMap(({ name, items }, column) =>
    items.map((item) => {
      const { prompt, answer, value } = questions[item]!
      return {
        ...squareOf(prompt),
        label: `${name === '' ? column + 1 : name} ${value}`,
        note: '',
        answer: isKey ? answer.text.trim() : '',
      }
    }),
  )
  const board = new Set(columns.flatMap(({ items }) => items))
  const more = questions.flatMap(({ prompt, answer }, item) =>
    board.has(item) ? [] : [{ ...squareOf(prompt), label: '+', note: '', answer: isKey ? answer.text.trim() : '' }],
  )
  const all = [...lines, ...more]
  return Array.from({ length: Math.ceil(all.length / PER_PAGE) }, (_, page) => ({
    bare: true,
    blocks: [{ type: 'items', columns: 1, items: all.slice(page * PER_PAGE, (page + 1) * PER_PAGE) }],
  }))
}
