import { unzipSync, type UnzipFileInfo } from 'fflate'
import { FileRefusal } from './refusal.ts'

export interface ZipLimits {
  /** Most bytes of the archive itself, of all its files unpacked, and most files. */
  packed: number
  unpacked: number
  files: number
}

/**
 * Unpacks the wanted files of a zip archive. Sizes are checked before anything is unpacked, and what unpacks to more
 * than it said is refused too; so memory stays within the limits. Throws a FileRefusal.
 */
export function unzipWithin(
  bytes: Uint8Array,
  limits: ZipLimits,
  wanted: (name: string) => boolean = () => true,
): Record<string, Uint8Array> {
  if (bytes.length > limits.packed) throw new FileRefusal('too-big')
  if (bytes[0] !== 0x50 || bytes[1] !== 0x4b) throw new FileRefusal('not-this-kind')
  const declared = new Map<string, number>()
  let files = 0
  let total = 0
  const take = ({ name, originalSize, size }: UnzipFileInfo): boolean => {
    files++
    if (files > limits.files) throw new FileRefusal('unpacks-too-big')
    if (!isSafePath(name)) throw new FileRefusal('bad-path')
    if (!wanted(name) || name.endsWith('/')) return false
    total += Math.max(originalSize, size)
    if (total > limits.unpacked) throw new FileRefusal('unpacks-too-big')
    // Two files of one name: the second would replace the first unseen.
    if (declared.has(name)) throw new FileRefusal('broken')
    declared.set(name, originalSize)
    return true
  }
  try {
    const unpacked = unzipSync(bytes, { filter: take })
    for (const [name, content] of Object.entries(unpacked))
      if (content.length !== declared.get(name)) throw new FileRefusal('broken')
    return unpacked
  } catch (error) {
    if (error instanceof FileRefusal) throw error
    throw new FileRefusal('broken')
  }
}

/** Tells whether a path inside an archive stays inside it. */
function isSafePath(name: string): boolean {
  return (
    !name.startsWith('/') &&
    !name.includes('\\') &&
    !name.includes('\u0000') &&
    !/^[a-z]:/iu.test(name) &&
    !name.split('/').includes('..')
  )
}
