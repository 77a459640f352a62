import { PrintSheets } from '@otter/api'
import { Asking, askedList, gameOf } from '@otter/core'
import { z } from 'zod'
import type { TeacherScope } from '../db/scope.ts'
import type { SheetsTask } from '../workers/tasks.ts'
import { addJob } from './jobs.ts'
import { readEntryList, readVersion } from './lists.ts'
import { printableMedia } from './media.ts'

/** What a job that prints has to know. The list is read when it is made. */
const SheetsJob = z.object({ listId: z.uuid(), sheets: PrintSheets, address: z.string().optional() })

/**
 * Queues the printing of a teacher's list; returns the job's id. Throws a Problem where the list is another's, a
 * ZodError where the options are not the game's.
 */
export async function queueSheets(
  scope: TeacherScope,
  listId: string,
  sheets: PrintSheets,
  origin: string,
): Promise<string> {
  await readVersion(scope, listId)
  const options = gameOf(sheets.kind).options.parse(sheets.options ?? {})
  return addJob(scope, 'sheets', {
    listId,
    sheets: { ...sheets, options },
    ...(sheets.code !== undefined && { address: `${origin}/p/${sheets.code}` }),
  } satisfies z.input<typeof SheetsJob>)
}

/**
 * Reads all that a job's sheets are made of. Pictures are still as they are stored: drawing them for paper needs no
 * scope.
 */
export async function readSheets(
  scope: TeacherScope,
  task: unknown,
): Promise<Omit<SheetsTask, 'pictures'> & { media: Awaited<ReturnType<typeof printableMedia>> }> {
  const { listId, sheets, address } = SheetsJob.parse(task)
  const { list } = await readEntryList(scope, listId)
  const options = Asking.loose().parse(sheets.options)
  const media = await printableMedia(
    scope,
    askedList(list, options).entries.flatMap(({ answer, prompt }) =>
      [answer, prompt].flatMap(({ picture }) => picture?.id ?? []),
    ),
  )
  return { list, sheets: { ...sheets, options }, address, media }
}
