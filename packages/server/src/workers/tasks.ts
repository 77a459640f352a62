import type { Asking, Entry, EntryList, GameKind, ListDetails } from '@otter/core'
import type { PrintSheets } from '@otter/api'

/** A puzzle to make. */
export interface MakeTask {
  kind: GameKind
  list: EntryList
  options: Asking
  seed: string
}

/** A list to pack into a file, with the bytes of its pictures and sounds, by id. */
export interface ArchiveTask {
  details: ListDetails
  entries: Entry[]
  media: ReadonlyMap<string, Uint8Array>
}

/** Sheets to print: all versions of a puzzle, and the address of its on-screen game. */
export interface SheetsTask {
  list: EntryList
  sheets: Omit<PrintSheets, 'options'> & { options: Asking }
  address: string | undefined
  /** Bytes of the pictures, by id. */
  pictures: Record<string, Uint8Array>
}

/** Sheets as a thread gets them: with the puzzle of each version. */
export interface SheetsWork extends SheetsTask {
  puzzles: unknown[]
}

/** What a worker gives back: errors of the teacher's making travel as data. */
export type WorkerReply<Value> =
  { value: Value } | { kind: GameKind; note: { code: string; values: Record<string, string | number> } }
