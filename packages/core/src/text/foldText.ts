import { foldAccents } from './graphemes.ts'

export interface FoldOptions {
  accents: 'kept' | 'folded'
}

const MARK_OR_SPACE = /[\p{P}\p{Z}\p{Cf}\p{Cc}]+/gu

/**
 * Returns text as it is compared: compatibility forms made one (Unicode NFKC), without case, punctuation and surplus
 * spaces. Text of punctuation alone stays as it is. Accents stay unless they are to be folded: año is not ano.
 */
export function foldText(text: string, { accents }: FoldOptions = { accents: 'kept' }): string {
  const plain = text.normalize('NFKC').toLowerCase()
  const folded = (accents === 'folded' ? foldAccents(plain) : plain).replace(MARK_OR_SPACE, ' ').trim()
  return folded === '' ? plain.trim() : folded
}
