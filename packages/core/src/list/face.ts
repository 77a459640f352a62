import { z } from 'zod'
import { cleanText } from '../text/cleanText.ts'

/** Longest text of one face, in UTF-16 units. */
export const MAX_FACE = 2000

/** A line of text such as a hint or a credit, cleaned of what no screen shows. */
export const textOf = (longest: number) => z.string().max(longest).transform(cleanText)

/** A picture as an entry refers to it; its bytes are kept apart. */
export const Picture = z.object({
  id: z.uuid(),
  /** What it shows, in words, for those who can't see it. */
  alt: textOf(200).default(''),
  /** Whose work it is; empty for the teacher's own. */
  credit: textOf(300).default(''),
})
export type Picture = z.infer<typeof Picture> & {
  /** Set in a puzzle where the words would tell what is asked. */
  tells?: boolean
}

/** A recording as an entry refers to it; its bytes are kept apart. */
export const Sound = z.object({ id: z.uuid(), milliseconds: z.number().int().min(0).max(600_000) })
export type Sound = z.infer<typeof Sound>

/** One side of an entry: text, a picture, a sound, or several of them. Text is empty where there is none. */
export const Face = z.object({
  text: textOf(MAX_FACE).default(''),
  picture: Picture.optional(),
  sound: Sound.optional(),
})
export type Face = Omit<z.infer<typeof Face>, 'picture'> & { picture?: Picture }

/** Tells whether there is nothing at all on a face. */
export function isEmptyFace({ text, picture, sound }: Face): boolean {
  return text.trim() === '' && picture === undefined && sound === undefined
}
