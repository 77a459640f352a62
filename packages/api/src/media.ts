import { LanguageCode, textOf } from '@otter/core'
import { z } from 'zod'

/** Largest picture and sound that are taken, in bytes, and the longest sound, in milliseconds. */
export const MAX_PICTURE = 12_000_000
export const MAX_SOUND = 6_000_000
export const MAX_SOUND_LENGTH = 300_000
/** Pictures that are offered for a word. */
export const OFFERED = 6

/** What comes with a file, in the address of the request. */
export const UploadPicture = z.object({ alt: textOf(200).default(''), credit: textOf(300).default('') })
export const UploadSound = z.object({ milliseconds: z.coerce.number().int().min(0).max(MAX_SOUND_LENGTH).default(0) })

/** Takes a picture out of the gallery, for a list. */
export const TakePicture = z.object({
  set: z.enum(['flat', 'plain']),
  name: z.string().max(100),
  alt: textOf(200).default(''),
})
export type TakePicture = z.input<typeof TakePicture>

export const SearchPictures = z.object({
  word: z.string().max(200),
  language: LanguageCode.default(''),
  most: z.coerce.number().int().min(1).max(60).default(24),
})
export const SuggestPictures = z.object({ language: LanguageCode, words: z.array(z.string().max(200)).max(500) })
export type SuggestPictures = z.input<typeof SuggestPictures>

/** A picture that the gallery offers. */
export const OfferedPicture = z.object({
  set: z.enum(['flat', 'plain']),
  name: z.string(),
  /** Where it is drawn from. */
  path: z.string(),
  credit: z.string(),
})
export type OfferedPicture = z.infer<typeof OfferedPicture>

export const SuggestionsReply = z.object({
  /** For each word, up to six pictures, the likeliest first. */
  suggestions: z.array(z.array(OfferedPicture)),
})
export type SuggestionsReply = z.infer<typeof SuggestionsReply>

/** Room for a teacher's pictures and sounds, in bytes. */
export const RoomReply = z.object({ used: z.number().int(), room: z.number().int() })
export type RoomReply = z.infer<typeof RoomReply>
