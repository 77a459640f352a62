import type { FitNote, Question } from '../games/contract.ts'
import { couplesOf } from '../games/partners.ts'
import type { Entry, EntryList } from '../list/entry.ts'
import type { WallQuestion } from './questions.ts'

/** Returns the entries of a list that teams can be asked, each once, and what is to be said of the others. */
export function askable(list: EntryList): { entries: Entry[]; notes: FitNote[] } {
  const { couples, notes } = couplesOf(list.entries)
  const complete = new Set(couples.map(({ entryId }) => entryId))
  const all = list.entries.filter(({ id }) => complete.has(id))
  const opinions = all.filter(({ scored }) => !scored)
  const opinion = { code: 'opinion', entryIds: opinions.map(({ id }) => id), values: { count: opinions.length } }
  return { entries: all.filter(({ scored }) => scored), notes: opinions.length === 0 ? notes : [...notes, opinion] }
}

/** Returns what a game asks, as results name it. */
export function askedOf(questions: readonly WallQuestion[]): Question[] {
  return questions.map(({ entryId, answer, prompt }) => ({
    entryId,
    text: answer.text.trim() || prompt.text.trim(),
    counts: true,
  }))
}
