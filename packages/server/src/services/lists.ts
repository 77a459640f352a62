import { randomUUID } from 'node:crypto'
import type { ListReply, ListSummary, PlacedEntry, VersionReply, SaveList } from '@otter/api'
import { graphemesOf, LIST_DETAILS, ListDetails, MAX_ENTRIES, type EntryList, type ListChanges } from '@otter/core'
import type { z } from 'zod'
import type { TeacherScope } from '../db/scope.ts'
import { notFound, Problem } from '../problem.ts'

/** Column and type of each part of an entry, as it is stored. */
const ENTRY_COLUMNS: Record<Exclude<keyof PlacedEntry, 'id'>, [column: string, type: string]> = {
  position: ['position', 'double precision'],
  answer: ['answer', 'jsonb'],
  prompt: ['prompt', 'jsonb'],
  accepted: ['accepted', 'jsonb'],
  choices: ['choices', 'jsonb'],
  hint: ['hint', 'text'],
  fact: ['fact', 'text'],
  groups: ['groups', 'jsonb'],
  worth: ['worth', 'integer'],
  seconds: ['seconds', 'integer'],
  scored: ['scored', 'boolean'],
  standards: ['standards', 'jsonb'],
  originId: ['origin_id', 'uuid'],
}
const MAX_LISTS = 2000
const LONGEST_TITLE = 200

/** Returns a teacher's lists, the one last changed first. */
export async function listLists(scope: TeacherScope): Promise<ListSummary[]> {
  return scope.query<ListSummary>(
    `SELECT l.id, l.title, l.cover, l.subject, l.grade, l.tags, l.folder, l.updated_at AS "updatedAt",
      l.archived_at IS NOT NULL AS archived, count(e.id)::int AS "entryCount"
     FROM lists l LEFT JOIN entries e ON e.list_id = l.id
     WHERE l.teacher_id = $teacherId GROUP BY l.id ORDER BY l.updated_at DESC LIMIT ${MAX_LISTS}`,
    { teacherId: scope.teacherId },
  )
}

export async function createList(scope: TeacherScope, details: ListChanges): Promise<ListReply> {
  const id = randomUUID()
  await scope.tables.lists.create({ id, teacherId: scope.teacherId, ...ListDetails.parse(details) })
  return readList(scope, id)
}

/** Returns a list with its entries in order. Throws a Problem where it is not the teacher's. */
export async function readList(scope: TeacherScope, listId: string): Promise<ListReply> {
  const list = await scope.tables.lists.findOne({ where: { id: listId, teacherId: scope.teacherId } })
  if (!list) throw notFound()
  const entries = await scope.tables.entries.findAll({
    where: { listId },
    order: [
      ['position', 'ASC'],
      ['id', 'ASC'],
    ],
    attributes: { exclude: ['listId'] },
  })
  const details = Object.fromEntries(LIST_DETAILS.map((name) => [name, list[name]])) as unknown as ListDetails
  return { id: list.id, version: list.version, ...details, entries }
}

/**
 * Returns a list as games see it, and its version. In a scope that is a snapshot both are of one moment. Throws a
 * Problem where it is not the teacher's.
 */
export async function readEntryList(
  scope: TeacherScope,
  listId: string,
): Promise<{ list: EntryList; version: number }> {
  const { version, title, answerLanguage, promptLanguage, entries } = await readList(scope, listId)
  return {
    version,
    list: { title, answerLanguage, promptLanguage, entries: entries.map(({ position: _, ...entry }) => entry) },
  }
}

/** Returns the version that a list has now. Throws a Problem where it is not the teacher's. */
export async function readVersion(scope: TeacherScope, listId: string): Promise<VersionReply> {
  return { version: await versionOf(scope, listId) }
}

async function versionOf(scope: TeacherScope, listId: string, lock: '' | 'FOR UPDATE' = ''): Promise<number> {
  const [list] = await scope.query<{ version: number }>(
    `SELECT version FROM lists WHERE id = $listId AND teacher_id = $teacherId ${lock}`,
    { listId, teacherId: scope.teacherId },
  )
  if (!list) throw notFound()
  return list.version
}

/** Applies changes made since a version. Throws a Problem (409) where the list has changed since. */
export async function saveList(
  scope: TeacherScope,
  listId: string,
  { version: known, put, remove, ...details }: z.output<typeof SaveList>,
): Promise<VersionReply> {
  const { entries, lists } = scope.tables
  const held = await versionOf(scope, listId, 'FOR UPDATE')
  if (held !== known) throw new Problem(409, 'list-changed', { path: 'version' })
  if (remove.length > 0) await entries.destroy({ where: { listId, id: remove } })
  if (put.length > 0) {
    await putEntries(scope, listId, put)
    const count = await entries.count({ listId })
    if (count > MAX_ENTRIES) throw new Problem(400, 'list-full', { path: 'put', values: { most: MAX_ENTRIES, count } })
  }
  const version = held + 1
  await lists.update({ ...details, version, updatedAt: new Date() }, { where: { id: listId } })
  return { version }
}

/** Adds entries to a list, or changes those that are there. Throws a Problem where one is another list's. */
async function putEntries(scope: TeacherScope, listId: string, put: readonly PlacedEntry[]): Promise<void> {
  const parts = Object.entries(ENTRY_COLUMNS)
  const columns = parts.map(([, [column]]) => column)
  const kept = await scope.query(
    `INSERT INTO entries (id, list_id, ${columns.join(', ')}) SELECT e.id, $listId,
      ${parts.map(([name]) => `e."${name}"`).join(', ')}
     FROM jsonb_to_recordset($put::jsonb) AS e(id uuid,
       ${parts.map(([name, [, type]]) => `"${name}" ${type}`).join(', ')})
     ON CONFLICT (id) DO UPDATE SET ${columns.map((column) => `${column} = excluded.${column}`).join(', ')}
       WHERE entries.list_id = $listId RETURNING id`,
    { listId, put: JSON.stringify(put) },
  )
  if (kept.length < put.length) throw new Problem(409, 'entry-elsewhere', { path: 'put' })
}

/**
 * Makes a list like another, with entries of its own that know where they come from. Throws a Problem where the other
 * is not the teacher's.
 */
export async function duplicateList(
  scope: TeacherScope,
  listId: string,
  { title, entryIds }: { title?: string; entryIds?: readonly string[] } = {},
): Promise<ListReply> {
  const { id: _, version: _version, entries: all, ...details } = await readList(scope, listId)
  const entries = entryIds ? all.filter((entry) => entryIds.includes(entry.id)) : all
  const id = randomUUID()
  await copyList(scope, id, { details: { ...details, title: title ?? copyTitle(details.title) }, entries })
  return readList(scope, id)
}

/** Returns whether a list that a screen has named is kept already. Throws a Problem where it is another teacher's. */
export async function isListHere(scope: TeacherScope, id: string): Promise<boolean> {
  const [list] = await scope.query<{ teacherId: string }>(
    'SELECT teacher_id AS "teacherId" FROM lists WHERE id = $id',
    {
      id,
    },
  )
  if (list && list.teacherId !== scope.teacherId) throw notFound()
  return list !== undefined
}

/** Keeps a copy of a list for the teacher who acts; its entries get ids, and know where they come from. */
export async function copyList(
  scope: TeacherScope,
  id: string,
  { details, entries }: { details: ListDetails; entries: readonly PlacedEntry[] },
  idOf: (entryId: string) => string = () => randomUUID(),
): Promise<void> {
  await scope.tables.lists.create({ ...details, id, teacherId: scope.teacherId })
  if (entries.length > 0)
    await putEntries(
      scope,
      id,
      entries.map((entry) => ({ ...entry, id: idOf(entry.id), originId: entry.originId ?? entry.id })),
    )
}

/** Returns the title of a copy; a long one is shortened in front, between two letters. */
function copyTitle(title: string): string {
  const letters = graphemesOf(`${title} (copy)`)
  let length = 0
  let from = letters.length
  while (from > 0 && length + letters[from - 1]!.length <= LONGEST_TITLE) length += letters[--from]!.length
  return letters.slice(from).join('')
}

/** Puts a list away, or takes it back; nothing is lost either way. */
export async function archiveList(scope: TeacherScope, listId: string, archived: boolean): Promise<void> {
  await versionOf(scope, listId)
  await scope.tables.lists.update({ archivedAt: archived ? new Date() : null }, { where: { id: listId } })
}

/** Deletes a list. What students did with its games stays, until their links are deleted. */
export async function deleteList(scope: TeacherScope, listId: string): Promise<void> {
  await versionOf(scope, listId)
  await scope.tables.lists.destroy({ where: { id: listId } })
}
