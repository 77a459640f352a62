import { strFromU8 } from 'fflate'
import { FileRefusal } from '../refusal.ts'
import { unzipWithin } from '../zip.ts'
import { ARCHIVE_VERSION, ArchivedList, mediaOf, upgradedList } from './archive.ts'

/** Largest archive that is read: as it is, and unpacked; in bytes. */
export const MAX_ARCHIVE = 40_000_000
const LIMITS = { packed: MAX_ARCHIVE, unpacked: 80_000_000, files: 10_000 }

/** A list out of an archive, and the media that it refers to and that were there. */
export interface ReadArchive {
  list: ArchivedList
  media: Map<string, Uint8Array>
}

/** Reads a list written by `writeArchive`. Throws a FileRefusal. */
export function readArchive(bytes: Uint8Array): ReadArchive {
  const files = unzipWithin(bytes, LIMITS, (name) => name === 'list.json' || /^media\/[0-9a-f-]{36}$/iu.test(name))
  if (!('list.json' in files)) throw new FileRefusal('not-this-kind')
  const list = parsed(strFromU8(files['list.json']))
  const media = new Map(
    mediaOf(list).flatMap((id): [string, Uint8Array][] =>
      `media/${id}` in files ? [[id, files[`media/${id}`]!]] : [],
    ),
  )
  return { list, media }
}

function parsed(text: string): ArchivedList {
  let json: unknown
  try {
    json = JSON.parse(text)
  } catch {
    throw new FileRefusal('broken')
  }
  const version = (json as { version?: unknown } | null)?.version
  if (typeof version === 'number' && version > ARCHIVE_VERSION) throw new FileRefusal('newer')
  const list = ArchivedList.safeParse(upgradedList(json))
  if (!list.success) throw new FileRefusal('broken')
  return list.data
}
