import type { Entry, EntryList } from '../../list/entry.ts'
import { answerLanguageOf } from '../../list/answerLanguage.ts'
import { isEmptyFace } from '../../list/face.ts'
import { randomFrom, type Random } from '../../random/random.ts'
import { directionOf } from '../../text/direction.ts'
import { holdsRudeWord } from '../../text/blockList.ts'
import { gridLetters, type LetterStyle } from '../../text/gridLetters.ts'
import { inSmall } from '../../text/judging/folding.ts'
import { NO_WORDS, type WordKnowledge } from '../../text/judging/knowledge.ts'
import type { LookedUp } from '../lookup.ts'
import { PuzzleError, type Fit, type FitNote } from '../contract.ts'
import type { UnscrambleOptions } from './options.ts'
import { textOfPieces, type UnscrambleItem, type UnscramblePuzzle } from './puzzle.ts'

const MOST_PIECES = 30
const WORDS_OF_A_PHRASE = 3
/** Orders tried before the pieces are turned one by one. */
const TRIES = 60

interface Prepared {
  entry: Entry
  text: string
  by: 'letters' | 'words'
  pieces: string[]
  spaces: number[]
}

function styleOf(list: EntryList, { letterCase, early }: UnscrambleOptions): LetterStyle {
  return { letterCase: early ? 'lower' : letterCase, accents: 'kept', language: list.answerLanguage || undefined }
}

function prepared(list: EntryList, options: UnscrambleOptions): { items: Prepared[]; notes: FitNote[] } {
  const style = styleOf(list, options)
  const items: Prepared[] = []
  const notes: FitNote[] = []
  const seen = new Set<string>()
  for (const entry of list.entries) {
    if (isEmptyFace(entry.answer) && isEmptyFace(entry.prompt)) continue
    const text = entry.answer.text.trim().replace(/\s+/gu, ' ')
    const words = text.split(' ')
    const by =
      (options.by === 'words' && words.length > 1) || (options.by === 'automatic' && words.length >= WORDS_OF_A_PHRASE)
        ? 'words'
        : 'letters'
    const letters = words.map((word) => gridLetters(word, style))
    const pieces = by === 'words' ? words : letters.flat()
    const spaces =
      by === 'words' ? [] : letters.slice(0, -1).map((_, index) => letters.slice(0, index + 1).flat().length - 1)
    const inner = movable(pieces.length, options.fixed)
    const why =
      text === ''
        ? 'no-text'
        : pieces.length > MOST_PIECES
          ? 'too-long'
          : new Set(inner.map((place) => pieces[place])).size < 2
            ? 'nothing-to-mix'
            : seen.has(textOfPieces({ by }, pieces))
              ? 'repeat'
              : undefined
    if (why) notes.push({ code: why, entryIds: [entry.id], values: { text } })
    else {
      seen.add(textOfPieces({ by }, pieces))
      items.push({ entry, text, by, pieces, spaces })
    }
  }
  return { items, notes }
}

/** Returns the places whose pieces are mixed. */
function movable(count: number, fixed: UnscrambleOptions['fixed']): number[] {
  const from = fixed === 'first' || fixed === 'both' ? 1 : 0
  const to = fixed === 'last' || fixed === 'both' ? count - 1 : count
  return Array.from({ length: Math.max(0, to - from) }, (_, index) => index + from)
}

/** Tells whether a list has words to mix. */
export function fit(list: EntryList, options: UnscrambleOptions): Fit {
  const { items: all, notes } = prepared(list, options)
  const canMix = mixable(list, options)
  const items = all.filter(canMix)
  return {
    ready: items.length > 0,
    summary: { code: items.length > 0 ? 'ready' : 'no-words', entryIds: [], values: { count: items.length } },
    notes: [
      ...notes,
      ...all
        .filter((item) => !canMix(item))
        .map(({ entry, text }) => ({ code: 'nothing-to-mix', entryIds: [entry.id], values: { text } })),
    ],
  }
}

/** So few pieces may have no order that can be shown; more always have one. */
const FEW = 4

/** Returns what tells whether there is an order of a word's pieces that can be shown. */
function mixable(list: EntryList, options: UnscrambleOptions): (item: Prepared) => boolean {
  const style = styleOf(list, options)
  const mixing = { listed: listedIn(list, style), shuns: shunned(list, NO_WORDS), style, random: randomFrom('fit') }
  return ({ pieces }) => pieces.length > FEW || mix(pieces, movable(pieces.length, options.fixed), mixing) !== undefined
}

/** Returns all that a list's answers spell. */
function listedIn({ entries }: EntryList, style: LetterStyle): Set<string> {
  return new Set(
    entries.flatMap(({ answer, accepted }) =>
      [answer.text, ...accepted].map((text) => gridLetters(text, style).join('')),
    ),
  )
}

/** Mixes the words. Throws a PuzzleError where none can be mixed. */
export function make(
  list: EntryList,
  options: UnscrambleOptions,
  random: Random,
  { words }: Pick<LookedUp, 'words'> = { words: NO_WORDS },
): UnscramblePuzzle {
  const { items } = prepared(list, options)
  const style = styleOf(list, options)
  const shuns = shunned(list, words)
  const listed = listedIn(list, style)
  const made = items.flatMap(({ entry, text, by, pieces, spaces }): UnscrambleItem[] => {
    const mixed = mix(pieces, movable(pieces.length, options.fixed), {
      listed,
      shuns: by === 'words' ? NOTHING : shuns,
      style,
      random,
    })
    if (!mixed) return []
    const letters = [...gridLetters(text, style)].sort().join('')
    const accepted = entry.accepted
      .filter((other) => [...gridLetters(other, style)].sort().join('') === letters)
      .map((other) => (by === 'words' ? other.trim().replace(/\s+/gu, ' ') : gridLetters(other, style).join('')))
    return [
      {
        entryId: entry.id,
        text,
        by,
        pieces,
        mixed,
        spaces,
        accepted,
        prompt: entry.prompt,
        hint: entry.hint,
        fact: entry.fact,
      },
    ]
  })
  if (made.length === 0) throw new PuzzleError({ code: 'no-words', entryIds: [], values: {} })
  return {
    items: options.order === 'random' ? random.shuffled(made) : made,
    direction: directionOf(made.map(({ text }) => text).join(' ')),
  }
}

/** Tells which order of letters nobody should read: a rude word in it, or one that is another word. */
interface Shunned {
  isRude(text: string): boolean
  isWord(text: string): boolean
}

/** Of words in another order nothing new is spelled. */
const NOTHING: Shunned = { isRude: () => false, isWord: () => false }

/** Returns what no order may spell, in the languages of a list and in English, which every class knows. */
function shunned(list: EntryList, { isWord }: WordKnowledge): Shunned {
  const { promptLanguage } = list
  const answerLanguage = answerLanguageOf(list)
  return {
    isRude: (text) => holdsRudeWord(text, [answerLanguage, promptLanguage]),
    isWord: (text) => isWord(inSmall(text, answerLanguage), answerLanguage) === true,
  }
}

interface Mixing {
  /** All that the list's answers spell. */
  listed: ReadonlySet<string>
  shuns: Shunned
  style: LetterStyle
  random: Random
}

/**
 * Returns an order of pieces that spells neither the word itself, nor another one of the list, nor a rude one; nor
 * another word of the language where there is such an order. Undefined where there is none.
 */
function mix(
  pieces: readonly string[],
  places: readonly number[],
  { listed, shuns, style, random }: Mixing,
): number[] | undefined {
  const solution = [...pieces.keys()]
  const laid = (moved: readonly number[]): number[] => {
    const order = [...solution]
    places.forEach((place, index) => (order[place] = moved[index]!))
    return order
  }
  let spare: number[] | undefined
  /** Returns the order where it is one; keeps one that is only another word. */
  const tried = (order: number[]): number[] | undefined => {
    const spelled = gridLetters(order.map((place) => pieces[place]).join(''), style).join('')
    const isSame = order.every((place, index) => pieces[place] === pieces[index])
    if (isSame || listed.has(spelled) || shuns.isRude(spelled)) return undefined
    if (!shuns.isWord(spelled)) return order
    spare ??= order
    return undefined
  }
  for (let attempt = 0; attempt < TRIES; attempt++) {
    const order = tried(laid(random.shuffled(places)))
    if (order) return order
  }
  for (let one = 0; one < places.length; one++) {
    for (let two = one + 1; two < places.length; two++) {
      const moved = [...places]
      ;[moved[one], moved[two]] = [moved[two]!, moved[one]!]
      const order = tried(laid(moved))
      if (order) return order
    }
  }
  return spare
}
