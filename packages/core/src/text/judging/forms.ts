import { articled, type Articled } from './articles.ts'
import { cleaned, inPlain } from './characters.ts'
import { chemicalForm, couldBeChemical, isChemical } from './chemistry.ts'
import { datesOf, eraOf, timeOf } from './dates.ts'
import { inSmall, pointsAgree, respelled, unaccented, unpointed } from './folding.ts'
import { formulaForm, isFormula } from './formulas.ts'
import { andsOf, primary } from './languages.ts'
import { withDigits } from './numberWords.ts'
import { quantityOf } from './quantities.ts'
import { spanOf } from './spans.ts'
import { withoutRoman } from './roman.ts'
import { isUnitSymbol, unitOf } from './units.ts'
import { valuesOf } from './values.ts'

/** What shows no letter, digit or sign of its own: spaces and punctuation, but for signs that make another name. */
export const NO_LETTER = /(?:(?![#%@/])[\p{P}\p{Z}\p{Cf}\p{Cc}])+/gu
const SIGNS_ONLY = /^[^\p{L}\p{N}]+$/u
const DIGIT = /\p{N}/u

/** Pairs that are two things apart and together. */
const SPLIT = new Set(
  'a part,every day,may be,all ready,all together,some time,any way,any one,every one,in to,on to,a while,no body,for ever,some times,any more'.split(
    ',',
  ),
)

/** Makes a value when it is first asked for, and keeps it. */
function lazy<Value>(make: () => Value): () => Value {
  let kept: { value: Value } | undefined
  return () => (kept ??= { value: make() }).value
}

/** A text in the forms by which it is compared, from the strictest to the loosest. Each is made when it is needed. */
export class Forms {
  readonly exact: string
  readonly language: string
  /** In small letters, with its punctuation. */
  readonly small = lazy(() => this.makeSmall())
  /** In letters alone. */
  readonly letters = lazy(() => lettersOf(this.small()))
  /** As its language may also write it, in letters alone. */
  readonly spelling = lazy(() => lettersOf(unpointed(respelled(this.small(), this.language))))
  /** Without accents, in letters alone. */
  readonly bare = lazy(() => this.bareOf(this.small()))
  /** Its article, and the rest. */
  readonly parts = lazy((): Articled => articled(unpointed(this.small()), this.language))
  readonly restSpelling = lazy(() => lettersOf(unpointed(respelled(this.parts().rest, this.language))))
  readonly restBare = lazy(() => this.bareOf(this.parts().rest))
  readonly words = lazy(() => wordsOf(this.small()))
  readonly restWords = lazy(() => wordsOf(this.parts().rest))
  /** Without accents, with its numbers in digits of one form; the whole, and without its article. */
  readonly numbers = lazy(() => this.bareOf(this.withValues(withoutRoman(this.exact))))
  readonly restNumbers = lazy(() => this.bareOf(this.withValues(this.parts().rest)))
  readonly hasDigit = lazy(() => DIGIT.test(this.exact))
  readonly inDigits = lazy(() => withDigits(this.exact, this.language))
  readonly quantity = lazy(() => quantityOf(this.exact, this.language))
  readonly spokenQuantity = lazy(() => this.quantity() ?? quantityOf(this.inDigits(), this.language))
  readonly time = lazy(() => (this.hasDigit() ? timeOf(this.exact) : undefined))
  readonly span = lazy(() => (this.hasDigit() ? spanOf(this.exact) : undefined))
  readonly era = lazy(() => (this.hasDigit() ? eraOf(this.exact) : undefined))
  readonly dates = lazy(() => (this.hasDigit() ? datesOf(this.exact, this.language) : []))
  readonly spokenDates = lazy(() => [
    ...this.dates(),
    ...(this.inDigits() === this.exact ? [] : datesOf(this.inDigits(), this.language)),
  ])
  readonly isChemical = lazy(() => isChemical(this.exact))
  readonly couldBeChemical = lazy(() => couldBeChemical(this.exact))
  readonly chemical = lazy(() => chemicalForm(this.exact))
  readonly isFormula = lazy(() => isFormula(this.exact) || (!/\p{L}/u.test(this.exact) && this.hasDigit()))
  readonly formula = lazy(() => formulaForm(this.exact))
  readonly spokenFormula = lazy(() => formulaForm(this.inDigits()))
  readonly isUnit = lazy(() => isUnitSymbol(this.exact))
  readonly unit = lazy(() => unitOf(this.exact))
  /** Whether it has neither letters nor digits. */
  readonly isSigns = lazy(() => SIGNS_ONLY.test(this.exact))
  /** The things it names, each in its words without accents and article; one where it names no more. */
  readonly items = lazy(() => this.makeItems())

  constructor(text: string, language: string) {
    this.exact = cleaned(text)
    this.language = language
  }

  /** Returns a part of it without accents, in letters alone. */
  bareOf(text: string): string {
    return lettersOf(unaccentedText(text, this.language))
  }

  /** Returns the things it names in one order, whether or not it says that they are several. */
  sorted(): string {
    const ands = andsOf(this.language)
    return this.words()
      .filter((word) => !ands.includes(word))
      .map((word) => this.bareOf(word))
      .sort()
      .join(' ')
  }

  private makeSmall(): string {
    const ands = andsOf(this.language)
    const small = inSmall(inPlain(this.exact), this.language)
    return ands.length > 0 && small.includes('&') ? small.replace(/\s*&\s*/gu, ` ${ands[0]!} `) : small
  }

  private withValues(text: string): string {
    return inSmall(withDigits(text, this.language), this.language)
      .replace(/\d[\d.,\u00a0 ']*\d(?!\p{L})/gu, (number) => {
        const [value] = valuesOf(number, this.language)
        return value ? `${value.top}${value.bottom === 1n ? '' : `/${value.bottom}`}` : number
      })
      .replace(/(?<=\d)\s+(?=\d)/gu, '@')
  }

  private makeItems(): string[][] {
    const ands = andsOf(this.language)
    const between = ands.length > 0 ? new RegExp(`[,;،、]|(?<=\\s)(?:${ands.join('|')})(?=\\s)`, 'gu') : /[,;،、]/gu
    return this.small()
      .split(between)
      .map((part) => wordsOf(articled(unpointed(part.trim()), this.language).rest).map((word) => this.bareOf(word)))
      .filter((words) => words.length > 0)
  }
}

/** Returns a text in small letters without accents; umlauts lose their dots rather than becoming two letters. */
function unaccentedText(text: string, language: string): string {
  const plain = unpointed(primary(language) === 'de' ? respelled(text, '') : respelled(text, language))
  return unaccented(plain, language)
}

function lettersOf(text: string): string {
  const letters = text.replace(NO_LETTER, '')
  return letters === '' ? text : letters
}

/** Returns the words of a text in small letters. */
export function wordsOf(text: string): string[] {
  return text
    .replace(/(?<=[\p{L}\p{M}])['"](?=\p{L})/gu, '')
    .split(NO_LETTER)
    .filter((word) => word !== '')
}

/** Tells whether two texts are apart and together what the other is not, as “a part” and “apart” are. */
export function isSplitOtherwise(one: Forms, other: Forms): boolean {
  if (primary(one.language) !== 'en') return false
  const [left, right] = [one.small(), other.small()]
  return left !== right && (SPLIT.has(left) || SPLIT.has(right)) && left.includes(' ') !== right.includes(' ')
}

/** Tells whether no point of one text is another in the other, where both are the same letters. */
export function arePointedAlike(one: Forms, other: Forms): boolean {
  return pointsAgree(one.letters(), other.letters())
}
