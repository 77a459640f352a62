import type { Asking, Entry, EntryList, GameKind, ListDetails } from '@otter/core'
import type { WrittenClass } from '@otter/core/formats'
import type { SheetLayout } from '@otter/api'

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

/** Classes to pack into a file for a school's system. */
export interface RosterTask {
  school: string
  classes: WrittenClass[]
}

/** Sheets to print: the puzzles of all versions, and the address of the on-screen game. */
export interface SheetsTask {
  kind: GameKind
  title: string
  /** Of the first version, and the version of the game's rules that made all. */
  seed: string
  rules: number
  /** Whether its readers learn to read. */
  early: boolean
  puzzles: unknown[]
  layout: SheetLayout
  address: string | undefined
  /** Bytes of the pictures, by id. */
  pictures: Record<string, Uint8Array>
}

/** What a worker gives back: errors of the teacher's making travel as data. */
export type WorkerReply<Value> =
  | { value: Value }
  | { kind: GameKind; note: { code: string; values: Record<string, string | number> } }
