import type { EntryList, GameKind } from '@otter/core'
import type { PrintSheets } from '@otter/api'

/** A puzzle to make. */
export interface MakeTask {
  kind: GameKind
  list: EntryList
  options: unknown
  seed: string
}

/** Sheets to print: all versions of a puzzle, and the address of its on-screen game. */
export interface SheetsTask {
  list: EntryList
  sheets: PrintSheets
  address: string | undefined
}

/** What a worker gives back: errors of the teacher's making travel as data. */
export type WorkerReply<Value> = { value: Value } | { note: { code: string; values: Record<string, string | number> } }
