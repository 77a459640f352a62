import { randomUUID } from 'node:crypto'
import type { OfferedPicture, TakePicture } from '@otter/api'
import type { Picture, Sound } from '@otter/core'
import type { z } from 'zod'
import type { Database } from '../db/database.ts'
import type { MediumRow } from '../db/models.ts'
import { openGallery, type GalleryPicture } from '../gallery/pictures.ts'
import { searchPictures } from '../gallery/search.ts'
import { notFound, Problem } from '../problem.ts'
import { drawSvg, encodePicture } from './pictures.ts'
import { inspectSound } from './sounds.ts'

/** Most bytes of pictures and sounds that one teacher can keep. */
const ROOM = 400_000_000

/** Keeps a teacher's picture. Throws a Problem where it is none. */
export async function keepPicture(database: Database, teacherId: string, sent: Buffer, { alt, credit }: { alt: string; credit: string }): Promise<Picture> {
  const { bytes, type } = await encodePicture(sent)
  return { id: await keep(database, teacherId, { kind: 'picture', type, bytes, gallery: null }), alt, credit }
}

/** Keeps a teacher's sound. Throws a Problem where it is none. */
export async function keepSound(database: Database, teacherId: string, bytes: Buffer, measured: number): Promise<Sound> {
  const { type, milliseconds } = await inspectSound(bytes, measured)
  return { id: await keep(database, teacherId, { kind: 'sound', type, bytes, gallery: null }), milliseconds }
}

/** Takes a picture of the gallery for a teacher: it gets an id that tells nothing of what it shows. */
export async function takePicture(database: Database, teacherId: string, { set, name, alt }: z.output<typeof TakePicture>): Promise<Picture> {
  const gallery = openGallery()
  if (gallery.svgOf(set, name) === undefined) throw notFound('picture')
  return { id: await keep(database, teacherId, { kind: 'picture', type: 'image/svg+xml', bytes: null, gallery: `${set}/${name}` }), alt, credit: gallery.creditOf(set) }
}

async function keep(database: Database, teacherId: string, medium: { kind: 'picture' | 'sound'; type: string; bytes: Buffer | null; gallery: string | null }): Promise<string> {
  const size = medium.bytes?.length ?? 0
  const used = size === 0 ? 0 : Number(await database.media.sum('size', { where: { teacherId } }) ?? 0)
  if (used + size > ROOM) throw new Problem(413, `Your pictures and sounds fill ${Math.round(used / 1e6)} of ${ROOM / 1e6} megabytes; this one doesn’t fit.`)
  const { id } = await database.media.create({ id: randomUUID(), teacherId, size, ...medium })
  return id
}

/** Gives the bytes of a picture or sound. Who knows its id may see it: ids can't be guessed. Throws a Problem where there is none. */
export async function readMedium(database: Database, id: string): Promise<{ type: string; bytes: Buffer }> {
  const medium = await database.media.findByPk(id)
  if (!medium) throw notFound('picture or sound')
  return { type: medium.type, bytes: bytesOf(medium) }
}

function bytesOf({ bytes, gallery }: MediumRow): Buffer {
  if (bytes) return bytes
  const [set, name] = (gallery ?? '').split('/')
  return Buffer.from(openGallery().svgOf(set, name) ?? '')
}

/** Gives pictures as paper takes them, by id: PNG or JPEG, drawings at the sharpness of print. Those that are no more are left out. */
export async function printablePictures(database: Database, ids: readonly string[]): Promise<Record<string, Uint8Array>> {
  const media = ids.length === 0 ? [] : await database.media.findAll({ where: { id: [...ids], kind: 'picture' } })
  return Object.fromEntries(await Promise.all(media.map(async (medium) => [medium.id, medium.type === 'image/svg+xml' ? await drawSvg(bytesOf(medium)) : bytesOf(medium)] as const)))
}

/** Gives what the gallery has for a word, the likeliest first. */
export function offerPictures(word: string, language: string, most: number): OfferedPicture[] {
  return searchPictures(word, language, most).map(offered)
}

function offered({ set, name }: GalleryPicture): OfferedPicture {
  return { set, name, path: `/api/gallery/${set}/${name}.svg`, credit: openGallery().creditOf(set) }
}
