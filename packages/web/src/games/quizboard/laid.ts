import type { QuizboardOptions } from '@otter/core/games/quizboard'

/** A column as the teacher has laid it. */
export type LaidColumn = QuizboardOptions['laid'][number]

/**
 * Returns columns with an entry moved to the end of one, or off the board; the very columns where there is no room. A
 * column that is left empty goes.
 */
export function moved(columns: readonly LaidColumn[], entryId: string, to: number | null, most: number): LaidColumn[] {
  const target = to === null ? undefined : columns[to]
  if (target && (target.entryIds.includes(entryId) || target.entryIds.length >= most)) return [...columns]
  return columns
    .map(({ name, entryIds }, column) => ({
      name,
      entryIds: [...entryIds.filter((id) => id !== entryId), ...(column === to ? [entryId] : [])],
    }))
    .filter(({ entryIds }) => entryIds.length > 0)
}
