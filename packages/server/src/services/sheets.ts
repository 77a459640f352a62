import type { PrintSheets } from '@otter/api'
import { askedList, gameOf } from '@otter/core'
import type { Database } from '../db/database.ts'
import type { Workers } from '../workers/pool.ts'
import { readEntryList } from './lists.ts'
import { printablePictures } from './media.ts'

/** Prints a teacher's list as sheets: gives the bytes of a PDF. Throws a Problem where the list can't become the game. */
export async function printSheets(database: Database, workers: Workers, teacherId: string, listId: string, sheets: PrintSheets, origin: string): Promise<Uint8Array> {
  const { list } = await readEntryList(database, teacherId, listId)
  const options = gameOf(sheets.kind).options.parse(sheets.options ?? {})
  const pictures = await printablePictures(database, askedList(list, options).entries.flatMap(({ answer, prompt }) => [answer, prompt].flatMap(({ picture }) => picture?.id ?? [])))
  return workers.sheets({ list, pictures, sheets: { ...sheets, options }, address: sheets.code === undefined ? undefined : `${origin}/p/${sheets.code}` })
}
