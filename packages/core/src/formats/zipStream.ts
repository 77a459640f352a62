import { Zip, ZipPassThrough } from 'fflate'

/** A zip archive that is written piece by piece, so that no more than one file of it is in memory. */
export interface ZipStream {
  /** Writes a file. What is in such archives is packed already, or small. */
  add(name: string, bytes: Uint8Array): void
  /** Writes what ends the archive. */
  end(): void
}

/** Begins a zip archive; each piece is given on as it comes. */
export function zipStream(give: (piece: Uint8Array) => void): ZipStream {
  const zip = new Zip((error, piece) => {
    if (error) throw error
    give(piece)
  })
  return {
    add: (name, bytes) => {
      const file = new ZipPassThrough(name)
      zip.add(file)
      file.push(bytes, true)
    },
    end: () => zip.end(),
  }
}

/** Returns a title as a name of a file that every system takes. */
export function fileNameOf(title: string): string {
  return title
    .replace(/[\p{Cc}\p{Cf}<>:"/\\|?*]/gu, ' ')
    .replace(/\s+/gu, ' ')
    .trim()
    .slice(0, 60)
    .replace(/[. ]+$/u, '')
}
