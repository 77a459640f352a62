import { createHash, randomInt, randomUUID } from 'node:crypto'
import { Seed, type CreateLink, type LinkReply } from '@otter/api'
import { Asking, gameOf, type EntryList, type GameKind } from '@otter/core'
import { QueryTypes } from 'sequelize'
import type { z } from 'zod'
import type { Database } from '../db/database.ts'
import type { GameVersionRow } from '../db/models.ts'
import { notFound } from '../problem.ts'
import type { Workers } from '../workers/pool.ts'
import { readEntryList, readVersion } from './lists.ts'

/** No vowels, so that no code is a word; none that look alike. */
const CODE_LETTERS = 'BCDFGHJKMNPQRTVWXZ346789'
const CODE_LENGTH = 6

const LINKS = `SELECT k.id, g.list_id AS "listId", g.kind, k.code, k.open, v.seed, k.created_at AS "createdAt", count(p.id)::int AS players,
  coalesce(v.list_version < l.version, false) AS outdated
  FROM links k JOIN games g ON g.id = k.game_id JOIN lists l ON l.id = g.list_id
  JOIN LATERAL (SELECT seed, list_version FROM game_versions WHERE game_id = g.id ORDER BY number DESC LIMIT 1) v ON true
  LEFT JOIN players p ON p.link_id = k.id WHERE l.teacher_id = :teacherId AND`
const GROUPED = 'GROUP BY k.id, g.id, v.seed, v.list_version, l.version ORDER BY k.created_at DESC LIMIT 200'

/** Gives the links of a teacher's list, the newest first. Throws a Problem where the list is another's. */
export async function linksOfList(database: Database, teacherId: string, listId: string): Promise<LinkReply[]> {
  await readVersion(database, teacherId, listId)
  return database.sequelize.query<LinkReply>(`${LINKS} g.list_id = :listId ${GROUPED}`, { type: QueryTypes.SELECT, replacements: { teacherId, listId } })
}

/** Gives one of a teacher's links. Throws a Problem where it is another's. */
export async function readLink(database: Database, teacherId: string, linkId: string): Promise<LinkReply> {
  const [link] = await database.sequelize.query<LinkReply>(`${LINKS} k.id = :linkId ${GROUPED}`, { type: QueryTypes.SELECT, replacements: { teacherId, linkId } })
  if (!link) throw notFound('link')
  return link
}

/**
 * Shares a list as a game, and makes the puzzle. The same list, options and seed give the link that is there, opened
 * again. Throws a Problem where the list can't become the game.
 */
export async function createLink(database: Database, workers: Workers, teacherId: string, listId: string, { kind, options: given, seed }: z.output<typeof CreateLink>): Promise<LinkReply> {
  const { list, version: listVersion } = await readEntryList(database, teacherId, listId)
  const options = gameOf(kind).options.parse(given ?? {})
  const fingerprint = fingerprintOf(list, kind, options, seed)
  const [known] = await database.sequelize.query<{ id: string }>(
    `SELECT k.id FROM links k JOIN games g ON g.id = k.game_id JOIN game_versions v ON v.game_id = g.id
     WHERE g.list_id = :listId AND v.fingerprint = :fingerprint AND v.number = (SELECT max(number) FROM game_versions WHERE game_id = g.id) ORDER BY k.created_at DESC LIMIT 1`,
    { type: QueryTypes.SELECT, replacements: { listId, fingerprint } },
  )
  if (known) return changeLink(database, teacherId, known.id, true)
  const puzzle = await workers.make({ kind, list, options, seed: Seed.parse(seed) })
  const linkId = await database.sequelize.transaction(async (transaction) => {
    const game = await database.games.create({ id: randomUUID(), listId, kind }, { transaction })
    await database.gameVersions.create({ id: randomUUID(), gameId: game.id, number: 1, title: list.title, language: options.ask === 'answer' ? list.answerLanguage : list.promptLanguage, options, seed, fingerprint, puzzle, listVersion }, { transaction })
    const code = await freeCode(database)
    const link = await database.links.create({ id: randomUUID(), gameId: game.id, code }, { transaction })
    return link.id
  })
  return readLink(database, teacherId, linkId)
}

function fingerprintOf(list: EntryList, kind: GameKind, options: unknown, seed: string): string {
  return createHash('sha256').update(JSON.stringify([list, kind, options, seed])).digest('base64')
}

/**
 * Makes a link's game anew from the words as they are now, with the same options and seed, under the same code. Who is
 * playing goes on with the version begun. Throws a Problem where it is another's, or the words no longer suffice.
 */
export async function renewLink(database: Database, workers: Workers, teacherId: string, linkId: string): Promise<LinkReply> {
  const { listId, kind } = await readLink(database, teacherId, linkId)
  const { list, version: listVersion } = await readEntryList(database, teacherId, listId)
  const { gameId } = await database.links.findByPk(linkId, { rejectOnEmpty: true })
  const last = await database.gameVersions.findOne({ where: { gameId }, order: [['number', 'DESC']], rejectOnEmpty: true })
  const options = Asking.parse(last.options)
  const puzzle = await workers.make({ kind, list, options: gameOf(kind).options.parse(last.options), seed: last.seed })
  await database.sequelize.transaction(async (transaction) => {
    // Two windows may renew at once: the lock on the game puts one after the other, each with a number of its own.
    await database.games.findByPk(gameId, { lock: true, transaction, rejectOnEmpty: true })
    const number = await database.gameVersions.max<number, GameVersionRow>('number', { where: { gameId }, transaction })
    await database.gameVersions.create({
      id: randomUUID(), gameId, number: number + 1, title: list.title, language: options.ask === 'answer' ? list.answerLanguage : list.promptLanguage,
      options: last.options, seed: last.seed, fingerprint: fingerprintOf(list, kind, last.options, last.seed), puzzle, listVersion,
    }, { transaction })
  })
  return readLink(database, teacherId, linkId)
}

async function freeCode(database: Database): Promise<string> {
  for (;;) {
    const code = Array.from({ length: CODE_LENGTH }, () => CODE_LETTERS[randomInt(CODE_LETTERS.length)]).join('')
    if (await database.links.count({ where: { code } }) === 0) return code
  }
}

/** Closes or reopens a link. Throws a Problem where it is another's. */
export async function changeLink(database: Database, teacherId: string, linkId: string, open: boolean): Promise<LinkReply> {
  await readLink(database, teacherId, linkId)
  await database.links.update({ open }, { where: { id: linkId } })
  return readLink(database, teacherId, linkId)
}
