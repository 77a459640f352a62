import { alternativesOf } from './alternatives.ts'
import { chemicalForm, isChemical } from './chemistry.ts'
import { Forms } from './forms.ts'
import { primary } from './languages.ts'

/** What makes an American spelling of a British one, for a word that may be either: whoever is compared is made so. */
const SPELLINGS: readonly (readonly [RegExp, string])[] = [
  [/our/gu, 'or'],
  [/(?<=[^aeiou])re(?=s?\b)/gu, 'er'],
  [/is(?=e|ing|ation)/gu, 'iz'],
  [/ys(?=e|ing)/gu, 'yz'],
  [/ogue/gu, 'og'],
  [/ae|oe/gu, 'e'],
  [/ll(?=ed|ing|er)/gu, 'l'],
  [/ence\b/gu, 'ense'],
  [/grey/gu, 'gray'],
  [/ph/gu, 'f'],
  [/tyre/gu, 'tire'],
  [/plough/gu, 'plow'],
]

/**
 * Returns forms of a text of which two texts share one where a generous judge could take one for the other: as letters,
 * without accents and articles, as a value, with its parts in any order, in either spelling of English, and with what
 * stands in brackets or behind a slash.
 */
export function meaningsOf(text: string, language: string): string[] {
  const made = new Set<string>()
  for (const one of alternativesOf(text.trim())) {
    const forms = new Forms(one, language)
    if (forms.exact === '') continue
    if (isChemical(one)) made.add(`chemical ${chemicalForm(one)}`)
    // A formula is what it is by its signs.
    if (forms.isSigns() || forms.isFormula()) {
      made.add(forms.formula())
      made.add(forms.spokenFormula())
    } else {
      for (const form of [
        forms.bare(),
        forms.restBare(),
        forms.numbers(),
        forms.restNumbers(),
        forms.sorted(),
        forms.spelling(),
      ])
        made.add(form)
      if (primary(language) === 'en' || language === '')
        made.add(SPELLINGS.reduce((word, [from, to]) => word.replace(from, to), forms.restBare()))
    }
    const quantity = forms.spokenQuantity()
    for (const { top, bottom } of quantity?.values ?? []) made.add(`= ${top}/${bottom} ${quantity!.unit}`)
  }
  return [...made]
}

/** Returns the number that a text is, with its unit; undefined where it is none. */
export function amountOf(text: string, language: string): { value: number; unit: string } | undefined {
  const quantity = new Forms(text, language).spokenQuantity()
  const [first] = quantity?.values ?? []
  return first && { value: Number(first.top) / Number(first.bottom), unit: quantity!.unit }
}

/** Tells whether a text begins with an article. */
export function hasArticle(text: string, language: string): boolean {
  return new Forms(text, language).parts().article !== ''
}
