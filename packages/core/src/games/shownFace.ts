import type { Face } from '../list/face.ts'
import type { SheetSquare } from '../print/sheet.ts'
import { foldText } from '../text/foldText.ts'

/** A face as a player may see it: nothing about it tells the answer. */
export interface ShownFace {
  text: string
  picture: { id: string; alt: string } | null
  sound: string | null
}

/** Gives a face without words that would give an answer away: a picture of an otter is not called "otter". */
export function shownFace({ text, picture, sound }: Face, answer: string): ShownFace {
  const secret = foldText(answer)
  const tells = picture && secret !== '' && foldText(picture.alt).includes(secret)
  return { text: text.trim(), picture: picture ? { id: picture.id, alt: tells ? '' : picture.alt } : null, sound: sound?.id ?? null }
}

/** Gives a face as a square of paper shows it. */
export function squareOf({ text, picture }: Face): SheetSquare {
  return { text: text.trim(), ...(picture ? { picture: picture.id } : {}) }
}
