import { randomUUID } from 'node:crypto'
import type { OfferedPicture, RoomReply, TakePicture } from '@otter/api'
import type { Picture, Sound } from '@otter/core'
import type { Attributes } from 'sequelize'
import type { z } from 'zod'
import type { MediumRow } from '../db/models.ts'
import type { Scope, TeacherScope } from '../db/scope.ts'
import { openGallery, type GalleryPicture } from '../gallery/pictures.ts'
import { searchPictures } from '../gallery/search.ts'
import { notFound, Problem } from '../problem.ts'
import { drawSvg, type EncodedPicture } from './pictures.ts'
import type { InspectedSound } from './sounds.ts'

/** A picture or sound as it is stored. */
export type Medium = Attributes<MediumRow>

/** Most bytes of pictures and sounds that one teacher can keep. */
const ROOM = 400_000_000

/** Keeps a teacher's picture, already encoded. Throws a Problem where there is no room. */
export async function keepPicture(
  scope: TeacherScope,
  { bytes, type }: EncodedPicture,
  { alt, credit }: { alt: string; credit: string },
): Promise<Picture> {
  return { id: await keep(scope, { kind: 'picture', type, bytes, gallery: null }), alt, credit }
}

/** Keeps a teacher's sound, already inspected. Throws a Problem where there is no room. */
export async function keepSound(
  scope: TeacherScope,
  bytes: Buffer,
  { type, milliseconds }: InspectedSound,
): Promise<Sound> {
  return { id: await keep(scope, { kind: 'sound', type, bytes, gallery: null }), milliseconds }
}

/** Takes a picture of the gallery for a teacher: it gets an id that tells nothing of what it shows. */
export async function takePicture(
  scope: TeacherScope,
  { set, name, alt }: z.output<typeof TakePicture>,
): Promise<Picture> {
  const gallery = openGallery()
  if (gallery.svgOf(set, name) === undefined) throw notFound()
  return {
    id: await keep(scope, { kind: 'picture', type: 'image/svg+xml', bytes: null, gallery: `${set}/${name}` }),
    alt,
    credit: gallery.creditOf(set),
  }
}

async function keep(scope: TeacherScope, medium: Pick<Medium, 'kind' | 'type' | 'bytes' | 'gallery'>): Promise<string> {
  const size = medium.bytes?.length ?? 0
  if (size > 0) {
    // Two uploads at once would both find the last room free: one waits for the other here.
    await scope.query('SELECT 1 FROM teachers WHERE id = $teacherId FOR UPDATE', { teacherId: scope.teacherId })
    const { used } = await readRoom(scope)
    if (used + size > ROOM)
      throw new Problem(413, 'no-room', { values: { used: Math.round(used / 1e6), most: ROOM / 1e6 } })
  }
  const { id } = await scope.tables.media.create({ id: randomUUID(), teacherId: scope.teacherId, size, ...medium })
  return id
}

/**
 * Ids of all that a teacher's lists and games refer to. Whatever looks like an id counts: keeping too much does no
 * harm.
 */
const REFERENCES = `SELECT DISTINCT (regexp_matches(words,
  '[0-9a-f]{8}-[0-9a-f]{4}-[0-9a-f]{4}-[0-9a-f]{4}-[0-9a-f]{12}', 'g'))[1]::uuid AS id FROM (
  SELECT concat(e.answer, e.prompt, e.choices) AS words FROM entries e JOIN lists l ON l.id = e.list_id
    WHERE l.teacher_id = $teacherId
  UNION ALL SELECT l.cover::text FROM lists l WHERE l.teacher_id = $teacherId
  UNION ALL SELECT concat(v.puzzle, v.options) FROM game_versions v JOIN games g ON g.id = v.game_id
    WHERE g.teacher_id = $teacherId) AS texts`

/**
 * Returns how much room a teacher's pictures and sounds take, and how much of it is taken by those that nothing uses;
 * in bytes.
 */
export async function readRoom(scope: TeacherScope): Promise<RoomReply> {
  const { used } = (
    await scope.query<{ used: string }>(
      'SELECT coalesce(sum(size), 0) AS used FROM media WHERE teacher_id = $teacherId',
      { teacherId: scope.teacherId },
    )
  )[0]!
  return { used: Number(used), room: ROOM }
}

/**
 * Deletes a teacher's pictures and sounds that nothing uses, but the newest: what was just sent may not be saved yet.
 * Returns the room after it.
 */
export async function freeRoom(scope: TeacherScope): Promise<RoomReply> {
  await scope.query(
    `DELETE FROM media m WHERE m.teacher_id = $teacherId AND m.created_at < now() - interval '1 day'
      AND m.id NOT IN (${REFERENCES})`,
    { teacherId: scope.teacherId },
  )
  return readRoom(scope)
}

/** How long what nothing uses is kept: a draft on another device, or an undo, may still want it. */
const UNUSED_KEPT = '60 days'

/**
 * Notes for one teacher, whose turn it is, since when which pictures and sounds are unused, and deletes those that have
 * been for long. Returns whether there was one.
 */
export async function sweepMedia(scope: Scope<null>): Promise<boolean> {
  const [teacher] = await scope.query<{ id: string }>(
    `UPDATE teachers SET media_swept_at = now() WHERE id = (SELECT id FROM teachers WHERE media_swept_at IS NULL
      OR media_swept_at < now() - interval '1 day' ORDER BY media_swept_at NULLS FIRST
      LIMIT 1 FOR UPDATE SKIP LOCKED) RETURNING id`,
  )
  if (!teacher) return false
  const values = { teacherId: teacher.id }
  await scope.query(
    `UPDATE media m SET unused_since = CASE WHEN r.id IS NULL THEN coalesce(m.unused_since, now()) END FROM media n
      LEFT JOIN (${REFERENCES}) r ON r.id = n.id WHERE n.id = m.id AND m.teacher_id = $teacherId`,
    values,
  )
  await scope.query(
    `DELETE FROM media WHERE teacher_id = $teacherId AND unused_since < now() - interval '${UNUSED_KEPT}'`,
    values,
  )
  return true
}

/**
 * Returns the bytes of a picture or sound. Who knows its id may see it: ids can't be guessed. Throws a Problem where
 * there is none.
 */
export async function readMedium(scope: Scope, id: string): Promise<{ type: string; bytes: Buffer }> {
  const medium = await scope.tables.media.findOne({ where: { id } })
  if (!medium) throw notFound()
  return { type: medium.type, bytes: bytesOf(medium) }
}

function bytesOf({ bytes, gallery }: Pick<Medium, 'bytes' | 'gallery'>): Buffer {
  if (bytes) return bytes
  const [set, name] = (gallery ?? '').split('/')
  return Buffer.from(openGallery().svgOf(set!, name!) ?? '')
}

/** Returns pictures as they are stored. Those that are no more are left out. */
export async function printableMedia(scope: Scope, ids: readonly string[]): Promise<Medium[]> {
  return ids.length === 0 ? [] : scope.tables.media.findAll({ where: { id: [...ids], kind: 'picture' } })
}

/** Returns pictures and sounds as they are stored, by id. */
export async function storedMedia(scope: Scope, ids: readonly string[]): Promise<Map<string, Uint8Array>> {
  const media = ids.length === 0 ? [] : await scope.tables.media.findAll({ where: { id: [...ids] } })
  return new Map(media.map((medium) => [medium.id, bytesOf(medium)]))
}

/**
 * Copies pictures and sounds, whoever's they are, for the teacher who acts; returns the copies' ids by those copied. Throws
 * a Problem where there is no room.
 */
export async function copyMedia(scope: TeacherScope, ids: readonly string[]): Promise<Map<string, string>> {
  if (ids.length === 0) return new Map()
  const copies = await scope.query<{ old: string; id: string }>(
    `WITH pairs AS (SELECT old, gen_random_uuid() AS id FROM unnest($ids::uuid[]) AS n (old)),
      copied AS (INSERT INTO media (id, teacher_id, kind, type, size, bytes, gallery)
        SELECT p.id, $teacherId, m.kind, m.type, m.size, m.bytes, m.gallery FROM pairs p JOIN media m ON m.id = p.old
        RETURNING id)
      SELECT p.old, p.id FROM pairs p JOIN copied c ON c.id = p.id`,
    { ids, teacherId: scope.teacherId },
  )
  const { used } = await readRoom(scope)
  if (used > ROOM) throw new Problem(413, 'no-room', { values: { used: Math.round(used / 1e6), most: ROOM / 1e6 } })
  return new Map(copies.map(({ old, id }) => [old, id]))
}

/** Returns pictures as paper takes them, by id: PNG or JPEG, drawings at the sharpness of print. */
export async function drawnMedia(media: readonly Medium[]): Promise<Record<string, Uint8Array>> {
  return Object.fromEntries(
    await Promise.all(
      media.map(
        async (medium) =>
          [medium.id, medium.type === 'image/svg+xml' ? await drawSvg(bytesOf(medium)) : bytesOf(medium)] as const,
      ),
    ),
  )
}

/** Returns what the gallery has for a word, the likeliest first. */
export function offerPictures(word: string, language: string, most: number): OfferedPicture[] {
  return searchPictures(word, language, most).map(offered)
}

function offered({ set, name }: GalleryPicture): OfferedPicture {
  return { set, name, path: `/api/gallery/${set}/${name}.svg`, credit: openGallery().creditOf(set) }
}
