import type { SheetPage } from '../../print/sheet.ts'
import { questionPages } from '../../wall/questionSheet.ts'
import type { QuizboardPuzzle } from './puzzle.ts'

/** Returns the questions of the board by column with their points, for the teacher; on the key with their answers. */
export function sheet({ columns, questions }: QuizboardPuzzle, isKey: boolean): SheetPage[] {
  const labels = new Map(
    columns.flatMap(({ name, items }, column) =>
      items.map((item) => [item, `${name === '' ? column + 1 : name} ${questions[item]!.value}`] as const),
    ),
  )
  const order = [...columns.flatMap(({ items }) => items), ...[...questions.keys()].filter((item) => !labels.has(item))]
  return questionPages(
    order.map((item) => ({ ...questions[item]!, label: labels.get(item) ?? '+' })),
    isKey,
  )
}
