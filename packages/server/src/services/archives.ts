import { fileNameOf, mediaOf, zipStream } from '@otter/core/formats'
import { inScope, type ScopeSource, type TeacherScope } from '../db/scope.ts'
import { Problem } from '../problem.ts'
import type { Workers } from '../workers/pool.ts'
import { readClass, readClasses } from './classes.ts'
import { listLists, readList } from './lists.ts'
import { storedMedia } from './media.ts'
import { readOffers } from './offers.ts'
import { readResults, responsesCsv, resultsCsv } from './results.ts'
import { findTeacher } from './teachers.ts'

/** What takes an archive, piece by piece; done when there is room for the next. */
export type Take = (piece: Uint8Array) => Promise<void>

/**
 * Writes all that a teacher has as a zip archive: the account, each list as a file that can be opened again, the
 * results of each link, and each class with its students. Read list by list, on a connection of its own each, so that a long download keeps none.
 */
export async function writeAccount(
  source: ScopeSource & { workers: Workers },
  teacherId: string,
  take: Take,
  signal: AbortSignal,
): Promise<void> {
  const read = <Value>(work: (scope: TeacherScope) => Promise<Value>): Promise<Value> =>
    inScope(source, { teacherId, snapshot: true }, work)
  let pieces: Uint8Array[] = []
  const zip = zipStream((piece) => pieces.push(piece))
  const add = async (name: string, content: Uint8Array | string): Promise<void> => {
    signal.throwIfAborted()
    zip.add(name, typeof content === 'string' ? Buffer.from(content) : content)
    await handOver()
  }
  const handOver = async (): Promise<void> => {
    const made = pieces
    pieces = []
    for (const piece of made) await take(piece)
  }
  const { teacher, lists, offers, classes } = await read(async (scope) => ({
    teacher: await findTeacher(scope, teacherId),
    lists: await listLists(scope),
    offers: await readOffers(scope, undefined, null),
    classes: await readClasses(scope),
  }))
  const language = teacher?.language ?? 'en'
  await add('account.json', JSON.stringify({ account: teacher, lists, links: offers, classes }, null, 1))
  for (const [index, { id, title }] of lists.entries()) {
    const found = await unlessGone(() =>
      read(async (scope) => {
        const { entries, ...details } = await readList(scope, id)
        const list = { details, entries: entries.map(({ position: _, ...entry }) => entry) }
        return { list, media: await storedMedia(scope, mediaOf(list)) }
      }),
    )
    if (!found) continue
    const { list, media } = found
    await add(`lists/${numbered(index, title)}.zip`, await source.workers.archive({ ...list, media }, signal))
  }
  for (const [index, { id, title, code }] of offers.entries()) {
    const folder = `results/${numbered(index, `${title} ${code}`)}`
    const found = await unlessGone(() =>
      read(async (scope) => ({
        results: resultsCsv(await readResults(scope, id), language),
        responses: await responsesCsv(scope, id, language),
      })),
    )
    if (!found) continue
    await add(`${folder}/students.csv`, found.results)
    await add(`${folder}/answers.csv`, found.responses)
  }
  for (const [index, { id, name }] of classes.entries()) {
    const found = await unlessGone(() => read((scope) => readClass(scope, id)))
    if (found) await add(`classes/${numbered(index, name)}.json`, JSON.stringify(found, null, 1))
  }
  zip.end()
  await handOver()
}

/** Returns what is read; undefined where it was deleted since the download began, which costs the rest nothing. */
async function unlessGone<Value>(read: () => Promise<Value>): Promise<Value | undefined> {
  try {
    return await read()
  } catch (error) {
    if (error instanceof Problem && error.status === 404) return undefined
    throw error
  }
}

/** Two lists may have one title; files in a folder may not. */
function numbered(index: number, title: string): string {
  return `${String(index + 1).padStart(3, '0')} ${fileNameOf(title)}`.trim()
}
