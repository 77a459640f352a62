import { foldText } from '../../text/foldText.ts'
import type { Face } from '../face.ts'

const KEYS = new WeakMap<Face, string>()

/** Returns what two faces have in common where they are the same to a student: folded text, picture and sound. */
export function faceKey(face: Face): string {
  let key = KEYS.get(face)
  if (key === undefined) {
    key =
      face.text.trim() === '' && !face.picture && !face.sound
        ? ''
        : `${foldText(face.text)}\u0000${face.picture?.id ?? ''}\u0000${face.sound?.id ?? ''}`
    KEYS.set(face, key)
  }
  return key
}
