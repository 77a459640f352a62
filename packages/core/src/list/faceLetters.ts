import { gridLetters, type LetterStyle } from '../text/gridLetters.ts'
import type { Face } from './face.ts'

const KNOWN = new WeakMap<Face, Map<string, readonly string[]>>()

/**
 * Returns the letters of a face's text as a grid holds them; those of a face seen before are remembered, since every
 * keystroke asks for all.
 */
export function faceLetters(face: Face, { letterCase, accents, language = '' }: LetterStyle): readonly string[] {
  const style = `${letterCase} ${accents} ${language}`
  let byStyle = KNOWN.get(face)
  if (!byStyle) KNOWN.set(face, (byStyle = new Map()))
  let letters = byStyle.get(style)
  if (!letters)
    byStyle.set(
      style,
      (letters = gridLetters(face.text.trim(), { letterCase, accents, language: language || undefined })),
    )
  return letters
}
