/** Which way a text is read. */
export type ReadingDirection = 'ltr' | 'rtl'

const RIGHT_TO_LEFT = /[\p{Script=Hebrew}\p{Script=Arabic}\p{Script=Syriac}\p{Script=Thaana}\p{Script=Nko}]/gu
const LEFT_TO_RIGHT = /\p{L}/gu

/** Tells which way most letters of a text are read; text without letters reads left to right. */
export function directionOf(text: string): ReadingDirection {
  const right = text.match(RIGHT_TO_LEFT)?.length ?? 0
  const all = text.match(LEFT_TO_RIGHT)?.length ?? 0
  return right * 2 > all ? 'rtl' : 'ltr'
}
