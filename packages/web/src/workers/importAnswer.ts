import type { Table } from '@otter/core'
import type { Encoding, ReadArchive, RefusalCode } from '@otter/core/formats'

/** A file as it was understood: one table or several, or a whole list with its pictures and sounds. */
export type ReadFile =
  | {
      kind: 'tables'
      sheets: { name: string; table: Table }[]
      /** How a file of text was read; absent for others. */
      text?: { encoding: Encoding; separator: string }
    }
  | ({ kind: 'archive' } & ReadArchive)

/** A file to read, and how, where that is not to be found by its content. */
export interface ImportRequest {
  file: File
  encoding: Encoding | undefined
  /** What stands between the cells of text. */
  separator: string | undefined
}

/** What the import worker says while it reads a file, and at its end. */
export type ImportAnswer = { stage: 'reading' | 'unpacking' } | { read: ReadFile } | { refusal: RefusalCode }
