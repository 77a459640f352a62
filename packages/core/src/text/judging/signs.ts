import { couldBeChemical } from './chemistry.ts'
import type { Forms } from './forms.ts'
import type { WordKnowledge } from './knowledge.ts'
import { primary } from './languages.ts'

/** English contractions that are another word without their apostrophe. */
const CONTRACTIONS = new Set("it's,we're,we'll,he'll,she'll,i'll,we'd,she'd,i'd".split(','))
/** French words that are another one without their accent. */
const FRENCH = new Set(['où', 'à', 'là', 'dû'])
/** A mark, a blood group, an ion: letters with a sign that tells. */
const SIGNED = /^(\p{L}{1,2})\s?([-+−–]?)$/u

/**
 * Tells whether a small sign makes two texts two words, though their letters are the same: its and it's, où and ou, A and A−,
 * Co and CO.
 */
export function areTwoBySigns(typed: Forms, meant: Forms, { isWord }: WordKnowledge): boolean {
  const [given, wanted] = [typed.small(), meant.small()]
  const language = primary(meant.language)
  if (language === 'en' && areContracted(given, wanted)) return true
  if (
    language === 'fr' &&
    given !== wanted &&
    (FRENCH.has(given) || FRENCH.has(wanted)) &&
    typed.bare() === meant.bare()
  )
    return true
  const [one, other] = [SIGNED.exec(given), SIGNED.exec(wanted)]
  if (one && other && one[1] === other[1] && (one[2] === '') !== (other[2] === '')) return true
  // A metal and a gas: where it is no word of the language, capitals tell.
  const [symbol, formula] = [typed.exact.trim(), meant.exact.trim()]
  return (
    /^\p{L}{2,3}$/u.test(formula) &&
    symbol !== formula &&
    given === wanted &&
    couldBeChemical(symbol) &&
    couldBeChemical(formula) &&
    isWord(wanted, meant.language) === false
  )
}

function areContracted(given: string, wanted: string): boolean {
  const [one, other] = [given, wanted].map((text) => text.split(/[\s.,;:!?]+/u).filter((word) => word !== ''))
  return (
    one!.length === other!.length &&
    one!.some((word, place) => {
      const beside = other![place]!
      const isSame = word.replaceAll("'", '') === beside.replaceAll("'", '')
      return word !== beside && isSame && (CONTRACTIONS.has(word) || CONTRACTIONS.has(beside))
    })
  )
}
