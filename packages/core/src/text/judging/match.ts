import { articlesAgree } from './articles.ts'
import { inPlain } from './characters.ts'
import { arePointedAlike, isSplitOtherwise, wordsOf, type Forms } from './forms.ts'
import type { WordKnowledge } from './knowledge.ts'
import { primary } from './languages.ts'
import type { JudgeOptions } from './options.ts'
import { compared } from './quantities.ts'
import { areTwoBySigns } from './signs.ts'
import type { RightRule, WrongRule } from './verdict.ts'

/** How a typed text compares with one that is accepted: by which rule it is the same, or why it is not. */
export type Match = { same: RightRule } | { differs: WrongRule; isFinal: boolean }

/** What a comparison needs beside the two texts. */
export interface MatchContext {
  options: JudgeOptions
  knowledge: WordKnowledge
  /** Whether most of the list's answers are chemical. */
  isChemistry: boolean
}

const same = (rule: RightRule): Match => ({ same: rule })
const differs = (rule: WrongRule): Match => ({ differs: rule, isFinal: true })
/** No rule says that it is the same; a slip may. */
const OPEN: Match = { differs: 'different', isFinal: false }

/** Compares a typed text with an accepted one by all rules but slips. */
export function matched(typed: Forms, meant: Forms, context: MatchContext): Match {
  if (typed.exact === meant.exact) return same('exact')
  if (meant.isSigns()) return meant.isFormula() ? asFormula(typed, meant) : differs('different')
  return (
    asChemical(typed, meant, context) ??
    asSpan(typed, meant) ??
    asTime(typed, meant) ??
    asQuantity(typed, meant) ??
    asSigns(typed, meant) ??
    asWords(typed, meant, context)
  )
}

function asChemical(typed: Forms, meant: Forms, { isChemistry }: MatchContext): Match | undefined {
  if (!meant.isChemical() && !(isChemistry && meant.couldBeChemical())) return undefined
  const [one, other] = [typed.chemical(), meant.chemical()]
  if (one === other) return same('notation')
  return differs(one.toLowerCase() === other.toLowerCase() ? 'capitals' : 'different')
}

function asSpan(typed: Forms, meant: Forms): Match | undefined {
  const span = meant.span()
  if (span === undefined || !typed.hasDigit()) return undefined
  return typed.span() === span ? same('number') : differs('value')
}

/** Returns the year of a text that has an era, or is of the common one unsaid. */
function yearOf(forms: Forms): number | undefined {
  return forms.era() ?? (/^\d{3,4}$/u.test(inPlain(forms.exact)) ? Number(inPlain(forms.exact)) : undefined)
}

function asTime(typed: Forms, meant: Forms): Match | undefined {
  if (!meant.hasDigit()) return undefined
  const [time, otherTime] = [typed.time(), meant.time()]
  if (time && otherTime)
    return time.minutes === otherTime.minutes && time.isWhole === otherTime.isWhole ? same('number') : differs('value')
  const year = yearOf(meant)
  if (year !== undefined && typed.hasDigit() && (meant.era() ?? typed.era()) !== undefined)
    return year === yearOf(typed) ? same('number') : differs('value')
  const dates = meant.dates()
  if (dates.length === 0 || typed.spokenDates().length === 0) return undefined
  return typed.spokenDates().some((date) => dates.includes(date)) ? same('number') : differs('value')
}

function asQuantity(typed: Forms, meant: Forms): Match | undefined {
  const wanted = meant.quantity()
  const isWordy = !wanted && !meant.hasDigit() && (typed.hasDigit() || primary(meant.language) === 'en')
  const amount = wanted ?? (isWordy ? meant.spokenQuantity() : undefined)
  if (!amount) return undefined
  const given = typed.spokenQuantity()
  if (!given) return wanted ? unmeasured(typed, wanted.unit) : undefined
  if (wanted && /^0\d+$/u.test(meant.exact) && inPlain(typed.exact) !== meant.exact) return differs('value')
  const how = compared(given, amount)
  return how === 'same' ? same('number') : differs(how)
}

/** What is no number with a known unit: in other capitals, or nothing of the kind. */
function unmeasured(typed: Forms, unit: string): Match {
  const rest = inPlain(typed.exact).replace(/^[-+]?[\d.,\s/]+/u, '')
  const isCapital = unit !== '' && rest !== '' && rest.toLowerCase() === unit.toLowerCase()
  return differs(isCapital ? 'capitals' : 'different')
}

function asSigns(typed: Forms, meant: Forms): Match | undefined {
  if (meant.isUnit()) {
    if (typed.unit() === meant.unit()) return same('notation')
    return differs(typed.exact.toLowerCase() === meant.exact.toLowerCase() ? 'capitals' : 'different')
  }
  return meant.isFormula() ? asFormula(typed, meant) : undefined
}

function asFormula(typed: Forms, meant: Forms): Match {
  const form = meant.formula()
  return form === typed.formula() || form === typed.spokenFormula() ? same('notation') : differs('different')
}

function asWords(typed: Forms, meant: Forms, { options, knowledge }: MatchContext): Match {
  if (isSplitOtherwise(typed, meant) || areTwoBySigns(typed, meant, knowledge)) return differs('word')
  if (typed.letters() === meant.letters()) return same('letters')
  if (typed.spelling() === meant.spelling()) return arePointedAlike(typed, meant) ? same('spelling') : differs('letter')
  if (typed.bare() === meant.bare()) return byAccents(typed, meant, options, knowledge)
  const article = byArticle(typed, meant, options, knowledge)
  if (article) return article
  if (typed.numbers() === meant.numbers()) return same('number')
  if (options.articles !== 'asked') {
    const isAgreed = articlesAgree(typed.parts().article, meant.parts().article, meant.language)
    if (isAgreed && typed.restNumbers() === meant.restNumbers()) return same('number')
  }
  if (isList(meant) && areSameItems(typed.items().flat(), meant.items())) return same('order')
  if (options.variants && primary(meant.language) === 'en') {
    const american = (forms: Forms): string => forms.restWords().map(knowledge.american).join('')
    if (american(typed) === american(meant)) return same('variant')
  }
  return options.scripts === 'both' &&
    primary(meant.language) === 'zh' &&
    knowledge.simplified(typed.letters()) === knowledge.simplified(meant.letters())
    ? same('spelling')
    : OPEN
}

/** Most words of a thing in a list of two things, and of more. */
const LONGEST_OF_TWO = 2
const LONGEST_OF_MORE = 3
/** Most things of which any order is tried. */
const MOST_ITEMS = 12

/**
 * Tells whether a text is a list of short things, in any order as good. Longer parts are sentences, in which a comma or an
 * "and" joins what is said of one and of the other: "acids turn litmus red and bases blue".
 */
function isList(meant: Forms): boolean {
  const items = meant.items()
  const longest = items.length === 2 ? LONGEST_OF_TWO : LONGEST_OF_MORE
  return (
    items.length > 1 &&
    items.length <= MOST_ITEMS &&
    !/\d/u.test(meant.small()) &&
    items.every((words) => words.length <= longest)
  )
}

/** Tells whether words are those of all items one after another, in any order of the items, each word for word. */
function areSameItems(words: readonly string[], items: readonly (readonly string[])[]): boolean {
  if (items.length === 0) return words.length === 0
  return items.some((item, place) => {
    const isNext = item.every((word, index) => words[index] === word)
    // Of equal items it is the same which one is taken.
    const isFirst = items.findIndex((other) => other.join(' ') === item.join(' ')) === place
    return (
      isNext &&
      isFirst &&
      areSameItems(
        words.slice(item.length),
        items.filter((_, index) => index !== place),
      )
    )
  })
}

/** Says what accents make of two texts that are the same without. */
function byAccents(typed: Forms, meant: Forms, { accents }: JudgeOptions, { isWord }: WordKnowledge): Match {
  if (accents === 'kept') return differs('accents-count')
  // An accent that was not left out but is another makes another word, where both are words: a list without accents means
  // the word that has them.
  const { language } = meant
  const wanted = meant.words()
  const isOther =
    ACCENTS_TELL.has(primary(language)) &&
    hasMore(typed.small(), meant.small()) &&
    typed.words().some((word, place) => {
      if (wanted.includes(word) || isWord(word, language) !== true) return false
      // Printed Russian writes ё as е: the same word.
      if (primary(language) === 'ru' && wanted.includes(word.replaceAll('ё', 'е'))) return false
      return typed.words().length !== wanted.length || isWord(wanted[place]!, language) === true
    })
  return isOther ? differs('word') : same('accents')
}

/** Languages in which an accent makes one word another. */
const ACCENTS_TELL = new Set(['es', 'fr', 'pt', 'ca', 'el', 'pl', 'ru'])
const MARK = /\p{M}/gu

/** Tells whether a text has marks that the other lacks. */
function hasMore(one: string, other: string): boolean {
  const marksOf = (text: string): string[] => [...(text.normalize('NFD').match(MARK) ?? [])]
  const [left, right] = [marksOf(one), marksOf(other)]
  return left.some((mark) => left.filter((each) => each === mark).length > right.filter((each) => each === mark).length)
}

function byArticle(typed: Forms, meant: Forms, options: JudgeOptions, knowledge: WordKnowledge): Match | undefined {
  const [given, wanted] = [typed.parts().article, meant.parts().article]
  if (given === '' && wanted === '') return undefined
  // With both articles taken off, or with one, where the other's is part of the word.
  const pairs = [
    {
      spelling: [typed.restSpelling(), meant.restSpelling()],
      bare: [typed.restBare(), meant.restBare()],
      article: given,
      other: wanted,
    },
    {
      spelling: [typed.restSpelling(), meant.spelling()],
      bare: [typed.restBare(), meant.bare()],
      article: given,
      other: '',
    },
    {
      spelling: [typed.spelling(), meant.restSpelling()],
      bare: [typed.bare(), meant.restBare()],
      article: '',
      other: wanted,
    },
  ]
  for (const { spelling, bare, article, other } of pairs) {
    const isSpelled = spelling[0] === spelling[1]
    if (!isSpelled && bare[0] !== bare[1]) continue
    const rest = isSpelled ? same('spelling') : byAccents(typed, meant, options, knowledge)
    if (!('same' in rest)) return rest
    if (options.articles === 'asked') return differs('wrong-article')
    if (options.articles === 'must' && other !== '' && article !== other)
      return differs(article === '' ? 'no-article' : 'wrong-article')
    if (!articlesAgree(article, other, meant.language)) return differs('wrong-article')
    return same(isSpelled ? 'article' : 'accents')
  }
  return undefined
}

/** Returns the words of two texts that may differ by slips: as they are, without accents, and without articles. */
export function wordPairs(typed: Forms, meant: Forms, accents: JudgeOptions['accents']): [string[], string[]][] {
  const pairs: [string[], string[]][] = [[typed.words(), meant.words()]]
  if (typed.parts().article !== meant.parts().article) pairs.push([typed.restWords(), meant.restWords()])
  const bare = (forms: Forms, words: readonly string[]): string[] => words.map((word) => forms.bareOf(word))
  return accents === 'kept'
    ? pairs
    : pairs.flatMap(([one, other]): [string[], string[]][] => [
        [one, other],
        [bare(typed, one), bare(meant, other)],
      ])
}

/** Returns the words of a text that another does not have. */
export function wordsBeside(typed: Forms, meant: Forms): string[] {
  const others = new Set(wordsOf(meant.small()))
  return typed.words().filter((word) => !others.has(word))
}
