import type { FitNote } from '../../games/contract.ts'
import type { Entry, EntryList } from '../entry.ts'

/** A change that would mend what a check found; the interface words it. */
export interface Mend {
  code:
    | 'mark-choice'
    | 'remove-choice'
    | 'accept-both'
    | 'remove-row'
    | 'join-rows'
    | 'blank-out'
    | 'tidy'
    | 'one-script'
    | 'move-to-answer'
  values: Record<string, string | number>
}

/** Something wrong with a list, beside the row it is about, and what would mend it. */
export interface CheckNote extends FitNote {
  code: CheckCode
  /** `harm`: this will go wrong in a game. `look`: it may be meant. */
  weight: 'harm' | 'look'
  mends: Mend[]
}

export type CheckCode =
  | 'no-right-choice'
  | 'choice-is-right'
  | 'same-row'
  | 'same-prompt'
  | 'same-answer'
  | 'gives-away'
  | 'empty-row'
  | 'empty-answer'
  | 'empty-prompt'
  | 'long-word'
  | 'mixed-scripts'
  | 'stray-characters'

/** One kind of thing that can be wrong with a list. */
export interface Check {
  find(list: EntryList): CheckNote[]
  /** Applies one of the mends that were offered with a note. */
  mend?<Row extends Entry>(entries: readonly Row[], note: CheckNote, mend: Mend): Row[]
}

/** Makes a check that looks at each entry by itself; an entry that is the same as before is not looked at again. */
export function checkEach(
  find: (entry: Entry, list: EntryList) => CheckNote[],
  mendEntry?: (entry: Entry, mend: Mend, note: CheckNote) => Partial<Entry>,
): Check {
  const seen = new WeakMap<Entry, { notes: CheckNote[]; language: string }>()
  return {
    find: (list) =>
      list.entries.flatMap((entry) => {
        const before = seen.get(entry)
        if (before?.language === list.answerLanguage) return before.notes
        const notes = find(entry, list)
        seen.set(entry, { notes, language: list.answerLanguage })
        return notes
      }),
    ...(mendEntry && {
      mend: (entries, note, mend) =>
        entries.map((entry) => (entry.id === note.entryIds[0] ? { ...entry, ...mendEntry(entry, mend, note) } : entry)),
    }),
  }
}
