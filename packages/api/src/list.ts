import { Entry, ListChanges, MAX_ENTRIES, type ListDetails } from '@otter/core'
import { z } from 'zod'

/** An entry and its place: entries are ordered by position, any two of which leave room for a third. */
export const PlacedEntry = Entry.extend({ position: z.number() })
export type PlacedEntry = z.infer<typeof PlacedEntry>

export const CreateList = ListChanges
export type CreateList = z.input<typeof CreateList>

/** What changed since the version that the sender has. */
export const SaveList = ListChanges.extend({
  version: z.number().int().min(0),
  /** Entries that are new or different. */
  put: z.array(PlacedEntry).max(MAX_ENTRIES).default([]),
  remove: z.array(z.uuid()).max(MAX_ENTRIES).default([]),
}).refine(({ put }) => new Set(put.map(({ id }) => id)).size === put.length, {
  path: ['put'],
  message: 'entry-twice',
})
export type SaveList = z.input<typeof SaveList>

/** Puts a list away, or takes it back. */
export const ArchiveList = z.object({ archived: z.boolean() })
export type ArchiveList = z.infer<typeof ArchiveList>

export interface SavedReply {
  version: number
}

export interface ListSummary extends Pick<ListDetails, 'title' | 'cover' | 'subject' | 'grade' | 'tags' | 'folder'> {
  id: string
  entryCount: number
  updatedAt: string
  archived: boolean
}

export interface ListReply extends ListDetails {
  id: string
  version: number
  entries: PlacedEntry[]
}

/** The version that a list has now. */
export interface VersionReply {
  version: number
}
