import { squareOf } from '../games/shownFace.ts'
import type { SheetPage } from '../print/sheet.ts'
import type { WallQuestion } from './questions.ts'

/** Questions on a page. */
const PER_PAGE = 22

/** Returns questions with their labels on as many pages as they need, for the teacher; on the key with answers. */
export function questionPages(questions: readonly (WallQuestion & { label: string })[], isKey: boolean): SheetPage[] {
  const items = questions.map(({ prompt, answer, label }) => ({
    ...squareOf(prompt),
    label,
    note: '',
    answer: isKey ? answer.text.trim() : '',
  }))
  return Array.from({ length: Math.ceil(items.length / PER_PAGE) }, (_, page) => ({
    bare: true,
    blocks: [{ type: 'items', columns: 1, items: items.slice(page * PER_PAGE, (page + 1) * PER_PAGE) }],
  }))
}
