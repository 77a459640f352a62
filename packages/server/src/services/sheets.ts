import { PrintSheets, PrintVersions, SheetLayout } from '@otter/api'
import { gameOf } from '@otter/core'
import { z } from 'zod'
import type { TeacherScope } from '../db/scope.ts'
import type { SheetsTask } from '../workers/tasks.ts'
import type { GameDraft } from './games.ts'
import { addJob } from './jobs.ts'
import { readVersion } from './lists.ts'
import { printableMedia, type Medium } from './media.ts'
import { draftPrint, holdPrint, readPrinted } from './prints.ts'

const Address = { address: z.string().optional() }
/**
 * What a job that prints has to know: what is made and kept, or what was; and how it is laid out, where a file is wanted.
 * The list is read when it is made.
 */
const SheetsJob = z.union([
  z.object({ listId: z.uuid(), sheets: PrintSheets, ...Address }),
  z.object({ listId: z.uuid(), print: PrintVersions }),
  z.object({ printId: z.uuid(), layout: SheetLayout, ...Address }),
])
type SheetsJob = z.input<typeof SheetsJob>

/** What is to be made and kept, or what was; and the layout of the file that is wanted. */
export interface Printing {
  drafts: GameDraft[]
  printId: string | undefined
  layout: SheetLayout | undefined
  address: string | undefined
}

/**
 * Queues the printing of a teacher's list; returns the job's id. Throws a Problem where the list is another's, a
 * ZodError where the options are not the game's.
 */
export async function queueSheets(
  scope: TeacherScope,
  listId: string,
  sheets: z.infer<typeof PrintSheets>,
  origin: string,
): Promise<string> {
  await readVersion(scope, listId)
  const options = gameOf(sheets.kind).options.parse(sheets.options ?? {})
  return addJob(scope, 'sheets', {
    listId,
    sheets: { ...sheets, options },
    ...addressed(sheets, origin),
  } satisfies SheetsJob)
}

/** Queues that what a browser prints is kept; returns the job's id. Throws as `queueSheets` does. */
export async function queuePrint(scope: TeacherScope, listId: string, print: PrintVersions): Promise<string> {
  await readVersion(scope, listId)
  const options = gameOf(print.kind).options.parse(print.options ?? {})
  return addJob(scope, 'sheets', { listId, print: { ...print, options } } satisfies SheetsJob)
}

/** Queues that what was printed is printed again; returns the job's id. Throws a Problem where it is another's. */
export async function queueAgain(
  scope: TeacherScope,
  printId: string,
  layout: SheetLayout,
  origin: string,
): Promise<string> {
  await holdPrint(scope, printId)
  return addJob(scope, 'sheets', { printId, layout, ...addressed(layout, origin) } satisfies SheetsJob)
}

function addressed({ code }: SheetLayout, origin: string): { address?: string } {
  return code === undefined ? {} : { address: `${origin}/p/${code}` }
}

/** Reads what a job is to print. */
export async function readPrinting(scope: TeacherScope, task: unknown): Promise<Printing> {
  const job = SheetsJob.parse(task)
  if ('printId' in job) return { drafts: [], printId: job.printId, layout: job.layout, address: job.address }
  const isFile = 'sheets' in job
  return {
    drafts: await draftPrint(scope, job.listId, isFile ? job.sheets : job.print),
    printId: undefined,
    layout: isFile ? job.sheets : undefined,
    address: isFile ? job.address : undefined,
  }
}

/**
 * Reads all that sheets are made of. Pictures are still as they are stored: drawing them for paper needs no scope.
 */
export async function readSheets(
  scope: TeacherScope,
  printId: string,
  { layout, address }: { layout: SheetLayout; address: string | undefined },
): Promise<Omit<SheetsTask, 'pictures'> & { media: Medium[] }> {
  const { kind, title, seed, rules, early, puzzles } = await readPrinted(scope, printId)
  const media = await printableMedia(scope, [...new Set(pictureIdsIn(puzzles))])
  return { kind, title, seed, rules, early, puzzles, layout, address, media }
}

/** Returns the ids of all pictures within a puzzle, wherever they stand. */
function pictureIdsIn(value: unknown): string[] {
  if (typeof value !== 'object' || value === null) return []
  return Object.entries(value).flatMap(([name, inner]) =>
    name === 'picture' && typeof (inner as { id?: unknown } | null)?.id === 'string'
      ? [(inner as { id: string }).id]
      : pictureIdsIn(inner),
  )
}
