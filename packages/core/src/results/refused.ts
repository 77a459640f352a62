import { foldText } from '../text/foldText.ts'

/** A typed answer that did not count, and who gave it. */
export interface TypedAnswer {
  entryId: string
  given: string
  person: string
}

/** Typed answers that are the same once case, accents, spaces and punctuation are left aside. */
export interface RefusedGroup {
  entryId: string
  /** As it was written most often. */
  given: string
  /** All ways in which it was written. */
  written: string[]
  persons: string[]
}

/** Returns refused answers put together by what they were, those of most students first. */
export function refusedGroups(answers: readonly TypedAnswer[]): RefusedGroup[] {
  const groups = new Map<string, { entryId: string; written: Map<string, number>; persons: Set<string> }>()
  for (const { entryId, given, person } of answers) {
    const text = given.normalize('NFC').replace(/\s+/gu, ' ').trim()
    if (text === '') continue
    const key = `${entryId} ${foldText(text, { accents: 'folded' })}`
    const group = groups.get(key) ?? { entryId, written: new Map<string, number>(), persons: new Set<string>() }
    group.written.set(text, (group.written.get(text) ?? 0) + 1)
    group.persons.add(person)
    groups.set(key, group)
  }
  return [...groups.values()]
    .map(({ entryId, written, persons }) => {
      const ways = [...written].sort(([one, count], [other, others]) => others - count || (one < other ? -1 : 1))
      return { entryId, given: ways[0]![0], written: ways.map(([way]) => way), persons: [...persons].sort() }
    })
    .sort((one, other) => other.persons.length - one.persons.length || (one.given < other.given ? -1 : 1))
}
