import { z } from 'zod'
import { Face, isEmptyFace, MAX_FACE, textOf } from './face.ts'

/** Points for an entry that the teacher gives none. */
export const USUAL_WORTH = 10
/** Most entries in one list. */
export const MAX_ENTRIES = 5000
/** Most choices and most accepted spellings of one entry. */
export const MAX_CHOICES = 11
export const MAX_ACCEPTED = 30
/** Most groups and standards of one entry, and the longest of each, in UTF-16 units. */
export const MAX_GROUPS = 10
export const MAX_GROUP = 200
export const MAX_STANDARDS = 20
export const MAX_STANDARD = 100

/** Short texts, each once. */
const labels = (longest: number, most: number) =>
  z
    .array(textOf(longest))
    .max(most)
    .default([])
    .transform((all) => [...new Set(all.filter((text) => text.trim() !== ''))])

/** A choice beside the answer: wrong, or right as well. */
export const Choice = Face.extend({ right: z.boolean().default(false) })
export type Choice = z.infer<typeof Choice>

/** What a list holds: something to be recalled, what it is recalled from, and all that games may need besides. */
export const Entry = z.object({
  /** Stable for life: results, links and copies refer to it. */
  id: z.uuid(),
  answer: Face,
  prompt: Face,
  /** Other spellings that count as right. */
  accepted: z
    .array(textOf(MAX_FACE))
    .max(MAX_ACCEPTED)
    .default([])
    .transform((all) => all.filter((text) => text.trim() !== '')),
  /** Choices beside the answer, the right ones first. Where there are none, a game draws wrong ones from the list. */
  choices: z.array(Choice).max(MAX_CHOICES).default([]).transform(orderChoices),
  /** Shown on request. */
  hint: textOf(MAX_FACE).default(''),
  /** Shown after answering. */
  fact: textOf(MAX_FACE).default(''),
  /** The categories it belongs to, the main one first. */
  groups: labels(MAX_GROUP, MAX_GROUPS),
  /** Points, and time limit in seconds; null where the game decides. */
  worth: z.number().int().min(0).max(10_000).nullable().default(null),
  seconds: z.number().int().min(1).max(3600).nullable().default(null),
  /** Whether it counts; an opinion question does not. */
  scored: z.boolean().default(true),
  /** Codes of curriculum standards. */
  standards: labels(MAX_STANDARD, MAX_STANDARDS),
  /** The entry that it was copied from; null for one that was written. */
  originId: z.uuid().nullable().default(null),
})
export type Entry = z.infer<typeof Entry>

/** Returns choices without the empty ones, the right ones first. */
export function orderChoices(choices: readonly Choice[]): Choice[] {
  const filled = choices.filter((choice) => !isEmptyFace(choice))
  return [...filled.filter(({ right }) => right), ...filled.filter(({ right }) => !right)]
}

/** Returns an entry of which only some parts are known; the rest is as in a new one. */
export function newEntry<Known extends Partial<Entry> & { id: string }>(
  known: Known,
): Entry & Omit<Known, keyof Entry> {
  return {
    answer: { text: '' },
    prompt: { text: '' },
    accepted: [],
    choices: [],
    hint: '',
    fact: '',
    groups: [],
    worth: null,
    seconds: null,
    scored: true,
    standards: [],
    originId: null,
    ...known,
  }
}

/** Returns all texts that count as an entry's answer. */
export function acceptedOf({ answer, accepted, choices }: Entry): string[] {
  const right = choices.filter((choice) => choice.right).map(({ text }) => text)
  return [answer.text, ...accepted, ...right].filter((text) => text.trim() !== '')
}

/** Tells whether nothing has been put into an entry yet. */
export function isEmptyEntry({ answer, prompt, accepted, choices, hint, fact }: Entry): boolean {
  return (
    isEmptyFace(answer) &&
    isEmptyFace(prompt) &&
    accepted.length === 0 &&
    choices.every(isEmptyFace) &&
    hint === '' &&
    fact === ''
  )
}

/** BCP 47 code of a side's language; empty where nobody said. */
export const LanguageCode = z
  .string()
  .regex(/^([A-Za-z]{2,3}(-[A-Za-z0-9]{2,8})*)?$/, 'Use a language code such as en or pt-BR')
  .max(35)

/** A list as games see it. */
export const EntryList = z.object({
  title: z.string(),
  answerLanguage: LanguageCode,
  promptLanguage: LanguageCode,
  entries: z.array(Entry).max(MAX_ENTRIES),
  /** What became of entries with the teacher's students, by their ids; absent where nobody asked. */
  proved: z.record(z.string(), z.object({ met: z.number().int(), right: z.number().int() })).optional(),
  /** All that counts for entries of the list which are not asked now; absent where all are. */
  beside: z.array(z.string()).optional(),
})
export type EntryList = z.infer<typeof EntryList>
