import type { SheetItems, SheetPage } from '../../print/sheet.ts'
import { squareOf } from '../shownFace.ts'
import { wordsOf } from './judge.ts'
import type { QuizPuzzle, QuizQuestion } from './puzzle.ts'

const LINES_PER_PAGE = 42
/**
 * Letters that fit on a line beside each other, and what stands between two choices: wide spaces are in no font of
 * ours.
 */
const LINE_LETTERS = 84
/** Letters of an answer that stand in one of so many columns of a key, and its lines on a page. */
const KEY_LETTERS = { 4: 16, 2: 40 }
const KEY_LINES = 34
const BETWEEN = '\u00a0'.repeat(7)

/** Returns the questions with their choices or lines to write on, or the key, over as many pages as they need. */
export function sheet({ questions }: QuizPuzzle, isKey: boolean): SheetPage[] {
  if (isKey) return keyPages(questions)
  const items = questions.map((question, index): SheetItems['items'][number] => ({
    ...squareOf(question.prompt),
    label: String(index + 1),
    note: '',
    answer: '',
    below: belowOf(question),
  }))
  const pages: SheetPage[] = []
  let page: SheetItems['items'] = []
  let lines = 0
  for (const item of items) {
    const needed = 2 + (item.below?.length ?? 0) + Math.floor(item.text.length / 80)
    if (page.length > 0 && lines + needed > LINES_PER_PAGE) {
      pages.push(pageOf(page))
      page = []
      lines = 0
    }
    page.push(item)
    lines += needed
  }
  return [...pages, pageOf(page)]
}

/** Returns the answers alone, as many beside each other as their length allows. */
function keyPages(questions: readonly QuizQuestion[]): SheetPage[] {
  const answers = questions.map(keyOf)
  const longest = Math.max(...answers.map(({ length }) => length))
  const columns = longest <= KEY_LETTERS[4] ? 4 : longest <= KEY_LETTERS[2] ? 2 : 1
  const items = answers.map((answer, index) => ({ label: String(index + 1), text: answer, note: '', answer: '' }))
  const perPage = KEY_LINES * columns
  return Array.from({ length: Math.ceil(items.length / perPage) }, (_, page) => ({
    blocks: [{ type: 'items', columns, items: items.slice(page * perPage, (page + 1) * perPage) }],
  }))
}

function pageOf(items: SheetItems['items']): SheetPage {
  return { blocks: [{ type: 'items', columns: 1, items }] }
}

function belowOf(question: QuizQuestion): string[] {
  if (question.form === 'typed') return ['______________________________']
  if (question.form === 'true-false') return [[wordsOf(question, 0), '○ ✓', '○ ×'].join(BETWEEN)]
  const choices = question.choices.map(
    (_, index) => `○ ${String.fromCharCode(65 + index)}\u00a0\u00a0${wordsOf(question, index)}`,
  )
  const longest = Math.max(...choices.map((choice) => choice.length)) + BETWEEN.length
  const perLine = [choices.length, 2].find((count) => count * longest <= LINE_LETTERS) ?? 1
  return Array.from({ length: Math.ceil(choices.length / perLine) }, (_, line) =>
    choices.slice(line * perLine, (line + 1) * perLine).join(BETWEEN),
  )
}

function keyOf(question: QuizQuestion): string {
  if (!question.scored) return ''
  if (question.form === 'typed') return question.accepted.join(' / ')
  if (question.form === 'true-false') return question.choices[0]!.right ? '✓' : `× ${question.answer.text.trim()}`
  return question.choices
    .flatMap(({ right }, index) => (right ? [`${String.fromCharCode(65 + index)} ${wordsOf(question, index)}`] : []))
    .join(', ')
}
