import { z } from 'zod'
import { cleanText } from '../text/cleanText.ts'

/** Longest text of one face, in UTF-16 units. */
export const MAX_FACE = 2000
/** Most entries in one list. */
export const MAX_ENTRIES = 5000

/** One side of an entry. Pictures and sounds join the text here. */
export const Face = z.object({ text: z.string().max(MAX_FACE).transform(cleanText) })
export type Face = z.infer<typeof Face>

/** What a list holds: something to be recalled, and what it is recalled from. */
export const Entry = z.object({
  /** Stable for life: results, links and copies refer to it. */
  id: z.uuid(),
  answer: Face,
  prompt: Face,
})
export type Entry = z.infer<typeof Entry>

/** BCP 47 code of a side's language; empty where nobody said. */
export const LanguageCode = z.string().regex(/^([A-Za-z]{2,3}(-[A-Za-z0-9]{2,8})*)?$/, 'Use a language code such as en or pt-BR').max(35)

/** A list as games see it. */
export const EntryList = z.object({
  title: z.string(),
  answerLanguage: LanguageCode,
  promptLanguage: LanguageCode,
  entries: z.array(Entry).max(MAX_ENTRIES),
})
export type EntryList = z.infer<typeof EntryList>
