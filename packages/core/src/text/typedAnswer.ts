import { foldAccents, graphemesOf } from './graphemes.ts'
import { foldText } from './foldText.ts'
import { isNumberWord, numbersInWords } from './numberWords.ts'

/** In what a typed answer that counts as right may differ from the one accepted. */
export type Leniency = 'none' | 'letters' | 'accents' | 'article' | 'number' | 'slip'

/** What became of a typed answer: the accepted one that it counts as, and why; undefined where it is wrong. */
export type Verdict = { accepted: string; why: Leniency } | undefined

export interface JudgeOptions {
  /** Whether é may be typed as e. */
  accents: 'kept' | 'folded'
  /** BCP 47 code of the answers. */
  language: string
}

/** Letters from which one slip is forgiven. */
const LONG_WORD = 6
const ARTICLES: Record<string, RegExp> = {
  en: /^(the|an|a)\s+/u,
  es: /^(el|la|los|las|un|una|unos|unas)\s+/u,
  fr: /^(le|la|les|un|une|des|du|l)\s+/u,
  de: /^(der|die|das|den|dem|ein|eine|einen)\s+/u,
  pt: /^(o|a|os|as|um|uma|uns|umas)\s+/u,
  it: /^(il|lo|la|i|gli|le|un|uno|una|l)\s+/u,
  nl: /^(de|het|een)\s+/u,
}

/**
 * Judges a typed answer: case, punctuation and spaces never matter, then, if that makes it right, accents by option,
 * articles, numbers in digits or words, and last one slip (a letter more, less, other, or two exchanged: Damerau, 1964)
 * in a word of six letters or more. A slip that makes another answer of the list (`others`) is no slip.
 */
export function judgeTyped(
  given: string,
  accepted: readonly string[],
  others: readonly string[],
  options: JudgeOptions,
): Verdict {
  const typed = given.trim()
  if (typed === '') return undefined
  const exact = accepted.find((one) => one.trim() === typed)
  if (exact !== undefined) return { accepted: exact, why: 'none' }
  const forms = formsOf(options)
  for (const [why, form] of forms) {
    const typedForm = form(typed)
    const match = accepted.find((one) => form(one) === typedForm)
    if (match !== undefined) return { accepted: match, why }
  }
  // Not with numbers in words: 8 is no slip for 80, though “eight” would be one for “eighty”.
  const bare = forms[forms.length - 2]![1]
  const near = accepted.find((one) => isSlip(bare(typed), bare(one), options))
  const spoken = forms[forms.length - 1]![1]
  return near === undefined || others.some((other) => spoken(other) === spoken(typed))
    ? undefined
    : { accepted: near, why: 'slip' }
}

/** Returns what texts are compared by, from the strictest form to the loosest. */
function formsOf({ accents, language }: JudgeOptions): [Leniency, (text: string) => string][] {
  const code = language.slice(0, 2).toLowerCase() || 'en'
  const letters = (text: string): string => foldSigned(text)
  const plain = (text: string): string => (accents === 'folded' ? foldAccents(letters(text)) : letters(text))
  const bare = (text: string): string => plain(text).replace(ARTICLES[code] ?? /^$/u, '')
  const spoken = (text: string): string => {
    const words = foldText(numbersInWords(text, language))
    const without = (accents === 'folded' ? foldAccents(words) : words).replace(ARTICLES[code] ?? /^$/u, '')
    return code === 'en' ? without.replaceAll(' and ', ' ') : without
  }
  // “Dont” is “don’t” without its mark; “l’arche” is “arche” with an article.
  const unmarked = (text: string): string => letters(text.replace(/(?<=\p{L})['’](?=\p{L})/gu, ''))
  return [
    ['letters', letters],
    ['letters', unmarked],
    ...(accents === 'folded' ? [['accents', plain] as [Leniency, (text: string) => string]] : []),
    ['article', bare],
    ['number', spoken],
  ]
}

/** Folds a text, but keeps the sign and the decimals of numbers: −5 is not 5, and 3.5 is not 35. */
function foldSigned(text: string): string {
  return foldText(text.replace(/(?<![\p{L}\d])[-−](?=\d)/gu, '∸').replace(/(\d)[.,](?=\d)/gu, '$1∙'))
}

/** Tells whether two texts differ by one slip in one word, long enough, without digits. */
function isSlip(one: string, two: string, { accents, language }: JudgeOptions): boolean {
  const ownWords = one.split(' ')
  const words = two.split(' ')
  if (ownWords.length !== words.length) return false
  const differing = words.flatMap((word, index) =>
    word === ownWords[index] ? [] : [[ownWords[index]!, word] as const],
  )
  if (differing.length !== 1) return false
  const [typed, word] = differing[0]!
  // Where accents count, leaving one out is no slip of the hand.
  if (accents === 'kept' && foldAccents(typed) === foldAccents(word)) return false
  return (
    !/\d/u.test(typed + word) &&
    !isNumberWord(foldAccents(typed), language) &&
    graphemesOf(word).length >= LONG_WORD &&
    isOneEdit(graphemesOf(typed), graphemesOf(word))
  )
}

/** Tells whether one insertion, deletion, substitution or exchange of neighbours turns one into the other. */
function isOneEdit(one: readonly string[], two: readonly string[]): boolean {
  let from = 0
  while (from < one.length && one[from] === two[from]) from++
  let oneEnd = one.length
  let twoEnd = two.length
  while (oneEnd > from && twoEnd > from && one[oneEnd - 1] === two[twoEnd - 1]) {
    oneEnd--
    twoEnd--
  }
  const [left, right] = [oneEnd - from, twoEnd - from]
  return (
    Math.max(left, right) === 1 ||
    (left === 2 && right === 2 && one[from] === two[from + 1] && one[from + 1] === two[from])
  )
}
