import { sureWord, wilsonInterval, type Interval, type SureWord } from './wilson.ts'

/** How a class stands at a standard. */
export interface StandardRow {
  code: string
  /** Places of the entries that have it. */
  entries: number[]
  right: number
  answers: number
  interval: Interval | null
  word: SureWord
}

/** Returns how each standard stands, over all entries that have it: by its code, in the order of numbers. */
export function standardRows(
  entries: readonly { standards: readonly string[]; right: number; wrong: number; passed: number }[],
): StandardRow[] {
  const rows = new Map<string, { entries: number[]; right: number; answers: number }>()
  for (const [place, { standards, right, wrong, passed }] of entries.entries())
    for (const code of standards) {
      const row = rows.get(code) ?? { entries: [], right: 0, answers: 0 }
      row.entries.push(place)
      row.right += right
      row.answers += right + wrong + passed
      rows.set(code, row)
    }
  const order = new Intl.Collator('en', { numeric: true })
  return [...rows]
    .sort(([one], [other]) => order.compare(one, other))
    .map(([code, row]) => ({
      code,
      ...row,
      interval: row.answers === 0 ? null : wilsonInterval(row.right, row.answers),
      word: sureWord(row.right, row.answers),
    }))
}
