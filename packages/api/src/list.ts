import { cleanText, Entry, LanguageCode, MAX_ENTRIES } from '@otter/core'
import { z } from 'zod'

/** An entry and its place: entries are ordered by position, any two of which leave room for a third. */
export const PlacedEntry = Entry.extend({ position: z.number() })
export type PlacedEntry = z.infer<typeof PlacedEntry>

const Title = z.string().max(200).transform(cleanText)

export const CreateList = z.object({ title: Title.default('') })
export type CreateList = z.input<typeof CreateList>

/** What changed since the version that the sender has. */
export const SaveList = z.object({
  version: z.number().int().min(0),
  title: Title.optional(),
  answerLanguage: LanguageCode.optional(),
  promptLanguage: LanguageCode.optional(),
  /** Entries that are new or different. */
  put: z.array(PlacedEntry).max(MAX_ENTRIES).default([]),
  remove: z.array(z.uuid()).max(MAX_ENTRIES).default([]),
})
export type SaveList = z.input<typeof SaveList>

export interface SavedReply {
  version: number
}

export interface ListSummary {
  id: string
  title: string
  entryCount: number
  updatedAt: string
}

export interface ListReply {
  id: string
  title: string
  answerLanguage: string
  promptLanguage: string
  version: number
  entries: PlacedEntry[]
}
