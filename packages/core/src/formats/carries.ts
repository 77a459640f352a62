import type { ListDetails } from '../list/details.ts'
import { isEmptyFace } from '../list/face.ts'
import type { Entry } from '../list/entry.ts'

/** Formats that a list can be written in. */
export type ListFormat = 'csv' | 'tsv' | 'xlsx' | 'archive'

/** What a format will not carry of a list: how much of each. */
export interface NotCarried {
  pictures: number
  sounds: number
  /** Entries that are left with no text at all, and so are not there. */
  entries: number
  /** What is said of the list as a whole, but for its title, which is the file's name. */
  details: (typeof DETAILS)[number][]
}

const DETAILS = ['description', 'subject', 'grade', 'folder', 'tags', 'answerLanguage', 'promptLanguage'] as const

/** Counts what a format can't carry of a list. */
export function notCarried(format: ListFormat, details: ListDetails, entries: readonly Entry[]): NotCarried {
  if (format === 'archive') return { pictures: 0, sounds: 0, entries: 0, details: [] }
  const faces = entries.flatMap(({ answer, prompt, choices }) => [answer, prompt, ...choices])
  const textless = ({ answer, prompt, accepted, choices, hint, fact }: Entry): boolean =>
    [answer.text, prompt.text, ...accepted, ...choices.map(({ text }) => text), hint, fact].every((text) => text === '')
  return {
    pictures: faces.filter(({ picture }) => picture).length + (details.cover ? 1 : 0),
    sounds: faces.filter(({ sound }) => sound).length,
    entries: entries.filter((entry) => textless(entry) && !(isEmptyFace(entry.answer) && isEmptyFace(entry.prompt)))
      .length,
    details: DETAILS.filter((name) => details[name].length > 0),
  }
}
