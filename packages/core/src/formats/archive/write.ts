import { strToU8, zipSync, type Zippable } from 'fflate'
import type { ListDetails } from '../../list/details.ts'
import type { Entry } from '../../list/entry.ts'
import { ARCHIVE_VERSION, type ArchivedList } from './archive.ts'

/** Writes a list with its pictures and sounds as a zip archive. */
export function writeArchive(
  details: ListDetails,
  entries: readonly Entry[],
  media: ReadonlyMap<string, Uint8Array>,
): Uint8Array {
  const list: ArchivedList = { format: 'jolly-otter-list', version: ARCHIVE_VERSION, details, entries: [...entries] }
  const files: Zippable = { 'list.json': strToU8(JSON.stringify(list, null, 1)) }
  // Pictures and sounds are packed already.
  for (const [id, bytes] of media) files[`media/${id}`] = [bytes, { level: 0 }]
  return zipSync(files)
}
