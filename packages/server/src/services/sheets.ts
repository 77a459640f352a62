import type { PrintSheets } from '@otter/api'
import { gameOf } from '@otter/core'
import type { Database } from '../db/database.ts'
import type { Workers } from '../workers/pool.ts'
import { readEntryList } from './lists.ts'
import { readMedium } from './media.ts'

/** Prints a teacher's list as sheets: gives the bytes of a PDF. Throws a Problem where the list can't become the game. */
export async function printSheets(database: Database, workers: Workers, teacherId: string, listId: string, sheets: PrintSheets, origin: string): Promise<Uint8Array> {
  const list = await readEntryList(database, teacherId, listId)
  const options = gameOf(sheets.kind).options.parse(sheets.options ?? {})
  const pictures: Record<string, Uint8Array> = {}
  for (const { answer, prompt } of list.entries) {
    for (const { picture } of [answer, prompt]) if (picture) pictures[picture.id] = (await readMedium(database, picture.id)).bytes
  }
  return workers.sheets({ list, pictures, sheets: { ...sheets, options }, address: sheets.code === undefined ? undefined : `${origin}/p/${sheets.code}` })
}
