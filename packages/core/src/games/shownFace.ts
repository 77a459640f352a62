import type { Face } from '../list/face.ts'
import type { SheetSquare } from '../print/sheet.ts'

/** A face as a player may see it: nothing about it tells the answer. */
export interface ShownFace {
  text: string
  picture: { id: string; alt: string } | null
  sound: string | null
}

/**
 * Returns a face as it is before the answer: the words of a picture that would tell it are left out (see telling.ts).
 */
export function shownFace(face: Face): ShownFace {
  return face.picture?.tells ? withoutWords(face) : revealedFace(face)
}

/**
 * Returns faces to choose from: where the words of one picture would tell, those of all are left out, since a gap would
 * tell as well.
 */
export function shownTogether(faces: readonly Face[]): ShownFace[] {
  return faces.map(faces.some(({ picture }) => picture?.tells) ? withoutWords : revealedFace)
}

/** Returns a face with the words of its picture, for when the answer is known. */
export function revealedFace({ text, picture, sound }: Face): ShownFace {
  return { text: text.trim(), picture: picture ? { id: picture.id, alt: picture.alt } : null, sound: sound?.id ?? null }
}

function withoutWords(face: Face): ShownFace {
  const { picture, ...rest } = revealedFace(face)
  return { ...rest, picture: picture && { id: picture.id, alt: '' } }
}

/** Returns a face as a square of paper shows it. */
export function squareOf({ text, picture }: Face): SheetSquare {
  return { text: text.trim(), ...(picture ? { picture: picture.id } : {}) }
}
