import type { EntryList } from '../../list/entry.ts'
import { isEmptyFace, type Face } from '../../list/face.ts'
import type { Random } from '../../random/random.ts'
import { directionOf } from '../../text/direction.ts'
import { foldText } from '../../text/foldText.ts'
import { PuzzleError, type Fit, type FitNote } from '../contract.ts'
import { dealCards } from './cards.ts'
import { forecast } from './forecast.ts'
import type { BingoOptions } from './options.ts'
import { patternLines } from './patterns.ts'
import { planCalls } from './plan.ts'
import type { BingoCard, BingoPuzzle, BingoTerm, Plan } from './puzzle.ts'

/** Sets of cards dealt anew where the first allows no game as wished. */
const DEALS = 3
/** Calls by which a wish may be later than the latest bingo found, for other cards to be worth a try. */
const NEAR = 2

const KEYS = new WeakMap<Face, string>()

/** Returns what tells faces apart; of a face seen before it is remembered, since every keystroke asks for all. */
function keyOf(face: Face): string {
  const known = KEYS.get(face)
  if (known !== undefined) return known
  const text = face.text.trim()
  const key = `${foldText(text)} ${face.picture?.id ?? ''} ${text === '' && !face.picture ? (face.sound?.id ?? '') : ''}`
  KEYS.set(face, key)
  return key
}

/** Returns the terms of a list: each face once, and notes about what is left out. */
function termsOf(list: EntryList): { terms: BingoTerm[]; notes: FitNote[] } {
  const seen = new Set<string>()
  const clues = new Set<string>()
  const terms: BingoTerm[] = []
  const notes: FitNote[] = []
  for (const { id, answer, prompt, fact } of list.entries) {
    if (isEmptyFace(answer) && isEmptyFace(prompt)) continue
    const text = answer.text.trim()
    const key = keyOf(answer)
    if (text === '' && !answer.picture) notes.push({ code: 'empty', entryIds: [id], values: {} })
    else if (seen.has(key)) notes.push({ code: 'repeat', entryIds: [id], values: { text } })
    else {
      seen.add(key)
      // What has no clue is called by its own name.
      if (isEmptyFace(prompt)) notes.push({ code: 'no-clue', entryIds: [id], values: { text } })
      else if (clues.has(keyOf(prompt)))
        notes.push({ code: 'same-clue', entryIds: [id], values: { text: prompt.text.trim() || text } })
      clues.add(keyOf(prompt))
      terms.push({ entryId: id, text, answer, prompt: isEmptyFace(prompt) ? answer : prompt, fact })
    }
  }
  return { terms, notes }
}

const SIZES = [5, 4, 3] as const

/** Options of a game whose cards have a size. */
type SizedOptions = Omit<BingoOptions, 'size'> & { size: (typeof SIZES)[number] }

/** Returns the options with the largest size that so many terms allow, where none was chosen. */
function sized(terms: number, options: BingoOptions): SizedOptions {
  if (options.size !== 'automatic') return { ...options, size: options.size }
  const size = SIZES.find((size) => obstacleOf(terms, { ...options, size }) === undefined) ?? 3
  return { ...options, size }
}

/** Returns why so many terms make no such game; undefined where they do. */
function obstacleOf(terms: number, { size, free, pattern, cards }: SizedOptions): FitNote | undefined {
  const { squares } = patternLines(pattern, size, free)
  const smaller = SIZES.find((other) => other < size && patternLines(pattern, other, free).squares <= terms)
  if (terms < squares)
    return {
      code: smaller === undefined ? 'too-few' : 'smaller-works',
      entryIds: [],
      values: { count: squares - terms, size, ...(smaller !== undefined && { smaller }) },
    }
  // Cards with the same terms are full at the same call.
  if (pattern === 'full' && terms === squares && cards > 1) return { code: 'all-together', entryIds: [], values: {} }
  return undefined
}

/** Tells whether a list has terms enough for the cards. */
export function fit(list: EntryList, chosen: BingoOptions): Fit {
  const { terms, notes } = termsOf(list)
  const options = sized(terms.length, chosen)
  const obstacle = obstacleOf(terms.length, options)
  if (obstacle) return { ready: false, summary: obstacle, notes: [obstacle, ...notes] }
  return {
    ready: true,
    summary: { code: 'ready', entryIds: [], values: { count: options.cards, terms: terms.length, size: options.size } },
    notes,
  }
}

/** Deals the cards and plans the calls. Throws a PuzzleError where the terms don't suffice. */
export function make(list: EntryList, chosen: BingoOptions, random: Random): BingoPuzzle {
  const { terms } = termsOf(list)
  const options = sized(terms.length, chosen)
  const { size, free, pattern, cards: count, calling, marking, perPage } = options
  const obstacle = obstacleOf(terms.length, options)
  if (obstacle) throw new PuzzleError(obstacle)
  const lines = patternLines(pattern, size, free)
  const deal = (): { cards: BingoCard[]; calls: number[]; plan: Plan } => {
    const cards = dealCards(count, size, free, terms.length, random)
    return { cards, ...planCalls(cards, lines, terms.length, options, random) }
  }
  let { cards, calls, plan } = deal()
  // With few terms some sets of cards allow no game as wished, where others do.
  for (
    let again = 0;
    again < DEALS && !plan.met && (options.firstWin?.[0] ?? 0) <= (plan.reachable?.[1] ?? 0) + NEAR;
    again++
  ) {
    const other = deal()
    if (other.plan.met) ({ cards, calls, plan } = other)
  }
  return {
    size,
    pattern,
    terms,
    cards,
    calls,
    forecast: forecast(pattern, size, free, terms.length, count),
    plan,
    direction: directionOf(terms.map(({ text }) => text).join(' ')),
    calling,
    marking,
    perPage,
  }
}
