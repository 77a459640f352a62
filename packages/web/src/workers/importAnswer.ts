import type { Table } from '@otter/core'
import type { ReadArchive, RefusalCode } from '@otter/core/formats'

/** A file as it was understood: one table or several, or a whole list with its pictures and sounds. */
export type ReadFile =
  { kind: 'tables'; sheets: { name: string; table: Table }[] } | ({ kind: 'archive' } & ReadArchive)

/** What the import worker says while it reads a file, and at its end. */
export type ImportAnswer = { stage: 'reading' | 'unpacking' } | { read: ReadFile } | { refusal: RefusalCode }
