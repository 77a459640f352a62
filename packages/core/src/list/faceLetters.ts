import { gridLetters, type LetterStyle } from '../text/graphemes.ts'
import type { Face } from './face.ts'

const KNOWN = new WeakMap<Face, { style: string; letters: readonly string[] }>()

/** Gives the letters of a face's text as a grid holds them; those of a face seen before are remembered, since every keystroke asks for all. */
export function faceLetters(face: Face, { letterCase, accents, language = '' }: LetterStyle): readonly string[] {
  const style = `${letterCase} ${accents} ${language}`
  const known = KNOWN.get(face)
  if (known?.style === style) return known.letters
  const letters = gridLetters(face.text.trim(), { letterCase, accents, language: language || undefined })
  KNOWN.set(face, { style, letters })
  return letters
}
