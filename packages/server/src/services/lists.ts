import { randomUUID } from 'node:crypto'
import type { ListReply, ListSummary, SavedReply, SaveList } from '@otter/api'
import { LIST_DETAILS, ListDetails, MAX_ENTRIES, type Entry, type EntryList, type ListChanges } from '@otter/core'
import { QueryTypes, Transaction } from 'sequelize'
import type { z } from 'zod'
import type { Database } from '../db/database.ts'
import type { ListRow } from '../db/models.ts'
import { notFound, Problem } from '../problem.ts'

/** What of an entry is stored in columns of its own. */
const ENTRY_COLUMNS = ['answer', 'prompt', 'accepted', 'choices', 'hint', 'fact', 'group', 'worth', 'seconds', 'scored', 'standard'] as const satisfies readonly (keyof Entry)[]
const MAX_LISTS = 2000

/** Gives a teacher's lists, the one last changed first. */
export async function listLists(database: Database, teacherId: string): Promise<ListSummary[]> {
  return database.sequelize.query<ListSummary>(
    `SELECT l.id, l.title, l.cover, l.subject, l.grade, l.tags, l.folder, l.updated_at AS "updatedAt", l.archived_at IS NOT NULL AS archived, count(e.id)::int AS "entryCount"
     FROM lists l LEFT JOIN entries e ON e.list_id = l.id
     WHERE l.teacher_id = :teacherId GROUP BY l.id ORDER BY l.updated_at DESC LIMIT ${MAX_LISTS}`,
    { type: QueryTypes.SELECT, replacements: { teacherId } },
  )
}

export async function createList(database: Database, teacherId: string, details: ListChanges): Promise<ListReply> {
  const list = await database.lists.create({ id: randomUUID(), teacherId, archivedAt: null, ...ListDetails.parse(details) })
  return { ...reply(list), entries: [] }
}

/** Gives a list with its entries in order. Throws a Problem where it is not the teacher's. */
export async function readList(database: Database, teacherId: string, listId: string, transaction?: Transaction): Promise<ListReply> {
  const list = await findOwn(database, teacherId, listId, transaction)
  const entries = await database.entries.findAll({ where: { listId }, order: [['position', 'ASC'], ['id', 'ASC']], attributes: { exclude: ['listId'] }, raw: true, transaction })
  return { ...reply(list), entries }
}

/** Gives a list as games see it, and its version, both of one moment. Throws a Problem where it is not the teacher's. */
export async function readEntryList(database: Database, teacherId: string, listId: string): Promise<{ list: EntryList; version: number }> {
  // Within one snapshot, so that a save in between can't give new words under an old version.
  const { version, title, answerLanguage, promptLanguage, entries } = await database.sequelize.transaction(
    { isolationLevel: Transaction.ISOLATION_LEVELS.REPEATABLE_READ }, (transaction) => readList(database, teacherId, listId, transaction))
  return { version, list: { title, answerLanguage, promptLanguage, entries: entries.map(({ position: _, ...entry }) => entry) } }
}

/** Gives the version that a list has now. Throws a Problem where it is not the teacher's. */
export async function readVersion(database: Database, teacherId: string, listId: string): Promise<SavedReply> {
  const { version } = await findOwn(database, teacherId, listId)
  return { version }
}

function reply(list: ListRow): Omit<ListReply, 'entries'> {
  const details = Object.fromEntries(LIST_DETAILS.map((name) => [name, list[name]])) as unknown as ListDetails
  return { id: list.id, version: list.version ?? 0, ...details }
}

/** Applies changes made since a version. Throws a Problem (409) where the list has changed since. */
export async function saveList(database: Database, teacherId: string, listId: string, { version: known, put, remove, ...details }: z.output<typeof SaveList>): Promise<SavedReply> {
  return database.sequelize.transaction(async (transaction) => {
    const list = await findOwn(database, teacherId, listId, transaction, true)
    if (list.version !== known) throw new Problem(409, 'This list was changed in another window.', 'version')
    if (remove.length > 0) await database.entries.destroy({ where: { listId, id: remove }, transaction })
    if (put.length > 0) {
      const strangers = await database.entries.count({ where: { id: put.map(({ id }) => id) }, transaction })
        - await database.entries.count({ where: { listId, id: put.map(({ id }) => id) }, transaction })
      if (strangers > 0) throw new Problem(409, 'An entry of another list has the same id.', 'put')
      await database.entries.bulkCreate(put.map((entry) => ({ ...entry, listId })), { updateOnDuplicate: ['position', ...ENTRY_COLUMNS], transaction })
      const count = await database.entries.count({ where: { listId }, transaction })
      if (count > MAX_ENTRIES) throw new Problem(400, `A list holds ${MAX_ENTRIES} entries at most; this would make ${count}.`, 'put')
    }
    const version = list.version + 1
    await list.update({ ...details, version, updatedAt: new Date() }, { transaction })
    return { version }
  })
}

/** Makes a list like another, with entries of its own. Throws a Problem where the other is not the teacher's. */
export async function duplicateList(database: Database, teacherId: string, listId: string): Promise<ListReply> {
  const { id: _, version: _version, entries, ...details } = await readList(database, teacherId, listId)
  const copy = await database.sequelize.transaction(async (transaction) => {
    const list = await database.lists.create({ ...details, id: randomUUID(), teacherId, archivedAt: null, title: `${details.title} (copy)`.slice(-200) }, { transaction })
    await database.entries.bulkCreate(entries.map((entry) => ({ ...entry, id: randomUUID(), listId: list.id })), { transaction })
    return list
  })
  return readList(database, teacherId, copy.id)
}

/** Puts a list away, or takes it back; nothing is lost either way. */
export async function archiveList(database: Database, teacherId: string, listId: string, archived: boolean): Promise<void> {
  const list = await findOwn(database, teacherId, listId)
  await list.update({ archivedAt: archived ? new Date() : null })
}

export async function deleteList(database: Database, teacherId: string, listId: string): Promise<void> {
  const list = await findOwn(database, teacherId, listId)
  await list.destroy()
}

async function findOwn(database: Database, teacherId: string, listId: string, transaction?: Transaction, lock = false): Promise<ListRow> {
  const list = await database.lists.findOne({ where: { id: listId, teacherId }, transaction, ...(lock && { lock }) })
  if (!list) throw notFound('list')
  return list
}
