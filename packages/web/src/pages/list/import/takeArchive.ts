import type { Entry, ListDetails } from '@otter/core'
import { withMediaIds } from '@otter/core/formats'
import { uploadPicture, uploadSound } from '../../../api/media.ts'
import { ApiError } from '../../../api/client.ts'
import { newId } from '../../../ui/newId.ts'

/** An archive with its pictures and sounds kept here, and entries with ids of their own. */
export interface TakenArchive {
  details: ListDetails
  entries: Entry[]
  /** Pictures and sounds that were refused. */
  refused: number
}

/** Keeps an archive's pictures and sounds. Throws an ApiError where the connection goes. */
export async function takeArchive(
  details: ListDetails,
  entries: Entry[],
  media: ReadonlyMap<string, Uint8Array>,
): Promise<TakenArchive> {
  const faces = entries.flatMap(({ answer, prompt, choices }) => [answer, prompt, ...choices])
  const lengths = new Map(faces.flatMap(({ sound }) => (sound ? [[sound.id, sound.milliseconds] as const] : [])))
  const ids = new Map<string, string>()
  let refused = 0
  for (const [id, bytes] of media) {
    const file = new Blob([bytes as Uint8Array<ArrayBuffer>])
    const length = lengths.get(id)
    try {
      ids.set(
        id,
        (
          await (length === undefined
            ? isSvg(bytes)
              ? uploadDrawing(file)
              : uploadPicture(file)
            : uploadSound(file, length))
        ).id,
      )
    } catch (error) {
      if (!(error instanceof ApiError) || error.status < 400 || error.status >= 500) throw error
      refused++
    }
  }
  const list = withMediaIds({ format: 'jolly-otter-list', version: 1, details, entries }, ids)
  return { details: list.details, entries: list.entries.map((entry) => ({ ...entry, id: newId() })), refused }
}

function isSvg(bytes: Uint8Array): boolean {
  return new TextDecoder().decode(bytes.subarray(0, 200)).startsWith('<svg')
}

/** A drawing of the gallery came along as SVG, which is taken from nobody; it is drawn into a PNG first. */
async function uploadDrawing(file: Blob): Promise<{ id: string }> {
  const image = new Image(512, 512)
  image.src = `data:image/svg+xml;base64,${btoa(await file.text())}`
  await image.decode()
  const canvas = document.createElement('canvas')
  canvas.width = canvas.height = 512
  canvas.getContext('2d')?.drawImage(image, 0, 0, 512, 512)
  const png = await new Promise<Blob | null>((resolve) => canvas.toBlob(resolve, 'image/png'))
  if (!png) throw new ApiError({ status: 415, code: 'no-drawing' })
  return uploadPicture(png)
}
