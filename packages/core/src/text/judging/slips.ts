import { graphemesOf } from '../graphemes.ts'
import { unaccented } from './folding.ts'
import type { WordKnowledge } from './knowledge.ts'
import { primary } from './languages.ts'
import { isNumberWord } from './numberWords.ts'
import { isRoman } from './roman.ts'

/** How much of a slip of the hand is forgiven: nothing, one in a long word, or more. */
export type SlipOption = 'off' | 'long' | 'generous'

const LONG_WORD = 6
const SHORT_WORD = 4
const VERY_LONG_WORD = 10
/** Endings by which names of substances differ: one is never a slip for another. */
const SUBSTANCE = /(?:ite|ate|ide|ane|ene|yne|one|ol|al|ose|ase|ic|ous|ito|ato|uro|ano|eno|ino|ure|it|at|id|an|en|in)$/u
const ELEMENTS = new Set(
  'hydrogen helium lithium beryllium boron carbon nitrogen oxygen fluorine neon sodium magnesium aluminium aluminum silicon phosphorus sulfur sulphur chlorine argon potassium calcium scandium titanium vanadium chromium manganese iron cobalt nickel copper zinc gallium germanium arsenic selenium bromine krypton rubidium strontium yttrium zirconium niobium molybdenum technetium ruthenium rhodium palladium silver cadmium indium tin antimony tellurium iodine xenon caesium cesium barium lanthanum cerium praseodymium neodymium promethium samarium europium gadolinium terbium dysprosium holmium erbium thulium ytterbium lutetium hafnium tantalum tungsten rhenium osmium iridium platinum gold mercury thallium lead bismuth polonium astatine radon francium radium actinium thorium protactinium uranium neptunium plutonium americium curium berkelium californium einsteinium fermium mendelevium nobelium lawrencium wasserstoff sauerstoff stickstoff kohlenstoff schwefel phosphor natrium kalium kalzium calcium magnesium aluminium silizium eisen kupfer silber quecksilber hidrogeno oxigeno nitrogeno carbono azufre fosforo sodio potasio calcio magnesio aluminio silicio hierro cobre plata mercurio hydrogene oxygene azote carbone soufre phosphore cuivre mercure argent idrogeno ossigeno azoto carbonio zolfo rame oro'.split(
    ' ',
  ),
)

/** Languages of which not all forms of words are known: another ending may be another form. */
const ENDINGS_UNKNOWN = new Set(['de', 'it'])
const ENDING = 2

/** Tells whether two words differ in their last letters alone. */
function differAtEnd(one: readonly string[], other: readonly string[]): boolean {
  let same = 0
  while (same < one.length && same < other.length && one[same] === other[same]) same++
  return same >= Math.min(one.length, other.length) - ENDING
}

/** What came of comparing two texts that differ: the same but for slips; nearly, but another word, or told by nobody. */
export type Nearness = 'slip' | 'word' | 'spelled' | 'far'

/** Tells how near a text is to another, both in small letters, as words. A slip never makes another word of the language. */
export function nearness(
  typed: readonly string[],
  meant: readonly string[],
  language: string,
  slips: SlipOption,
  { isWord }: WordKnowledge,
): Nearness {
  if (typed.length !== meant.length) return 'far'
  const differing = meant.flatMap((word, place) => (word === typed[place] ? [] : [[typed[place]!, word] as const]))
  const most = slips === 'generous' ? meant.length : 1
  if (differing.length === 0 || differing.length > most) return 'far'
  let found: Nearness = 'slip'
  for (const [given, word] of differing) {
    const letters = graphemesOf(word)
    const edits = slips === 'generous' && letters.length >= VERY_LONG_WORD ? 2 : 1
    if (!isNear(graphemesOf(given), letters, edits)) return 'far'
    const shortest = slips === 'generous' ? SHORT_WORD : LONG_WORD
    const isEnding = ENDINGS_UNKNOWN.has(primary(language)) && differAtEnd(graphemesOf(given), letters)
    if (slips === 'off' || letters.length < shortest || isEnding || isStrict(given, word, language)) found = 'spelled'
    else {
      const known = isWord(given, language)
      if (known !== false) return known ? 'word' : 'spelled'
    }
  }
  return found
}

/** Returns a text without any marks, whatever they mean in its language. */
export function withoutMarks(text: string): string {
  return text.normalize('NFD').replace(/\p{M}/gu, '').replace(/ı/gu, 'i')
}

/** Tells whether two words are such that one letter is all the difference: numbers, elements, substances, symbols. */
function isStrict(given: string, word: string, language: string): boolean {
  if (/\d/u.test(given + word) || isRoman(word)) return true
  const [one, other] = [unaccented(given, language), unaccented(word, language)]
  // A letter of the language's own is not the one it looks like.
  if (withoutMarks(given) === withoutMarks(word)) return true
  if (isNumberWord(word, language) || isNumberWord(given, language) || ELEMENTS.has(other)) return true
  const [end, otherEnd] = [SUBSTANCE.exec(one)?.[0], SUBSTANCE.exec(other)?.[0]]
  const isScience = ['en', 'es', 'fr', 'de', 'pt', 'it', 'nl'].includes(primary(language))
  return (
    isScience &&
    end !== undefined &&
    otherEnd !== undefined &&
    end !== otherEnd &&
    one.slice(0, -end.length) === other.slice(0, -otherEnd.length)
  )
}

/**
 * Tells whether at most so many insertions, deletions, substitutions or exchanges of neighbours turn one text into
 * another (Damerau, 1964).
 */
function isNear(one: readonly string[], two: readonly string[], most: number): boolean {
  let from = 0
  while (from < one.length && from < two.length && one[from] === two[from]) from++
  let oneEnd = one.length
  let twoEnd = two.length
  while (oneEnd > from && twoEnd > from && one[oneEnd - 1] === two[twoEnd - 1]) {
    oneEnd--
    twoEnd--
  }
  const [left, right] = [one.slice(from, oneEnd), two.slice(from, twoEnd)]
  if (left.length === 0 && right.length === 0) return true
  if (most === 0) return false
  if (Math.max(left.length, right.length) === 1) return true
  if (left.length === 2 && right.length === 2 && left[0] === right[1] && left[1] === right[0]) return true
  if (most < 2 || Math.max(left.length, right.length) > 8) return false
  return (
    isNear(left.slice(1), right, most - 1) ||
    isNear(left, right.slice(1), most - 1) ||
    isNear(left.slice(1), right.slice(1), most - 1) ||
    (left[0] === right[1] && left[1] === right[0] && isNear(left.slice(2), right.slice(2), most - 1))
  )
}
