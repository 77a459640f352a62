import { alternativesOf } from './alternatives.ts'
import { Forms } from './forms.ts'
import { guessLanguage } from './guessLanguage.ts'
import type { WordKnowledge } from './knowledge.ts'
import { andsOf } from './languages.ts'
import { matched, wordPairs, wordsBeside, type MatchContext } from './match.ts'
import type { JudgeOptions } from './options.ts'
import { nearness, withoutMarks, type Nearness } from './slips.ts'
import type { RightRule, Verdict, WrongRule } from './verdict.ts'

/** What a typed answer is judged against. */
export interface JudgedAgainst {
  /** All that counts. */
  accepted: readonly string[]
  /** The list's other answers, and what counts for them: none of these is this one. */
  others: readonly string[]
}

const ORDER: readonly RightRule[] = [
  'exact',
  'letters',
  'spelling',
  'accents',
  'article',
  'number',
  'notation',
  'order',
  'variant',
  'slip',
]
/** What tells a student more comes first. */
const TELLING: readonly WrongRule[] = [
  'wrong-article',
  'no-article',
  'accents-count',
  'capitals',
  'unit',
  'value',
  'letter',
  'word',
  'spelled',
]
/** Most parts that can be one name: "Trinidad and Tobago", "Washington, D.C.", "lion, witch and wardrobe". */
const MOST_JOINED = 4
/** Longest text that is compared: no answer is longer. */
const LONGEST = 2000

const wrong = (why: WrongRule): Verdict => ({ right: false, why })

/** Most texts that are kept in their forms: those of lists come again with every answer, and classes answer alike. */
const MOST_KEPT = 5000
/** Longer texts are made anew each time: what students send is kept within bounds. */
const LONGEST_KEPT = 200

/** Judges typed answers by what is known of languages. */
export class Judge {
  private readonly knowledge: WordKnowledge
  private readonly kept = new Map<string, Forms>()

  constructor(knowledge: WordKnowledge) {
    this.knowledge = knowledge
  }

  /**
   * Judges a typed answer: first by what the list holds exactly, then by rules from the strictest to the most lenient.
   * Whatever a rule allows, what is nearer to another entry's answer is that one.
   */
  judge(given: string, against: JudgedAgainst, options: JudgeOptions): Verdict {
    const text = given.slice(0, LONGEST)
    if (text.trim() === '') return wrong('empty')
    const language = options.language || guessLanguage([...against.accepted, ...against.others], this.knowledge)
    const whole = { ...options, language }
    return options.count > 1 ? this.judgeSeveral(text, against, whole) : this.judgeOne(text, against, whole)
  }

  private formsOf(text: string, language: string): Forms {
    if (text.length > LONGEST_KEPT) return new Forms(text, language)
    const key = `${language}\u0000${text}`
    let forms = this.kept.get(key)
    if (!forms) {
      if (this.kept.size >= MOST_KEPT) this.kept.clear()
      this.kept.set(key, (forms = new Forms(text, language)))
    }
    return forms
  }

  private judgeOne(given: string, { accepted, others }: JudgedAgainst, options: JudgeOptions): Verdict {
    const { knowledge } = this
    const { language } = options
    const typed = this.formsOf(given, language)
    if (typed.exact === '') return wrong('empty')
    const meant = accepted.flatMap((text) =>
      alternativesOf(text).map((one) => ({ text, forms: this.formsOf(one, language) })),
    )
    const exact = meant.find(({ forms }) => forms.exact === typed.exact)
    if (exact) return { right: true, accepted: exact.text, why: 'exact' }
    const foreign = others
      .map((text) => this.formsOf(text, language))
      .filter((other) => !meant.some(({ forms }) => forms.exact === other.exact))
    if (foreign.some((other) => other.exact === typed.exact)) return wrong('other')
    const context: MatchContext = { options, knowledge, isChemistry: isChemistry(meant, foreign) }
    const { best, reasons, isClosed } = compareAll(typed, meant, context)
    const isNearer = (rank: number): boolean => foreign.some((other) => rankOf(typed, other, context) < rank)
    if (best)
      return best.rank > 1 && isNearer(best.rank)
        ? wrong('other')
        : { right: true, accepted: best.text, why: ORDER[best.rank]! }
    if (!isClosed)
      for (const { text, forms } of meant) {
        if (looksLike(typed, forms)) {
          reasons.push('letter')
          continue
        }
        const near = nearTo(typed, forms, options, knowledge)
        if (near === 'slip') {
          const isOther =
            isNearer(Infinity) || foreign.some((other) => nearTo(typed, other, options, knowledge) === 'slip')
          return isOther ? wrong('other') : { right: true, accepted: text, why: 'slip' }
        }
        if (near !== 'far') reasons.push(near)
      }
    return wrong(TELLING.find((reason) => reasons.includes(reason)) ?? 'different')
  }

  private judgeSeveral(given: string, against: JudgedAgainst, options: JudgeOptions): Verdict {
    const parts = partsOf(given, options.language)
    const found = new Map<string, RightRule>()
    for (let at = 0; at < parts.length;) {
      // A name may hold a comma or an "and" of its own: the longest run of parts that is one answer is that one.
      const longest = Math.min(MOST_JOINED, parts.length - at)
      const joins = Array.from({ length: longest }, (_, less) => longest - less).map((count) => {
        const last = parts[at + count - 1]!
        return { count, verdict: this.judgeOne(given.slice(parts[at]!.from, last.to), against, options) }
      })
      const { count, verdict } = joins.find((join) => join.verdict.right) ?? joins.at(-1)!
      if (!verdict.right) return verdict
      if (!found.has(verdict.accepted)) found.set(verdict.accepted, verdict.why)
      at += count
    }
    if (found.size < options.count) return wrong('too-few')
    const why = [...found.values()].reduce((one, other) => (ORDER.indexOf(other) > ORDER.indexOf(one) ? other : one))
    return { right: true, accepted: [...found.keys()].join(', '), why }
  }
}

/** Returns where the things stand that a text names: between commas and their kin, and the language's words for "and". */
function partsOf(given: string, language: string): { from: number; to: number }[] {
  const ands = andsOf(language)
  const between = new RegExp(`[,;،、/\\n&]${ands.length > 0 ? `|\\s(?:${ands.join('|')})(?=\\s)` : ''}`, 'giu')
  const parts: { from: number; to: number }[] = []
  let from = 0
  for (const {
    index,
    0: { length },
  } of [...given.matchAll(between), { index: given.length, 0: '' }]) {
    if (given.slice(from, index).trim() !== '') parts.push({ from, to: index })
    from = index + length
  }
  return parts
}

/** Returns by which rule a typed text is another entry's answer, the strictest first; Infinity where by none. */
function rankOf(typed: Forms, other: Forms, context: MatchContext): number {
  const match = matched(typed, other, context)
  return 'same' in match ? ORDER.indexOf(match.same) : Infinity
}

interface Compared {
  best: { rank: number; text: string } | undefined
  reasons: WrongRule[]
  /** Whether a slip can't be the reason any more. */
  isClosed: boolean
}

function compareAll(typed: Forms, meant: readonly { text: string; forms: Forms }[], context: MatchContext): Compared {
  let best: Compared['best']
  const reasons: WrongRule[] = []
  let isClosed = false
  for (const { text, forms } of meant) {
    const match = matched(typed, forms, context)
    if ('same' in match) {
      const rank = ORDER.indexOf(match.same)
      if (!best || rank < best.rank) best = { rank, text }
    } else {
      reasons.push(match.differs)
      isClosed ||= match.isFinal
    }
  }
  return { best, reasons, isClosed }
}

/** Tells how near a typed text is to another by slips: as it is, without accents where they don't count, or without articles. */
function nearTo(
  typed: Forms,
  meant: Forms,
  { language, slips, accents }: JudgeOptions,
  knowledge: WordKnowledge,
): Nearness {
  // Where accents count, leaving one out is no slip of the hand.
  if (typed.bare() === meant.bare()) return 'far'
  for (const [given, wanted] of wordPairs(typed, meant, accents)) {
    const near = nearness(given, wanted, language, slips, knowledge)
    if (near === 'far') continue
    // Without its accents it may be no word, but with them.
    const isWord =
      near === 'slip' && wordsBeside(typed, meant).every((word) => knowledge.isWord(word, language) === true)
    return isWord ? 'word' : near
  }
  return 'far'
}

/** Tells whether only a letter of the language's own is another one, which looks alike without its mark. */
function looksLike(typed: Forms, meant: Forms): boolean {
  return withoutMarks(typed.letters()) === withoutMarks(meant.letters())
}

/** Whether most answers of a list are symbols and formulas of chemistry, and at least one is nothing else. */
function isChemistry(meant: readonly { forms: Forms }[], foreign: readonly Forms[]): boolean {
  if (foreign.length === 0 || !meant.some(({ forms }) => forms.couldBeChemical())) return false
  const all = [...meant.map(({ forms }) => forms), ...foreign]
  return (
    all.filter((forms) => forms.couldBeChemical()).length * 2 > all.length &&
    all.some((forms) => forms.isChemical() || /^[A-Z][a-z]$/u.test(forms.exact))
  )
}
