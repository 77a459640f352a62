import { MAX_SOUND_LENGTH } from '@otter/api'
import { parseBuffer } from 'music-metadata'
import { Problem } from '../problem.ts'

/** Media types that browsers play, by what a file's content says it is. */
const TYPES: readonly [container: RegExp, type: string][] = [
  [/^(EBML\/)?(webm|matroska)/iu, 'audio/webm'],
  [/^ogg/iu, 'audio/ogg'],
  [/^wave/iu, 'audio/wav'],
  [/^mpeg$/iu, 'audio/mpeg'],
  [/^adts/iu, 'audio/aac'],
  [/^(m4a|mp4|isom|mp42|iso\d|dash|qt)/iu, 'audio/mp4'],
  [/^flac/iu, 'audio/flac'],
]

/**
 * Types in which browsers record without saying how long; of all others, a file without a length is a head without a
 * sound.
 */
const UNMEASURED = new Set(['audio/webm', 'audio/ogg', 'audio/mp4'])

/** What kind of sound a file is, and how long. */
export interface InspectedSound {
  type: string
  milliseconds: number
}

/**
 * Tells by its content what kind of sound a file is, and how long; recordings of browsers say no length, so that the
 * one measured while recording counts. Throws a Problem where it is no sound, holds pictures, or is too long.
 */
export async function inspectSound(bytes: Buffer, measured: number): Promise<InspectedSound> {
  const unreadable = new Problem(415, 'no-sound')
  const { format } = await parseBuffer(bytes, undefined, { skipCovers: true, duration: true }).catch(() => {
    throw unreadable
  })
  const type = TYPES.find(([container]) => container.test(format.container ?? ''))?.[1]
  if (type === undefined || format.hasVideo || !format.codec || (!format.duration && !UNMEASURED.has(type)))
    throw unreadable
  const milliseconds = format.duration ? Math.round(format.duration * 1000) : measured
  if (milliseconds > MAX_SOUND_LENGTH)
    throw new Problem(413, 'sound-too-long', {
      values: { minutes: Math.round(milliseconds / 60_000), most: MAX_SOUND_LENGTH / 60_000 },
    })
  return { type, milliseconds }
}
