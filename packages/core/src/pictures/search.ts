import { foldText } from '../text/foldText.ts'
import { singularsOf } from './singular.ts'

/** What a picture is called in one language. */
export interface PictureWords {
  /** Place of the picture in the gallery. */
  picture: number
  /** What it shows, in a few words. */
  title: string
  /** Other words for it, the nearest first. */
  keywords: readonly string[]
  /**
   * What counts against it: people and symbols, when they are found by more than their very name; plain drawings
   * always.
   */
  handicap: number
  plain: boolean
}

export interface PictureHit {
  picture: number
  score: number
}

/** Finds pictures by word in one language. */
export interface PictureIndex {
  /** Returns pictures for a word, the likeliest first; an empty array where none comes near. */
  search(word: string, most: number): PictureHit[]
}

/** Scores of ways in which a picture can match a word. */
const EXACT = 100
const HEAD = 84
const IN_TITLE = 64
const KEYWORD = 60
const IN_KEYWORD = 34
const BEGINS = 26
const OTHER_WORD = 8
/**
 * How much of a handicap counts where the name is the very word: a "full moon" in colour still goes before a plain
 * "moon".
 */
const PLAIN_SHARE = 1.5
const PEOPLE_SHARE = 0.25
/** A keyword of very many pictures tells little about each. */
const COMMON = 12

/**
 * Makes an index of pictures. Where in a title the noun stands depends on the language: "red apple", "manzana roja".
 * `aliases` gives other words for one: British for American ones, and what the gallery calls otherwise.
 */
export function indexPictures(
  words: readonly PictureWords[],
  language: string,
  aliases: Readonly<Record<string, readonly string[]>> = {},
): PictureIndex {
  // A map, since a word such as "constructor" is a property of every object.
  const aliasesOf = new Map(Object.entries(aliases))
  const base = language.split('-')[0]!.toLowerCase()
  const headFirst = /^(es|fr|pt|it|ca|ro|he|ar|fa|vi|id|ms)$/.test(base)
  const postings = new Map<string, Map<number, number>>()
  const add = (key: string, picture: number, score: number): void => {
    let scores = postings.get(key)
    if (!scores) postings.set(key, (scores = new Map()))
    if ((scores.get(picture) ?? 0) < score) scores.set(picture, score)
  }
  const fold = (text: string): string => foldText(text, { accents: 'folded' })
  for (const { picture, title, keywords, handicap, plain } of words) {
    const whole = fold(title)
    const tokens = whole.split(' ')
    const less = handicap + 3 * Math.max(0, tokens.length - 1)
    add(whole, picture, EXACT - handicap * (plain ? PLAIN_SHARE : PEOPLE_SHARE))
    tokens.forEach((token, index) =>
      add(token, picture, (index === (headFirst ? 0 : tokens.length - 1) ? HEAD : IN_TITLE) - less),
    )
    keywords.forEach((keyword, index) => {
      const folded = fold(keyword)
      add(folded, picture, KEYWORD - Math.min(10, index) - handicap)
      if (folded.includes(' ')) for (const token of folded.split(' ')) add(token, picture, IN_KEYWORD - handicap)
    })
  }
  const keys = [...postings.keys()].sort()
  const matches = (key: string, weight: number, into: Map<number, number>): void => {
    const scores = postings.get(key)
    if (!scores) return
    const common = scores.size > COMMON ? Math.min(15, Math.log2(scores.size / COMMON) * 4) : 0
    for (const [picture, score] of scores) {
      const worth = score >= HEAD - 12 ? score - weight : score - weight - common
      if ((into.get(picture) ?? 0) < worth) into.set(picture, worth)
    }
  }
  const search = (word: string, most: number): PictureHit[] => {
    const asked = withoutArticle(fold(word.replace(/\(.*?\)|\/.*$/gu, ' ')), base)
    if (asked === '') return []
    const found = new Map<number, number>()
    const forms = new Set([asked, ...singularsOf(asked, base)])
    for (const form of forms) {
      matches(form, form === asked ? 0 : 2, found)
      for (const [place, alias] of (aliasesOf.get(form) ?? []).entries())
        matches(fold(alias), (form === asked ? 1 : 3) + 2 * place, found)
    }
    const tokens = asked.split(' ')
    if (tokens.length > 1 && found.size < most) {
      const head = headFirst ? tokens[0] : tokens[tokens.length - 1]
      for (const token of tokens)
        for (const form of [token, ...singularsOf(token, base)])
          matches(form, token === head ? OTHER_WORD : OTHER_WORD * 3, found)
    }
    if (found.size < most && asked.length >= 4) {
      for (let at = lowerBound(keys, asked); at < keys.length && keys[at]!.startsWith(asked); at++) {
        for (const [picture, score] of postings.get(keys[at]!) ?? [])
          if (!found.has(picture)) found.set(picture, Math.min(BEGINS, score / 3))
      }
    }
    return [...found]
      .map(([picture, score]): PictureHit => ({ picture, score }))
      .sort((one, other) => other.score - one.score || one.picture - other.picture)
      .slice(0, most)
  }
  return { search }
}

function lowerBound(sorted: readonly string[], key: string): number {
  let low = 0
  let high = sorted.length
  while (low < high) {
    const middle = (low + high) >> 1
    if (sorted[middle]! < key) low = middle + 1
    else high = middle
  }
  return low
}

const ARTICLES: Record<string, RegExp> = {
  en: /^(the|a|an|some|to) /u,
  es: /^(el|la|los|las|un|una|unos|unas) /u,
  fr: /^(le |la |les |l |un |une |des |du |de la )/u,
  de: /^(der|die|das|ein|eine) /u,
  pt: /^(o|a|os|as|um|uma) /u,
  it: /^(il |lo |la |i |gli |le |l |un |uno |una )/u,
  nl: /^(de|het|een) /u,
}

function withoutArticle(text: string, base: string): string {
  const bare = ARTICLES[base] ? text.replace(ARTICLES[base], '') : text
  return bare === '' ? text : bare
}
