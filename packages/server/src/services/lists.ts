import { randomUUID } from 'node:crypto'
import type { ListReply, ListSummary, SavedReply, SaveList } from '@otter/api'
import { MAX_ENTRIES } from '@otter/core'
import { QueryTypes, type Transaction } from 'sequelize'
import type { z } from 'zod'
import type { Database } from '../db/database.ts'
import type { ListRow } from '../db/models.ts'
import { notFound, Problem } from '../problem.ts'

/** Gives a teacher's lists, the one last changed first. */
export async function listLists(database: Database, teacherId: string): Promise<ListSummary[]> {
  return database.sequelize.query<ListSummary>(
    `SELECT l.id, l.title, l.updated_at AS "updatedAt", count(e.id)::int AS "entryCount"
     FROM lists l LEFT JOIN entries e ON e.list_id = l.id
     WHERE l.teacher_id = :teacherId GROUP BY l.id ORDER BY l.updated_at DESC LIMIT 500`,
    { type: QueryTypes.SELECT, replacements: { teacherId } },
  )
}

export async function createList(database: Database, teacherId: string, title: string): Promise<ListReply> {
  const list = await database.lists.create({ id: randomUUID(), teacherId, title, answerLanguage: '', promptLanguage: '' })
  return { ...reply(list), entries: [] }
}

/** Gives a list with its entries in order. Throws a Problem where it is not the teacher's. */
export async function readList(database: Database, teacherId: string, listId: string): Promise<ListReply> {
  const list = await findOwn(database, teacherId, listId)
  const entries = await database.entries.findAll({ where: { listId }, order: [['position', 'ASC'], ['id', 'ASC']] })
  return { ...reply(list), entries: entries.map(({ id, position, answer, prompt }) => ({ id, position, answer, prompt })) }
}

function reply({ id, title, answerLanguage, promptLanguage, version }: ListRow): Omit<ListReply, 'entries'> {
  return { id, title, answerLanguage, promptLanguage, version: version ?? 0 }
}

/** Applies changes made since a version. Throws a Problem (409) where the list has changed since. */
export async function saveList(database: Database, teacherId: string, listId: string, changes: z.output<typeof SaveList>): Promise<SavedReply> {
  return database.sequelize.transaction(async (transaction) => {
    const list = await findOwn(database, teacherId, listId, transaction)
    if (list.version !== changes.version) throw new Problem(409, 'This list was changed in another window.', 'version')
    if (changes.remove.length > 0) await database.entries.destroy({ where: { listId, id: changes.remove }, transaction })
    if (changes.put.length > 0) {
      const strangers = await database.entries.count({ where: { id: changes.put.map(({ id }) => id) }, transaction })
        - await database.entries.count({ where: { listId, id: changes.put.map(({ id }) => id) }, transaction })
      if (strangers > 0) throw new Problem(409, 'An entry of another list has the same id.', 'put')
      await database.entries.bulkCreate(
        changes.put.map((entry) => ({ ...entry, listId })),
        { updateOnDuplicate: ['position', 'answer', 'prompt'], transaction },
      )
      const count = await database.entries.count({ where: { listId }, transaction })
      if (count > MAX_ENTRIES) throw new Problem(400, `A list holds ${MAX_ENTRIES} entries at most; this would make ${count}.`, 'put')
    }
    const version = list.version + 1
    await list.update({
      version, updatedAt: new Date(),
      title: changes.title ?? list.title, answerLanguage: changes.answerLanguage ?? list.answerLanguage, promptLanguage: changes.promptLanguage ?? list.promptLanguage,
    }, { transaction })
    return { version }
  })
}

export async function deleteList(database: Database, teacherId: string, listId: string): Promise<void> {
  const list = await findOwn(database, teacherId, listId)
  await list.destroy()
}

async function findOwn(database: Database, teacherId: string, listId: string, transaction?: Transaction): Promise<ListRow> {
  const list = await database.lists.findOne({ where: { id: listId, teacherId }, transaction, ...(transaction && { lock: true }) })
  if (!list) throw notFound('list')
  return list
}
