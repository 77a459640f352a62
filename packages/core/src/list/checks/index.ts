import type { Entry, EntryList } from '../entry.ts'
import type { Check, CheckCode, CheckNote, Mend } from './check.ts'
import { choiceIsRight, noRightChoice } from './choices.ts'
import { emptyAnswer, emptyPrompt, emptyRow, givesAway, longWord } from './faces.ts'
import { mixedScripts, strayCharacters } from './letters.ts'
import { sameAnswer, samePrompt, sameRow } from './repeats.ts'

/** All checks, the gravest first. */
const CHECKS: Record<CheckCode, Check> = {
  'no-right-choice': noRightChoice,
  'choice-is-right': choiceIsRight,
  'same-row': sameRow,
  'same-prompt': samePrompt,
  'gives-away': givesAway,
  'empty-answer': emptyAnswer,
  'same-answer': sameAnswer,
  'empty-prompt': emptyPrompt,
  'empty-row': emptyRow,
  'mixed-scripts': mixedScripts,
  'stray-characters': strayCharacters,
  'long-word': longWord,
}

/** Returns what is wrong with a list, in the order of its rows. */
export function checkList(list: EntryList): CheckNote[] {
  const rowOf = new Map(list.entries.map(({ id }, row) => [id, row]))
  return Object.values(CHECKS)
    .flatMap((check) => check.find(list))
    .sort((one, other) => (rowOf.get(one.entryIds[0]!) ?? 0) - (rowOf.get(other.entryIds[0]!) ?? 0))
}

/** Returns the entries after one of a note's mends. */
export function mendEntries<Row extends Entry>(entries: readonly Row[], note: CheckNote, mend: Mend): Row[] {
  return CHECKS[note.code].mend?.(entries, note, mend) ?? [...entries]
}
