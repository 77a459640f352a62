import { randomInt } from 'node:crypto'
import { OfferRules, type GiveList, type GivenReply, type GivingReply } from '@otter/api'
import { Asking, gameOf, type GameKind } from '@otter/core'
import { mediaOf, withMediaIds } from '@otter/core/formats'
import type { z } from 'zod'
import { inScope, type Scope, type TeacherScope } from '../db/scope.ts'
import { notFound, Problem } from '../problem.ts'
import { copyList, isListHere, readList, readVersion } from './lists.ts'
import { copyMedia } from './media.ts'
import { CODE_LETTERS, createOffer, type Making } from './offers.ts'
import { idFrom } from './idFrom.ts'

/** Longer than any game's code: nobody tries them through. */
const CODE_LENGTH = 16
/** Most pieces of set work that come along with a list. */
const MOST_WORK = 20

/** Returns how a list is given to colleagues. Throws a Problem where it is another's. */
export async function readGiving(scope: TeacherScope, listId: string): Promise<GivingReply> {
  const [list] = await scope.query<{
    code: string | null
    withWork: boolean | null
    title: string | null
    teacher: string | null
  }>(
    `SELECT c.code, c.with_work AS "withWork", l.origin_title AS title, l.origin_teacher AS teacher FROM lists l
      LEFT JOIN list_copies c ON c.list_id = l.id WHERE l.id = $listId AND l.teacher_id = $teacherId`,
    { listId, teacherId: scope.teacherId },
  )
  if (!list) throw notFound()
  const { code, withWork, title, teacher } = list
  return {
    code,
    withWork: withWork ?? false,
    origin: title === null || teacher === null ? null : { title, teacher },
  }
}

/** Lets colleagues take copies of a list; the link stays the same. Throws a Problem where it is another's. */
export async function giveList(
  scope: TeacherScope,
  listId: string,
  { withWork }: z.output<typeof GiveList>,
): Promise<GivingReply> {
  await readVersion(scope, listId)
  const code = Array.from({ length: CODE_LENGTH }, () => CODE_LETTERS[randomInt(CODE_LETTERS.length)]).join('')
  await scope.query(
    `INSERT INTO list_copies (code, list_id, with_work) VALUES ($code, $listId, $withWork)
      ON CONFLICT (list_id) DO UPDATE SET with_work = excluded.with_work`,
    { code, listId, withWork },
  )
  return readGiving(scope, listId)
}

/** Lets nobody take a copy any more: the link is worth nothing then. */
export async function keepList(scope: TeacherScope, listId: string): Promise<void> {
  await readVersion(scope, listId)
  await scope.query('DELETE FROM list_copies WHERE list_id = $listId', { listId })
}

/** A list as it is given, and whose it is. */
interface Given {
  listId: string
  teacherId: string
  title: string
  teacher: string
  withWork: boolean
}

async function givenBy(scope: Scope<string>, code: string): Promise<Given> {
  const [given] = await scope.query<Given>(
    `SELECT l.id AS "listId", l.teacher_id AS "teacherId", l.title, t.name AS teacher, c.with_work AS "withWork"
      FROM list_copies c JOIN lists l ON l.id = c.list_id JOIN teachers t ON t.id = l.teacher_id WHERE c.code = $code`,
    { code },
  )
  if (!given) throw new Problem(404, 'no-such-copy')
  return given
}

/** A piece of set work that comes along with a list. */
interface GivenWork {
  offerId: string
  kind: GameKind
  options: unknown
  seed: string
  name: string
  note: string
  rules: unknown
}

function workOf(scope: Scope<string>, listId: string): Promise<GivenWork[]> {
  return scope.query<GivenWork>(
    `SELECT o.id AS "offerId", g.kind, v.options, v.seed, o.name, o.note, o.rules FROM games g
      JOIN game_versions v ON v.game_id = g.id JOIN offer_games m ON m.game_version_id = v.id AND m.position = 0
      JOIN offers o ON o.id = m.offer_id
      WHERE g.list_id = $listId AND o.rules ->> 'type' = 'link' AND o.archived_at IS NULL AND o.practised_by IS NULL
      ORDER BY o.created_at DESC, o.id LIMIT ${MOST_WORK}`,
    { listId },
  )
}

/** Returns what a colleague gives by a code. Throws a Problem where there is no such code. */
export async function readGiven(scope: TeacherScope, code: string): Promise<GivenReply> {
  const { listId, title, teacher, withWork } = await givenBy(scope, code)
  const [{ count } = { count: 0 }] = await scope.query<{ count: number }>(
    'SELECT count(*)::int AS count FROM entries WHERE list_id = $listId',
    { listId },
  )
  return { title, teacher, entries: count, work: withWork ? (await workOf(scope, listId)).length : 0 }
}

/**
 * Takes a copy of what a colleague gives: entries of its own, with pictures and sounds, and its set work as closed links
 * that are for no class yet. Sent again, it is taken once. Throws a Problem where there is no such code, or no room.
 */
export async function takeCopy(
  making: Making,
  teacherId: string,
  code: string,
  id: string,
  signal?: AbortSignal,
): Promise<void> {
  const { work, entryIds } = await inScope(making, { teacherId }, async (scope) => {
    await scope.query('SELECT 1 FROM teachers WHERE id = $teacherId FOR UPDATE', { teacherId })
    const given = await givenBy(scope, code)
    const { entries, id: _, version: _version, ...details } = await inScopeOf(scope, given)
    const known = await isListHere(scope, id)
    const ids = new Map(entries.map((entry) => [entry.id, idFrom([id, entry.id])]))
    if (!known) {
      const media = await copyMedia(scope, mediaOf({ details, entries }))
      await copyList(scope, id, withMediaIds({ details, entries }, media), (entryId) => ids.get(entryId)!)
      await scope.query('UPDATE lists SET origin_title = $title, origin_teacher = $teacher WHERE id = $id', {
        id,
        title: given.title,
        teacher: given.teacher,
      })
    }
    return { work: given.withWork ? await workOf(scope, given.listId) : [], entryIds: ids }
  })
  for (const { offerId, kind, options, seed, name, note, rules } of work) {
    const stored = OfferRules.parse(rules)
    const chosen = gameOf(kind).options.safeParse(options)
    if (stored.type !== 'link' || !chosen.success) continue
    const entries = Asking.parse(chosen.data).entries.flatMap((entryId) => entryIds.get(entryId) ?? [])
    await createOffer(
      making,
      teacherId,
      id,
      { kind, options: { ...chosen.data, entries }, seed, name, requestId: idFrom([id, offerId]) },
      {
        // Who it was for, and of which games one was picked, is the colleague's.
        rules: {
          ...stored,
          work: { ...stored.work, who: 'anyone', students: [], attemptsOf: {}, factorOf: {}, kinds: [] },
        },
        opened: async (scope, copied) => {
          await scope.query('UPDATE offers SET open = false, note = $note WHERE id = $copied', { copied, note })
        },
      },
      signal,
    )
  }
}

/** Reads a list as the teacher whose it is. */
function inScopeOf(scope: TeacherScope, { teacherId, listId }: Given): ReturnType<typeof readList> {
  return readList({ ...scope, teacherId }, listId)
}
