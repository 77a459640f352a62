import { Entry, ListChanges, ListDetails, MAX_ENTRIES } from '@otter/core'
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

/** The version that a list has now. */
export const VersionReply = z.object({ version: z.number().int() })
export type VersionReply = z.infer<typeof VersionReply>

/** A list among others. */
export const ListSummary = ListDetails.pick({
  title: true,
  cover: true,
  subject: true,
  grade: true,
  tags: true,
  folder: true,
}).extend({
  id: z.uuid(),
  entryCount: z.number().int(),
  updatedAt: z.iso.datetime(),
  archived: z.boolean(),
})
export type ListSummary = z.infer<typeof ListSummary>

/** A list with its entries, in their order. */
export const ListReply = ListDetails.extend({
  id: z.uuid(),
  version: z.number().int(),
  entries: z.array(PlacedEntry),
})
export type ListReply = z.infer<typeof ListReply>

/** A list of the sample that can be copied; its place among them is its name. */
export const SampleReply = z.object({ title: z.string(), answerLanguage: z.string(), entryCount: z.number().int() })
export type SampleReply = z.infer<typeof SampleReply>

/** What became of a list's entries with the teacher's students, by their ids: how often each was met, and right. */
export const ProvedReply = z.object({
  proved: z.record(z.string(), z.object({ met: z.number().int(), right: z.number().int() })),
})
export type ProvedReply = z.infer<typeof ProvedReply>
