/** Letters that stand without spaces between them, and are as wide as they are high. */
const HAN = /[\p{sc=Han}\p{sc=Hiragana}\p{sc=Katakana}\u3000-\u303f\uff00-\uffef]/u
/** Marks that begin no line. */
const NO_BEGINNING = /[、。，．！？：；）」』】〉》”’％ー]/u
/** Width of another letter, in ems: about that of text in a sans serif. */
const OTHER = 0.55
/** Width of a space that keeps two letters together, in ems. */
const FIXED_SPACE = 0.28

/**
 * Returns a text with line breaks between Chinese or Japanese letters, so that no line is wider than so many ems. The
 * layout of PDFs breaks lines at spaces alone, and would let a sentence without any run off the page.
 */
export function wrapHan(text: string, ems: number): string {
  if (!HAN.test(text)) return text
  const letters = [...text]
  let width = 0
  return letters
    .map((letter, index) => {
      const letterWidth = HAN.test(letter) ? 1 : letter === '\u00a0' ? FIXED_SPACE : OTHER
      if (letter === '\n' || letter === ' ') {
        width = letter === '\n' ? 0 : width + letterWidth
        return letter
      }
      const next = letters[index + 1]
      // A mark that may not begin a line takes the letter before it along.
      const needed = letterWidth + (next !== undefined && NO_BEGINNING.test(next) ? 1 : 0)
      const breaks =
        width > 0 &&
        width + needed > ems &&
        (HAN.test(letter) || HAN.test(letters[index - 1] ?? '')) &&
        !NO_BEGINNING.test(letter)
      width = breaks ? letterWidth : width + letterWidth
      return breaks ? `\n${letter}` : letter
    })
    .join('')
}
