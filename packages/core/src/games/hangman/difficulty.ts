import type { EntryList } from '../../list/entry.ts'
import { foldAccents } from '../../text/graphemes.ts'
import { askedList, type Asking } from '../asking.ts'
import { groupOf, lettersOf, maskOf, type Dictionary, type Letters, type WordGroup } from '../../text/dictionary.ts'

/** How hard a word is to guess by letters. */
export interface Difficulty {
  /** From 1, the easiest fifth of familiar words, to 5; null where no dictionary knows the word. */
  band: 1 | 2 | 3 | 4 | 5 | null
  /** Wrong letters to expect from a class that does not know the topic. */
  expected: number
  /** Misses with which about 80 % of classes win: those that know the list, those that don't, and those in between. */
  missesKnown: number
  missesUnknown: number
  missesSuggested: number
  /** Whether even the most misses are not enough: a free letter or a hint would help. */
  needsHelp: boolean
}

/** A word of a list, and how hard it is; null where it is not written in letters a to z. */
export interface WordDifficulty {
  entryId: string
  text: string
  difficulty: Difficulty | null
}

/** How a guesser weighs the list against the dictionary: [list, dictionary]. */
type Prior = readonly [number, number]

const KNOWS: Prior = [1, 0]
const KNOWS_NOT: Prior = [0, 1]
/** Of classes in between, so much is put on the list. */
const TOPIC_PRIOR: Prior = [0.3, 0.7]
/** A class asks the best letter so often; else the next best. */
const SENSIBLE = 0.75
/** Branches less likely than this follow the best letter alone. */
const UNLIKELY = 0.02
const WINNING = 0.8
const FEWEST = 4
const MOST = 10
/** Expected wrong letters at which the second to fifth band begin: quintiles over the dictionary's familiar words. */
const BANDS = [0.5, 1.24, 2.2, 3.7]

/** Words of one part of the answer that still fit. */
interface Part {
  target: Letters
  mask: number
  group: WordGroup
  /** Numbers of the words that still fit, of which the first `count` count. */
  fitting: Int32Array
  count: number
  /** A word that the group lacks, with its weight: the answer itself, found in the end by anybody. */
  own: number
  /** Weight of all words at the start. */
  total: number
}

/** One set of parts that are guessed together, and how much the guesser believes in it. */
interface Belief {
  prior: number
  parts: Part[]
}

/**
 * Tells how hard the words of a list are: each is guessed by a guesser who asks the most probable letter among the
 * words that still fit, mostly, and the next best one else. Words are given in parts (of letters a to z, as numbers
 * from 0), so that "ice cream" is guessed as two.
 */
export function difficulties(list: readonly (readonly Letters[])[], dictionary: Dictionary): Difficulty[] {
  return list.map((parts) => {
    const isKnown = parts.every((part) => dictionary.has(part))
    const known = misses(parts, list, dictionary, KNOWS)
    const unknown = misses(parts, list, dictionary, KNOWS_NOT)
    const between = misses(parts, list, dictionary, TOPIC_PRIOR)
    const wanted = winning(between)
    const expected = unknown.reduce((sum, chance, wrong) => sum + chance * wrong, 0)
    const band = 1 + BANDS.filter((from) => expected >= from).length
    return {
      band: isKnown ? (band as Difficulty['band']) : null,
      expected,
      missesKnown: winning(known),
      missesUnknown: winning(unknown),
      missesSuggested: Math.max(FEWEST, Math.min(MOST, wanted)),
      needsHelp: wanted > MOST,
    }
  })
}

/**
 * Tells how hard the words of a list are, as a game asks them. Accents are left off, spaces and hyphens part a word.
 */
export function difficultyOfList(list: EntryList, options: Asking, dictionary: Dictionary): WordDifficulty[] {
  const words = askedList(list, options).entries.map(({ id, answer }) => ({
    entryId: id,
    text: answer.text.trim(),
    parts: partsOf(answer.text),
  }))
  const known = difficulties(
    words.flatMap(({ parts }) => (parts ? [parts] : [])),
    dictionary,
  )
  let next = 0
  return words
    .filter(({ text }) => text !== '')
    .map(({ entryId, text, parts }) => ({ entryId, text, difficulty: parts ? known[next++]! : null }))
}

function partsOf(text: string): number[][] | undefined {
  const parts = foldAccents(text)
    .trim()
    .split(/[\s\-\u2010-\u2015]+/u)
    .map((part) => lettersOf(part.replace(/[\p{P}]/gu, '')))
  return parts.every((part) => part !== undefined && part.length > 0) ? (parts as number[][]) : undefined
}

/** Returns the fewest misses allowed with which 80 % win: with m allowed, fewer than m wrong letters win. */
function winning(chances: readonly number[]): number {
  let sum = 0
  for (const [wrong, chance] of chances.entries()) {
    sum += chance
    if (sum >= WINNING) return wrong + 1
  }
  return chances.length
}

/** Returns the chance of each number of wrong letters until the answer is found. */
function misses(
  parts: readonly Letters[],
  list: readonly (readonly Letters[])[],
  dictionary: Dictionary,
  [listPrior, dictionaryPrior]: Prior,
): number[] {
  const beliefs: Belief[] = []
  if (listPrior > 0) {
    const same = list.filter(
      (other) => other.length === parts.length && other.every((part, index) => part.length === parts[index]!.length),
    )
    const target = parts.flat()
    beliefs.push({
      prior: listPrior,
      parts: [
        partOf(
          target,
          groupOf(
            target.length,
            same.map((word) => word.flat()),
            same.map(() => 1),
          ),
          0,
        ),
      ],
    })
  }
  if (dictionaryPrior > 0) {
    beliefs.push({
      prior: dictionaryPrior,
      parts: parts.map((target) =>
        partOf(target, dictionary.ofLength(target.length), dictionary.has(target) ? 0 : dictionary.least),
      ),
    })
  }
  const chances: number[] = []
  const wanted = maskOf(parts.flat())
  const guess = (current: readonly Belief[], asked: number, wrong: number, chance: number): void => {
    if ((wanted & ~asked) === 0) {
      while (chances.length <= wrong) chances.push(0)
      chances[wrong]! += chance
      return
    }
    const [best, second] = twoBest(current, asked)
    const choices: [number, number][] =
      second < 0 || chance * (1 - SENSIBLE) < UNLIKELY
        ? [[best, 1]]
        : [
            [best, SENSIBLE],
            [second, 1 - SENSIBLE],
          ]
    for (const [letter, share] of choices) {
      const next = current.map(({ prior, parts: before }) => ({
        prior,
        parts: before.map((part) => narrowed(part, letter)),
      }))
      guess(next, asked | (1 << letter), wrong + (((wanted >> letter) & 1) ^ 1), chance * share)
    }
  }
  guess(beliefs, 0, 0, 1)
  return chances
}

function partOf(target: Letters, group: WordGroup, own: number): Part {
  return {
    target,
    mask: maskOf(target),
    group,
    fitting: everyWord(group.count),
    count: group.count,
    own,
    total: group.total + own,
  }
}

let numbers = new Int32Array(0)

/** Returns the numbers from 0 on; nobody writes to them. */
function everyWord(count: number): Int32Array {
  if (numbers.length < count) numbers = Int32Array.from({ length: count }, (_, index) => index)
  return numbers
}

/** Keeps the words that have a letter just where the answer has it. */
function narrowed(part: Part, letter: number): Part {
  const {
    group: { masks, letters, length },
    fitting,
    count,
    target,
  } = part
  const kept = new Int32Array(count)
  const bit = 1 << letter
  let left = 0
  if ((part.mask & bit) === 0) {
    for (let at = 0; at < count; at++) if ((masks[fitting[at]!]! & bit) === 0) kept[left++] = fitting[at]!
  } else {
    for (let at = 0; at < count; at++) {
      const word = fitting[at]!
      if ((masks[word]! & bit) === 0) continue
      const first = word * length
      let place = 0
      while (place < length && (letters[first + place] === letter) === (target[place] === letter)) place++
      if (place === length) kept[left++] = word
    }
  }
  return { ...part, fitting: kept, count: left }
}

/**
 * How much weight each letter has among all words of a group; asked for again and again, since every guess begins
 * there.
 */
const FIRST_LOOKS = new WeakMap<WordGroup, Float64Array>()

/** Returns the weight of the words that have each letter, and of all, in the last place. */
function presence({ group, fitting, count, own, mask }: Part, asked: number): Float64Array {
  const known = asked === 0 ? FIRST_LOOKS.get(group) : undefined
  const present = known ? known.slice() : new Float64Array(27)
  if (!known) {
    const { masks, weights } = group
    for (let at = 0; at < count; at++) {
      const weight = weights[fitting[at]!]!
      present[26]! += weight
      for (let bits = masks[fitting[at]!]! & ~asked; bits !== 0; bits &= bits - 1)
        present[31 - Math.clz32(bits & -bits)]! += weight
    }
    if (asked === 0) FIRST_LOOKS.set(group, present.slice())
  }
  if (own > 0) {
    present[26]! += own
    for (let letter = 0; letter < 26; letter++) if ((mask >> letter) & 1) present[letter]! += own
  }
  return present
}

/**
 * Returns the letter most likely to be in the answer of those not asked, and the next, −1 where there is none; the
 * earlier one where two are alike.
 */
function twoBest(beliefs: readonly Belief[], asked: number): [number, number] {
  const scores = new Float64Array(26)
  for (const { prior, parts } of beliefs) {
    const looks = parts.map((part) => presence(part, asked))
    const belief = parts.reduce((share, { total }, index) => share * (looks[index]![26]! / total), prior)
    if (belief === 0) continue
    for (let letter = 0; letter < 26; letter++) {
      const absent = looks.reduce((chance, look) => chance * (1 - look[letter]! / look[26]!), 1)
      scores[letter]! += belief * (1 - absent)
    }
  }
  let best = -1
  let second = -1
  for (let letter = 0; letter < 26; letter++) {
    if ((asked >> letter) & 1) continue
    if (best < 0 || scores[letter]! > scores[best]!) {
      second = best
      best = letter
    } else if (second < 0 || scores[letter]! > scores[second]!) second = letter
  }
  return [best, second >= 0 && scores[second]! > 0 ? second : -1]
}
