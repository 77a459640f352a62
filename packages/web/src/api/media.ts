import { MAX_PICTURE, MAX_SOUND, type OfferedPicture } from '@otter/api'
import type { Picture, Sound } from '@otter/core'
import { ApiError, call } from './client.ts'
import { sendFile } from './files.ts'

/** Keeps a picture from a file. Throws an ApiError where it is none. */
export async function uploadPicture(file: Blob, alt = '', credit = ''): Promise<Picture> {
  refuseBeyond(file, MAX_PICTURE)
  return sendFile<Picture>(
    `/media/pictures?${new URLSearchParams({ alt: alt.slice(0, 200), credit: credit.slice(0, 300) }).toString()}`,
    file,
  )
}

/**
 * Keeps a sound from a file or a recording, which is so many milliseconds long as far as is known. Throws an ApiError
 * where it is none.
 */
export async function uploadSound(file: Blob, milliseconds = 0): Promise<Sound> {
  refuseBeyond(file, MAX_SOUND)
  return sendFile<Sound>(`/media/sounds?milliseconds=${Math.round(milliseconds)}`, file)
}

/** Takes a picture of the gallery. */
export async function takeOffered({ set, name }: OfferedPicture, alt: string): Promise<Picture> {
  return call<Picture>('POST', '/media/gallery', { set, name, alt: alt.slice(0, 200) })
}

function refuseBeyond(file: Blob, most: number): void {
  if (file.size > most)
    throw new ApiError({
      status: 413,
      code: 'file-too-big',
      values: { most: most / 1e6, has: Math.round(file.size / 1e6) },
    })
}
