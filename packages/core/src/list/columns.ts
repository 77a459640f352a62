import { choicesTold, numberTold, secondsTold } from './cellsTold.ts'
import { fieldsNamed, headingOf, type Field } from './columnNames.ts'
import {
  MAX_ACCEPTED,
  MAX_CHOICES,
  MAX_GROUP,
  MAX_GROUPS,
  MAX_STANDARD,
  MAX_STANDARDS,
  newEntry,
  orderChoices,
  type Entry,
} from './entry.ts'
import { MAX_FACE } from './face.ts'
import { columnCount, type LeftOut, type Table } from './table.ts'

/** Guesses what each column of a table holds: from its headings, else from what stands in it. */
export function guessFields(table: Table): Field[] {
  const count = columnCount(table)
  if (table.header) {
    const named = fieldsNamed(Array.from({ length: count }, (_, index) => table.header?.[index] ?? ''))
    const guessed: Field[] = named.map((field) => field ?? 'skip')
    // A heading that nobody knows must not cost the list one of its sides.
    // Where choices are marked, the mark is the answer.
    const sides = named.includes('choice') ? (['prompt'] as const) : (['answer', 'prompt'] as const)
    for (const side of sides) {
      const free = named.findIndex((field, index) => field === undefined && guessed[index] === 'skip')
      if (!guessed.includes(side) && free >= 0) guessed[free] = side
    }
    return guessed
  }
  const filled = (index: number): string[] =>
    table.rows.map(({ cells }) => cells[index] ?? '').filter((cell) => cell !== '')
  const asks = (index: number): boolean =>
    filled(index).filter((cell) => /[?？؟]$/u.test(cell)).length * 2 > filled(index).length
  const questionFirst = count >= 2 && asks(0)
  return Array.from({ length: count }, (_, index): Field => {
    if (index < 2) return (index === 0) === questionFirst ? 'prompt' : 'answer'
    return questionFirst ? 'wrong' : 'prompt'
  })
}

/** What a table becomes, and what of it is left out. */
export interface ReadEntries {
  entries: Entry[]
  left: LeftOut[]
  /** Cells beyond a field's own one, joined into it. */
  joined: number
}

const NO = /^(0|no|false|n|opinion|falso|non|nein|não|לא)$/iu
const YES = /^(|1|yes|true|y|x|sí|si|oui|ja|sim|כן)$/iu

/**
 * Reads a table's rows as entries. A row with a cell that can't be its field is left out, and it is said why.
 *
 * @param answerSeparator what parts several answers in one cell; the first is shown, the others count as well. Empty
 *   where a cell is one answer
 */
export function entriesFromTable(
  table: Table,
  fields: readonly Field[],
  newId: () => string,
  answerSeparator = '',
): ReadEntries {
  const left = [...table.left]
  let joined = 0
  const entries: Entry[] = []
  for (const { cells, line, looks } of table.rows) {
    const of = (field: Field): string[] => cells.filter((cell, index) => fields[index] === field && cell !== '')
    const one = (field: Field): string => {
      const all = of(field)
      joined += Math.max(0, all.length - 1)
      return all.join(' · ')
    }
    const leave = (why: LeftOut['why'], text: string): void => {
      left.push({ line, why, text: text.slice(0, 60) })
    }
    const choiceLooks = cells.flatMap((cell, index) =>
      fields[index] === 'choice' && cell !== '' ? [looks?.[index] ?? ''] : [],
    )
    const told = choicesTold(of('choice'), one('answer'), choiceLooks)
    const [answer = '', ...alsoRight] = answersIn(told.answer, answerSeparator)
    const prompt = one('prompt')
    const choices = [
      ...told.choices,
      ...of('right').map((text) => ({ text, right: true })),
      ...of('wrong').map((text) => ({ text, right: false })),
    ]
    const [hint, fact, worthText, secondsText, scored] = (['hint', 'fact', 'worth', 'seconds', 'scored'] as const).map(
      one,
    )
    const groups = [...new Set(of('group'))]
    const standards = [...new Set(of('standard'))]
    const accepted = [...alsoRight, ...of('accepted')]
    const worth = numberTold(worthText!, 10_000)
    const seconds = secondsTold(secondsText!, 3600)
    const isScored = YES.test(scored!) || NO.test(scored!)
    const texts = [answer, prompt, hint, fact, ...accepted, ...choices.map(({ text }) => text)]
    if (texts.every((text) => text === '')) leave('no-text', cells.join(' '))
    else if (
      texts.some((text) => text!.length > MAX_FACE) ||
      groups.some((group) => group.length > MAX_GROUP) ||
      standards.some((standard) => standard.length > MAX_STANDARD)
    )
      leave('too-long', answer || prompt)
    else if (
      choices.length > MAX_CHOICES ||
      accepted.length > MAX_ACCEPTED ||
      groups.length > MAX_GROUPS ||
      standards.length > MAX_STANDARDS
    )
      leave('no-room', answer || prompt)
    else {
      // What can't be read in a cell beside the words costs the cell, not the row.
      for (const [value, text] of [
        [worth, worthText],
        [seconds, secondsText],
      ] as const)
        if (value === undefined) left.push({ line, why: 'bad-number', text: text!.slice(0, 60), isKept: true })
      if (!isScored) left.push({ line, why: 'bad-scored', text: scored!.slice(0, 60), isKept: true })
      entries.push(
        newEntry({
          id: newId(),
          answer: { text: answer },
          prompt: { text: prompt },
          accepted,
          choices: orderChoices(choices),
          hint,
          fact,
          groups,
          worth: worth ?? null,
          seconds: seconds ?? null,
          scored: !NO.test(scored!),
          standards,
        }),
      )
    }
  }
  return { entries, left: left.sort((first, second) => first.line - second.line), joined }
}

/** Returns the answers of a cell. */
function answersIn(cell: string, separator: string): string[] {
  if (separator === '') return [cell]
  const answers = cell
    .split(separator)
    .map((answer) => answer.trim())
    .filter((answer) => answer !== '')
  return answers.length > 0 ? answers : [cell]
}

/**
 * Returns entries as rows of cells under headings; what no entry has gets no column. Pictures and sounds have no cell.
 */
export function cellsOf(entries: readonly Entry[]): string[][] {
  const most = (of: (entry: Entry) => unknown[]): number =>
    entries.reduce((count, entry) => Math.max(count, of(entry).length), 0)
  const textual = (choices: Entry['choices'], right: boolean): string[] =>
    choices.filter((choice) => choice.right === right && choice.text !== '').map(({ text }) => text)
  const columns: { field: Exclude<Field, 'skip'>; cell: (entry: Entry) => string }[] = []
  const several = (
    field: 'accepted' | 'right' | 'wrong' | 'group' | 'standard',
    of: (entry: Entry) => string[],
  ): void => {
    for (let index = 0; index < most(of); index++) columns.push({ field, cell: (entry) => of(entry)[index] ?? '' })
  }
  const optional = (field: Exclude<Field, 'skip'>, cell: (entry: Entry) => string): void => {
    if (entries.some((entry) => cell(entry) !== '')) columns.push({ field, cell })
  }
  columns.push(
    { field: 'answer', cell: ({ answer }) => answer.text },
    { field: 'prompt', cell: ({ prompt }) => prompt.text },
  )
  several('accepted', ({ accepted }) => accepted)
  several('right', ({ choices }) => textual(choices, true))
  several('wrong', ({ choices }) => textual(choices, false))
  optional('hint', ({ hint }) => hint)
  optional('fact', ({ fact }) => fact)
  several('group', ({ groups }) => groups)
  optional('worth', ({ worth }) => (worth === null ? '' : String(worth)))
  optional('seconds', ({ seconds }) => (seconds === null ? '' : String(seconds)))
  if (entries.some(({ scored }) => !scored))
    columns.push({ field: 'scored', cell: ({ scored }) => (scored ? 'yes' : 'no') })
  several('standard', ({ standards }) => standards)
  return [
    columns.map(({ field }) => headingOf(field)),
    ...entries.map((entry) => columns.map(({ cell }) => cell(entry))),
  ]
}
